import { expectOk } from '@same-song/core';
import { QUARTER } from '@same-song/core/music';
import { checkSong, type Song } from '@same-song/core/song';

/** C, D, E and F of a quarter each in one bar. */
export const QUAY: Song = expectOk(
  checkSong({
    title: 'Quay',
    composer: '',
    source: '',
    licence: '',
    tags: ['reel'],
    keys: [{ at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'major' }],
    metres: [{ at: 0, count: 4, unit: 4 }],
    tempos: [],
    bars: [{ length: 4 * QUARTER }],
    parts: [
      {
        id: 'p',
        name: '',
        voices: [
          {
            id: 'v',
            notes: ['C', 'D', 'E', 'F'].map((letter, i) => ({
              id: letter,
              onset: i * QUARTER,
              length: QUARTER,
              pitch: { letter, accidental: 0, octave: 4 },
            })),
            tuplets: [],
          },
        ],
      },
    ],
    melody: 'v',
    chords: [],
    phrases: [],
  }),
);
