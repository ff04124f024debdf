import { noteText } from '../../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../../pitch/pitch.ts';
import { fail, ok, type Result } from '../../result.ts';
import { fitsFrom, triadsIn } from '../../scale/identify.ts';
import { CHROMATIC_DEGREES, degreeText } from '../../scale/degree.ts';
import { USUAL_KEYS } from '../../scale/scale.ts';
import {
  loader,
  type EffortPart,
  type Habit,
  type HabitChoice,
  type Loads,
  type PreferencePreset,
} from '../effortPart.ts';
import type { FactTable } from '../layoutPart.ts';
import type { Grip, Play, Side, Technique, Way } from '../way.ts';
import { STRUCK } from './timbres.ts';

/** What instruments of fixed pitches share: places on a surface, two hands, a set of pitches that cannot be altered. */

/** A pitch at a place on the surface, in millimetres from its upper left corner. */
export interface Spot {
  readonly pitch: Pitch;
  readonly cents: number;
  readonly x: number;
  readonly y: number;
}

export interface SpotWay extends Way {
  readonly technique: 'spot';
  readonly number: number;
  readonly x: number;
  readonly y: number;
  /** Which hand the place lies before; middle for either. */
  readonly lies: 'left' | 'middle' | 'right';
}

export const CENTS = Object.freeze({ lowest: -50, highest: 50 });

const GRIPS: readonly Grip[] = Object.freeze([
  { id: 'L', short: 'L', words: 'left hand' },
  { id: 'R', short: 'R', words: 'right hand' },
]);

const habits: readonly Habit[] = Object.freeze([
  {
    id: 'hands',
    label: 'Hands',
    options: [
      { id: 'both', label: 'both hands' },
      { id: 'right', label: 'right hand only' },
      { id: 'left', label: 'left hand only' },
    ],
  },
]);

function gripsFor(habits: HabitChoice): readonly string[] {
  return { right: ['R'], left: ['L'] }[habits['hands'] ?? 'both'] ?? ['L', 'R'];
}

