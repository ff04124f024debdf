import type { Instrument } from '../instrument/instrument.ts';
import { notePitchClass, parseNote, parsePitch } from '../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { alterOf, degreeSemitones, MAJOR_STEPS } from '../scale/degree.ts';
import { readTabLine } from '../tab/tabLine.ts';
import { melodyLine } from './songLine.ts';
import type { Song } from './song.ts';

/** What is remembered of a melody so that it is found again, in any key, without its song being opened. */
export interface MelodySketch {
  /** Its first notes; of several that begin together the highest. */
  readonly first: readonly Pitch[];
  /** Every pitch that it needs, rising. */
  readonly pitches: readonly Pitch[];
  readonly notes: number;
}

/** Notes remembered from the beginning. */
const FIRST = 40;

export function melodySketch(song: Song): MelodySketch {
  const line = melodyLine(song);
  const top = new Map<number, Pitch>();
  for (const { onset, pitch } of line) top.set(onset, Math.max(pitch, top.get(onset) ?? pitch));
  const pitches = [...new Set(line.map(({ pitch }) => pitch))].sort((a, b) => a - b);
  return { first: [...top.values()].slice(0, FIRST), pitches, notes: line.length };
}

/** Notes as somebody wrote them to find a tune by; only their distances from each other count, whatever the octave. */
export interface Opening {
  readonly kind: 'degrees' | 'notes' | 'tab';
  readonly pitches: readonly number[];
}

/** Fewer notes than these begin too many tunes. */
export const OPENING_LEAST = 3;
const DEGREE = /^([b♭#♯]{0,2})([1-7])[,'’]*$/u;

/**
 * Everything that a text can mean as the first notes of a tune: degrees (`5 1 2 3`, `5123`), names of notes (`G C D`), or
 * tab of an instrument. Degrees without a sign are read twice, in major and in minor. Empty where it is none of them.
 */
export function readOpenings(text: string, instrument?: Instrument, dialect = ''): readonly Opening[] {
  const joined = /^\s*[b♭#♯1-7]{4,}\s*$/u.test(text);
  const tokens = joined ? (text.match(/[b♭#♯]{0,2}[1-7]/gu) ?? []) : text.split(/[\s,|]+/).filter((t) => t);
  const found: Opening[] = [];
  const add = (kind: Opening['kind'], pitches: readonly (number | undefined)[]) => {
    if (pitches.length >= OPENING_LEAST && pitches.every((pitch) => pitch !== undefined))
      found.push({ kind, pitches });
  };
  add(
    'degrees',
    tokens.map((token) => degreeIn(token, MAJOR_STEPS)),
  );
  add(
    'degrees',
    tokens.map((token) => degreeIn(token, MINOR_STEPS)),
  );
  add('notes', tokens.map(noteIn));
  if (instrument) {
    const tab = readTabLine(instrument, text, dialect);
    const items = tab.ok ? tab.value : [];
    add(
      'tab',
      items.flatMap((item) => (item.kind === 'way' ? [item.way.pitch] : [])),
    );
  }
  return found;
}

const MINOR_STEPS: readonly number[] = Object.freeze([0, 2, 3, 5, 7, 8, 10]);

function degreeIn(token: string, steps: readonly number[]): number | undefined {
  const [, signs = '', digit] = DEGREE.exec(token) ?? [];
  if (digit === undefined) return undefined;
  const alter = alterOf(signs);
  return alter === 0 ? steps[Number(digit) - 1] : degreeSemitones({ number: Number(digit), alter });
}

function noteIn(token: string): number | undefined {
  const pitch = parsePitch(token);
  if (pitch.ok) return pitch.value;
  const name = parseNote(token);
  return name.ok ? notePitchClass(name.value) : undefined;
}

/** A tune may have a pickup that nobody remembers. */
const SKIPPED = 4;

/**
 * Where in a melody an opening begins, 0 at its first note; undefined where it does not begin so. Notes that are
 * repeated may be written once.
 */
export function opensAt({ first }: MelodySketch, { pitches }: Opening): number | undefined {
  const steps = stepsOf(pitches);
  for (let at = 0; at <= SKIPPED && at < first.length - 1; at += 1) {
    const rest = first.slice(at);
    if (beginsWith(stepsOf(rest), steps) || beginsWith(moves(stepsOf(rest)), moves(steps))) return at;
  }
  return undefined;
}

function stepsOf(pitches: readonly number[]): number[] {
  return pitches.slice(1).map((pitch, i) => pitchClass(pitch - pitches[i]!));
}

/** Steps without those that stay. */
function moves(steps: readonly number[]): number[] {
  return steps.filter((step) => step !== 0);
}

function beginsWith(steps: readonly number[], wanted: readonly number[]): boolean {
  return wanted.length > 1 && wanted.every((step, i) => steps[i] === step);
}

/** Share of steps that may differ between two ways of writing down one tune. */
const DIFFERENT = 0.12;
/** A tune that is written out with its repeats is longer; one that is twice as long is another, or has another half. */
const LONGER = 2.2;

/** Whether two melodies are the same tune, in whatever keys, but for a few notes. */
export function isSameTune(a: MelodySketch, b: MelodySketch): boolean {
  const [short, long] = a.notes <= b.notes ? [a, b] : [b, a];
  if (short.notes < 6 || long.notes > short.notes * LONGER) return false;
  const [one, other] = [signedSteps(short.first), signedSteps(long.first)];
  const length = Math.min(one.length, other.length);
  const allowed = Math.floor(length * DIFFERENT);
  return distance(one.slice(0, length), other.slice(0, length), allowed) <= allowed;
}

/** Which of many melodies are the same tune, as groups of their places in the list, two at least in each. */
export function sameTunes(sketches: readonly MelodySketch[]): readonly (readonly number[])[] {
  const groups: number[][] = [];
  const taken = new Set<number>();
  for (const [i, sketch] of sketches.entries()) {
    if (taken.has(i)) continue;
    const group = [i];
    for (let j = i + 1; j < sketches.length; j += 1)
      if (!taken.has(j) && isSameTune(sketch, sketches[j]!)) group.push(j);
    if (group.length === 1) continue;
    groups.push(group);
    for (const one of group) taken.add(one);
  }
  return groups;
}

function signedSteps(pitches: readonly Pitch[]): number[] {
  return pitches.slice(1).map((pitch, i) => pitch - pitches[i]!);
}

/** How many steps are put in, taken out or changed between two rows; more than `limit` is not counted on. */
function distance(a: readonly number[], b: readonly number[], limit: number): number {
  let row = b.map((_, j) => j + 1);
  for (const [i, step] of a.entries()) {
    let before = i;
    let left = i + 1;
    let least = left;
    row = row.map((above, j) => {
      left = Math.min(above + 1, left + 1, before + (b[j] === step ? 0 : 1));
      before = above;
      least = Math.min(least, left);
      return left;
    });
    if (least > limit) return least;
  }
  return row.at(-1) ?? a.length;
}
