import { keysOf } from '../../objects.ts';
/** A fret: its name, which is no count, and semitones above the open string. */
export interface Fret {
  readonly name: string;
  readonly semitones: number;
}

/**
 * Every fret a chromatic fretboard has; whole numbers are the diatonic frets, ½ the ones between.
 * Source: the usual fret names of the mountain dulcimer.
 */
export const ALL_FRETS: readonly Fret[] = Object.freeze(
  (
    [
      ['½', 1],
      ['1', 2],
      ['1½', 3],
      ['2', 4],
      ['3', 5],
      ['3½', 6],
      ['4', 7],
      ['4½', 8],
      ['5', 9],
      ['6', 10],
      ['6½', 11],
      ['7', 12],
      ['7½', 13],
      ['8', 14],
      ['8½', 15],
      ['9', 16],
      ['10', 17],
      ['10½', 18],
      ['11', 19],
      ['11½', 20],
      ['12', 21],
      ['13', 22],
      ['13½', 23],
      ['14', 24],
      ['14½', 25],
      ['15', 26],
      ['15½', 27],
      ['16', 28],
      ['17', 29],
    ] as const
  ).map(([name, semitones]) => Object.freeze({ name, semitones })),
);

const DIATONIC = ALL_FRETS.map((fret) => fret.name).filter((name) => !name.includes('½'));

/** Fretboards as they are built, by the names of their frets. */
export const FRETBOARDS = Object.freeze({
  usual: { label: 'diatonic with 6½ and 13½', frets: [...DIATONIC, '6½', '13½'] },
  plain: { label: 'diatonic, no half frets', frets: DIATONIC },
  extra: { label: 'with 1½, 6½, 8½ and 13½', frets: [...DIATONIC, '1½', '6½', '8½', '13½'] },
  chromatic: { label: 'chromatic', frets: ALL_FRETS.map((fret) => fret.name) },
});
export type FretboardId = keyof typeof FRETBOARDS;
export const FRETBOARD_IDS = Object.freeze(keysOf(FRETBOARDS));

export const STRINGS = Object.freeze(['bass', 'middle', 'melody'] as const);
export type StringName = (typeof STRINGS)[number];

/** Tunings bass, middle, melody as pitches (C4 = 60). Source: tunings in common use. */
export const TUNINGS = Object.freeze({
  'D3 A3 D4': [50, 57, 62],
  'D3 A3 A3': [50, 57, 57],
  'D3 A3 C4': [50, 57, 60],
  'D3 A3 G3': [50, 57, 55],
  'D3 G3 D4': [50, 55, 62],
  'C3 G3 C4': [48, 55, 60],
  'G2 D3 G3': [43, 50, 55],
} as const satisfies Record<string, readonly [number, number, number]>);
export type TuningId = keyof typeof TUNINGS;
export const TUNING_IDS = Object.freeze(keysOf(TUNINGS));
