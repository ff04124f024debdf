import type { FactTable } from '../families/layoutPart.ts';
import type { Remark } from '../families/way.ts';
import { chordSymbol } from '../harmony/chord.ts';
import { triadsOf } from '../harmony/scaleChords.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { frequency, type Pitch } from '../pitch/pitch.ts';
import type { Question } from '../question/question.ts';
import type { AirBalance } from '../route/air.ts';
import type { RoutingContext } from '../route/context.ts';
import type { Effort } from '../route/effort.ts';
import { homesOf } from '../route/range.ts';
import { missingReason, scaleOn, type Missing } from '../route/missing.ts';
import type { Pin } from '../route/pin.ts';
import { routeLine, type Route } from '../route/route.ts';
import { degreeText } from '../scale/degree.ts';
import { namer } from '../scale/namer.ts';
import type { Key } from '../scale/scale.ts';
import type { Scene } from '../scene/scene.ts';
import { staffOf, type Staff } from '../staff/staff.ts';
import { writeTabLine, type TabItem } from '../tab/tabLine.ts';
import { prepareMap } from './prepareMap.ts';
import { coverageOf, type Coverage } from './coverage.ts';
import { sceneIn, waysIn, type WayView } from './instrumentView.ts';
import { keyFacts, type KeyFacts } from './keyFacts.ts';
import { alternativeView, lineIn, type AlternativeView, type LineView } from './lineView.ts';
import { dialectOf, type NotationOptions } from './notation.ts';

/** All that Map shows for one question on one instrument: plain data, ready to cross a worker's border. */
export interface MapView {
  readonly facts: KeyFacts;
  readonly instrumentFacts: readonly string[];
  /** The triads of the scale, as they are asked for, by degree and by name. */
  readonly chords: readonly { readonly written: string; readonly name: string; readonly symbol: string }[];
  readonly scene: Scene;
  readonly ways: readonly WayView[];
  readonly line: readonly LineView[];
  /** The whole line in the chosen dialect. */
  readonly tabText: string;
  /** Between two notes of tab. */
  readonly tabSeparator: string;
  /** The line in common notation, note by note. */
  readonly staff: Staff;
  readonly effort: Effort;
  /** False where so much could be set differently along the line that a better way may exist. */
  readonly exact: boolean;
  readonly air: AirBalance;
  /** What to do at single notes, those that recur at every note left out. */
  readonly remarks: readonly Remark[];
  readonly tables: readonly FactTable[];
  /** Sounding along, in Hz. */
  readonly drones: readonly number[];
  readonly coverage: Coverage;
  /** Homes on the instrument, rising: where octaves may begin. */
  readonly homes: readonly Pitch[];
  readonly missing: readonly {
    readonly pitch: Pitch;
    readonly note: string;
    readonly degree: string;
    readonly text: string;
  }[];
  readonly cautions: readonly string[];
  readonly brokenPins: readonly Pin[];
}

/** Computes Map. Pure; some milliseconds for any instrument served. */
export function mapView(base: Instrument, question: Question, notation: NotationOptions): MapView {
  const { key, instrument, context, line, roles, chords } = prepareMap(base, question);
  const route = routeLine(context, line, { pins: question.pins });
  const remarks = route.remarks();
  const name = namer(key, notation.naming);
  const reading = { key, name, roles };
  const notes = lineIn(instrument, () => reading, route, remarks, notation.dialect);
  const { separator: tabSeparator } = dialectOf(instrument.family, notation.dialect);
  const usable = new Set(context.usable.map((way) => way.id));
  return {
    facts: keyFacts(key, notation.naming),
    instrumentFacts: instrument.facts(key),
    chords: triadsOf(question.scale).map((chord) => ({
      written: degreeText(chord.root!),
      name: chord.name,
      symbol: chordSymbol(chord, question.tonic),
    })),
    scene: sceneIn(instrument, key, roles, name, usable),
    ways: waysIn(instrument, key, roles, chords, usable, notation),
    line: notes,
    tabText: writeTabLine(instrument, tabItems(route), notation.dialect, name.spelled),
    tabSeparator,
    staff: staffOf(
      key,
      notation.naming,
      route.notes.map((note) => note.pitch),
    ),
    effort: route.effort,
    exact: route.exact,
    air: route.air,
    remarks: remarks.filter((remark) => !remark.routine),
    tables: instrument.tables(key),
    drones: instrument.drones.map((pitch) => frequency(pitch, instrument.spec.a4)),
    coverage: coverageOf(instrument, key, line, context.usable),
    homes: homesOf(context, key),
    missing: missingOf(context, key, route).map(([pitch, { text }]) => ({
      pitch,
      note: name.withOctave(pitch),
      degree: name.degree(pitch),
      text,
    })),
    cautions: cautionsOf(instrument, route),
    brokenPins: route.brokenPins.filter((pin) => line.some((note) => note.id === pin.noteId)),
  };
}

/** Other ways for one note of the line of a question, and what each would change. */
export function alternativesView(
  base: Instrument,
  question: Question,
  noteId: string,
): readonly AlternativeView[] {
  const { context, line } = prepareMap(base, question);
  return routeLine(context, line, { pins: question.pins }).alternatives(noteId).map(alternativeView);
}

/** What the instrument lacks of the scale, and what the line asks for beyond it; rising. */
function missingOf(context: RoutingContext, key: Key, route: Route): readonly (readonly [Pitch, Missing])[] {
  const { instrument, chosen } = context;
  const all = new Map<Pitch, Missing>();
  for (const pitch of scaleOn(context, key).missing)
    all.set(pitch, missingReason(instrument, chosen.avoid, pitch));
  for (const { pitch, missing } of route.notes) if (missing) all.set(pitch, missing);
  return [...all].sort(([a], [b]) => a - b);
}

/** The line as it stands in tab; it has no bar lines. */
function tabItems(route: Route): readonly TabItem[] {
  return route.notes.map(({ way, pitch }) => (way ? { kind: 'way', way } : { kind: 'missing', pitch }));
}

/** Cautions of the techniques a route uses, each once. */
function cautionsOf(instrument: Instrument, route: Route): string[] {
  const used = new Set(route.notes.map((note) => note.way?.technique));
  const cautions = instrument.family.techniques.flatMap((t) =>
    used.has(t.id) && t.caution ? [t.caution] : [],
  );
  return [...new Set(cautions)];
}
