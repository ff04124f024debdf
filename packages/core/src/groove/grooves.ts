/** What is played at a place of a groove. */
export type Play =
  /** Bass: the lowest note of the chord, its fifth, or what leads into the next chord. */
  | 'root'
  | 'fifth'
  | 'lead'
  /** Bass: home and the fifth above it, whatever the chord. */
  | 'drone'
  /** All tones of the chord. */
  | 'chord'
  | 'kick'
  | 'snare'
  | 'hat';

/** Whether it has no pitch. */
export function isDrum(play: Play): boolean {
  return play === 'kick' || play === 'snare' || play === 'hat';
}

export interface Hit {
  /** Counted beats since the groove's cycle began. */
  readonly at: number;
  readonly beats: number;
  readonly play: Play;
  /** From 0 to 1. */
  readonly loud: number;
  /** An off-beat eighth that comes late where the feel is swung. */
  readonly swung?: true;
  /** Only where another chord follows at once. */
  readonly toChange?: true;
}

/** How an accompaniment moves; it is repeated through bars of any length. */
export interface Groove {
  readonly id: string;
  readonly label: string;
  /** Counted beats of its cycle. */
  readonly beats: number;
  /** Into how many parts its beats are felt. */
  readonly divisions: 2 | 3;
  readonly hits: readonly Hit[];
  /** The same dance otherwise, for every second phrase, so that a long accompaniment is not one phrase again and again. */
  readonly otherwise: readonly Hit[];
  /** Every second bar of a chord has the fifth in the bass. */
  readonly alternates?: true;
  /** In the last beat of a form and of every eighth bar, in place of its drums there. */
  readonly fill: readonly Hit[];
}

const third = 1 / 3;
const hit = (play: Play, at: number, beats: number, loud: number): Hit => ({ play, at, beats, loud });
const late = (play: Play, at: number, beats: number, loud: number): Hit => ({
  ...hit(play, at, beats, loud),
  swung: true,
});
const intoChange = (at: number, beats: number): Hit => ({ ...hit('lead', at, beats, 0.7), toChange: true });
const each = (count: number, made: (beat: number) => readonly Hit[]) =>
  Array.from({ length: count }, (_, beat) => made(beat)).flat();

const FILL_EVEN: readonly Hit[] = [0, 0.25, 0.5, 0.75].map((at, i) => hit('snare', at, 0.2, 0.5 + i * 0.12));
const FILL_THREES: readonly Hit[] = [0, third, 2 * third].map((at, i) =>
  hit('snare', at, 0.2, 0.5 + i * 0.15),
);

