import { decibels, isStroke, strokeOf, type Loudness } from './strokes.ts';

/** A frame as it is told. Times in seconds from the beginning. */
export interface HeardFrame {
  /** Of its middle. */
  readonly time: number;
  /** In semitones, 69 for an A of 440 Hz, cents as a fraction; null where no note is heard. */
  readonly midi: number | null;
  /** How sure it is, from 0 to 1. */
  readonly clarity: number;
}

/** A note that was heard. */
export interface HeardNote {
  readonly onset: number;
  readonly end: number;
  /** The middle of its frames' pitches once it has settled. */
  readonly midi: number;
}

/** What notes are made of: a frame, its candidate and how loud it is in its middle. */
export interface NoteFrame extends HeardFrame {
  /** Place of the candidate; −1 for none. */
  readonly candidate: number;
  /** Mean square. */
  readonly power: number;
  /** Mean square of what changes fast in it. */
  readonly edge: number;
}

/** Shorter ones are slips of the ear, in frames. */
const SHORTEST = 4;
/** What is softer by so much and louder again is struck or blown anew, in decibels. */
const DIP = 5;
/** Nobody strikes again so soon, in frames. */
const AGAIN = 9;
/** What is softer than it was by so much is the echo of a room, and not blown anew, in decibels. */
const ECHO = 12;
/** What was heard of a stroke is its noise where it gives way so soon, in frames. */
const GIVES_WAY = 14;
/** What is struck rings on: it begins anew where it grows louder by so much, in decibels. */
const STRIKE = 4;
/** A note has settled after so many frames; what is plucked begins sharp. */
const SETTLES = 6;
/** How far around a change of pitch its beginning is looked for, in frames. */
const AROUND = 4;

/** Frames of one candidate, from one to before another, that are one note or a part of one. */
interface Run {
  readonly candidate: number;
  readonly from: number;
  readonly to: number;
}

/** Notes from frames: a run of one candidate, parted where it is begun anew. @param struck it rings on after each note */
export function notesOf(frames: readonly NoteFrame[], struck: boolean): readonly HeardNote[] {
  const loudness: Loudness = {
    levels: frames.map(({ power }) => decibels(power)),
    edges: frames.map(({ edge }) => decibels(edge)),
  };
  const runs: Run[] = [];
  for (let from = 0; from < frames.length;) {
    const { candidate } = frames[from]!;
    let to = from + 1;
    while (to < frames.length && frames[to]!.candidate === candidate) to += 1;
    if (candidate >= 0 && to - from >= SHORTEST) {
      const cuts = [from, ...begunAnew(loudness, from, to, struck), to];
      for (let i = 0; i + 1 < cuts.length; i += 1) runs.push({ candidate, from: cuts[i]!, to: cuts[i + 1]! });
    }
    from = to;
  }
  if (struck) return struckNotes(frames, loudness, runs);
  return runs.flatMap((run) => {
    const begin = beginOf(loudness.levels, run.from);
    return run.to - begin < SHORTEST ? [] : [noteOf(frames, begin, run)];
  });
}

/** Notes of what rings on: one stroke makes one note. */
function struckNotes(frames: readonly NoteFrame[], loudness: Loudness, runs: readonly Run[]): HeardNote[] {
  const notes: HeardNote[] = [];
  /** Where the note before was struck. */
  let before = -SHORTEST;
  /** Candidates of the note before and of that before it. */
  let same = -1;
  let older = -1;
  for (const run of runs) {
    const { candidate } = run;
    const begin = strokeOf(loudness, run.from, before + SHORTEST);
    const at = begin ?? run.from;
    if (run.to - at < AGAIN) continue;
    const note = noteOf(frames, at, run);
    if (begin === undefined || !isStroke(loudness, at)) {
      // Heard again after a slip of the ear, it is the same note: nobody struck it.
      if (candidate === same) continue;
      const last = notes.at(-1);
      if (last && at - before < GIVES_WAY) {
        // What gave way to it was the noise of the stroke, if it is no older note that comes out again.
        if (candidate === older || note.end - note.onset < last.end - last.onset) continue;
        notes[notes.length - 1] = { ...note, onset: last.onset };
        same = candidate;
        continue;
      }
    }
    // What is left of an old note when the next is struck is none of its own.
    if (begin === undefined) continue;
    older = same;
    same = candidate;
    before = begin;
    notes.push(note);
  }
  return notes;
}

