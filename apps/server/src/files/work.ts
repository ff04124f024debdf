import { checkSong, played, QUARTER, shown, under, type Problem, type Song } from '@same-song/core';
import { readFile, writeFile, WRITTEN_FORMATS, type Read, type WrittenFormat } from '@same-song/formats';

/** What the thread is asked. */
export type Job =
  | {
      readonly kind: 'read';
      readonly name: string;
      readonly bytes: Uint8Array;
      readonly played: boolean;
      readonly percussion: boolean;
    }
  | { readonly kind: 'write'; readonly song: unknown; readonly as: string };

export type Done =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** A written file. */
export interface Written {
  readonly content: string | Uint8Array;
  readonly name: string;
  readonly type: string;
}

/** Does a job; whatever is thrown is a mistake of ours. */
export function work(job: Job): Done {
  return job.kind === 'read' ? read(job) : write(job);
}

function read({ name, bytes, ...options }: Job & { readonly kind: 'read' }): Done {
  const file = readFile(name, bytes);
  if (!file.ok) return file;
  const { format, songs, refused } = file.value;
  return { ok: true, value: { format, songs: songs.map((found) => withNotes(found, options)), refused } };
}

/** Notes as they sound: times in quarters, ties joined, repeats taken. */
function withNotes(
  { song, remarks, heard }: Read,
  options: { readonly played: boolean; readonly percussion: boolean },
) {
  if (!options.played) return { song, remarks };
  const { percussion } = options;
  const unfolded = played(song, { percussion });
  const struck = new Set(song.parts.filter((part) => part.percussion).map(({ id }) => id));
  const notes =
    heard?.filter((note) => percussion || !note.percussion) ??
    unfolded.notes.map(({ part, voice, pitch, onset, length }) => ({
      ...{ part, voice, pitch, start: onset / QUARTER, length: length / QUARTER },
      ...(struck.has(part) && { percussion: true }),
    }));
  const assumed = unfolded.remarks.map((text) => ({ text }));
  return { song, remarks: [...remarks, ...assumed], played: notes };
}

function write({ song: given, as }: Job & { readonly kind: 'write' }): Done {
  if (!Object.hasOwn(WRITTEN_FORMATS, as)) {
    const known = Object.keys(WRITTEN_FORMATS).join(', ');
    return {
      ok: false,
      problems: [{ field: 'as', wrong: shown(as), message: `Write it as one of ${known}.` }],
    };
  }
  const checked = checkSong(given);
  if (!checked.ok) return { ok: false, problems: under('song', checked.problems) };
  const song: Song = checked.value;
  const { extension, type } = WRITTEN_FORMATS[as as WrittenFormat];
  const written: Written = {
    content: writeFile(song, as as WrittenFormat),
    name: `${song.title}.${extension}`,
    type,
  };
  return { ok: true, value: written };
}
