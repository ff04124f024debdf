import { keyOfSongKey } from './songKey.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { noteText } from '../pitch/noteName.ts';
import { routingContext } from '../route/context.ts';
import type { Pin } from '../route/pin.ts';
import { routeLine } from '../route/route.ts';
import { sameTabOn } from '../map/sameTabOn.ts';
import {
  arranged,
  checkPlan,
  TRANSPOSE_RANGE,
  type ArrangementPlan,
  type Decision,
  type PlacedPlan,
} from './arrangement.ts';
import { inModeIfAny } from './inMode.ts';
import { placed } from './openingOctave.ts';
import type { Song } from './song.ts';
import { melodyLine, countingOfSong } from './songLine.ts';
import { movedTonic } from './transpose.ts';

/** What comes out when the tab of a song is played on another instrument of its family. */
export interface SameSongTab {
  /** Plays that there: moved to the key that comes out, its ways pinned where others would be chosen. */
  readonly plan: ArrangementPlan;
  readonly keyName: string;
  /** Notes of the tab that are there, of how many. */
  readonly kept: number;
  readonly of: number;
  /** Notes that come out otherwise than the tune goes, since the two are not laid out alike. */
  readonly changed: number;
}

/** The melody as it is routed on an instrument. */
function routeOf(base: Instrument, song: Song, { preferences }: ArrangementPlan, pins: readonly Pin[]) {
  const instrument = base.forKey(keyOfSongKey(song.keys[0]!));
  return {
    instrument,
    route: routeLine(routingContext(instrument, preferences), melodyLine(song), {
      pins,
      metre: countingOfSong(song),
    }),
  };
}

/**
 * The tab of a song on another instrument of the same family: the same holes, buttons or frets, whatever comes out.
 * The song moves as most of its notes do; a note that moves otherwise is played as it comes. Undefined where nothing of
 * the tab can be played there, or it moves out of reach.
 */
export function sameSongTab(
  from: Instrument,
  song: Song,
  given: ArrangementPlan,
  to: Instrument,
): SameSongTab | undefined {
  if (from.family.id !== to.family.id) return undefined;
  const { plan } = placed(from, song, given);
  const here = routeOf(from, arranged(song, plan), plan, plan.pins);
  const there = sameTabOn(here.instrument, to);
  const moved = here.route.notes.flatMap((note) => {
    const way = note.way && there(note.way);
    return way ? [{ note, way, by: way.pitch - note.pitch }] : [];
  });
  const shift = mostOften(moved.map(({ by }) => by));
  if (shift === undefined) return undefined;
  const transpose = plan.transpose + shift;
  const { lowest, highest } = TRANSPOSE_RANGE;
  if (transpose < lowest || transpose > highest) return undefined;
  const decided = new Map(plan.decisions.map((decision) => [decision.noteId, decision]));
  const strange = moved.filter(({ by }) => by !== shift);
  for (const { note, by } of strange) {
    const before = decided.get(note.id);
    const already = before?.kind === 'move' ? before.by : 0;
    decided.set(note.id, { noteId: note.id, kind: 'move', by: already + by - shift });
  }
  const decisions: readonly Decision[] = [...decided.values()];
  const bare: PlacedPlan = { ...plan, transpose, decisions, pins: [] };
  const free = routeOf(to, arranged(song, bare), bare, []).route;
  const wayAt = new Map(free.notes.map(({ id, way }) => [id, way?.id]));
  const pinned = new Set(plan.pins.map(({ noteId }) => noteId));
  const pins = moved
    .filter(({ note, way }) => pinned.has(note.id) || wayAt.get(note.id) !== way.id)
    .map(({ note, way }): Pin => ({
      noteId: note.id,
      wayId: way.id,
      ...(note.fingering === undefined ? {} : { fingering: note.fingering }),
    }));
  const checked = checkPlan(to.family, { ...bare, pins });
  return checked.ok
    ? {
        plan: checked.value,
        keyName: noteText(movedTonic(inModeIfAny(song, plan.mode), transpose)),
        kept: moved.length,
        of: here.route.notes.filter(({ way }) => way).length,
        changed: strange.length,
      }
    : undefined;
}

/** Of several that are alike the first. */
function mostOften(values: readonly number[]): number | undefined {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}
