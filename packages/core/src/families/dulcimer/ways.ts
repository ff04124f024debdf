import type { ChosenOptions } from '../effortTerm.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import type { Fingering, Technique, Way } from '../way.ts';
import { ALL_FRETS, STRINGS, type StringName } from './tables.ts';
import { capoAt, type DulcimerLayout } from './layout.ts';

/** The strings are the classes: the melody string is learnt first. */
export const techniques = Object.freeze([
  { id: 'melody', label: 'the melody string', needs: 'the melody string', safe: true },
  { id: 'middle', label: 'the middle string', needs: 'the middle string', safe: true },
  { id: 'bass', label: 'the bass string', needs: 'the bass string', safe: true },
] as const satisfies readonly Technique[]);

export interface DulcimerWay extends Way {
  readonly technique: StringName;
  /** `0` for the open string (or the capo). */
  readonly fret: string;
  /** Semitones above the open string. */
  readonly semitones: number;
  /** Place along the fretboard in diatonic frets, the player's measure: 3 for fret 3, 6.5 for fret 6½. */
  readonly along: number;
}

/** A half fret lies between two diatonic ones. */
const ALONG: ReadonlyMap<string, number> = new Map(
  ALL_FRETS.map(({ name }, index) => {
    const wholes = ALL_FRETS.slice(0, index + 1).filter((f) => !f.name.includes('½')).length;
    return [name, name.includes('½') ? wholes + 0.5 : wholes];
  }),
);

/** Every string open and at every fret above the capo: `melody.6½`. */
export function ways(layout: DulcimerLayout, can: Can): readonly DulcimerWay[] {
  const capo = capoAt(layout);
  const open = { name: '0', semitones: capo };
  return STRINGS.flatMap((string) =>
    [open, ...layout.frets.filter((fret) => fret.semitones > capo)].map(
      ({ name, semitones }): DulcimerWay => ({
        id: `${string}.${name}`,
        pitch: layout.strings[string] + semitones,
        technique: string,
        place: name,
        air: undefined,
        words: `${string} string ${name === '0' ? (capo > 0 ? 'at the capo' : 'open') : `fret ${name}`}`,
        able: name === '0' || can('frets', name),
        redundantTo: undefined,
        fret: name,
        semitones,
        along: ALONG.get(name) ?? 0,
      }),
    ),
  );
}

export function capabilityGroups(layout: DulcimerLayout): readonly GroupOfPlaces[] {
  const places = layout.frets.map((fret) => fret.name);
  return [
    {
      id: 'frets',
      label: 'Frets that are used',
      about: 'Take out frets that buzz, or that a pupil does not use yet.',
      places,
    },
  ];
}

/** Fingers of the left hand from the lowest fret to the highest, and the noter. Source: common fingering of teachers. */
export const FINGERS = Object.freeze(['r', 'm', 'i', 't'] as const);

export const FINGERINGS: readonly Fingering[] = Object.freeze([
  { id: 'r', short: 'r', words: 'ring finger' },
  { id: 'm', short: 'm', words: 'middle finger' },
  { id: 'i', short: 'i', words: 'index finger' },
  { id: 't', short: 't', words: 'thumb' },
  { id: 'n', short: 'n', words: 'noter' },
]);

export function fingeringsFor({ fret }: DulcimerWay, playingOptions: ChosenOptions): readonly string[] {
  if (fret === '0') return [];
  return playingOptions['hand'] === 'noter' ? ['n'] : FINGERS;
}
