import { parseNote, type NoteName } from '../pitch/noteName.ts';
import type { Problem } from '../result.ts';
import { found } from '../search.ts';
import { customScale, SCALES, type Scale } from './scale.ts';

/** What a typed text may mean: a tonic, scales in the order of fit, or a custom scale with its problem. */
export interface ScaleSearch {
  readonly tonic: NoteName | undefined;
  readonly scales: readonly Scale[];
  /** Set when the text reads as a formula that has a mistake. */
  readonly problem: Problem | undefined;
}

const STOP_WORDS = new Set(['in', 'on', 'the', 'of', 'scale', 'mode', 'key', 'play', 'from']);

/** Numbers that names have as words. */
const NUMBER_WORDS: Readonly<Record<string, string>> = Object.freeze({
  '5': 'five',
  '6': 'six',
  '7': 'seven',
  '8': 'eight',
});

/** A tonic, perhaps with what players write after it for minor and major: `Em`, `f#`, `Bbmin`, `C♯maj`. */
const TONIC = /^([a-g](?:#|b|♯|♭){0,2})(m|mi|min|minor|M|maj|major)?$/iu;

/**
 * Understands what a teacher types: `eb dor`, `blues in F`, `Em`, `F sharp minor`, `wholetone`, `1 2 b3 #4 5 6 b7`.
 * Every word must be found in the scale's name or in one of its aliases; where none has them all, one letter of a word
 * may be wrong.
 */
export function searchScales(text: string): ScaleSearch {
  const trimmed = text.trim();
  if (/^[01]([\s,]|$)/.test(trimmed)) {
    const custom = customScale(trimmed);
    return custom.ok
      ? { tonic: undefined, scales: [custom.value], problem: undefined }
      : { tonic: undefined, scales: [], problem: custom.problems[0] };
  }
  const { tonic, wanted } = tonicAmong(
    trimmed.replace(
      /\b([a-g])\s+(flat|sharp)\b/gi,
      (_, letter: string, sign: string) => letter + (/flat/i.test(sign) ? 'b' : '#'),
    ),
  );
  // `6 note blues`, and a lone m after the tonic, as in `A m`.
  const words = wanted.map((word) => (tonic && word === 'm' ? 'minor' : (NUMBER_WORDS[word] ?? word)));
  return {
    tonic,
    scales: found(SCALES, words.join(' '), ({ name, aliases }) => [name, ...aliases]),
    problem: undefined,
  };
}

/** The first word that is a tonic, and the words that are left to name a scale. */
function tonicAmong(text: string): { tonic: NoteName | undefined; wanted: readonly string[] } {
  let tonic: NoteName | undefined;
  const words = text.split(/[\s,]+/).filter((word) => word !== '' && !STOP_WORDS.has(word.toLowerCase()));
  const wanted = words.flatMap((word): string[] => {
    const [, name, mode] = (tonic === undefined && TONIC.exec(word)) || [];
    const note = name === undefined ? undefined : parseNote(name);
    if (!note?.ok) return [word];
    tonic = note.value;
    if (mode === undefined) return [];
    return [mode === 'M' || /^maj/i.test(mode) ? 'major' : 'minor'];
  });
  return { tonic, wanted };
}
