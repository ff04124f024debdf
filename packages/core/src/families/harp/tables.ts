import { keysOf } from '../../objects.ts';
import { LETTERS, NATURALS, type Letter } from '../../pitch/noteName.ts';
import type { Pitch } from '../../pitch/pitch.ts';

/** Letters that a base tuning lowers by a semitone. Source: the tunings harps are kept in with all levers down. */
export const BASES = Object.freeze({
  C: { label: 'C major', flats: [] },
  F: { label: 'F major', flats: ['B'] },
  Eb: { label: 'E♭ major', flats: ['B', 'E', 'A'] },
} as const satisfies Record<string, { label: string; flats: readonly Letter[] }>);
export type BaseId = keyof typeof BASES;
export const BASE_IDS = Object.freeze(keysOf(BASES));

/** Order in which sharps enter: levers go up in this order too. */
export const SHARPS_ORDER: readonly Letter[] = Object.freeze(['F', 'C', 'G', 'D', 'A', 'E', 'B']);

/** Letter and octave of a string `steps` above a lowest one. */
export function stringName(lowest: StringName, steps: number): StringName {
  const at = LETTERS.indexOf(lowest.letter) + steps;
  return { letter: LETTERS[((at % 7) + 7) % 7]!, octave: lowest.octave + Math.floor(at / 7) };
}

export interface StringName {
  readonly letter: Letter;
  readonly octave: number;
}

export function basePitch({ letter, octave }: StringName, base: BaseId): Pitch {
  const flats: readonly Letter[] = BASES[base].flats;
  return 12 * (octave + 1) + NATURALS[letter] - (flats.includes(letter) ? 1 : 0);
}

export function nameText({ letter, octave }: StringName): string {
  return `${letter}${octave}`;
}

export const COUNTS = Object.freeze({ least: 15, most: 40 });

/** Lowest strings of harps as they are built. */
export const LOWEST: readonly StringName[] = Object.freeze(
  Array.from({ length: 22 }, (_, i) => stringName({ letter: 'A', octave: 1 }, i)),
);
