import type { Ask } from '../ask/ask.ts';
import type { TabDialect } from '../families/contract.ts';
import type { FactTable } from '../families/layoutPart.ts';
import type { Air, Remark, Side, Way } from '../families/way.ts';
import { MAIN_CHORDS, mainChord } from '../harmony/chord.ts';
import { layerSemitones, type LayerId } from '../harmony/layer.ts';
import { rolesOf, type Role } from '../harmony/role.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { takeInventory, type Advice, type Inventory } from '../inventory/inventory.ts';
import type { NamingStyle } from '../pitch/noteName.ts';
import { frequency, type Pitch } from '../pitch/pitch.ts';
import { patternById } from '../practice/pattern.ts';
import { airBalance, type AirBalance } from '../route/air.ts';
import type { Effort } from '../route/effort.ts';
import { scaleLine } from '../route/line.ts';
import type { Missing } from '../route/missing.ts';
import { resolvePreferences } from '../route/preferences.ts';
import { routeLine, type Alternative, type Pin, type Route, type RouteNote } from '../route/route.ts';
import { namer, type Namer } from '../scale/namer.ts';
import { aboveHome, keyOf, type Key } from '../scale/scale.ts';
import type { Scene } from '../scene/scene.ts';
import { staffOf, type Staff } from '../staff/staff.ts';
import { keyFacts, type KeyFacts } from './keyFacts.ts';
import { reachOf, type Reach } from './reach.ts';

/** How things are written; the user's own choice, no part of the ask. */
export interface Writing {
  readonly naming: NamingStyle;
  readonly dialect: string;
}

/** One way as Map shows it. */
export interface WayView {
  readonly id: string;
  readonly words: string;
  readonly tab: string;
  /** Tells it from all others in the same air. */
  readonly brief: string;
  readonly pitch: Pitch;
  /** With octave, as the key spells it. */
  readonly note: string;
  readonly degree: string;
  readonly role: Role;
  readonly air: Air | undefined;
  readonly side: Side;
  /** Known deviation in cents; 0 when none is known. */
  readonly cents: number;
  readonly technique: string;
  readonly reachable: boolean;
  readonly gains: boolean;
  readonly advice: Advice;
  readonly chords: readonly string[];
  /** Sounding frequency at the instrument's pitch standard. */
  readonly hz: number;
}

/** Another way to play a note of the line. */
export interface AlternativeView {
  readonly wayId: string;
  /** It only repeats the note with a harder technique: never taken freely. */
  readonly repeats: boolean;
  readonly difference: number;
  /** What it would change, in a player's words: `1 turn of breath more`. */
  readonly changes: readonly string[];
  readonly alsoChanges: readonly number[];
}

/** One note of the line. */
export interface LineView {
  readonly index: number;
  readonly pitch: Pitch;
  readonly note: string;
  readonly degree: string;
  readonly role: Role;
  readonly beats: number;
  readonly start: number;
  readonly hz: number;
  readonly wayId: string | undefined;
  readonly tab: string | undefined;
  /** As it stands in the whole line's tab: in brackets by name where it cannot be had. */
  readonly inTab: string;
  readonly brief: string | undefined;
  readonly air: Air | undefined;
  readonly side: Side;
  /** Hand or finger, as a word and as one or two letters. */
  readonly grip: { readonly short: string; readonly words: string } | undefined;
  /** A word or two of what to do here. */
  readonly mark: string | undefined;
  readonly pinned: boolean;
  /** Why it cannot be had. */
  readonly missing: string | undefined;
  /** The note without its octave. */
  readonly bareNote: string;
  readonly alternatives: readonly AlternativeView[];
}

