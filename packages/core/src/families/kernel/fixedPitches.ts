import { noteText } from '../../pitch/noteName.ts';
import { pitchClass, type Pitch, type PitchClass } from '../../pitch/pitch.ts';
import { fail, ok, type Result } from '../../result.ts';
import { fitsFrom, type Fit, triadsIn } from '../../scale/identify.ts';
import { CHROMATIC_DEGREES, degreeText } from '../../scale/degree.ts';
import { USUAL_KEYS } from '../../scale/scale.ts';
import { counted } from '../../words.ts';
import {
  EVEN_HAND,
  type ChosenOptions,
  type EffortTerm,
  type PlayingOption,
  type PreferencePreset,
} from '../effortTerm.ts';
import { figureWith, type Figure } from '../figure.ts';
import type { TunedPitch } from '../contract.ts';
import type { FactTable } from '../layoutPart.ts';
import type { Clash, Fingering, FingeredWay, Hold, Side, Technique, Way } from '../way.ts';
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

const FINGERINGS: readonly Fingering[] = Object.freeze([
  { id: 'L', short: 'L', words: 'left hand' },
  { id: 'R', short: 'R', words: 'right hand' },
]);

const playingOptions: readonly PlayingOption[] = Object.freeze([
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

function fingeringsFor(playingOptions: ChosenOptions): readonly string[] {
  return { right: ['R'], left: ['L'] }[playingOptions['hands'] ?? 'both'] ?? ['L', 'R'];
}

/** A hand’s breadth in millimetres of the drawing. */
const BREADTH = 40;

/** Ways of two holds that one hand plays one after the other, at different places. */
function sameHandMoves(from: Hold<SpotWay>, to: Hold<SpotWay>) {
  return to.flatMap((after) =>
    from
      .filter((before) => before.fingering === after.fingering && before.way.id !== after.way.id)
      .map((before) => ({ before: before.way, after: after.way })),
  );
}

const terms: readonly EffortTerm<unknown, SpotWay>[] = [
  {
    id: 'same-hand',
    label: 'same hand again',
    about: 'One hand for two different notes in a row.',
    tally: 'sum',
    weight: 1,
    between: (from: Hold<SpotWay>, to: Hold<SpotWay>) => sameHandMoves(from, to).length,
  },
  {
    id: 'again',
    label: 'same hand on one place, in haste',
    about: 'One hand striking the same place twice in less than three tenths of a second.',
    tally: 'sum',
    weight: 1,
    haste: { within: 0.3, atLeisure: 0, atOnce: 4 },
    between: (from: Hold<SpotWay>, to: Hold<SpotWay>) =>
      to.filter((after) =>
        from.some((before) => before.fingering === after.fingering && before.way.id === after.way.id),
      ).length,
  },
  {
    id: 'crossed',
    label: 'hands crossed',
    about: 'A hand reaching to the other hand’s side.',
    tally: 'notes',
    weight: 0.8,
    onWay: ({ way, fingering }) =>
      (way.lies === 'left' && fingering === 'R') || (way.lies === 'right' && fingering === 'L') ? 1 : 0,
  },
  {
    id: 'way',
    label: 'way of the hand',
    about: 'How far a hand travels, in hands’ breadths.',
    tally: 'sum',
    weight: 0.5,
    between: (from: Hold<SpotWay>, to: Hold<SpotWay>) =>
      sameHandMoves(from, to).reduce(
        (sum, { before, after }) =>
          sum + Math.round((10 * Math.hypot(before.x - after.x, before.y - after.y)) / BREADTH) / 10,
        0,
      ),
  },
];

function clash(_layout: unknown, low: FingeredWay<SpotWay>, high: FingeredWay<SpotWay>): Clash | undefined {
  if (low.fingering !== high.fingering) return undefined;
  const hand = low.fingering === 'L' ? 'left' : 'right';
  return { reason: 'finger', text: `the ${hand} hand strikes one place at a time` };
}

const preferences: readonly PreferencePreset[] = [
  EVEN_HAND,
  {
    id: 'turns',
    label: 'hands in turn',
    about: 'Left and right alternate, even where one must reach across.',
    weights: { 'same-hand': 5, crossed: 0.2 },
    avoid: [],
  },
  {
    id: 'sides',
    label: 'each hand on its side',
    about: 'No reaching across.',
    weights: { crossed: 6, 'same-hand': 0.3 },
    avoid: [],
  },
];

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

/** Id of the scale that pitches make from a home, the nearest where they make none; major where none is near. */
export function scaleMade(spots: readonly Pick<Spot, 'pitch'>[], home: PitchClass): string {
  return scaleFrom(pitchSet(spots), home)?.scale.id ?? 'major';
}

/** What a set of pitches makes from a home: the nearest scale, a chord only where no scale is near. */
function scaleFrom(set: ReadonlySet<PitchClass>, home: PitchClass): Fit | undefined {
  const fits = fitsFrom(set, home);
  return fits.find(({ scale }) => scale.group !== 'chords') ?? fits[0];
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
      const best = scaleFrom(set, home);
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

/** Pitches as they were struck, where an instrument can have so many. */
export function struckPitches(
  pitches: readonly TunedPitch[],
  { least, most }: { readonly least: number; readonly most: number },
): Result<readonly TunedPitch[]> {
  if (pitches.length >= least && pitches.length <= most) return ok(pitches);
  const message = `${counted(pitches.length, 'pitch', 'pitches')} so far; ${least} to ${most} make one of these.`;
  return fail({ field: '', wrong: String(pitches.length), message });
}

/** What every family of fixed pitches provides alike; spread into its definition. */
export const SPOT_FAMILY = Object.freeze({
  air: undefined,
  isPitchSet: true,
  terms,
  preferences,
  playingOptions,
  fingerings: FINGERINGS,
  timbre: STRUCK,
  fingeringsFor: (_layout: unknown, _way: SpotWay, options: ChosenOptions) => fingeringsFor(options),
  clash,
  figures,
  sideOf: (_layout: unknown, { fingering }: FingeredWay<SpotWay>): Side =>
    fingering === 'R' ? 'above' : fingering === 'L' ? 'below' : 'level',
});

/** A flam: the other hand strikes just before, on the nearest pitch that lies on its side. */
export function figures<W extends SpotWay>(_: unknown, way: W, ways: readonly W[]): readonly Figure<W>[] {
  const other = ways
    .filter(({ lies, pitch }) => lies !== way.lies && pitch !== way.pitch)
    .sort((a, b) => Math.abs(a.pitch - way.pitch) - Math.abs(b.pitch - way.pitch) || a.pitch - b.pitch)[0];
  return figureWith('flam', other, ({ words }) => `flam with ${words}`);
}
