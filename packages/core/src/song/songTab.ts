import type { Instrument } from '../instrument/instrument.ts';
import type { NoteName } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Route } from '../route/route.ts';
import { writeTabLine, type TabItem } from '../tab/tabLine.ts';
import { QUARTER } from '../time/ticks.ts';
import { barAt, barStarts, type Song } from './song.ts';

/** Bars in a line of tab. */
const BARS = 4;

/** A line of tab for every four bars, with bar lines and with rests of a beat and more. @param called names a pitch */
export function songTab(
  song: Song,
  route: Pick<Route, 'notes'>,
  instrument: Instrument,
  dialect: string,
  called: (pitch: Pitch) => NoteName,
): string {
  const starts = barStarts(song);
  const inBar = song.bars.map((): TabItem[] => []);
  let end = 0;
  let last = -1;
  for (const { onset, length, way, pitch } of route.notes) {
    const bar = inBar[barAt(starts, onset)]!;
    if (onset - end >= QUARTER) bar.push({ kind: 'rest' });
    if (onset === last) bar.push({ kind: 'with' });
    last = onset;
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
