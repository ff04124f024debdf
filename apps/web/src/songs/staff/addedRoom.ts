import { ADDED_VOICE, type Song } from '@same-song/core/song';

/** Room of what is added at one time for its chip, in CSS pixels. */
export const ADDED_ROOM = 44;

/** Room that each note of a melody needs for what is added until the next begins, in CSS pixels. */
export function addedRooms(
  song: Song,
): (note: { readonly onset: number; readonly length: number }) => number {
  const voices = song.parts.flatMap((part) => part.voices);
  const added = voices.find(({ id }) => id === ADDED_VOICE)?.notes ?? [];
  const onsets = [...new Set(added.map(({ onset }) => onset))];
  return ({ onset, length }) => ADDED_ROOM * onsets.filter((at) => at >= onset && at < onset + length).length;
}
