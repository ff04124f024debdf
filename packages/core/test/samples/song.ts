import type { Song, SongNote } from '../../src/song/song.ts';
import { checkSong } from '../../src/song/checkSong.ts';
import { parsePitch } from '../../src/pitch/noteName.ts';
import { spelledIn } from '../../src/pitch/spelledPitch.ts';
import { expectOk } from '../../src/result.ts';
import { quarters } from '../../src/time/ticks.ts';

/**
 * A song of quarter notes in common time from names with octaves, bars apart by `|`, `-` for a rest; `C4*2` lasts two
 * quarters, `C4~` is tied on, several names joined by `+` are a chord.
 */
export function songOf(text: string, changes: Partial<Song> = {}): Song {
  let count = 0;
  let at = 0;
  const bars = text.split('|').map((bar) => bar.trim());
  const lengths: number[] = [];
  const notes = bars.flatMap((bar) => {
    const from = at;
    const made = bar.split(/\s+/).flatMap((token): SongNote[] => {
      const [, names = '', length = '1', tie] = /^([^*~]+)(?:\*([\d/]+))?(~)?$/.exec(token)!;
      const [over, under = '1'] = length.split('/');
      const onset = at;
      at += quarters(Number(over), Number(under));
      if (names === '-') return [];
      return names.split('+').map((name) => ({
        id: `n${(count += 1)}`,
        onset,
        length: at - onset,
        pitch: spelledIn(expectOk(parsePitch(name)), name.includes('b') ? -1 : 1),
        ...(tie && { tied: true }),
      }));
    });
    lengths.push(at - from);
    return made;
  });
  return expectOk(
    checkSong({
      title: 'Trial',
      composer: '',
      source: '',
      licence: '',
      tags: [],
      keys: [{ at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'major' }],
      metres: [{ at: 0, count: 4, unit: 4 }],
      tempos: [],
      bars: lengths.map((length) => ({ length })),
      parts: [{ id: 'P1', name: '', voices: [{ id: 'v1', notes, tuplets: [] }] }],
      melody: 'v1',
      chords: [],
      phrases: [],
      ...changes,
    }),
  );
}
