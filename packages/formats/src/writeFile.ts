import type { Song } from '@same-song/core';
import { writeAbc } from './abc/writeAbc.ts';
import { writeJson } from './json.ts';
import { writeMidi } from './midi/writeMidi.ts';
import { writeMusicXml } from './musicxml/writeMusicXml.ts';

/** Kinds of files that songs are written as, with what programs call them. */
export const WRITTEN_FORMATS = Object.freeze({
  abc: { label: 'ABC', extension: 'abc', type: 'text/vnd.abc' },
  musicxml: { label: 'MusicXML', extension: 'musicxml', type: 'application/vnd.recordare.musicxml+xml' },
  midi: { label: 'MIDI', extension: 'mid', type: 'audio/midi' },
  json: { label: 'Same Song (JSON)', extension: 'song.json', type: 'application/json' },
} as const);
export type WrittenFormat = keyof typeof WRITTEN_FORMATS;

/** Texts that stand under the notes of a voice, such as their tab. */
export type WordsUnder = (note: { readonly id: string }, voice: string) => string | undefined;

/** A song as a file; what the format cannot hold is told by `losses`. */
export function writeFile(song: Song, as: WrittenFormat, wordsUnder?: WordsUnder): string | Uint8Array {
  const options = wordsUnder ? { wordsUnder } : {};
  switch (as) {
    case 'abc':
      return writeAbc(song, options);
    case 'musicxml':
      return writeMusicXml(song, options);
    case 'midi':
      return writeMidi(song);
    case 'json':
      return writeJson(song);
  }
}

/** What of a song a format cannot hold, as sentences. */
export function losses(song: Song, as: WrittenFormat): readonly string[] {
  const lost: string[] = [];
  const notes = song.parts.flatMap((part) => part.voices.flatMap((voice) => voice.notes));
  const say = (when: boolean, text: string) => when && lost.push(text);
  if (as === 'json') return [];
  if (as === 'midi') {
    say(song.chords.length > 0, 'Chord symbols are left out: MIDI has no word for them.');
    say(
      notes.some(({ lyrics }) => lyrics),
      'Words are left out.',
    );
    say(
      notes.some(({ grace }) => grace),
      'Grace notes are left out.',
    );
    say(
      song.bars.some((bar) => bar.repeatEnd ?? bar.jump),
      'Repeats and jumps are played out.',
    );
  }
  if (as === 'abc') {
    say(
      song.bars.some(({ repeatEnd = 2 }) => repeatEnd !== 2),
      'What is played three times or more is written as played twice.',
    );
    say(
      song.parts.some(({ percussion }) => percussion),
      'Percussion is left out.',
    );
  }
  say(song.phrases.length > 0, 'Where phrases end is left out.');
  say(as === 'musicxml' && (song.order?.length ?? 0) > 0, 'The order of sections is left out.');
  return lost;
}
