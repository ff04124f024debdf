import { median } from './median.ts';
import type { NoteFrame } from './notes.ts';

/** A note that has begun and stands. */
export interface SteadyNote {
  /** When it began, in seconds. */
  readonly time: number;
  /** In semitones with cents as a fraction: the middle of what was heard of it so far. */
  readonly midi: number;
}

/** A note stands after so many frames of 10 ms. What rings on may be known sooner, but so may be what somebody says. */
const STANDS = Object.freeze({ blown: 16, struck: 20 });
/** So many frames of something else end a note. */
const GAP = 3;
/** What rings on is struck again where it grows louder by so much, in decibels. */
const STRIKE = 6;

/**
 * Tells each note once, as soon as it stands: for answers, that cannot wait until a note has ended.
 * @param struck it rings on after each note
 */
export function steadyNotes(struck: boolean) {
  const needed = struck ? STANDS.struck : STANDS.blown;
  let run: NoteFrame[] = [];
  let told = false;
  let gap = 0;
  let lowest = 0;
  const anew = (frames: NoteFrame[]) => {
    run = frames;
    told = false;
    gap = 0;
    lowest = frames[0] ? frames[0].power : 0;
  };
  return {
    /** Takes frames in and gives the notes that stand now and did not before. */
    push(frames: readonly NoteFrame[]): readonly SteadyNote[] {
      const notes: SteadyNote[] = [];
      for (const frame of frames) {
        const same = run.length > 0 && frame.candidate === run[0]!.candidate;
        if (!same) {
          gap += 1;
          if (run.length === 0 || gap >= GAP || frame.candidate >= 0)
            anew(frame.candidate < 0 ? [] : [frame]);
          continue;
        }
        gap = 0;
        const isStruckAgain = struck && told && frame.power > lowest * 10 ** (STRIKE / 10);
        if (isStruckAgain) anew([frame]);
        else {
          run.push(frame);
          lowest = Math.min(lowest, frame.power);
        }
        if (told || run.length < needed) continue;
        told = true;
        notes.push({ time: run[0]!.time, midi: median(run.flatMap(({ midi }) => midi ?? [])) });
        // What follows is not remembered: a note may be held for minutes.
        run = [run[0]!];
      }
      return notes;
    },
  };
}
