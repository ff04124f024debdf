import { fail, ok, type Problem, type Result } from '@same-song/core';
import { readAbc } from './abc/readAbc.ts';
import type { Read } from './draft.ts';
import { readJson } from './json.ts';
import { readMidi } from './midi/readMidi.ts';
import { scoreInMxl } from './musicxml/mxl.ts';
import { readMusicXml } from './musicxml/readMusicXml.ts';
import { textOf } from './text.ts';

export const FILE_FORMATS = Object.freeze({
  abc: 'ABC',
  musicxml: 'MusicXML',
  mxl: 'compressed MusicXML',
  midi: 'MIDI',
  json: 'a song of ours',
} as const);
export type FileFormat = keyof typeof FILE_FORMATS;

/** What became of a file: its songs, each by itself. */
export interface FileRead {
  readonly format: FileFormat;
  readonly songs: readonly Read[];
  /** Songs of a book that could not be read: which, from 1, and why. */
  readonly refused: readonly { readonly number: number; readonly problems: readonly Problem[] }[];
}

/** Bytes beyond which a file is refused unread. */
export const FILE_LIMIT = 12_000_000;

/**
 * Reads a file of any format by what is in it; its name only decides where the contents leave it open.
 * @param name with its extension
 */
export function readFile(name: string, bytes: Uint8Array): Result<FileRead> {
  if (bytes.length === 0) return fail({ field: '', wrong: name.slice(0, 40), message: 'The file is empty.' });
  if (bytes.length > FILE_LIMIT)
    return fail({
      field: '',
      wrong: name.slice(0, 40),
      message: `The file is larger than ${FILE_LIMIT / 1e6} MB.`,
    });
  const format = formatOf(name, bytes);
  if (!format)
    return fail({
      field: '',
      wrong: name.slice(0, 40),
      message: 'This is none of the kinds that are read: ABC, MusicXML, MIDI, or a song of ours.',
    });
  const all = readAs(format, bytes);
  const songs = all.flatMap((read) => (read.ok ? [read.value] : []));
  const refused = all.flatMap((read, i) => (read.ok ? [] : [{ number: i + 1, problems: read.problems }]));
  const [first] = refused;
  return songs.length === 0 && first ? fail(...first.problems) : ok({ format, songs, refused });
}

function readAs(format: FileFormat, bytes: Uint8Array): readonly Result<Read>[] {
  switch (format) {
    case 'midi':
      return [readMidi(bytes)];
    case 'mxl': {
      const score = scoreInMxl(bytes);
      return [score.ok ? readMusicXml(score.value) : score];
    }
    case 'musicxml':
      return [readMusicXml(textOf(bytes))];
    case 'json': {
      const song = readJson(textOf(bytes));
      return [song.ok ? ok({ song: song.value, remarks: [] }) : song];
    }
    case 'abc':
      return readAbc(textOf(bytes));
  }
}

function formatOf(name: string, bytes: Uint8Array): FileFormat | undefined {
  const begins = String.fromCharCode(...bytes.subarray(0, 4));
  if (begins === 'MThd' || begins === 'RIFF') return 'midi';
  if (begins.startsWith('PK')) return 'mxl';
  const head = textOf(bytes.subarray(0, 4000))
    .replace(/^\ufeff/, '')
    .trimStart();
  if (head.startsWith('<')) return 'musicxml';
  if (head.startsWith('{')) return 'json';
  if (/^\s*[XKTML]:/m.test(head) || /\.abc$/i.test(name)) return 'abc';
  if (/\.midi?$/i.test(name)) return 'midi';
  return /\.(xml|musicxml)$/i.test(name) ? 'musicxml' : undefined;
}
