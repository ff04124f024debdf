import { fitsLength, touched, type Figure, type Touch } from '../families/figure.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { RouteNote } from '../route/route.ts';
import type { Key } from '../scale/scale.ts';
import { fields, text } from '../schema.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { tempoOf } from './performance.ts';
import { holdingAt, mapNotes, type Song } from './song.ts';
import { spelledForSong } from './transpose.ts';
import { toAndFro } from './warble.ts';
import type * as v from 'valibot';

export const CHOSEN_FIGURE = fields({ noteId: text(80, 1), figure: text(40, 1) });

/** An ornament put in at a note, by its id: as the note's way has it, whichever that is. */
export interface ChosenFigure extends v.InferOutput<typeof CHOSEN_FIGURE> {}

/** An ornament at a note that lasts so long, with what is tied to it. */
export interface PlacedFigure {
  readonly figure: Figure;
  readonly length: Ticks;
}

/** The ornaments that lie at a note as it is played. */
export function figuresAt(
  instrument: Instrument,
  { way, length }: Pick<RouteNote, 'way' | 'length'>,
  key: Key,
): readonly Figure[] {
  return way ? instrument.figures(way, key).filter((figure) => fitsLength(figure, length / QUARTER)) : [];
}

/** The ornaments that are chosen, by note; what does not lie at its note as it is played is left out. */
export function figuresChosen(
  instrument: Instrument,
  notes: readonly RouteNote[],
  keyAt: (onset: Ticks) => Key,
  chosen: readonly ChosenFigure[],
): ReadonlyMap<string, PlacedFigure> {
  if (chosen.length === 0) return new Map();
  const idOf = new Map(chosen.map(({ noteId, figure }) => [noteId, figure]));
  return new Map(
    notes.flatMap((note) => {
      const wanted = idOf.get(note.id);
      if (wanted === undefined) return [];
      const found = figuresAt(instrument, note, keyAt(note.onset)).find(({ id }) => id === wanted);
      return found ? [[note.id, { figure: found, length: note.length }] as const] : [];
    }),
  );
}

/**
 * A song with ornaments: what is touched before a note as its grace notes, what is touched within it by times, and its sign.
 */
export function withFigures(song: Song, figures: ReadonlyMap<string, PlacedFigure>): Song {
  if (figures.size === 0) return song;
  return mapNotes(song, (note) => {
    const found = figures.get(note.id);
    if (!found) return note;
    const { figure, length } = found;
    const key = holdingAt(song.keys, note.onset)!;
    const spelled = ({ pitch }: Touch) => spelledForSong(pitch, key);
    const { beat, perMinute } = holdingAt(song.tempos, note.onset) ?? tempoOf(song);
    const seconds = (60 * length) / (beat * perMinute);
    const { before, within = [], through, mark } = figure;
    const touches = [
      ...within.map((touch) => ({ pitch: spelled(touch), after: Math.round(touch.after * QUARTER) })),
      ...(through ? toAndFro(spelled(touched(through)), length, seconds) : []),
    ];
    return {
      ...note,
      ...(before.length > 0 && { grace: [...(note.grace ?? []), ...before.map(spelled)] }),
      ...(touches.length > 0 && { touches }),
      ...(mark && { marks: [...(note.marks ?? []), mark] }),
    };
  });
}