function noteOf(frames: readonly NoteFrame[], begin: number, { from, to }: Run): HeardNote {
  const settled = to - from > 2 * SETTLES ? from + SETTLES : from;
  const pitches = frames
    .slice(settled, to)
    .flatMap(({ midi }) => midi ?? [])
    .sort((a, b) => a - b);
  return {
    onset: frames[begin]!.time,
    end: frames[to - 1]!.time,
    midi: pitches[Math.floor(pitches.length / 2)]!,
  };
}

/** The frame near a change at which it grows louder fastest, where it grows much; the change itself otherwise. */
function beginOf(levels: readonly number[], at: number): number {
  let best = at;
  let most = STRIKE;
  for (let i = Math.max(1, at - AROUND); i <= Math.min(levels.length - 2, at + AROUND); i += 1) {
    const rise = levels[i + 1]! - levels[i - 1]!;
    if (rise > most) {
      most = rise;
      best = i;
    }
  }
  return best;
}

/** Frames within a run of one pitch at which it begins anew. */
function begunAnew(loudness: Loudness, from: number, to: number, struck: boolean): readonly number[] {
  const { levels } = loudness;
  const cuts: number[] = [];
  let low = levels[from]!;
  let high = low;
  let start = from;
  for (let i = from + 1; i < to; i += 1) {
    const level = levels[i]!;
    const rise = level - low;
    const isLongEnough = i - start >= (struck ? AGAIN : SHORTEST + 1) && to - i >= SHORTEST;
    const isAgain = struck
      ? rise > STRIKE && isLongEnough && isStroke(loudness, i)
      : rise > DIP &&
        high - low > DIP &&
        isLongEnough &&
        Math.max(...levels.slice(i, i + SETTLES)) > high - ECHO;
    if (isAgain) {
      cuts.push(i);
      start = i;
      low = level;
      high = level;
      continue;
    }
    if (level < low) low = level;
    if (level > high) {
      // Still growing: a dip counts from its top.
      high = level;
      low = level;
    }
  }
  return cuts;
}

/** Seconds of silence after which a note has ended for certain, and frames of it that are remembered. */
const ENDED = 0.5;
const REMEMBERED = 40;

/** So long before a note it is remembered what was heard, in seconds: to know whether it was struck. */
const CONTEXT = 0.2;

/** Makes notes of frames as they come, for as long as one likes: what is told is forgotten. @param struck as for `notesOf` */
export function gatherNotes(struck: boolean) {
  let kept: readonly NoteFrame[] = [];
  /** What ended by then was told. */
  let until = -Infinity;
  const untold = () => notesOf(kept, struck).filter(({ end }) => end > until);
  const tell = (notes: readonly HeardNote[]) => {
    until = notes.at(-1)?.end ?? until;
    return notes;
  };
  return {
    /** Takes frames in and gives the notes that have ended; the last one may still go on. */
    push(frames: readonly NoteFrame[]): readonly HeardNote[] {
      kept = [...kept, ...frames];
      const notes = untold();
      const last = notes.at(-1);
      if (!last || kept.at(-1)!.time - last.end > ENDED) {
        kept = kept.slice(-REMEMBERED);
        return tell(notes);
      }
      const told = tell(notes.slice(0, -1));
      if (told.length > 0) kept = kept.filter(({ time }) => time > until - CONTEXT);
      return told;
    },
    /** Nothing follows: the last note has ended too. */
    end(): readonly HeardNote[] {
      const notes = tell(untold());
      kept = [];
      return notes;
    },
  };
}
