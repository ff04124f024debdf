import type { Instrument } from '../instrument/instrument.ts';
import type { RoutingContext } from '../route/context.ts';
import type { LineNote } from '../route/line.ts';
import { routeLine, type Route, type RouteNote, type RouteOptions } from '../route/route.ts';
import type { Ticks } from '../time/ticks.ts';
import { accompaniment, heldUnder, type AddedNote, type Company } from './accompany.ts';
import type { Song } from './song.ts';

/** A melody and what is played with it, routed together. */
export interface PlayedWith {
  /** With the notes of both, in time. */
  readonly route: Route;
  /** What is added and sounds, as long as it can be held, by id. */
  readonly added: ReadonlyMap<string, AddedNote>;
}

/**
 * Routes a melody with its company. What would make a note of the melody be let go is left out; what is added sounds
 * until its string, reed or finger is needed or the air turns.
 */
export function playedWith(
  context: RoutingContext,
  song: Song,
  line: readonly LineNote[],
  company: Company | undefined,
  options: RouteOptions,
): PlayedWith {
  let added = company ? accompaniment(context, song, line, company) : [];
  for (;;) {
    const held = heldUnder(context, line, added);
    const route = routeLine(context, inTime([...line, ...added, ...held]), options);
    const released = letGo(route.notes, held);
    const kept = added.filter(({ onset }) => !released.has(onset));
    if (kept.length === added.length) return settled(context.instrument, route, { added, held });
    added = kept;
  }
}

/** When notes that should be held are not, or are taken in another way. */
function letGo(notes: readonly RouteNote[], held: readonly LineNote[]): ReadonlySet<Ticks> {
  const byId = new Map(notes.map((note) => [note.id, note]));
  return new Set(
    held
      .filter(({ id, holds }) => byId.get(id)!.way !== byId.get(holds!)!.way || !byId.get(id)!.way)
      .map(({ onset }) => onset),
  );
}

function settled(
  instrument: Instrument,
  route: Route,
  { added, held }: { readonly added: readonly AddedNote[]; readonly held: readonly LineNote[] },
): PlayedWith {
  const holding = new Set(held.map(({ id }) => id));
  const byId = new Map(added.map((note) => [note.id, note]));
  const played = route.notes.filter(({ id }) => !holding.has(id));
  /** What begins together is let go together, as chords are written. */
  const lengths = new Map<Ticks, Ticks>();
  played.forEach((note, i) => {
    if (!note.way || !byId.has(note.id)) return;
    const length = lasting(instrument, played, i);
    lengths.set(note.onset, Math.min(length, lengths.get(note.onset) ?? length));
  });
  const sounding = new Map(
    played.flatMap(({ id, way, onset }) => {
      const one = byId.get(id);
      return one && way ? [[id, { ...one, length: lengths.get(onset)! }] as const] : [];
    }),
  );
  // A pin of the melody may leave no room for what was added.
  const notes = played.filter(({ id }) => !byId.has(id) || sounding.has(id));
  return { route: { ...route, notes }, added: sounding };
}

/** How long a note of a line sounds: what it is written with, cut short by what cannot sound together with it. */
function lasting(instrument: Instrument, notes: readonly RouteNote[], index: number): Ticks {
  const note = notes[index]!;
  const end = note.onset + note.length;
  for (let i = index + 1; i < notes.length && notes[i]!.onset < end; i += 1) {
    const next = notes[i]!;
    if (next.onset > note.onset && endsAt(instrument, note, next)) return next.onset - note.onset;
  }
  return note.length;
}

function endsAt({ family, clash }: Instrument, note: RouteNote, next: RouteNote): boolean {
  if (!note.way || !next.way) return false;
  if (note.way === next.way || note.way.air !== next.way.air) return true;
  const [low, high] = note.pitch <= next.pitch ? [note, next] : [next, note];
  const found = clash(low, high);
  // What rings on by itself is ended by its own string alone.
  return found !== undefined && (family.ringsOn !== 'free' || found.reason === 'place');
}

function inTime(line: readonly LineNote[]): readonly LineNote[] {
  return [...line].sort((a, b) => a.onset - b.onset || a.pitch - b.pitch);
}
