import type { Air, Fingering, Remark, Side } from '../families/way.ts';
import type { Role } from '../harmony/role.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { frequency, type Pitch } from '../pitch/pitch.ts';
import type { Alternative } from '../route/alternatives.ts';
import type { Route, RouteNote } from '../route/route.ts';
import type { Namer } from '../scale/namer.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { inBetween } from './inBetween.ts';

/** One note of the line. */
export interface LineView {
  readonly id: string;
  /** Its place in the line, 0 the first. */
  readonly index: number;
  readonly pitch: Pitch;
  /** With octave, and without. */
  readonly note: string;
  readonly bareNote: string;
  readonly degree: string;
  readonly role: Role;
  /** Quarter notes since the start, and how many it lasts. */
  readonly start: number;
  readonly beats: number;
  readonly hz: number;
  readonly wayId: string | undefined;
  readonly tab: string | undefined;
  /** As it stands in the whole line's tab: in brackets by name where it cannot be had. */
  readonly inTab: string;
  readonly brief: string | undefined;
  readonly air: Air | undefined;
  readonly side: Side;
  readonly fingering: Fingering | undefined;
  /** A word or two of what to do here. */
  readonly mark: string | undefined;
  readonly pinned: boolean;
  /** Why it cannot be had. */
  readonly missing: string | undefined;
}

/** Another way to play a note of the line. */
export interface AlternativeView {
  readonly wayId: string;
  /** It only repeats the note with a harder technique: never taken freely. */
  readonly redundant: boolean;
  readonly difference: number;
  /** What it would change, in a player's words: `1 turn of breath more`. */
  readonly changes: readonly string[];
  /** Ids of the other notes that would change. */
  readonly alsoChanges: readonly string[];
}

/** What a note is read by. */
export interface Reading {
  readonly key: Key;
  readonly name: Namer;
  /** What each of the twelve semitones above home is to what sounds with it. */
  readonly roles: readonly Role[];
}

/** The notes of a route. @param readingAt what the notes at an onset are read by */
export function lineIn(
  instrument: Instrument,
  readingAt: (onset: Ticks) => Reading,
  route: Route,
  remarks: readonly Remark[],
  dialect: string,
): readonly LineView[] {
  const marksOf = new Map<string, string[]>();
  for (const { noteId, mark } of remarks) marksOf.set(noteId, [...(marksOf.get(noteId) ?? []), mark]);
  return route.notes.map((note: RouteNote, index): LineView => {
    const { id, pitch, onset, length, pinned, way, fingering, missing } = note;
    const { key, name, roles } = readingAt(onset);
    const tab = way && instrument.tab(way, dialect, name.spelled(pitch));
    const noteName = name.withOctave(pitch);
    const aim = inBetween(instrument, key, pitch, way, name)?.cents ?? 0;
    const cents = (way ? instrument.centsOf(way) : 0) + aim;
    return {
      // Field by field: of thousands of notes a spread is most of the work.
      id,
      index,
      pitch,
      pinned,
      tab,
      note: noteName,
      bareNote: name.bare(pitch),
      degree: name.degree(pitch),
      role: roles[aboveHome(key, pitch)]!,
      start: onset / QUARTER,
      beats: length / QUARTER,
      hz: frequency(pitch, instrument.spec.a4, cents),
      side: way ? instrument.sideOf({ way, fingering }) : 'level',
      fingering: instrument.family.fingerings.find((known) => known.id === fingering),
      mark: marksOf.get(id)?.join(' '),
      wayId: way?.id,
      inTab: tab ?? `(${noteName})`,
      brief: way && instrument.brief(way, name.spelled(pitch)),
      air: way?.air,
      missing: missing?.text,
    };
  });
}

export function alternativeView({ way, terms, ...told }: Alternative): AlternativeView {
  const changes = terms.map(({ label, difference, cost }) => {
    if (difference === 0) return `${label}: ${cost > 0 ? 'harder' : 'easier'}`;
    return `${label}: ${Math.abs(difference)} ${difference > 0 ? 'more' : 'fewer'}`;
  });
  const { redundant, difference, alsoChanges } = told;
  return { wayId: way.id, redundant, difference, changes, alsoChanges };
}
