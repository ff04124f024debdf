import { LONG_ROLL, SHORT_ROLL } from '../families/figure.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import { LEISURE } from '../time/noteTiming.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import type { Sounding } from './sounding.ts';
import type { SongKey, SongNote } from './song.ts';
import { fifthsOfSongKey } from './songKey.ts';
import { stepOf } from './stepOf.ts';
import { toAndFro } from './warble.ts';

/** How long a grace note sounds in seconds, and the share of its note that all of them may take. */
const GRACE = Object.freeze({ seconds: 0.06, share: 1 / 2 });

/** Seconds that a finger's flick is heard: no more than a chip in the note. */
const FLICK = 0.03;

/**
 * A note with its grace notes and with what is touched within it: they begin on its time and it comes after them, so that
 * what follows keeps its own. @param length in ticks, as it sounds
 */
export function ornamented(
  note: Sounding,
  { grace = [], touches = [] }: SongNote,
  length: Ticks,
): readonly Sounding[] {
  const each = Math.min(GRACE.seconds, (note.seconds * GRACE.share) / Math.max(1, grace.length));
  const taken = each * grace.length;
  const perTick = note.seconds / length;
  const ends = note.at + note.seconds;
  const graces = grace.map((pitch, i): Sounding => ({
    ...note,
    kind: 'grace',
    at: note.at + i * each,
    seconds: each,
    pitch: soundingPitch(pitch),
  }));
  const within = touches
    .filter(({ after }) => after < length)
    .map(({ pitch, after, lasts }): Sounding => {
      const at = note.at + after * perTick;
      const seconds = lasts === undefined ? FLICK : lasts * perTick;
      return {
        ...note,
        kind: 'grace',
        at,
        seconds: Math.min(seconds, ends - at),
        pitch: soundingPitch(pitch),
      };
    });
  // The note itself sounds wherever nothing else does, and begins once.
  const parts = [{ at: note.at + taken }, ...within.map(({ at, seconds }) => ({ at: at + seconds }))];
  const own = parts.flatMap(({ at }, i): Sounding[] => {
    const seconds = (within[i]?.at ?? ends) - at;
    if (i > 0 && seconds < SHORTEST) return [];
    return [{ ...note, ...(i > 0 && { kind: 'grace' }), at, seconds }];
  });
  const [first, ...again] = own;
  const lasting = within.length > 0 ? { lasts: ends - first!.at } : {};
  return [...graces, { ...first!, ...lasting }, ...[...within, ...again].sort((a, b) => a.at - b.at)];
}

/** What is shorter than this is not sounded, in seconds. */
const SHORTEST = 0.005;

/**
 * A note whose sign says that it is ornamented, with what is then touched where nothing else is said: in a roll the steps
 * of the key above and below, in a trill the one above again and again.
 * @param length as it sounds, with what is tied to it
 */
export function withMarkedTouches(note: SongNote, length: Ticks, key: SongKey): SongNote {
  const { marks = [], touches, pitch } = note;
  if (touches || !(marks.includes('roll') || marks.includes('trill'))) return note;
  const fifths = fifthsOfSongKey(key);
  const above = stepOf(pitch, fifths, 1);
  const below = stepOf(pitch, fifths, -1);
  if (marks.includes('trill'))
    return { ...note, touches: toAndFro(above, length, (LEISURE * length) / QUARTER) };
  const isLong = length >= LONG_ROLL.from * QUARTER;
  const strike = { pitch: below, after: (isLong ? LONG_ROLL : SHORT_ROLL).second * QUARTER };
  return isLong
    ? { ...note, touches: [{ pitch: above, after: LONG_ROLL.first * QUARTER }, strike] }
    : { ...note, grace: [...(note.grace ?? []), above], touches: [strike] };
}