/** All that Map shows for one ask on one instrument: plain data, ready to cross a worker's border. */
export interface MapView {
  readonly facts: KeyFacts;
  readonly instrumentFacts: readonly string[];
  readonly chords: readonly { readonly degree: number; readonly name: string }[];
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
  readonly air: AirBalance;
  /** What to do at single notes, those that recur at every note left out. */
  readonly remarks: readonly Remark[];
  readonly tables: readonly FactTable[];
  /** Sounding along, in Hz. */
  readonly drones: readonly number[];
  readonly reach: Reach;
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
export function mapView(base: Instrument, ask: Ask, writing: Writing): MapView {
  const key = keyOf(ask.scale, ask.tonic);
  const instrument = base.forKey(key);
  const chord = mainChord(ask.scale, ask.chord);
  const layer = layerSemitones(ask.scale, chord, ask.layer);
  const roles = rolesOf(ask.scale, chord).map((role, semitone) =>
    hiddenBelow(role, layer.includes(semitone), ask.layer),
  );
  const { avoid } = resolvePreferences(instrument.family, ask.preferences);
  const usable = instrument.ways.filter((way) => way.able && !avoid.has(way.technique));
  const compass = [...new Set(usable.map((way) => way.pitch))].sort((a, b) => a - b);
  const pattern = patternById(ask.pattern);
  const line = scaleLine(key, ask.span, { direction: ask.direction, pattern, semitones: layer }, compass);
  const route = routeLine(instrument, line, ask.preferences, ask.pins);
  const remarks = route.remarks();
  const name = namer(key, writing.naming);
  const notes = route.notes.map((note) =>
    lineView(instrument, route, remarks, note, roles, key, name, writing),
  );
  const { separator: tabSeparator } = dialectOf(instrument, writing.dialect);
  const inventory = takeInventory(instrument, key, roles, avoid);
  const reachable = new Set(usable.map((way) => way.id));
  const items = inventory.byTechnique.flatMap((group) => group.items);
  const ways = items.map(({ way, role, advice, gains, chords }): WayView => {
    const { id, words, pitch, air, technique } = way;
    const cents = instrument.centsOf(way);
    const hz = frequency(pitch, instrument.spec.a4, cents);
    const side = instrument.sideOf({ way, grip: undefined });
    const tab = instrument.tab(way, writing.dialect);
    const brief = instrument.brief(way);
    const common = {
      id,
      words,
      pitch,
      air,
      technique,
      role,
      advice,
      gains,
      chords,
      hz,
      tab,
      brief,
      side,
      cents,
    };
    return {
      ...common,
      note: name.withOctave(pitch),
      degree: name.degree(pitch),
      reachable: reachable.has(id),
    };
  });
  return {
    facts: keyFacts(key, writing.naming),
    instrumentFacts: instrument.facts(key),
    chords: MAIN_CHORDS.map((degree) => ({ degree, name: mainChord(ask.scale, degree).name })),
    scene: sceneOf(instrument, key, roles, name, reachable),
    ways,
    line: notes,
    tabText: notes.map((note) => note.inTab).join(tabSeparator),
    tabSeparator,
    staff: staffOf(
      key,
      writing.naming,
      route.notes.map((note) => note.pitch),
    ),
    effort: route.effort,
    air: airBalance(route.notes, instrument.airCapacity),
    remarks: remarks.filter((remark) => !remark.routine),
    tables: instrument.tables(key),
    drones: instrument.drones.map((pitch) => frequency(pitch, instrument.spec.a4)),
    reach: reachOf(instrument, key, line, usable),
    missing: missingOf(inventory, route).map(([pitch, { text }]) => ({
      pitch,
      note: name.withOctave(pitch),
      degree: name.degree(pitch),
      text,
    })),
    cautions: cautionsOf(instrument, route),
    brokenPins: route.brokenPins,
  };
}

/** What the instrument's reach lacks of the scale, and what the line asks for beyond it; rising. */
function missingOf(inventory: Inventory, route: Route): readonly (readonly [Pitch, Missing])[] {
  const all = new Map(inventory.missing.map(({ pitch, missing }) => [pitch, missing] as const));
  for (const { pitch, missing } of route.notes) if (missing) all.set(pitch, missing);
  return [...all].sort(([a], [b]) => a - b);
}

/** In the layers below the whole scale, what they do not hold yet stands aside like an outside note. */
function hiddenBelow(role: Role, held: boolean, layer: LayerId): Role {
  return held || layer === 'scale' || layer === 'colour' ? role : 'outside';
}

/** The drawing with roles of one's own, such as those over one chord. @param roles by semitones above home */
export function sceneWithRoles(
  base: Instrument,
  key: Key,
  roles: readonly Role[],
  naming: NamingStyle,
): Scene {
  const instrument = base.forKey(key);
  const reachable = new Set(instrument.ways.filter((way) => way.able).map((way) => way.id));
  return sceneOf(instrument, key, roles, namer(key, naming), reachable);
}

function sceneOf(
  instrument: Instrument,
  key: Key,
  roles: readonly Role[],
  name: Namer,
  reachable: ReadonlySet<string>,
): Scene {
  return instrument.scene((way) => ({
    role: roles[aboveHome(key, way.pitch)]!,
    degree: name.degree(way.pitch),
    note: name.bare(way.pitch),
    reachable: reachable.has(way.id),
  }));
}

function lineView(
  instrument: Instrument,
  route: Route,
  remarks: readonly Remark[],
  note: RouteNote,
  roles: readonly Role[],
  key: Key,
  name: Namer,
  writing: Writing,
): LineView {
  const { index, pitch, beats, start, pinned, way, grip, missing } = note;
  const marks = remarks.filter((remark) => remark.index === index);
  const tab = way && instrument.tab(way, writing.dialect);
  const noteName = name.withOctave(pitch);
  return {
    index,
    pitch,
    beats,
    start,
    pinned,
    note: noteName,
    bareNote: name.bare(pitch),
    degree: name.degree(pitch),
    role: roles[aboveHome(key, pitch)]!,
    hz: frequency(pitch, instrument.spec.a4, way && instrument.centsOf(way)),
    side: way ? instrument.sideOf({ way, grip }) : 'level',
    grip: instrument.family.grips.find((g) => g.id === grip),
    mark: marks.length > 0 ? marks.map((remark) => remark.mark).join(' ') : undefined,
    wayId: way?.id,
    tab,
    inTab: tab ?? `(${noteName})`,
    brief: way && instrument.brief(way),
    air: way?.air,
    missing: missing?.text,
    alternatives: route.alternatives(index).map(alternativeView),
  };
}

function alternativeView({ way, repeats, difference, parts, alsoChanges }: Alternative): AlternativeView {
  const changes = parts.map((part) => {
    const amount = Math.abs(part.difference);
    return `${part.label}: ${amount} ${part.difference > 0 ? 'more' : 'fewer'}`;
  });
  return { wayId: way.id, repeats, difference, changes, alsoChanges };
}

function dialectOf(instrument: Instrument, dialect: string): TabDialect {
  const known = instrument.family.dialects.find((d) => d.id === dialect);
  if (!known) throw new Error(`mapView: ${instrument.family.id} has no tab dialect ${dialect}`);
  return known;
}

/** Cautions of the techniques a route uses, each once. */
function cautionsOf(instrument: Instrument, route: Route): string[] {
  const used = new Set(
    route.notes.flatMap((note): Way[] => (note.way ? [note.way] : [])).map((way) => way.technique),
  );
  const cautions = instrument.family.techniques.flatMap((t) =>
    used.has(t.id) && t.caution ? [t.caution] : [],
  );
  return [...new Set(cautions)];
}
