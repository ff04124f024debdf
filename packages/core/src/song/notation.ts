import { commonMeasure, QUARTER, type Ticks } from '../time/ticks.ts';
import { barStarts, type Song, type SongNote, type Tuplet, type Voice } from './song.ts';

/** What one sign of notation can stand for: a value with up to two dots. */
export interface WrittenValue {
  /** Of the undotted value, as a part of a whole note: 4 is a quarter, 0.5 a breve. */
  readonly part: number;
  readonly dots: 0 | 1 | 2;
}

/** A note, a chord or a rest as one sign. */
export interface WrittenEvent {
  readonly onset: Ticks;
  /** As it sounds. */
  readonly length: Ticks;
  /** As it is written: longer than it sounds within a tuplet. */
  readonly written: Ticks;
  /** Rising; none in a rest. */
  readonly notes: readonly SongNote[];
  /** Not the first sign of its notes, which are tied from the one before. */
  readonly continued: boolean;
  /** Tied on to the next sign, because its notes are or since they need another sign. */
  readonly tied: boolean;
  /** Tuplets that begin here, the outermost first, and how many end behind it. */
  readonly begins: readonly Tuplet[];
  readonly ends: number;
}

/** Shortest written value: a 128th. */
const SHORTEST = QUARTER / 32;
const LONGEST = 8 * QUARTER;

/** The signs of one voice, bar by bar: gaps are rests, lengths that no single sign has are tied together. */
export function writtenBars(song: Pick<Song, 'bars'>, voice: Voice): readonly (readonly WrittenEvent[])[] {
  const starts = barStarts(song);
  const tuplets = allTuplets(song, voice);
  const groups = byOnset(voice.notes);
  let next = 0;
  let tuplet = 0;
  return song.bars.map((_, bar) => {
    const [from, to] = [starts[bar]!, starts[bar + 1]!];
    const signs: Sign[] = [];
    let at = from;
    while (groups[next] && groups[next]![0]!.onset < to) {
      const notes = groups[next]!;
      const { onset, length } = notes[0]!;
      if (onset > at) signs.push({ onset: at, length: onset - at, notes: [] });
      signs.push({ onset, length, notes });
      at = onset + length;
      next += 1;
    }
    if (at < to) signs.push({ onset: at, length: to - at, notes: [] });
    const own: Tuplet[] = [];
    while (tuplets[tuplet] && tuplets[tuplet]!.onset < to) {
      if (tuplets[tuplet]!.onset >= from) own.push(tuplets[tuplet]!);
      tuplet += 1;
    }
    return eventsOf(signs, own);
  });
}

interface Sign {
  readonly onset: Ticks;
  readonly length: Ticks;
  readonly notes: readonly SongNote[];
}

function byOnset(notes: readonly SongNote[]): SongNote[][] {
  const groups: SongNote[][] = [];
  for (const note of notes) {
    const last = groups.at(-1);
    if (last?.[0]!.onset === note.onset) last.push(note);
    else groups.push([note]);
  }
  return groups;
}

function eventsOf(signs: readonly Sign[], tuplets: readonly Tuplet[]): WrittenEvent[] {
  const seams = tuplets.flatMap(({ onset, length }) => [onset, onset + length]);
  return signs.flatMap((sign) => {
    const { onset, length, notes } = sign;
    const end = onset + length;
    const cuts = [...new Set([onset, ...seams.filter((seam) => seam > onset && seam < end), end])].sort(
      (a, b) => a - b,
    );
    const pieces = cuts.slice(0, -1).flatMap((from, i) => {
      const to = cuts[i + 1]!;
      const around = tuplets.filter((t) => t.onset <= from && t.onset + t.length >= to);
      const stretch = around.reduce((all, { actual, normal }) => (all * actual) / normal, 1);
      let at = from;
      return partsOf(Math.round((to - from) * stretch)).map((written) => {
        const sounding = written / stretch;
        const piece = { onset: Math.round(at), length: Math.round(at + sounding) - Math.round(at), written };
        at += sounding;
        return piece;
      });
    });
    return pieces.map((piece, i): WrittenEvent => {
      const last = i === pieces.length - 1;
      const stop = piece.onset + piece.length;
      return {
        ...piece,
        notes,
        continued: i > 0,
        tied: notes.length > 0 && (!last || notes.some(({ tied }) => tied)),
        begins: tuplets.filter((t) => t.onset === piece.onset),
        ends: tuplets.filter((t) => t.onset + t.length === stop).length,
      };
    });
  });
}

/** A length as values that single signs have, the longest first. */
function partsOf(length: Ticks): Ticks[] {
  const parts: Ticks[] = [];
  let left = length;
  while (left > 0) {
    const part = longestValue(left);
    if (part === 0) {
      // Too short for any sign: it goes with the one before, or stands alone as the shortest there is.
      if (parts.length === 0) parts.push(left);
      else parts.push(parts.pop()! + left);
      break;
    }
    parts.push(part);
    left -= part;
  }
  return parts;
}

function longestValue(length: Ticks): Ticks {
  for (let value = LONGEST; value >= SHORTEST; value /= 2)
    for (const dotted of [(value * 7) / 4, (value * 3) / 2, value])
      if (Number.isInteger(dotted) && dotted <= length) return dotted;
  return 0;
}

/** The value of a written length; undefined where no single sign has it. */
export function valueOf(written: Ticks): WrittenValue | undefined {
  for (const dots of [0, 1, 2] as const) {
    const part = (4 * QUARTER * (2 - 0.5 ** dots)) / written;
    if (part >= 0.5 && part <= 128 && Number.isInteger(Math.log2(part))) return { part, dots };
  }
  return undefined;
}

/** Tuplets of a voice, and those without which some of its lengths could not be written. */
function allTuplets(song: Pick<Song, 'bars'>, voice: Voice): readonly Tuplet[] {
  const starts = barStarts(song);
  const found: Tuplet[] = [...voice.tuplets];
  let run: { readonly from: Ticks; to: Ticks; parts: number } | undefined;
  let bar = 0;
  let given = 0;
  let covered = 0;
  for (const { onset, length } of voice.notes) {
    for (; voice.tuplets[given] && voice.tuplets[given]!.onset <= onset; given += 1)
      covered = Math.max(covered, voice.tuplets[given]!.onset + voice.tuplets[given]!.length);
    const within = onset < covered;
    while (starts[bar + 1]! <= onset) bar += 1;
    if (run && (within || onset > run.to || run.from < starts[bar]!)) run = undefined;
    if (within) continue;
    const parts = Math.max(oddParts(onset - starts[bar]!), oddParts(length));
    if (run) {
      run.to = Math.max(run.to, onset + length);
      run.parts = Math.max(run.parts, parts);
    } else if (oddParts(length) > 1) run = { from: onset, to: onset + length, parts };
    if (run && oddParts(run.to - starts[bar]!) === 1 && oddParts(run.to - run.from) === 1) {
      found.push({
        onset: run.from,
        length: run.to - run.from,
        actual: run.parts,
        normal: 2 ** Math.floor(Math.log2(run.parts)),
      });
      run = undefined;
    }
  }
  return found.sort((a, b) => a.onset - b.onset || b.length - a.length);
}

/** By what, besides halving, a quarter must be divided to give a length: 3 for a triplet, 1 for a plain value. */
function oddParts(length: Ticks): number {
  let parts = QUARTER / commonMeasure([length, QUARTER]);
  while (parts % 2 === 0) parts /= 2;
  return parts;
}
