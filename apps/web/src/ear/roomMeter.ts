import type { EarUpdate } from './earWorker.ts';

/** What the meter says of the room. */
export type Room = 'quiet' | 'well' | 'loud' | 'noisy' | 'dead';

/** How loud it is; levels from 0 to 1, as they look. */
export interface Loudness {
  readonly level: number;
  /** Of the room while no note sounds. */
  readonly noise: number;
  readonly room: Room;
}

/** Louder than this a sample is cut, and nothing is measured rightly. */
const CLIPS = 0.985;
/** Softer is too quiet to be sure, in decibels; said only after so many seconds without a note. */
const QUIET = -55;
const PATIENCE = 4;
/** A room that is louder without a note hides soft ones, in decibels. */
const NOISY = -34;
/** How fast the room is believed to have grown louder, in decibels a second. */
const GROWS = 3;

/** How loud it looks: −60 dB and less is nothing. */
function shown(decibels: number): number {
  return Math.max(0, Math.min(1, 1 + decibels / 60));
}

/** Follows how loud a room is: what the ear tells, one after the other. */
export function roomMeter(): (told: Pick<EarUpdate, 'power' | 'peak' | 'now' | 'heard'>) => Loudness {
  let lastNote = 0;
  let lastSound = 0;
  let before = 0;
  /** Loudness of the room without a note, in decibels; unknown until it was heard without one. */
  let floor = -Infinity;
  return ({ power, peak, now, heard }) => {
    const decibels = 10 * Math.log10(power + 1e-9);
    if (now !== null) lastNote = heard;
    if (peak > 0) lastSound = heard;
    if (now !== null) floor = Math.min(decibels, floor);
    else floor = Number.isFinite(floor) ? Math.min(decibels, floor + GROWS * (heard - before)) : decibels;
    before = heard;
    const isLate = (since: number) => heard - since > PATIENCE;
    const room = (): Room => {
      if (peak > CLIPS) return 'loud';
      if (isLate(lastSound)) return 'dead';
      if (isLate(lastNote) && decibels < QUIET) return 'quiet';
      return floor > NOISY && heard > PATIENCE ? 'noisy' : 'well';
    };
    return { level: shown(decibels), noise: shown(floor), room: room() };
  };
}
