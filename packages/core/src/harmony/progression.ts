import { accidentalText } from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { fail, ok, shown, type Problem, type Result } from '../result.ts';
import { degreeSemitones, type Degree } from '../scale/degree.ts';

/** Qualities of a chord and its tones above the root. */
export const QUALITIES = Object.freeze({
  '': [0, 4, 7],
  m: [0, 3, 7],
  '7': [0, 4, 7, 10],
  m7: [0, 3, 7, 10],
  maj7: [0, 4, 7, 11],
  '°': [0, 3, 6],
  '+': [0, 4, 8],
  sus4: [0, 5, 7],
} as const);
export type Quality = keyof typeof QUALITIES;

/** A chord by degree. */
export interface DegreeChord {
  readonly degree: Degree;
  readonly quality: Quality;
  /** As written in the field's usual way: `♭VII7`, `ii`. */
  readonly name: string;
  /** Semitones above home, root first. */
  readonly tones: readonly PitchClass[];
}

/** Chords bar by bar. */
export interface Progression {
  readonly name: string;
  /** Beats in a bar. */
  readonly beats: number;
  readonly bars: readonly (readonly DegreeChord[])[];
}

export const BEATS = Object.freeze({ least: 2, most: 12 });
export const BARS_LIMIT = 128;

const ROMAN = Object.freeze(['I', 'II', 'III', 'IV', 'V', 'VI', 'VII']);
const CHORD =
  /^(?<signs>[b♭#♯]{0,2})(?<number>[1-7]|VII|VI|IV|V|III|II|I|vii|vi|iv|v|iii|ii|i)(?<quality>maj7|m7|min7|m|-7|-|7|°|dim|\+|aug|sus4|sus)?$/u;
const SPELLINGS: Readonly<Record<string, Quality>> = Object.freeze({
  min7: 'm7',
  '-7': 'm7',
  '-': 'm',
  dim: '°',
  aug: '+',
  sus: 'sus4',
});

function chordOf(token: string): DegreeChord | undefined {
  const groups = CHORD.exec(token)?.groups;
  if (!groups) return undefined;
  const { signs = '', number = '', quality: written = '' } = groups;
  const alter = [...signs].reduce((sum, sign) => sum + (sign === 'b' || sign === '♭' ? -1 : 1), 0);
  const digit = /\d/.test(number) ? Number(number) : ROMAN.indexOf(number.toUpperCase()) + 1;
  const small = /[iv]/.test(number);
  const plain = SPELLINGS[written] ?? (written as Quality);
  const quality: Quality = small
    ? (({ '': 'm', '7': 'm7' } as Partial<Record<Quality, Quality>>)[plain] ?? plain)
    : plain;
  const degree = { number: digit, alter };
  const root = pitchClass(degreeSemitones(degree));
  const minor = quality.startsWith('m') && quality !== 'maj7';
  const numeral = ROMAN[digit - 1]!;
  const roman = minor || quality === '°' ? numeral.toLowerCase() : numeral;
  const name = accidentalText(alter) + roman + (minor ? quality.slice(1) : quality);
  return { degree, quality, name, tones: QUALITIES[quality].map((s) => pitchClass(root + s)) };
}

/**
 * Reads chords as degrees: bars apart by spaces or bar lines, several chords of a bar joined by commas: `1 1 4,5 1`,
 * `I vi | ii V7`, `b7`. Capital numerals are major, small ones minor; `%` repeats the bar before.
 * The problem's position is the character where the wrong chord begins.
 */
export function parseProgression(name: string, text: string, beats: number): Result<Progression> {
  const problems: Problem[] = [];
  const wrong = (position: number, found: string, message: string) =>
    problems.push({ field: 'text', position, wrong: shown(found), message });
  const bars: DegreeChord[][] = [];
  for (const match of text.matchAll(/[^\s|]+/gu)) {
    const before = bars[bars.length - 1];
    if (match[0] === '%') {
      if (before) bars.push(before);
      else wrong(match.index, '%', 'There is no bar before the first to repeat.');
      continue;
    }
    let at = match.index;
    const bar = match[0].split(',').flatMap((token): DegreeChord[] => {
      const chord = chordOf(token);
      if (!chord)
        wrong(at, token, `“${shown(token)}” is no chord: write degrees like 1 4 5, I IV V7, ii, b7, 6m.`);
      at += token.length + 1;
      return chord ? [chord] : [];
    });
    bars.push(bar);
  }
  if (bars.length === 0) wrong(0, text, 'Write at least one chord, for example 1 4 5 1.');
  if (bars.length > BARS_LIMIT) wrong(0, String(bars.length), `At most ${BARS_LIMIT} bars fit.`);
  if (!Number.isInteger(beats) || beats < BEATS.least || beats > BEATS.most)
    problems.push({
      field: 'beats',
      wrong: shown(beats),
      message: `A bar has ${BEATS.least} to ${BEATS.most} beats.`,
    });
  return problems.length > 0 ? fail(...problems) : ok({ name, beats, bars });
}

/** Source: the usual forms of the blues; the eight- and sixteen-bar ones and the minor form are our own. */
export const FORMS = Object.freeze([
  { id: 'blues-12', name: '12-bar blues', beats: 4, text: '1 1 1 1 4 4 1 1 5 4 1 5' },
  { id: 'blues-12-quick', name: '12-bar blues, quick change', beats: 4, text: '1 4 1 1 4 4 1 1 5 4 1 5' },
  {
    id: 'blues-12-sevenths',
    name: '12-bar blues in sevenths',
    beats: 4,
    text: '17 17 17 17 47 47 17 17 57 47 17 57',
  },
  { id: 'blues-12-long', name: '12-bar blues, five held', beats: 4, text: '1 1 1 1 4 4 1 1 5 5 1 1' },
  { id: 'blues-minor', name: '12 bars in minor', beats: 4, text: '1m 1m 1m 1m 4m 4m 1m 1m b6 57 1m 1m' },
  { id: 'quay-8', name: 'eight bars of the quay', beats: 4, text: '1 4 1 6m 2m 5 1,4 1' },
  {
    id: 'lantern-16',
    name: 'sixteen bars of the lantern',
    beats: 3,
    text: '1 1 4 1 1 6m 2m 5 1 1 4 4 2m 5 1 1',
  },
] as const);