const parts = Object.freeze([
  {
    id: 'same-hand',
    label: 'same hand again',
    tally: 'sum',
    about: 'One hand for two different notes in a row.',
  },
  {
    id: 'crossed',
    label: 'hands crossed',
    tally: 'notes',
    about: 'A hand reaching to the other hand’s side.',
  },
  { id: 'way', label: 'way of the hand', tally: 'sum', about: 'How far a hand travels, in hands’ breadths.' },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

/** A hand’s breadth in millimetres of the drawing. */
const BREADTH = 40;

function wayLoads({ way, grip }: Play<SpotWay>): Loads {
  const crossed = (way.lies === 'left' && grip === 'R') || (way.lies === 'right' && grip === 'L');
  return loads({ crossed: crossed ? 1 : 0 });
}

function stepLoads(from: Play<SpotWay>, to: Play<SpotWay>): Loads {
  if (from.grip !== to.grip || from.way.id === to.way.id) return loads({});
  const distance = Math.hypot(from.way.x - to.way.x, from.way.y - to.way.y) / BREADTH;
  return loads({ 'same-hand': 1, way: Math.round(distance * 10) / 10 });
}

const EVEN = Object.freeze({ 'same-hand': 1, crossed: 0.8, way: 0.5 });

const preferences: readonly PreferencePreset[] = Object.freeze([
  { id: 'even', label: 'an even hand', about: 'Everything counts a little.', weights: EVEN, avoid: [] },
  {
    id: 'turns',
    label: 'hands in turn',
    about: 'Left and right alternate, even where one must reach across.',
    weights: { ...EVEN, 'same-hand': 5, crossed: 0.2 },
    avoid: [],
  },
  {
    id: 'sides',
    label: 'each hand on its side',
    about: 'No reaching across.',
    weights: { ...EVEN, crossed: 6, 'same-hand': 0.3 },
    avoid: [],
  },
]);

export function technique(label: string): readonly Technique[] {
  return Object.freeze([{ id: 'spot', label, needs: 'a pitch that is not there', safe: true }]);
}

/** Hand from which a place is played: a third of the surface in the middle belongs to either. */
export function liesAt(x: number, widthMm: number): SpotWay['lies'] {
  if (Math.abs(x - widthMm / 2) < widthMm / 12) return 'middle';
  return x < widthMm / 2 ? 'left' : 'right';
}

export function pitchSet(spots: readonly Pick<Spot, 'pitch'>[]): ReadonlySet<number> {
  return new Set(spots.map(({ pitch }) => pitchClass(pitch)));
}

/** More triads than these are counted, not named. */
const TRIADS_NAMED = 8;

/** What each pitch gives as home: the best fitting scale, what it lacks, and the triads on its degrees. */
export function anchorTable(
  spots: readonly Pick<Spot, 'pitch'>[],
  what: string,
  wayIds: readonly string[],
): FactTable {
  const set = pitchSet(spots);
  const triads = triadsIn(set);
  return {
    id: 'anchors',
    title: `Every ${what} as home`,
    about: 'The same set of pitches heard from another home: the scale it then makes, and the triads in it.',
    columns: ['home', 'makes', 'without', 'triads'],
    rows: [...set].map((home) => {
      const best = fitsFrom(set, home)[0];
      const tonic = best?.tonic ?? USUAL_KEYS[home]!;
      const ids = spots.flatMap((spot, i) => (pitchClass(spot.pitch) === home ? [wayIds[i]!] : []));
      return {
        cells: [
          noteText(tonic),
          best
            ? best.strange.length === 0
              ? best.scale.name
              : `nearly ${best.scale.name}`
            : 'no scale of the list',
          best ? best.lacking.map((s) => degreeText(CHROMATIC_DEGREES[s]!)).join(' ') : '',
          triads.length > TRIADS_NAMED
            ? `${triads.length} of 24`
            : triads.map(({ root, minor }) => noteText(root) + (minor ? 'm' : '')).join(' '),
        ],
        wayIds: ids,
      };
    }),
  };
}

/** Cents above the lowest pitch, rising, each once. */
export function tuningOf(spots: readonly Spot[]): readonly number[] {
  const cents = spots.map((spot) => 100 * spot.pitch + spot.cents).sort((a, b) => a - b);
  return cents.map((c) => Math.round((c - cents[0]!) * 1000) / 1000);
}

/** As many pitches as a tuning has steps, from a lowest pitch on. */
export function pitchesFrom(
  lowest: Pitch,
  cents: readonly number[],
  limit: { readonly least: number; readonly most: number },
): Result<readonly Pick<Spot, 'pitch' | 'cents'>[]> {
  if (cents.length < limit.least || cents.length > limit.most) {
    const message = `This tuning has ${cents.length} pitches; ${limit.least} to ${limit.most} fit here.`;
    return fail({ field: '', wrong: String(cents.length), message });
  }
  return ok(
    cents.map((c) => {
      const semitones = Math.round(c / 100);
      return { pitch: lowest + semitones, cents: Math.round((c - semitones * 100) * 10) / 10 };
    }),
  );
}

/** What every family of fixed pitches provides alike; spread into its definition. */
export const SPOT_FAMILY = Object.freeze({
  air: undefined,
  parts,
  preferences,
  habits,
  grips: GRIPS,
  timbre: STRUCK,
  gripsFor: (_layout: unknown, _way: SpotWay, chosen: HabitChoice) => gripsFor(chosen),
  wayLoads: (_layout: unknown, play: Play<SpotWay>) => wayLoads(play),
  stepLoads: (_layout: unknown, from: Play<SpotWay>, to: Play<SpotWay>) => stepLoads(from, to),
  sideOf: (_layout: unknown, { grip }: Play<SpotWay>): Side =>
    grip === 'R' ? 'above' : grip === 'L' ? 'below' : 'level',
});
