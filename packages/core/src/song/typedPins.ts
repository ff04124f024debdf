import type { Instrument } from '../instrument/instrument.ts';
import { routingContext } from '../route/context.ts';
import type { Pin } from '../route/pin.ts';
import { defaultPreferences } from '../route/preferences.ts';
import { routeLine } from '../route/route.ts';
import { keyOfSongKey } from './songKey.ts';
import { countingOfSong, melodyLine } from './songLine.ts';
import type { Song } from './song.ts';

/**
 * Pins with which a song that was typed as tab is played as it was typed; none for notes that are played so without.
 * @param typed ids of ways in the order in which they were typed, undefined for notes that are none of the instrument's
 */
export function typedPins(
  base: Instrument,
  song: Song,
  typed: readonly (string | undefined)[],
): readonly Pin[] {
  const instrument = base.forKey(keyOfSongKey(song.keys[0]!));
  const context = routingContext(instrument, defaultPreferences(instrument.family));
  const line = melodyLine(song);
  const wanted = wantedWays(instrument, line, typed);
  const pins = new Map<string, Pin>();
  // What is pinned changes what lies best around it.
  for (;;) {
    const { notes } = routeLine(context, line, { pins: [...pins.values()], metre: countingOfSong(song) });
    const others = notes.filter(({ id, way }) => {
      const wayId = wanted.get(id);
      return wayId !== undefined && way?.id !== wayId && !pins.has(id);
    });
    if (others.length === 0) return [...pins.values()];
    for (const { id } of others) pins.set(id, { noteId: id, wayId: wanted.get(id)! });
  }
}

/** The way that was typed for each note: those of one time are told apart by their pitch. */
function wantedWays(
  instrument: Instrument,
  line: readonly { readonly id: string; readonly pitch: number; readonly onset: number }[],
  typed: readonly (string | undefined)[],
): ReadonlyMap<string, string> {
  const pitchOf = new Map(instrument.ways.map(({ id, pitch }) => [id, pitch]));
  const wanted = new Map<string, string>();
  let at = 0;
  for (const onset of new Set(line.map((note) => note.onset))) {
    const together = line.filter((note) => note.onset === onset);
    const ways = typed.slice(at, (at += together.length));
    for (const { id, pitch } of together) {
      const found = ways.find((wayId) => wayId !== undefined && pitchOf.get(wayId) === pitch);
      if (found !== undefined) wanted.set(id, found);
    }
  }
  return wanted;
}
