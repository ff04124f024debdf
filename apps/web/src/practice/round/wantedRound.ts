import { isPlayersOwn, midiOf, type WantedWay } from '@same-song/core/ear';
import type { Playable } from '../stand/playable.ts';
import type { WantedRound } from './useRoundListening.ts';

/** The notes of a round as they are listened for, by their place; of those that begin together the highest. */
export function wantedRound({ layOut, line, instrument }: Playable, perMinute: number): WantedRound {
  const own = new Map(
    instrument.ways
      .filter((way) => isPlayersOwn(instrument, way))
      .map(({ id }) => [id, instrument.spec.measured[id]?.cents ?? 0]),
  );
  const { notes, beats } = layOut(perMinute);
  const first = notes[0]?.at ?? 0;
  const top = new Map<number, WantedWay>();
  for (const [place, { noteId, at }] of notes.entries()) {
    const note = line.get(noteId);
    if (note?.wayId === undefined) continue;
    const { wayId, hz } = note;
    // A bend is wanted where it ought to be, however it was last played.
    const midi = midiOf(hz) - (own.get(wayId) ?? 0) / 100;
    if (midi > (top.get(at)?.midi ?? -Infinity))
      top.set(at, { id: String(place), wayId, midi, at: at - first });
  }
  return {
    notes: [...top.values()].sort((a, b) => a.at - b.at),
    leadIn: first - (beats[0]?.at ?? 0),
    beat: 60 / perMinute,
  };
}
