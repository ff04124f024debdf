import { noteCode } from '@same-song/core/music';
import type { SongView } from '@same-song/core/song';

/** Link parameters that ask for the scale of a song as it is played. @param on reference of the instrument */
export function scaleLink({ song }: SongView, on: string | undefined): string {
  const [key] = song.keys;
  return new URLSearchParams({ ...(on && { on }), in: noteCode(key!.tonic), play: key!.scale }).toString();
}
