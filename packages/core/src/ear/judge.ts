import { PITCH_TOLERANCE } from './listening.ts';
import type { HeardNote } from './notes.ts';

/** A note that is to be played. Times in seconds on the clock of what is heard. */
export interface WantedNote {
  /** Its own. */
  readonly id: string;
  /** In semitones, cents as a fraction. */
  readonly midi: number;
  readonly at: number;
}

/** How a wanted note went. */
export type NoteResult = 'hit' | 'early' | 'late' | 'off' | 'missed';

export interface JudgedNote {
  readonly id: string;
  readonly result: NoteResult;
  /** Cents above what was wanted; undefined where nothing was heard for it. */
  readonly cents?: number;
  /** Seconds after it was wanted; before where negative. */
  readonly after?: number;
}

/** A line beside what was heard. */
export interface JudgedLine {
  /** Each wanted note. */
  readonly notes: readonly JudgedNote[];
  /** What was heard and belongs to none of them; rising. */
  readonly unused: readonly HeardNote[];
}

/** How far a note may stray and still be hit: seconds either way, and cents. */
export interface Leniency {
  readonly seconds: number;
  readonly cents: number;
}

/** Source: a learner is in time within a tenth of a second, in tune within what is still this note. */
export const USUAL_LENIENCY: Leniency = Object.freeze({ seconds: 0.12, cents: 35 });
/** What is heard so far from where it was wanted belongs to another note, in seconds. */
const FARTHEST = 0.45;
/** Cost of leaving a wanted note unheard and a heard one unused, against seconds and semitones off. */
const MISSED = 0.5;
const EXTRA = 0.25;

/**
 * Judges what was heard against a line: the two are laid beside each other so that least is left over, in their order, as
 * a teacher follows a pupil who stumbles. @param wanted and @param heard rising by time
 */
export function judgeLine(
  wanted: readonly WantedNote[],
  heard: readonly HeardNote[],
  leniency: Leniency = USUAL_LENIENCY,
): JudgedLine {
  const columns = heard.length + 1;
  const costs = new Float64Array((wanted.length + 1) * columns);
  const steps = new Uint8Array(costs.length);
  for (let w = 0; w <= wanted.length; w += 1)
    for (let h = 0; h < columns; h += 1) {
      const at = w * columns + h;
      if (w === 0 && h === 0) continue;
      let best = Infinity;
      const take = (cost: number, step: number) => {
        if (cost < best) {
          best = cost;
          steps[at] = step;
        }
      };
      if (w > 0 && h > 0) take(costs[at - columns - 1]! + together(wanted[w - 1]!, heard[h - 1]!), PAIR);
      if (w > 0) take(costs[at - columns]! + MISSED, SKIP);
      if (h > 0) take(costs[at - 1]! + EXTRA, LEAVE);
      costs[at] = best;
    }
  const judged: JudgedNote[] = [];
  const unused: HeardNote[] = [];
  for (let w = wanted.length, h = heard.length; w > 0 || h > 0;) {
    const step = steps[w * columns + h]!;
    if (step === PAIR) {
      judged.push(judge(wanted[w - 1]!, heard[h - 1]!, leniency));
      w -= 1;
      h -= 1;
    } else if (step === SKIP) {
      judged.push({ id: wanted[w - 1]!.id, result: 'missed' });
      w -= 1;
    } else {
      h -= 1;
      unused.push(heard[h]!);
    }
  }
  return { notes: judged.reverse(), unused: unused.reverse() };
}

const PAIR = 1;
const SKIP = 2;
const LEAVE = 3;

/** What it costs to take a heard note for a wanted one. */
function together({ midi, at }: WantedNote, heard: HeardNote): number {
  const late = Math.abs(heard.onset - at);
  if (late > FARTHEST) return Infinity;
  const off = Math.abs(heard.midi - midi);
  return late + (off <= PITCH_TOLERANCE ? 0.2 * off : 0.35);
}

function judge({ id, midi, at }: WantedNote, heard: HeardNote, leniency: Leniency): JudgedNote {
  const cents = 100 * (heard.midi - midi);
  const after = heard.onset - at;
  const result: NoteResult =
    Math.abs(cents) > leniency.cents
      ? 'off'
      : Math.abs(after) <= leniency.seconds
        ? 'hit'
        : after > 0
          ? 'late'
          : 'early';
  return { id, result, cents, after };
}

/** Shorter ones are slips of the ear, or what is passed on the way into a bend; in seconds. */
const SHORTEST_EXTRA = 0.1;
/** Before the first note and after the beginning of the last, what is heard is not part of the line; in seconds. */
const AROUND_LINE = 0.3;

/**
 * Notes that were played and are wanted nowhere near: wrong ones between the right ones. What has the pitch of the note
 * that is due, of the one before or of the next is that note, begun again or ringing on.
 */
export function extraNotes(
  wanted: readonly WantedNote[],
  unused: readonly HeardNote[],
): readonly HeardNote[] {
  const [first, last] = [wanted[0], wanted.at(-1)];
  if (!first || !last) return [];
  return unused.filter(({ onset, end, midi }) => {
    if (onset < first.at - AROUND_LINE || onset > last.at + AROUND_LINE) return false;
    if (end - onset < SHORTEST_EXTRA) return false;
    const due = Math.max(
      0,
      wanted.findLastIndex(({ at }) => at <= onset),
    );
    return !wanted
      .slice(Math.max(0, due - 1), due + 2)
      .some((near) => Math.abs(near.midi - midi) <= PITCH_TOLERANCE);
  });
}

/** Whether a round was clean: every note was hit, and no other was played. */
export function isClean(judged: readonly JudgedNote[], extra: readonly HeardNote[]): boolean {
  return judged.length > 0 && judged.every(({ result }) => result === 'hit') && extra.length === 0;
}
