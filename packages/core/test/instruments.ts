/** What tests of instruments and routes share. */
import type { ChosenOptions } from '../src/families/effortTerm.ts';
import { familyById } from '../src/families/index.ts';
import type { FingeredWay } from '../src/families/way.ts';
import {
  openInstrument,
  specFromPreset,
  type Instrument,
  type InstrumentSpec,
} from '../src/instrument/instrument.ts';
import { parsePitch } from '../src/pitch/noteName.ts';
import {
  checkQuestion,
  defaultQuestion,
  type Question,
  type StoredQuestion,
} from '../src/question/question.ts';
import { expectOk } from '../src/result.ts';
import { aboveHome, type Key } from '../src/scale/scale.ts';
import { costOfHold, costOfStep, hasteOf } from '../src/route/effort.ts';
import { UNHURRIED, type NoteTiming } from '../src/time/noteTiming.ts';
import { routingContext } from '../src/route/context.ts';
import type { Direction } from '../src/route/direction.ts';
import { evenLine, scaleLine, type LineNote } from '../src/route/line.ts';
import type { Preferences } from '../src/route/preferences.ts';
import { routeLine, type Route, type RouteOptions } from '../src/route/route.ts';

/** An instrument of a preset, with some of its spec changed. */
export function instrumentOf(
  family: string,
  preset: string,
  change: Partial<InstrumentSpec> = {},
): Instrument {
  return expectOk(openInstrument({ ...specFromPreset(family, preset), ...change }));
}

/** The same with everything possible that the layout allows. */
export function ableInstrument(family: string, preset: string): Instrument {
  const { capabilityGroups } = instrumentOf(family, preset);
  const capability = Object.fromEntries(capabilityGroups.map((group) => [group.id, group.places]));
  return instrumentOf(family, preset, { capability });
}

/** Preferences of a family; its first preset when none is named. */
export function prefer(family: string, preset?: string, rest: Partial<Preferences> = {}): Preferences {
  const first = familyById(family)!.preferences[0]!.id;
  return { preset: preset ?? first, weights: {}, playingOptions: {}, ...rest };
}

/** What is asked of an instrument where nothing is said but some of it. */
export function questionOf(on: Instrument, asked: Partial<StoredQuestion>): Question {
  const base = { ...defaultQuestion(on.family, on), preferences: prefer(on.family.id), ...asked };
  return expectOk(checkQuestion(on.family, base));
}

/** The route of pitches of a quarter each, or of a whole line. */
export function routeOf(
  instrument: Instrument,
  line: readonly number[] | readonly LineNote[],
  preferences: Preferences = prefer(instrument.family.id),
  options: RouteOptions = {},
): Route {
  const notes =
    typeof line[0] === 'number' ? evenLine(line as readonly number[]) : (line as readonly LineNote[]);
  return routeLine(routingContext(instrument, preferences), notes, options);
}

/** A scale over octaves from its lowest home among some pitches. */
export function lineFromLowest(
  key: Key,
  pitches: readonly number[],
  octaves = 1,
  direction: Direction = 'up',
): LineNote[] {
  const low = Math.min(...pitches.filter((pitch) => aboveHome(key, pitch) === 0));
  return scaleLine(key, { low, high: low + 12 * octaves }, direction);
}

/** Ids of the ways of a route, undefined where a note is missing. */
export function wayIds(route: Route): (string | undefined)[] {
  return route.notes.map((note) => note.way?.id);
}

/** A fingered way written `L2.3/Li`, or `4d` where there is no fingering. @throws for an id of no way */
export function fingered(instrument: Instrument, text: string): FingeredWay {
  const [id, fingering] = text.split('/');
  const way = instrument.ways.find((w) => w.id === id);
  if (!way) throw new Error(`fingered: ${instrument.family.id} has no way ${id}`);
  return { way, fingering };
}

/** What a term costs: term, ways sounded, cost, and what comes before or surrounds them. */
export type Figure = readonly [term: string, to: readonly string[], cost: number, around?: Around];

/** What surrounds a cost; everything at rest when left out. */
export interface Around {
  /** Ways held before, written as by `fingered`. */
  readonly from?: readonly string[];
  readonly options?: ChosenOptions;
  readonly timing?: Partial<NoteTiming>;
  readonly carried?: string;
}

/** What one term of the effort costs, before weighting, of sounding some ways and of coming to them. */
export function termCost(
  instrument: Instrument,
  id: string,
  to: readonly string[],
  { from, options = {}, timing = {}, carried = '' }: Around = {},
): number {
  const term = instrument.terms.find((t) => t.id === id);
  if (!term) throw new Error(`termCost: ${instrument.family.id} has no term ${id}`);
  const hold = to.map((text) => fingered(instrument, text));
  const at = { layout: instrument.layout, options, timing: { ...UNHURRIED, ...timing }, carried };
  const before = from?.map((text) => fingered(instrument, text));
  const haste = hasteOf(term, at);
  const step = before ? costOfStep(term, before, hold, at) : 0;
  return haste.hold * costOfHold(term, hold, at) + haste.step * step;
}

/** Pitches of a row of note names, `C4 E4`; two of a button apart by a stroke, `C4/D4`. */
export function pitchesOf(names: string): number[] {
  return names
    .trim()
    .split(/[\s/]+/)
    .map((name) => expectOk(parsePitch(name)));
}

/** Cents measured at one pitch, by way. */
export function measuredAt(
  pitch: number,
  cents: Readonly<Record<string, number>>,
): InstrumentSpec['measured'] {
  return Object.fromEntries(Object.entries(cents).map(([id, value]) => [id, { pitch, cents: value }]));
}

/** What a harp's levers leave behind: a sign at the place of each string, 0 the lowest, a point where none was played. */
export function signs(at: Readonly<Record<number, '+' | '-'>>): string {
  const last = Math.max(...Object.keys(at).map(Number));
  return Array.from({ length: last + 1 }, (_, place) => at[place] ?? '.').join('');
}
