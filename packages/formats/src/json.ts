import { fail, isRecord, ok, type Result, asError } from '@same-song/core';
import { checkSong, type Song } from '@same-song/core/song';

/** How a file of one song of ours begins. */
export const SONG_FORMAT = 'same-song-song';
export const SONG_VERSION = 1;

export function writeJson(song: Song): string {
  return JSON.stringify({ format: SONG_FORMAT, version: SONG_VERSION, ...song }, null, 1);
}

/** A file of one song of ours. Problem fields are paths within it. */
export function readJson(text: string): Result<Song> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch (error) {
    return fail({ field: '', wrong: '', message: `This is not valid JSON (${asError(error).message}).` });
  }
  const { format, version, ...song } = isRecord(file) ? file : {};
  if (format !== SONG_FORMAT)
    return fail({
      field: 'format',
      wrong: String(format).slice(0, 40),
      message: 'This JSON is no song of ours.',
    });
  if (version !== SONG_VERSION)
    return fail({
      field: 'version',
      wrong: String(version).slice(0, 40),
      message: `Only version ${SONG_VERSION} is known here.`,
    });
  const checked = checkSong(song);
  return checked.ok ? ok(checked.value) : checked;
}
