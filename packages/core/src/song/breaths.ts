import type { LineNote } from '../route/line.ts';
import type { AirBalance } from '../route/air.ts';
import { barLength } from '../time/metre.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { barOffsets } from './barOffset.ts';
import { barAt, barStarts, holdingAt, type Song } from './song.ts';
import { metresOfSong } from './songLine.ts';

/** What a family's players do where a phrase ends: take breath, or turn the bellows. */
export type PhraseEnd = 'breath' | 'bellows';

/** A place to breathe or to turn the bellows. */
export interface BreathPlace {
  /** Id of the note after which it is. */
  readonly after: string;
  /** The bar of that note, from 1. */
  readonly bar: number;
  readonly why: 'phrase' | 'part' | 'rest' | 'long note' | 'bars';
  /** `breathe out`. */
  readonly what: string;
}

/** What a breath costs by where it is. Ends of phrases and rests are breathed in whatever came before; others when need be. */
const COSTS = Object.freeze({
  phrase: -20,
  part: -12,
  rest: -6,
  'long note': 2,
  four: 5,
  two: 7,
  barLine: 9,
});
/** Bars of one breath: less is more often than needed, more is longer than anybody likes. */
const BARS = Object.freeze({ least: 2, most: 4, tooShort: 6, tooLong: 14 });
/** From so many counted beats on a note is long. */
const LONG = 2;

interface Gap {
  readonly why: BreathPlace['why'];
  readonly cost: number;
}

/**
 * Places to breathe along a melody: at the ends of phrases, in rests, after long notes, with the bars; two to four bars
 * to a breath where that can be. Exact: no other choice of places is better by the same rule.
 * @param air what a harmonica has drawn and blown, which says whether to breathe out or in
 */
export function breathPlaces(
  song: Song,
  line: readonly LineNote[],
  kind: PhraseEnd,
  air: AirBalance,
): readonly BreathPlace[] {
  const notes = topNotes(line);
  if (notes.length < 2) return [];
  const starts = barStarts(song);
  const offsets = barOffsets(song);
  const metres = metresOfSong(song);
  /** Bars as the metre has them, whatever bar lines stand within: the pickup of a part is less than one. */
  const inBars = (at: Ticks) =>
    metres.reduce((sum, { at: from, metre }, i) => {
      const to = Math.min(at, metres[i + 1]?.at ?? Infinity);
      return to > from ? sum + (to - from) / barLength(metre) : sum;
    }, 0);
  const firstLine = song.bars.length > 1 ? starts[1]! % barLength(metres[0]!.metre) : 0;
  const sinceFirst = (at: Ticks) => inBars(at) - inBars(firstLine);
  const gaps = notes
    .slice(0, -1)
    .map((note, i) => gapAfter(song, note, notes[i + 1]!, { starts, offsets, metres, sinceFirst }));
  /** The best way to have come to a breath after each note; 0 is the beginning. */
  const best: { cost: number; from: number }[] = [{ cost: 0, from: -1 }];
  const begin = (i: number) => (i === 0 ? notes[0]!.onset : notes[i]!.onset);
  for (let end = 1; end <= notes.length; end += 1) {
    const gap = gaps[end - 1];
    const last = end === notes.length;
    let found = { cost: Infinity, from: 0 };
    const { onset, length } = notes[end - 1]!;
    for (let from = end - 1; from >= 0 && (gap ?? last); from -= 1) {
      if (best[from]!.cost === Infinity) continue;
      const bars = inBars(onset + length) - inBars(begin(from));
      const cost = best[from]!.cost + strain(bars) + (last ? 0 : gap!.cost);
      if (cost < found.cost) found = { cost, from };
      if (bars > 3 * BARS.most && found.cost < Infinity) break;
    }
    best.push(found);
  }
  const places: BreathPlace[] = [];
  for (let at = best[notes.length]!.from; at > 0; at = best[at]!.from) {
    const note = notes[at - 1]!;
    const { why } = gaps[at - 1]!;
    const what = kind === 'bellows' ? 'turn the bellows' : breathWords(air, note);
    places.push({ after: note.id, bar: barAt(starts, note.onset) + 1, why, what });
  }
  return places.reverse();
}

/** Of notes that begin together the highest. */
function topNotes(line: readonly LineNote[]): readonly LineNote[] {
  const top = new Map<number, LineNote>();
  for (const note of line) {
    const known = top.get(note.onset);
    if (!known || note.pitch > known.pitch) top.set(note.onset, note);
  }
  return [...top.values()].sort((a, b) => a.onset - b.onset);
}

/** What makes the place after a note one to breathe; every bar line is one if need be, within a bar only what is heard. */
function gapAfter(
  song: Song,
  note: LineNote,
  next: LineNote,
  {
    starts,
    offsets,
    metres,
    sinceFirst,
  }: {
    readonly starts: readonly Ticks[];
    readonly offsets: readonly Ticks[];
    readonly metres: ReturnType<typeof metresOfSong>;
    readonly sinceFirst: (at: Ticks) => number;
  },
): Gap | undefined {
  const end = note.onset + note.length;
  const { metre } = holdingAt(metres, note.onset)!;
  if (song.phrases.some((at) => at >= end && at <= next.onset)) return { why: 'phrase', cost: COSTS.phrase };
  const bar = starts.indexOf(next.onset);
  // The bar before is an upbeat to this one.
  if (bar > 0 && offsets[bar - 1]! > 0) return undefined;
  const [before, after] = [song.bars[bar - 1], song.bars[bar]];
  const isSeam =
    before?.repeatEnd ?? before?.doubleLine ?? after?.repeatStart ?? after?.section !== undefined;
  if (bar > 0 && isSeam) return { why: 'part', cost: COSTS.part };
  if (next.onset - end >= metre.beat / 2) return { why: 'rest', cost: COSTS.rest };
  if (note.length >= LONG * metre.beat) return { why: 'long note', cost: COSTS['long note'] };
  if (bar <= 0) return undefined;
  const bars = sinceFirst(next.onset);
  if (Math.abs(bars - Math.round(bars)) > 1e-6) return { why: 'bars', cost: COSTS.barLine };
  const whole = Math.round(bars);
  return { why: 'bars', cost: whole % 4 === 0 ? COSTS.four : whole % 2 === 0 ? COSTS.two : COSTS.barLine };
}

function strain(bars: number): number {
  if (bars < BARS.least) return BARS.tooShort * (BARS.least - bars);
  return bars > BARS.most ? BARS.tooLong * (bars - BARS.most) : 0;
}

/** A beat more one way than the other is felt. */
const FELT = 1;

function breathWords({ points }: AirBalance, { onset, length }: LineNote): string {
  const until = (onset + length) / QUARTER;
  const balance = points.findLast(({ beat }) => beat <= until + 1e-6)?.balance ?? 0;
  if (balance >= FELT) return 'breathe out';
  return balance <= -FELT ? 'breathe in' : 'breathe';
}
