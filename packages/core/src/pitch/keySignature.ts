import { noteText, notePitchClass, letterAbove, spellAs, type Letter, type NoteName } from './noteName.ts';
import { pitchClass } from './pitch.ts';

/** Sharps enter in fifths from F; flats enter in fourths from B. */
const SHARP_ORDER: readonly Letter[] = Object.freeze(['F', 'C', 'G', 'D', 'A', 'E', 'B']);
const FLAT_ORDER: readonly Letter[] = Object.freeze(['B', 'E', 'A', 'D', 'G', 'C', 'F']);

/** A key signature with the reasons a teacher gives for it. */
export interface KeySignature {
  /** Steps round the circle of fifths from C: positive sharps, negative flats, −7…7; outside it when theoretical. */
  readonly fifths: number;
  /** The altered notes in the order in which they enter. */
  readonly altered: readonly NoteName[];
  readonly major: NoteName;
  readonly relativeMinor: NoteName;
  /** How the tonic is found from the signature, as a sentence. */
  readonly rule: string;
}

/** Steps round the circle of fifths from C major to this major tonic; C♯ = 7, C♭ = −7, G♯ = 8. */
export function fifthsOf(tonic: NoteName): number {
  const natural = ['F', 'C', 'G', 'D', 'A', 'E', 'B'].indexOf(tonic.letter) - 1;
  return natural + 7 * tonic.accidental;
}

/** `3 flats`, `1 sharp`, `no signs`. @param fifths sharps, or negative flats */
export function signsText(fifths: number): string {
  const count = Math.abs(fifths);
  if (count === 0) return 'no signs';
  return `${count} ${fifths > 0 ? 'sharp' : 'flat'}${count === 1 ? '' : 's'}`;
}

/** Signature of a major key. Beyond seven sharps or flats letters are altered twice and listed so. */
export function keySignature(major: NoteName): KeySignature {
  const fifths = fifthsOf(major);
  const order = fifths < 0 ? FLAT_ORDER : SHARP_ORDER;
  const altered: NoteName[] = [];
  for (let i = 0; i < Math.abs(fifths); i += 1) {
    const letter = order[i % 7]!;
    altered.push({ letter, accidental: Math.sign(fifths) * (Math.floor(i / 7) + 1) });
  }
  const relativeMinor = spellAs(letterAbove(major.letter, -2), pitchClass(notePitchClass(major) - 3));
  return { fifths, altered, major, relativeMinor, rule: ruleFor(fifths, altered, major) };
}

function ruleFor(fifths: number, altered: readonly NoteName[], major: NoteName): string {
  const name = noteText(major);
  if (fifths === 0) return 'No sharps and no flats: C major.';
  const last = noteText(altered[altered.length - 1]!);
  if (fifths > 0) return `The last sharp, ${last}, is a semitone below the tonic ${name}.`;
  if (fifths === -1) return `One flat, ${last}: F major, to be known by heart.`;
  return `The last flat but one, ${noteText(altered[altered.length - 2]!)}, is the tonic.`;
}

/** The major tonic of a signature. @param fifths sharps, or negative flats */
export function majorTonic(fifths: number): NoteName {
  if (!Number.isInteger(fifths)) throw new Error(`majorTonic: no whole number of signs: ${fifths}`);
  const around: readonly Letter[] = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
  const step = fifths + 1;
  return { letter: around[((step % 7) + 7) % 7]!, accidental: Math.floor(step / 7) };
}

/** How many semitones a signature raises (or, negative, lowers) each letter that it names. */
export function signatureSigns(fifths: number): ReadonlyMap<Letter, number> {
  return new Map(
    keySignature(majorTonic(fifths)).altered.map(({ letter, accidental }) => [letter, accidental]),
  );
}
