import type { Figure } from '../families/figure.ts';
import type { RouteNote } from '../route/route.ts';
import { positionAt } from '../time/metre.ts';
import type { ChosenFigure } from './figure.ts';
import { holdingAt, type Song } from './song.ts';
import { metresOfSong } from './songLine.ts';

/** Figures by id that fill a note of three eighths, and those that fill a quarter. */
const LONG: readonly string[] = Object.freeze(['roll', 'cran']);
const SHORT: readonly string[] = Object.freeze(['short-roll', 'short-cran']);
/** What parts a note from one of its pitch before it. */
const APART = 'cut';

/**
 * Ornaments as players put them into a dance: long ones on dotted beats, in two and four also short ones on the quarters of
 * its strong beats, and a cut wherever a note is repeated. Source: as whistle players are taught jigs and reels.
 * @param figuresAt what lies at a note
 */
export function danceFigures(
  song: Song,
  notes: readonly RouteNote[],
  figuresAt: (note: RouteNote) => readonly Figure[],
): readonly ChosenFigure[] {
  const metres = metresOfSong(song);
  return notes.flatMap((note, i): ChosenFigure[] => {
    const before = notes[i - 1];
    const isRepeated = before?.pitch === note.pitch && before.onset + before.length === note.onset;
    const { at, metre } = holdingAt(metres, note.onset)!;
    const { beat, within } = positionAt(metre, note.onset - at);
    const isEven = metre.divisions === 2 && metre.beats % 2 === 0;
    const isStrong = within === 0 && (metre.divisions === 3 || (isEven && beat % 2 === 0));
    const wanted = [...(isStrong ? [...LONG, ...(isEven ? SHORT : [])] : []), ...(isRepeated ? [APART] : [])];
    if (wanted.length === 0) return [];
    const here = figuresAt(note).map(({ id }) => id);
    const figure = wanted.find((id) => here.includes(id));
    return figure === undefined ? [] : [{ noteId: note.id, figure }];
  });
}
