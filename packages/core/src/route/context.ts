import type { Hold, Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { costTable, type CostTable } from './costs.ts';
import type { ChordHolds } from './holds.ts';
import { resolvePreferences, type Preferences, type ResolvedPreferences } from './preferences.ts';
import { stateTable, type Choices, type StateTable } from './states.ts';

/** What there is to choose from for notes that begin together. */
export type ChordChoices = Omit<ChordHolds, 'holds'> &
  (
    | { readonly choices: Choices; readonly fewer: () => Choices }
    /** Nothing of it can be had. */
    | { readonly choices: undefined; readonly fewer?: undefined }
  );

/** What many lines on one instrument with the same preferences share. */
export interface RoutingContext {
  readonly instrument: Instrument;
  readonly chosen: ResolvedPreferences;
  readonly costs: CostTable;
  readonly states: StateTable;
  readonly usable: readonly Way[];
  /** Whether a pitch can be had at all. */
  has(pitch: Pitch): boolean;
  /** Ways of a pitch that are chosen among, with their fingerings. */
  open(pitch: Pitch, inChord: boolean): Hold;
  /** Ways of a pitch that are redundant, with their fingerings: never chosen freely, but told as alternatives. */
  redundant(pitch: Pitch): Hold;
  /** The choices of a single note, or undefined where it cannot be had. */
  choicesAt(pitch: Pitch): Choices | undefined;
  /** Chords without pins that were asked for, by their pitches. */
  readonly chords: Map<string, ChordChoices>;
  /** From the lowest pitch that is chosen among to the highest; undefined where there is none. */
  readonly range: { readonly low: Pitch; readonly high: Pitch } | undefined;
}

/** The ways that may be used at all: those that instrument and player can do and that preferences do not rule out. */
export function usableWays(instrument: Instrument, chosen?: ResolvedPreferences): readonly Way[] {
  return instrument.ways.filter((way) => way.able && !chosen?.avoid.has(way.technique));
}

/**
 * @param options `shared`: context of the same instrument, set for another key, under the same preferences; `isRough`: lines
 * are only ranked, and what is fine in what they leave behind is not minded
 */
export function routingContext(
  instrument: Instrument,
  preferences: Preferences,
  {
    shared,
    isRough = false,
  }: { readonly shared?: RoutingContext | undefined; readonly isRough?: boolean } = {},
): RoutingContext {
  const chosen = shared?.chosen ?? resolvePreferences(instrument.family, preferences);
  const costs = shared?.costs ?? costTable(instrument, chosen);
  const usable = usableWays(instrument, chosen);
  const ids = new Set(usable.map((way) => way.id));
  const isRedundant = (way: Way) => way.redundantTo !== undefined && ids.has(way.redundantTo);
  const fingered = (ways: readonly Way[], inChord: boolean) =>
    ways.flatMap((way) => instrument.fingeredWaysOf(way, chosen.options, inChord));
  const byPitch = new Map<Pitch, Way[]>();
  for (const way of usable.filter((one) => !isRedundant(one)))
    byPitch.set(way.pitch, [...(byPitch.get(way.pitch) ?? []), way]);
  const pitches = [...byPitch.keys()];
  const states = shared?.states ?? stateTable(instrument, costs, isRough);
  const choices = new Map<Pitch, Choices>();
  const open = (pitch: Pitch, inChord: boolean) => fingered(byPitch.get(pitch) ?? [], inChord);
  return {
    instrument,
    chosen,
    costs,
    usable,
    states,
    chords: new Map(),
    has: (pitch) => byPitch.has(pitch),
    open,
    redundant: (pitch) =>
      fingered(
        usable.filter((way) => way.pitch === pitch && isRedundant(way)),
        false,
      ),
    choicesAt(pitch) {
      const known = choices.get(pitch);
      const ways = byPitch.get(pitch);
      if (known || !ways) return known;
      const made = states.choicesAmong(ways, () => open(pitch, false));
      choices.set(pitch, made);
      return made;
    },
    range: pitches.length === 0 ? undefined : { low: Math.min(...pitches), high: Math.max(...pitches) },
  };
}
