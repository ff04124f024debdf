import { barName, barNumbers } from './barOffset.ts';
import type { Bar, Song } from './song.ts';

/** The bars of a song in the order in which they are played. */
export interface Unfolded {
  /** Indexes of bars. */
  readonly order: readonly number[];
  /** What had to be assumed where signs are missing or contradict each other, as sentences. */
  readonly remarks: readonly string[];
}

/** More bars than this are not played, however many repeats are written. */
export const PLAYED_BARS_LIMIT = 20_000;

/**
 * Takes the repeats of a song: simple ones and those with any number of endings, da capo and dal segno with fine and
 * coda, and an order of sections. A repeat that nothing begins goes back to where the last one ended. After a jump
 * repeats are not taken again and the last ending is played.
 */
export function unfold(song: Pick<Song, 'bars' | 'order' | 'metres'>): Unfolded {
  const { bars, order } = song;
  const remarks = new Set<string>();
  const played: number[] = [];
  const numbers = barNumbers(song);
  for (const [from, to] of sectionsOf(bars, order ?? [], remarks)) {
    walk(song, { from, to, numbers }, played, remarks);
    if (played.length >= PLAYED_BARS_LIMIT) break;
  }
  if (played.length >= PLAYED_BARS_LIMIT)
    remarks.add(`The repeats would make it longer than ${PLAYED_BARS_LIMIT} bars; it ends there.`);
  return { order: played.slice(0, PLAYED_BARS_LIMIT), remarks: [...remarks] };
}

/** Bars from and to (exclusive) that are played one after the other. */
function sectionsOf(
  bars: readonly Bar[],
  order: readonly string[],
  remarks: Set<string>,
): readonly (readonly [number, number])[] {
  const whole = [[0, bars.length]] as const;
  if (order.length === 0) return whole;
  const begins = bars.flatMap(({ section }, i) => (section === undefined ? [] : [i]));
  const found = order.flatMap((name) => {
    const from = begins.find((i) => bars[i]!.section === name);
    if (from === undefined) remarks.add(`Section ${name} is to be played, but none has that name.`);
    return from === undefined ? [] : [[from, begins.find((i) => i > from) ?? bars.length] as const];
  });
  if (found.length === 0) return whole;
  // What stands before the first section is played once, before them all.
  return begins[0]! > 0 ? [[0, begins[0]!], ...found] : found;
}

/** @param numbers of all bars, as musicians count */
function walk(
  song: Pick<Song, 'bars'>,
  { from, to, numbers }: { readonly from: number; readonly to: number; readonly numbers: readonly number[] },
  played: number[],
  remarks: Set<string>,
): void {
  const { bars } = song;
  const rows = rowsOf(bars, from, to);
  const find = (sign: 'segno' | 'coda') =>
    bars.findIndex((bar, i) => bar[sign] === true && i >= from && i < to);
  const usedJumps = new Set<number>();
  let jumped = false;
  let start = from;
  let time = 1;
  let at = from;
  const goTo = (bar: number) => {
    at = start = bar;
    time = 1;
  };
  while (at < to && played.length < PLAYED_BARS_LIMIT) {
    const bar = bars[at]!;
    const row = rows.get(at);
    const afterRepeat = at > from && bars[at - 1]!.repeatEnd !== undefined && !row;
    if ((bar.repeatStart || afterRepeat) && at !== start) goTo(at);
    const counted = jumped && row ? row.last : time;
    if (row && !bar.endings!.includes(counted)) {
      let next = at;
      while (next < row.end && !bars[next]!.endings!.includes(counted)) next += 1;
      if (next === row.end) goTo(next);
      else at = next;
      continue;
    }
    played.push(at);
    if (!jumped && time < timesOf(bars, at, row, remarks)) {
      if (!bars[start]!.repeatStart) remarks.add(assumedStart(numbers, at, start, from));
      time += 1;
      at = start;
      continue;
    }
    if (jumped && bar.fine) return;
    const coda = jumped && bar.toCoda ? find('coda') : -1;
    if (jumped && bar.toCoda && coda < 0) remarks.add('It says to go to the coda, but there is none.');
    if (coda >= 0) goTo(coda);
    else if (bar.jump && !usedJumps.has(at)) {
      usedJumps.add(at);
      jumped = true;
      const segno = bar.jump === 'segno' ? find('segno') : from;
      if (segno < 0)
        remarks.add('It says to go back to the sign, but there is none: it goes back to the beginning.');
      goTo(Math.max(from, segno));
    } else if (row && at + 1 === row.end) goTo(row.end);
    else at += 1;
  }
}

function assumedStart(numbers: readonly number[], at: number, start: number, from: number): string {
  const back = start === from ? 'the beginning' : barName(numbers[start]!);
  return `Nothing begins the repeat that ends with ${barName(numbers[at]!)}; it goes back to ${back}.`;
}

/** Endings that stand side by side. */
interface EndingRow {
  /** Index of the first bar behind them. */
  readonly end: number;
  /** The highest of their numbers. */
  readonly last: number;
  /** Whether all of it belongs to one and the same ending. */
  readonly single: boolean;
}

/** The row of endings of every bar that belongs to one. */
function rowsOf(bars: readonly Bar[], from: number, to: number): ReadonlyMap<number, EndingRow> {
  const rows = new Map<number, EndingRow>();
  for (let begin = from; begin < to; begin += 1) {
    if (!bars[begin]!.endings) continue;
    let end = begin;
    while (end < to && bars[end]!.endings) end += 1;
    const numbers = bars.slice(begin, end).map(({ endings }) => endings!);
    const last = numbers.flat().reduce((most, n) => Math.max(most, n), 1);
    const row = { end, last, single: numbers.every((own) => own.includes(last)) };
    for (let i = begin; i < end; i += 1) rows.set(i, row);
    begin = end;
  }
  return rows;
}

/** How often what ends with this bar is played; 1 where no repeat ends. */
function timesOf(bars: readonly Bar[], at: number, row: EndingRow | undefined, remarks: Set<string>): number {
  const { repeatEnd, endings } = bars[at]!;
  if (!row || !endings) return repeatEnd ?? 1;
  if (repeatEnd !== undefined) return row.single ? Math.max(repeatEnd, row.last + 1) : row.last;
  const next = at + 1 < row.end ? bars[at + 1]!.endings! : endings;
  if (endings.includes(row.last) || next.some((n) => endings.includes(n))) return 1;
  remarks.add(`Ending ${endings.join(', ')} has no sign of repeat; another follows, so it is repeated.`);
  return row.last;
}
