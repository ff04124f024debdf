import type { Instrument } from '../instrument/instrument.ts';
import type { NoteName } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Route } from '../route/route.ts';
import { writeTabLine, type TabItem } from '../tab/tabLine.ts';
import { QUARTER } from '../time/ticks.ts';
import type { PlacedFigure } from './figure.ts';
import { barAt, barStarts, type Song } from './song.ts';

/** Bars in a line of tab. */
const BARS = 4;

/**
 * A line of tab for every four bars, with bar lines, with rests of a beat and more, and with what is touched before a note.
 * @param called names a pitch
 */
export function songTab(
  song: Song,
  route: Pick<Route, 'notes'>,
  instrument: Instrument,
  dialect: string,
  called: (pitch: Pitch) => NoteName,
  figures: ReadonlyMap<string, PlacedFigure> = new Map(),
): string {
  const starts = barStarts(song);
  const inBar = song.bars.map((): TabItem[] => []);
  let end = 0;
  let last = -1;
  for (const { id, onset, length, way, pitch } of route.notes) {
    const bar = inBar[barAt(starts, onset)]!;
    if (onset - end >= QUARTER) bar.push({ kind: 'rest' });
    if (onset === last) bar.push({ kind: 'with' });
    last = onset;
    bar.push(...figureItems(figures.get(id)?.figure));
    bar.push(way ? { kind: 'way', way } : { kind: 'missing', pitch });
    end = Math.max(end, onset + length);
  }
  const lines: string[] = [];
  for (let from = 0; from < inBar.length; from += BARS) {
    const items = inBar.slice(from, from + BARS).flatMap((bar): TabItem[] => [...bar, { kind: 'bar' }]);
    lines.push(writeTabLine(instrument, items, dialect, called));
  }
  return lines.join('\n');
}

/** An ornament as it stands before its note: its sign, or the ways that are touched. */
function figureItems(figure: PlacedFigure['figure'] | undefined): readonly TabItem[] {
  if (!figure) return [];
  if (figure.sign) return [{ kind: 'figure', sign: figure.sign }];
  return figure.before.flatMap(({ way }): TabItem[] => (way ? [{ kind: 'touched', way }] : []));
}
