import { parseNote, type NoteName } from '../pitch/noteName.ts';
import { type Problem } from '../result.ts';
import { customScale, SCALES, type Scale } from './scale.ts';

/** What a typed text may mean: a tonic, scales in the order of fit, or a custom scale with its problem. */
export interface ScaleSearch {
  readonly tonic: NoteName | undefined;
  readonly scales: readonly Scale[];
  /** Set when the text reads as a formula that has a mistake. */
  readonly problem: Problem | undefined;
}

const STOP_WORDS = new Set(['in', 'on', 'the', 'of', 'scale', 'mode', 'key', 'play', 'from']);

/**
 * Understands what a teacher types: `eb dor`, `blues in F`, `F sharp minor`, `1 2 b3 #4 5 6 b7`.
 * Every word must begin a word of the scale's name or of one of its aliases.
 */
export function searchScales(text: string): ScaleSearch {
  const trimmed = text.trim();
  if (/^[01]([\s,]|$)/.test(trimmed)) {
    const custom = customScale(trimmed);
    return custom.ok
      ? { tonic: undefined, scales: [custom.value], problem: undefined }
      : { tonic: undefined, scales: [], problem: custom.problems[0] };
  }
  const joined = trimmed.replace(
    /\b([a-g])\s+(flat|sharp)\b/gi,
    (_, l: string, s: string) => l + (/flat/i.test(s) ? 'b' : '#'),
  );
  const words = joined
    .toLowerCase()
    .split(/[\s,]+/)
    .filter((w) => w !== '');
  let tonic: NoteName | undefined;
  const wanted = words.filter((word) => {
    const note = tonic === undefined && word.length <= 3 ? parseNote(word) : undefined;
    if (note?.ok && !STOP_WORDS.has(word)) {
      tonic = note.value;
      return false;
    }
    return !STOP_WORDS.has(word);
  });
  const ranked = SCALES.map((scale, order) => ({ scale, order, rank: rankOf(scale, wanted) }))
    .filter((entry) => entry.rank !== undefined)
    .sort((a, b) => a.rank! - b.rank! || a.order - b.order);
  return { tonic, scales: ranked.map((entry) => entry.scale), problem: undefined };
}

/** 0 exact name, 1 words of the name, 2 an alias exactly, 3 words of an alias; undefined for no match. */
function rankOf(scale: Scale, wanted: readonly string[]): number | undefined {
  const text = wanted.join(' ');
  const name = scale.name.toLowerCase();
  if (name === text) return 0;
  if (matches(name, wanted)) return 1;
  const aliases = scale.aliases.map((alias) => alias.toLowerCase());
  if (aliases.some((alias) => alias === text)) return 2;
  if (aliases.some((alias) => matches(alias, wanted))) return 3;
  return undefined;
}

function matches(name: string, wanted: readonly string[]): boolean {
  const words = name.split(/[\s-]+/);
  return wanted.every((w) => words.some((word) => word.startsWith(w)));
}
