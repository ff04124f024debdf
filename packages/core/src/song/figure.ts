import type * as v from 'valibot';
import type { Instrument } from '../instrument/instrument.ts';
import { fields, list, text } from '../schema.ts';
import { holdingAt, mapNotes, type Song } from './song.ts';
import { spelledForSong } from './transpose.ts';

export const CHOSEN_FIGURE = fields({ noteId: text(80, 1), wayIds: list(text(80, 1), 8, 1) });

/** An ornament put in before a note: the ways that are touched, in their order. */
export interface ChosenFigure extends v.InferOutput<typeof CHOSEN_FIGURE> {}

/** A song with the ornaments of an arrangement as grace notes; what an instrument has no way for is left out. */
export function withFigures(
  song: Song,
  figures: readonly ChosenFigure[],
  instrument: Pick<Instrument, 'ways'>,
): Song {
  if (figures.length === 0) return song;
  const pitchOf = new Map(instrument.ways.map(({ id, pitch }) => [id, pitch]));
  const before = new Map(figures.map(({ noteId, wayIds }) => [noteId, wayIds]));
  return mapNotes(song, (note) => {
    const pitches = (before.get(note.id) ?? []).flatMap((id) => pitchOf.get(id) ?? []);
    if (pitches.length === 0) return note;
    const key = holdingAt(song.keys, note.onset)!;
    const own = note.grace ?? [];
    return { ...note, grace: [...own, ...pitches.map((pitch) => spelledForSong(pitch, key))] };
  });
}
