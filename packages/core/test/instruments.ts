/** What tests of instruments and routes share. */
import { familyById } from '../src/families/index.ts';
import {
  openInstrument,
  specFromPreset,
  type Instrument,
  type InstrumentSpec,
} from '../src/instrument/instrument.ts';
import { expectOk } from '../src/result.ts';
import { routingContext } from '../src/route/context.ts';
import { evenLine, type LineNote } from '../src/route/line.ts';
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

/** Ids of the ways of a route, undefined where a note is missing. */
export function wayIds(route: Route): (string | undefined)[] {
  return route.notes.map((note) => note.way?.id);
}
