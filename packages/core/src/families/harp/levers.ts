import { nameAt, type HarpLayout } from './layout.ts';
import { handOf, type Finger } from './hand.ts';
import type { Hold, PlayedHold, SettingChange } from '../way.ts';
import { readCarried } from './placement.ts';
import type { HarpWay } from './ways.ts';

/**
 * Levers along a line. What is carried along is how the lever of each string was at its last note, a sign for each string
 * in their order: `+` as it is not set for the key, `-` as it is, `.` where no note of it has sounded. The first note of a
 * string decides how it stands from the beginning. In two rows, where each note may be had in either, only strings that are
 * not as set are carried, so that the lines to choose among stay few.
 */
const OTHERWISE = '+';
const AS_SET = '-';
const SILENT = '.';

const stateOf = ({ technique }: HarpWay) => (technique === 'flip' ? OTHERWISE : AS_SET);

/** How the lever of a way's string stands: undefined where no note of it has sounded. */
function carriedState(carried: string, { leverPlace, row }: HarpWay): string | undefined {
  const state = carried[leverPlace] ?? SILENT;
  if (state !== SILENT) return state;
  return row ? AS_SET : undefined;
}

/** Whether a way's lever must be moved before it sounds, coming from what was carried. */
function mustMove(carried: string, way: HarpWay): boolean {
  const stands = carriedState(carried, way);
  return stands !== undefined && stands !== stateOf(way);
}

/** Whether a way's lever is set otherwise than for the key before the line begins. */
function isSetBefore(carried: string, way: HarpWay): boolean {
  return way.technique === 'flip' && carriedState(carried, way) === undefined;
}

function count(carried: string, hold: Hold<HarpWay>, is: (carried: string, way: HarpWay) => boolean): number {
  let found = 0;
  for (const { way } of hold) if (is(carried, way)) found += 1;
  return found;
}

/** Ways of a hold whose levers must be moved before it. */
export const leversToMove = (carried: string, hold: Hold<HarpWay>): number => count(carried, hold, mustMove);

/** Ways of a hold whose levers are set otherwise before the line begins. */
export const leversSetBefore = (carried: string, hold: Hold<HarpWay>): number =>
  count(carried, hold, isSetBefore);

/** What of it matters to a hold: how its own strings stand. */
export function heeded(carried: string, hold: Hold<HarpWay>): string {
  let found = '';
  for (const { way } of hold) found += carriedState(carried, way) ?? '.';
  return found;
}

/** A lever stays where it was put until another note of its string needs it otherwise. */
export function carry(before: string, hold: Hold<HarpWay>): string {
  let after = before;
  for (const { way } of hold) {
    const { leverPlace: at, row } = way;
    const state = row && stateOf(way) === AS_SET ? SILENT : stateOf(way);
    if ((after[at] ?? SILENT) !== state)
      after = after.slice(0, at).padEnd(at, SILENT) + state + after.slice(at + 1);
  }
  return after.endsWith(SILENT) ? after.replace(/\.+$/u, '') : after;
}

/**
 * Everything that is done to levers along a line: before it for strings that are not as set at their first note, and between
 * two notes of a string that need it otherwise. Levers are worked by the left hand.
 */
export function leverChanges(
  layout: HarpLayout,
  line: readonly PlayedHold<HarpWay>[],
): readonly SettingChange[] {
  return line.flatMap(({ hold, noteIds, onset, carried: before }, i): SettingChange[] => {
    const carried = readCarried(before).levers;
    return hold.flatMap((finger, n) => {
      const { way } = finger;
      if (!isSetBefore(carried, way) && !mustMove(carried, way)) return [];
      const { letter, octave } = nameAt(layout, way.string);
      const last = lastOf(line, i, finger);
      const from = last && last.onset + last.length;
      return [
        {
          row: (way.row ?? '') + letter + String(octave),
          to: way.lever,
          noteId: noteIds[n]!,
          onset,
          from,
          free: from === undefined ? undefined : freeHand(line, i, from),
          hand: 'left hand',
        },
      ];
    });
  });
}

/** The last hold before another that sounds a string; undefined where the string has not sounded. */
function lastOf(line: readonly PlayedHold<HarpWay>[], at: number, { way }: Finger) {
  return line.slice(0, at).findLast(({ hold }) => hold.some((one) => one.way.leverPlace === way.leverPlace));
}

/** The latest stretch between a time and a hold in which the left hand plays nothing for a beat. */
function freeHand(line: readonly PlayedHold<HarpWay>[], at: number, from: number): SettingChange['free'] {
  const { onset, length, timing } = line[at]!;
  const beat = length / timing.beats;
  let end = onset;
  for (let i = at - 1; i >= 0 && end > from; i -= 1) {
    const before = line[i]!;
    if (!before.hold.some((finger) => handOf(finger) === 'L')) continue;
    // A string that was plucked rings without the hand.
    const begin = Math.max(from, Math.min(before.onset + beat / 2, end));
    if (end - begin >= beat) return { from: begin, to: end };
    end = before.onset;
  }
  return end - from >= beat ? { from, to: end } : undefined;
}
