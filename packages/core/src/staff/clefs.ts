import { keysOf } from '../objects.ts';
/** A clef: what its middle line sounds as, and how it is drawn. Places are steps above the middle line, line to space. */
export interface Clef {
  readonly label: string;
  /** The clef's character in the Unicode block of musical signs. */
  readonly sign: string;
  /** Letter and octave of the middle line, as it sounds. */
  readonly middle: { readonly letter: 'B' | 'D'; readonly octave: number };
  /** The line that the sign marks: G in treble clefs, F in bass clefs. */
  readonly marks: number;
  /** How much lower the key signature stands than in the treble clef. */
  readonly signatureLower: number;
  /** Ledger lines a note, on the average, that a reader would take before this clef. */
  readonly reluctance: number;
}

/** Clefs of common notation. Those with an 8 sound an octave away from where they are read. */
export const CLEFS = Object.freeze({
  treble: {
    label: 'treble clef',
    sign: '𝄞',
    middle: { letter: 'B', octave: 4 },
    marks: -2,
    signatureLower: 0,
    reluctance: 0,
  },
  bass: {
    label: 'bass clef',
    sign: '𝄢',
    middle: { letter: 'D', octave: 3 },
    marks: 2,
    signatureLower: 2,
    reluctance: 0.3,
  },
  trebleUp: {
    label: 'treble clef, sounding an octave higher',
    sign: '𝄟',
    middle: { letter: 'B', octave: 5 },
    marks: -2,
    signatureLower: 0,
    reluctance: 0.6,
  },
  trebleDown: {
    label: 'treble clef, sounding an octave lower',
    sign: '𝄠',
    middle: { letter: 'B', octave: 3 },
    marks: -2,
    signatureLower: 0,
    reluctance: 0.6,
  },
} as const satisfies Record<string, Clef>);

export type ClefId = keyof typeof CLEFS;
export const CLEF_IDS = Object.freeze(keysOf(CLEFS));

/** Places of the sharps and flats of a key signature in the treble clef, in the order in which they enter. */
export const SIGNATURE_PLACES = Object.freeze({
  sharps: Object.freeze([4, 1, 5, 2, -1, 3, 0]),
  flats: Object.freeze([0, 3, -1, 2, -2, 1, -3]),
});
