/** What is written is read by programs that are none of ours, and held against what is published. */
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { QUARTER, soundingPitch } from '@same-song/core/music';
import { played, type Song } from '@same-song/core/song';
import fc from 'fast-check';
import { parse as parseMidi } from 'midi-parser-js';
import { parse as parseScore } from 'musicxml-io';
import { writeMidi, writeMusicXml } from '../src/index.ts';
import { anySong } from './anySong.ts';

const SONGS = fc.sample(anySong, { numRuns: 60, seed: 7 });
const written = SONGS.map((song) => writeMusicXml(song, { wordsUnder: ({ id }) => `4 draw ${id}` }));

function complaints(texts: readonly string[]): string[] {
  const answer = execFileSync(process.execPath, [join(__dirname, 'validate.mjs')], {
    input: JSON.stringify(texts),
    encoding: 'utf8',
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  return JSON.parse(answer) as string[];
}

test('every MusicXML is valid against the published schema, and the check can fail', () => {
  const broken = written[0]!.replace('<duration>', '<length>').replace('</duration>', '</length>');
  const found = complaints([...written, broken]);
  expect(found.slice(0, -1).filter((complaint) => complaint !== '')).toEqual([]);
  expect(found.at(-1)).toContain('length');
});

interface Score {
  readonly parts: readonly {
    readonly measures: readonly {
      readonly entries: readonly {
        readonly type: string;
        readonly duration: number;
        readonly pitch?: { readonly step: 'C'; readonly alter?: number; readonly octave: number };
        readonly grace?: object;
        readonly chord?: boolean;
      }[];
    }[];
  }[];
}

/** Written notes of a song's parts: pitch and length in order of time. */
const notesOf = (song: Song) =>
  song.parts.map(({ voices }) =>
    voices.flatMap(({ notes }) => notes.map(({ pitch, length }) => [soundingPitch(pitch), length])),
  );

test('another program finds the same notes in the MusicXML', () => {
  SONGS.forEach((song, i) => {
    const score = parseScore(written[i]!) as unknown as Score;
    const found = score.parts.map(({ measures }) =>
      measures
        .flatMap(({ entries }) => entries)
        .filter(({ type, pitch, grace }) => type === 'note' && pitch && !grace)
        .map(({ pitch, duration }) => [
          soundingPitch({ letter: pitch!.step, accidental: pitch!.alter ?? 0, octave: pitch!.octave }),
          duration,
        ]),
    );
    expect(found).toEqual(notesOf(song));
  });
});

interface MidiFile {
  readonly timeDivision: number;
  readonly track: readonly {
    readonly event: readonly {
      readonly deltaTime: number;
      readonly type: number;
      readonly data: readonly number[];
    }[];
  }[];
}

test('another program hears the same notes in the MIDI file', () => {
  for (const song of SONGS) {
    const { track, timeDivision } = parseMidi(writeMidi(song)) as MidiFile;
    const heard = track.flatMap(({ event }) => {
      let at = 0;
      return event.flatMap(({ deltaTime, type, data }) => {
        at += deltaTime;
        return type === 9 || type === 8
          ? [`${(at / timeDivision) * QUARTER} ${type === 9 ? 'on' : 'off'} ${data[0]}`]
          : [];
      });
    });
    const wanted = played(song).notes.flatMap(({ pitch, onset, length }) => [
      `${onset} on ${pitch}`,
      `${onset + length} off ${pitch}`,
    ]);
    expect(heard.sort()).toEqual(wanted.sort());
  }
});
