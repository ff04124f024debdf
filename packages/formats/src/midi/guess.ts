import { majorTonic, pitchClass, SCALES, type NoteName } from '@same-song/core/music';
import type { MidiNote } from './tracks.ts';

export interface GuessedKey {
  readonly tonic: NoteName;
  readonly scale: string;
}

/** The major or minor key that holds most of what sounds, the last note speaking for its tonic. */
export function guessKey(notes: readonly MidiNote[]): GuessedKey {
  const weight = Array.from({ length: 12 }, () => 0);
  let total = 0;
  for (const { pitch, length } of notes) {
    weight[pitchClass(pitch)]! += length;
    total += length;
  }
  const last = notes.at(-1);
  let best = { score: -Infinity, fifths: 0, minor: false };
  for (const minor of [false, true]) {
    const { semitones } = SCALES.find(({ id }) => id === (minor ? 'natural-minor' : 'major'))!;
    for (const fifths of [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6]) {
      const tonic = pitchClass(7 * (fifths + (minor ? 3 : 0)));
      const inside = semitones.reduce((sum, s) => sum + weight[pitchClass(tonic + s)]!, 0) / total;
      const home = (weight[tonic]! + 0.5 * weight[pitchClass(tonic + 7)]!) / total;
      const score = inside + 0.2 * home + (last && pitchClass(last.pitch) === tonic ? 0.1 : 0);
      if (score > best.score + 1e-9) best = { score, fifths, minor };
    }
  }
  return keyOfSignature(best.fifths, best.minor);
}

export function keyOfSignature(fifths: number, minor: boolean): GuessedKey {
  return { tonic: majorTonic(fifths + (minor ? 3 : 0)), scale: minor ? 'natural-minor' : 'major' };
}

/** Metres that are tried, the usual one first: a later one must fit clearly better. */
const METRES = Object.freeze([
  { count: 4, unit: 4 },
  { count: 3, unit: 4 },
  { count: 6, unit: 8 },
  { count: 2, unit: 4 },
]);

/** The metre on whose bar lines most of what sounds begins, long notes counting for more. */
export function guessMetre(notes: readonly MidiNote[]): { readonly count: number; readonly unit: number } {
  const total = notes.reduce((sum, { length }) => sum + length, 0);
  const fit = ({ count, unit }: { count: number; unit: number }) => {
    const bar = (4 * count) / unit;
    const near = (time: number) => Math.abs(time - Math.round(time)) < 0.06;
    const onBar = notes.reduce((sum, n) => sum + (near(n.onset / bar) ? n.length : 0), 0) / total;
    // Of what begins anywhere, a bar of so many quarters catches one in so many by chance.
    const expected = 1 / bar;
    const thirds = notes.filter(({ onset }) => near((onset / 1.5) * 3) && !near(onset)).length / notes.length;
    return onBar / expected + (unit === 8 ? thirds : 0);
  };
  return METRES.reduce((best, next) => (fit(next) > fit(best) * 1.15 ? next : best));
}
