import { fail, ok, shown, under, type Problem, type Result } from '@same-song/core';
import { openInstrument } from '@same-song/core/instruments';
import { QUARTER } from '@same-song/core/music';
import { checkPlan, checkSong, plainPlan, played, songView, type Song } from '@same-song/core/song';
import {
  readFile,
  writeFile,
  WRITTEN_FORMATS,
  type OnInstrument,
  type Read,
  type WrittenFormat,
} from '@same-song/formats';

/** What the thread is asked. */
export type FileJob =
  | {
      readonly kind: 'read';
      readonly name: string;
      readonly bytes: Uint8Array;
      readonly played: boolean;
      readonly percussion: boolean;
    }
  | {
      readonly kind: 'write';
      readonly song: unknown;
      readonly as: string;
      /** What plays it; undefined for the song alone. */
      readonly on: GivenArrangement | undefined;
    };

/** An arrangement as it was sent, ids looked up, nothing of it checked yet. */
export interface GivenArrangement {
  readonly instrument: unknown;
  readonly plan: unknown;
  readonly dialect: unknown;
}

export type FileResult =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** A written file. */
export interface Written {
  readonly content: string | Uint8Array;
  readonly name: string;
  readonly type: string;
}

/** Does a job; whatever is thrown is a mistake of ours. */
export function work(job: FileJob): FileResult {
  return job.kind === 'read' ? read(job) : write(job);
}

function read({ name, bytes, ...options }: FileJob & { readonly kind: 'read' }): FileResult {
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
      part,
      voice,
      pitch,
      start: onset / QUARTER,
      length: length / QUARTER,
      ...(struck.has(part) && { percussion: true }),
    }));
  const assumed = unfolded.remarks.map((text) => ({ text }));
  return { song, remarks: [...remarks, ...assumed], played: notes };
}

function write({ song: given, as, on }: FileJob & { readonly kind: 'write' }): FileResult {
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
  const format = as as WrittenFormat;
  const { extension, type, onInstrument } = WRITTEN_FORMATS[format];
  if (onInstrument && !on) {
    const message = `For ${as} send the arrangement too: which instrument plays it.`;
    return { ok: false, problems: [{ field: 'arrangement', wrong: '', message }] };
  }
  const played = on && onInstrumentOf(song, on);
  if (played && !played.ok) return { ok: false, problems: under('arrangement', played.problems) };
  const written: Written = {
    content: played ? writeFile(played.value.view.song, format, played.value) : writeFile(song, format),
    name: `${song.title}.${extension}`,
    type,
  };
  return { ok: true, value: written };
}

/** Problem fields: `instrument`, `plan`, `dialect` and what lies within them. */
function onInstrumentOf(song: Song, { instrument, plan, dialect }: GivenArrangement): Result<OnInstrument> {
  const opened = openInstrument(instrument);
  if (!opened.ok) return { ok: false, problems: under('instrument', opened.problems) };
  const { family, spec } = opened.value;
  const checked = plan === undefined ? ok(plainPlan(family)) : checkPlan(family, plan);
  if (!checked.ok) return { ok: false, problems: under('plan', checked.problems) };
  const [usual] = family.dialects;
  const known = family.dialects.find(({ id }) => id === (dialect ?? usual!.id));
  if (!known) {
    const all = family.dialects.map(({ id }) => id).join(', ');
    return fail({ field: 'dialect', wrong: shown(dialect), message: `Write its tab as one of ${all}.` });
  }
  const notation = { naming: 'key', dialect: known.id } as const;
  return ok({ view: songView(opened.value, song, checked.value, notation), on: spec.name });
}