/** Source: what each dance or feel has on which beat, as accompanists of them are taught. */
export const GROOVES: readonly Groove[] = Object.freeze([
  {
    id: 'straight',
    label: 'straight',
    beats: 4,
    divisions: 2,
    hits: [
      ...[
        hit('root', 0, 0.9, 1),
        hit('root', 1.5, 0.4, 0.8),
        hit('fifth', 2, 0.9, 0.9),
        hit('lead', 3.5, 0.4, 0.8),
      ],
      ...[hit('chord', 1, 0.5, 0.8), hit('chord', 3, 0.5, 0.8)],
      ...[
        hit('kick', 0, 0.1, 1),
        hit('snare', 1, 0.1, 0.9),
        hit('kick', 2, 0.1, 0.9),
        hit('snare', 3, 0.1, 0.9),
      ],
      ...each(4, (beat) => [hit('hat', beat, 0.05, 0.5), hit('hat', beat + 0.5, 0.05, 0.35)]),
    ],
    otherwise: [
      // The bass walks in quarters, the chords come a little before the third beat.
      ...[
        hit('root', 0, 0.9, 1),
        hit('fifth', 1, 0.9, 0.8),
        hit('root', 2, 0.9, 0.9),
        hit('lead', 3, 0.9, 0.8),
      ],
      ...[hit('chord', 1, 0.4, 0.7), hit('chord', 1.5, 0.4, 0.8), hit('chord', 3, 0.5, 0.8)],
      ...[hit('kick', 0, 0.1, 1), hit('snare', 1, 0.1, 0.9), hit('kick', 1.5, 0.1, 0.7)],
      ...[hit('kick', 2, 0.1, 0.9), hit('snare', 3, 0.1, 0.9)],
      ...each(4, (beat) => [hit('hat', beat + 0.5, 0.05, 0.45)]),
    ],
    fill: FILL_EVEN,
  },
  {
    id: 'shuffle',
    label: 'shuffle',
    beats: 4,
    divisions: 3,
    hits: [
      ...[
        hit('root', 0, 0.6, 1),
        late('root', 0.5, 0.3, 0.6),
        hit('fifth', 1, 0.6, 0.9),
        late('fifth', 1.5, 0.3, 0.6),
      ],
      ...[
        hit('root', 2, 0.6, 1),
        late('root', 2.5, 0.3, 0.6),
        hit('fifth', 3, 0.6, 0.9),
        late('lead', 3.5, 0.3, 0.7),
      ],
      ...[hit('chord', 1, 0.4, 0.7), hit('chord', 3, 0.4, 0.7)],
      ...[
        hit('kick', 0, 0.1, 1),
        hit('snare', 1, 0.1, 0.9),
        hit('kick', 2, 0.1, 0.9),
        hit('snare', 3, 0.1, 0.9),
      ],
      ...each(4, (beat) => [hit('hat', beat, 0.05, 0.5), late('hat', beat + 0.5, 0.05, 0.35)]),
    ],
    otherwise: [
      // The bass in two, a chord on the first beat and its answer before the third.
      ...[
        hit('root', 0, 1.4, 1),
        late('root', 1.5, 0.3, 0.6),
        hit('fifth', 2, 1.4, 0.9),
        late('lead', 3.5, 0.3, 0.7),
      ],
      ...[hit('chord', 0, 0.5, 0.7), late('chord', 1.5, 0.3, 0.8)],
      ...[
        hit('kick', 0, 0.1, 1),
        hit('snare', 1, 0.1, 0.9),
        hit('kick', 2, 0.1, 0.9),
        hit('snare', 3, 0.1, 0.9),
      ],
      ...each(2, (half) => [
        hit('hat', 2 * half, 0.05, 0.5),
        hit('hat', 2 * half + 1, 0.05, 0.5),
        late('hat', 2 * half + 1.5, 0.05, 0.35),
      ]),
    ],
    fill: FILL_THREES,
  },
  {
    id: 'twelve-eight',
    label: 'slow twelve-eight',
    beats: 4,
    divisions: 3,
    hits: [
      ...[hit('root', 0, 0.9, 1), hit('fifth', 2, 0.9, 0.9), hit('lead', 3 + 2 * third, 0.3, 0.7)],
      ...each(4, (beat) =>
        [0, third, 2 * third].map((at) => hit('chord', beat + at, 0.28, at === 0 ? 0.7 : 0.5)),
      ),
      ...[
        hit('kick', 0, 0.1, 1),
        hit('snare', 1, 0.1, 0.8),
        hit('kick', 2, 0.1, 0.8),
        hit('snare', 3, 0.1, 0.8),
      ],
      ...each(4, (beat) =>
        [0, third, 2 * third].map((at) => hit('hat', beat + at, 0.05, at === 0 ? 0.5 : 0.3)),
      ),
    ],
    otherwise: [
      // Chords on the first and third of each beat.
      ...[hit('root', 0, 1.5, 1), hit('root', 1 + 2 * third, 0.3, 0.6), hit('fifth', 2, 1.5, 0.9)],
      ...[hit('lead', 3 + 2 * third, 0.3, 0.7)],
      ...each(4, (beat) => [hit('chord', beat, 0.6, 0.7), hit('chord', beat + 2 * third, 0.28, 0.5)]),
      ...[hit('kick', 0, 0.1, 1), hit('snare', 1, 0.1, 0.8), hit('kick', 1 + 2 * third, 0.1, 0.6)],
      ...[hit('kick', 2, 0.1, 0.8), hit('snare', 3, 0.1, 0.8)],
      ...each(4, (beat) => [hit('hat', beat, 0.05, 0.5), hit('hat', beat + 2 * third, 0.05, 0.3)]),
    ],
    fill: FILL_THREES,
  },
  {
    id: 'waltz',
    label: 'waltz',
    beats: 3,
    divisions: 2,
    alternates: true,
    hits: [
      ...[
        hit('root', 0, 0.9, 1),
        hit('chord', 1, 0.6, 0.7),
        hit('chord', 2, 0.6, 0.7),
        hit('lead', 2.5, 0.4, 0.6),
      ],
      ...[hit('kick', 0, 0.1, 0.9), hit('hat', 1, 0.05, 0.5), hit('hat', 2, 0.05, 0.5)],
    ],
    otherwise: [
      // The chord on the second beat is held.
      ...[hit('root', 0, 0.9, 1), hit('chord', 1, 1.6, 0.7), hit('lead', 2.5, 0.4, 0.6)],
      ...[
        hit('kick', 0, 0.1, 0.9),
        hit('hat', 1, 0.05, 0.5),
        hit('hat', 2, 0.05, 0.4),
        hit('hat', 2.5, 0.05, 0.3),
      ],
    ],
    fill: FILL_EVEN,
  },
  {
    id: 'jig',
    label: 'jig',
    beats: 2,
    divisions: 3,
    hits: [
      ...[hit('root', 0, 0.6, 1), hit('chord', 2 * third, 0.3, 0.7)],
      ...[hit('fifth', 1, 0.6, 0.9), hit('chord', 1 + 2 * third, 0.3, 0.7), intoChange(1 + 2 * third, 0.3)],
      ...[hit('kick', 0, 0.1, 0.9), hit('kick', 1, 0.1, 0.7)],
      ...each(2, (beat) => [hit('hat', beat + 2 * third, 0.05, 0.5)]),
    ],
    otherwise: [
      // Chords on the second and third eighths.
      ...[hit('root', 0, 0.3, 1), hit('chord', third, 0.3, 0.5), hit('chord', 2 * third, 0.3, 0.7)],
      ...[
        hit('fifth', 1, 0.3, 0.9),
        hit('chord', 1 + third, 0.3, 0.5),
        hit('chord', 1 + 2 * third, 0.3, 0.7),
      ],
      intoChange(1 + 2 * third, 0.3),
      ...[hit('kick', 0, 0.1, 0.9), hit('kick', 1, 0.1, 0.7)],
      ...each(2, (beat) => [hit('hat', beat + third, 0.05, 0.3), hit('hat', beat + 2 * third, 0.05, 0.5)]),
    ],
    fill: FILL_THREES,
  },
  {
    id: 'reel',
    label: 'reel',
    beats: 2,
    divisions: 2,
    hits: [
      ...[
        hit('root', 0, 0.45, 1),
        hit('chord', 0.5, 0.35, 0.7),
        hit('fifth', 1, 0.45, 0.9),
        hit('chord', 1.5, 0.35, 0.7),
        intoChange(1.5, 0.4),
      ],
      ...[
        hit('kick', 0, 0.1, 0.9),
        hit('hat', 0.5, 0.05, 0.5),
        hit('kick', 1, 0.1, 0.7),
        hit('hat', 1.5, 0.05, 0.5),
      ],
    ],
    otherwise: [
      // Each chord is struck twice.
      ...each(2, (beat) => [hit('chord', beat + 0.5, 0.2, 0.7), hit('chord', beat + 0.75, 0.2, 0.5)]),
      ...[hit('root', 0, 0.45, 1), hit('fifth', 1, 0.45, 0.9), intoChange(1.5, 0.4)],
      ...each(2, (beat) => [hit('hat', beat + 0.5, 0.05, 0.5), hit('hat', beat + 0.75, 0.05, 0.35)]),
      ...[hit('kick', 0, 0.1, 0.9), hit('kick', 1, 0.1, 0.7)],
    ],
    fill: FILL_EVEN,
  },
  {
    id: 'march',
    label: 'march or polka',
    beats: 2,
    divisions: 2,
    hits: [
      ...[
        hit('root', 0, 0.45, 1),
        hit('chord', 0.5, 0.3, 0.8),
        hit('fifth', 1, 0.45, 0.9),
        hit('chord', 1.5, 0.3, 0.8),
        intoChange(1.5, 0.4),
      ],
      ...[
        hit('kick', 0, 0.1, 1),
        hit('snare', 0.5, 0.1, 0.5),
        hit('kick', 1, 0.1, 0.9),
        hit('snare', 1.5, 0.1, 0.5),
      ],
    ],
    otherwise: [
      // The drum rolls into each beat.
      ...[hit('root', 0, 0.45, 1), hit('chord', 0.5, 0.3, 0.8)],
      ...[hit('fifth', 1, 0.45, 0.9), hit('chord', 1.5, 0.3, 0.8), intoChange(1.5, 0.4)],
      ...[hit('kick', 0, 0.1, 1), hit('kick', 1, 0.1, 0.9)],
      ...each(2, (beat) => [hit('snare', beat + 0.5, 0.1, 0.5), hit('snare', beat + 0.75, 0.1, 0.35)]),
    ],
    fill: FILL_EVEN,
  },
  {
    id: 'drone',
    label: 'drone pulse',
    beats: 1,
    divisions: 2,
    hits: [hit('drone', 0, 0.95, 0.8), hit('hat', 0, 0.05, 0.35)],
    otherwise: [
      // Twice a beat, the second softer.
      ...[hit('drone', 0, 0.45, 0.8), hit('drone', 0.5, 0.45, 0.5), hit('hat', 0, 0.05, 0.35)],
    ],
    fill: [],
  },
]);

/** Id of the groove that is taken where none is chosen. */
export const USUAL_GROOVE = GROOVES[0]!.id;

/** Id of the groove that chords of so many beats a bar are usually played over with. */
export function usualGrooveFor(beats: number): string {
  return beats === 3 ? 'waltz' : 'shuffle';
}

/** The groove of the dances of a metre. @param beats counted in a bar @param divisions of each */
export function danceOf({ beats, divisions }: { readonly beats: number; readonly divisions: 2 | 3 }): Groove {
  if (divisions === 3) return grooveById('jig');
  if (beats % 2 === 1) return grooveById('waltz');
  return grooveById(beats === 2 ? 'march' : 'reel');
}

/** @throws for an unknown one */
export function grooveById(id: string): Groove {
  const found = GROOVES.find((groove) => groove.id === id);
  if (!found) throw new Error(`grooveById: no groove ${id}`);
  return found;
}
