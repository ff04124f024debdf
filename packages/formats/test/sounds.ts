import { pitchText, QUARTER } from '@same-song/core/music';
import { played, type PlayedNote, type Song } from '@same-song/core/song';

const SHARPS = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'] as const;

function fraction(ticks: number): string {
  const divide = (a: number, b: number): number => (b === 0 ? a : divide(b, a % b));
  const common = divide(ticks, QUARTER);
  const [over, under] = [ticks / common, QUARTER / common];
  return under === 1 ? String(over) : `${over}/${under}`;
}

function named(pitch: number): string {
  return SHARPS[pitch % 12]! + pitchText(pitch).replace(/^\D+/, '');
}

/**
 * What sounds, one voice after the other, in a way that can be written by hand: a pitch in sharps with its octave and
 * its length in quarters behind a `*` where that is not 1; `-` for silence, a chord joined with `+`.
 */
export function sounds(song: Song, options: Parameters<typeof played>[1] = {}): string {
  const { notes } = played(song, options);
  const voices = [...new Set(song.parts.flatMap(({ voices: all }) => all.map(({ id }) => id)))];
  return voices
    .map((voice) => heard(notes.filter((note) => note.voice === voice)))
    .filter((text) => text !== '')
    .join(' / ');
}

export function heard(notes: readonly Pick<PlayedNote, 'pitch' | 'onset' | 'length'>[]): string {
  const texts: string[] = [];
  let end = 0;
  for (let i = 0; i < notes.length;) {
    const { onset, length } = notes[i]!;
    const chord = notes.slice(i).filter((note) => note.onset === onset && note.length === length);
    const times = (ticks: number) => (ticks === QUARTER ? '' : `*${fraction(ticks)}`);
    if (onset > end) texts.push(`-${times(onset - end)}`);
    texts.push(chord.map(({ pitch }) => named(pitch)).join('+') + times(length));
    end = onset + length;
    i += chord.length;
  }
  return texts.join(' ');
}
