import type { AirStore } from '../families/air.ts';
import type { AirPlaces } from '../route/air.ts';
import type { LineNote } from '../route/line.ts';
import { barLength } from '../time/metre.ts';
import { timingsOf } from '../time/noteTiming.ts';
import type { Ticks } from '../time/ticks.ts';
import { barNumberIn, barOffsets } from './barOffset.ts';
import { barStarts, holdingAt, type Song } from './song.ts';
import { countingOfSong, metresOfSong } from './songLine.ts';

/** A place to breathe, to turn the bellows or to take the air button. */
export interface BreathPlace {
  /** Ids of the notes after and before which it is. */
  readonly after: string;
  readonly before: string;
  /** The bar of the note after which it is, as musicians count. */
  readonly bar: number;
  /** `note`: nothing better offers itself. */
  readonly why: 'phrase' | 'part' | 'rest' | 'long note' | 'bars' | 'note';
}

/** What a breath costs by where it is. Ends of phrases and rests are breathed in whatever came before; others when need be. */
const COSTS = Object.freeze({
  phrase: -20,
  part: -12,
  rest: -6,
  'long note': 2,
  four: 5,
  two: 7,
  barLine: 12,
});
/** Bars of one breath: less is more often than needed, more is longer than anybody likes. */
const BARS = Object.freeze({ least: 2, most: 4, tooShort: 6, tooLong: 14 });
/** What each second costs that is more than comfortable, and more than there is. */
const SECONDS = Object.freeze({ uncomfortable: 2.2, tooLong: 60 });
/** From so many counted beats on a note is long. */
const LONG = 2;

/** A place between two notes of a melody at which air can be had. */
interface Gap {
  readonly why: Exclude<BreathPlace['why'], 'note'>;
  readonly cost: number;
}

/** A melody, and what lies between each of its notes and the next. */
interface Melody {
  readonly notes: readonly LineNote[];
  /** One fewer than notes; undefined where nobody breathes. */
  readonly gaps: readonly (Gap | undefined)[];
  /** Bars as the metre has them up to a time, whatever bar lines stand within: the pickup of a part is less than one. */
  inBars(this: void, at: Ticks): number;
  /** The bar of a note, as musicians count. */
  barOf(this: void, note: LineNote): number;
}

function melodyWithGaps(song: Song, line: readonly LineNote[]): Melody {
  const notes = topNotes(line);
  const starts = barStarts(song);
  const offsets = barOffsets(song);
  const barOf = barNumberIn(song);
  const metres = metresOfSong(song);
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
  return { notes, gaps, inBars, barOf: ({ onset }) => barOf(onset) };
}

/**
 * Places to breathe along a melody: at the ends of phrases, in rests, after long notes, with the bars; two to four bars
 * to a breath where that can be, and no longer than air lasts. Exact: no other choice of places is better by the same rule.
 */
export function breathPlaces(
  song: Song,
  line: readonly LineNote[],
  { seconds: most, comfortable, uses }: AirStore,
): readonly BreathPlace[] {
  const { notes, gaps, inBars, barOf } = melodyWithGaps(song, line);
  if (notes.length < 2) return [];
  const timings = timingsOf(countingOfSong(song), notes);
  const seconds = timings.map((timing) => timing.seconds);
  // What low notes take is felt before it is too long.
  const felt = notes.map(({ pitch }, i) => seconds[i]! * uses([pitch]));
  const strain = (bars: number, lasts: number, feels: number) =>
    strainOfBars(bars) +
    SECONDS.uncomfortable * Math.max(0, feels - comfortable) +
    SECONDS.tooLong * Math.max(0, lasts - most);
  /** The best way to have come to a breath after each note; 0 is the beginning. */
  const best: { cost: number; from: number }[] = [{ cost: 0, from: -1 }];
  for (let end = 1; end <= notes.length; end += 1) {
    const gap = gaps[end - 1];
    const last = end === notes.length;
    let found = { cost: Infinity, from: 0 };
    let [lasts, feels] = [0, 0];
    const { onset, length } = notes[end - 1]!;
    for (let from = end - 1; from >= 0 && (gap ?? last); from -= 1) {
      lasts += seconds[from]!;
      feels += felt[from]!;
      if (best[from]!.cost === Infinity) continue;
      const bars = inBars(onset + length) - inBars(notes[from]!.onset);
      const cost = best[from]!.cost + strain(bars, lasts, feels) + (last ? 0 : gap!.cost);
      if (cost < found.cost) found = { cost, from };
      if (bars > 3 * BARS.most && found.cost < Infinity) break;
    }
    best.push(found);
  }
  const places: BreathPlace[] = [];
  for (let at = best[notes.length]!.from; at > 0; at = best[at]!.from) {
    const [note, next] = [notes[at - 1]!, notes[at]!];
    places.push({ after: note.id, before: next.id, bar: barOf(note), why: gaps[at - 1]!.why });
  }
  return places.reverse();
}

/** Dearer than any place that offers itself. */
const NO_GAP = 40;

/** Where the air button can help along a melody, at what cost, and how such places are told. */
export function gapsForButton(
  song: Song,
  line: readonly LineNote[],
): AirPlaces & { told(this: void, helps: readonly string[]): readonly BreathPlace[] } {
  const { notes, gaps, barOf } = melodyWithGaps(song, line);
  const indexOf = new Map(notes.map(({ id }, i) => [id, i]));
  const gapBefore = (id: string) => gaps[(indexOf.get(id) ?? 0) - 1];
  return {
    isBreath: () => false,
    costBefore: (id) => (gapBefore(id)?.cost ?? NO_GAP) - COSTS.phrase,
    told: (helps) =>
      helps.flatMap((id): BreathPlace[] => {
        const note = notes[(indexOf.get(id) ?? 0) - 1];
        const why = gapBefore(id)?.why ?? 'note';
        return note ? [{ after: note.id, before: id, bar: barOf(note), why }] : [];
      }),
  };
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

function strainOfBars(bars: number): number {
  if (bars < BARS.least) return BARS.tooShort * (BARS.least - bars);
  return bars > BARS.most ? BARS.tooLong * (bars - BARS.most) : 0;
}
