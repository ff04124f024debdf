import type { SongView } from '@same-song/core/song';

type Added = Pick<SongView['added']['notes'][number], 'brief' | 'start'>;

/** Room of a chip with a text, in CSS pixels: of two letters or a figure at least. */
export function chipRoom({ brief }: Pick<Added, 'brief'>): number {
  return Math.max(44, 8 * brief.length + 14);
}

/** Room of what begins together. */
export function columnRoom(notes: readonly Pick<Added, 'brief'>[]): number {
  return Math.max(0, ...notes.map(chipRoom));
}
