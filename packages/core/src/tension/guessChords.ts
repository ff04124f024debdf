import { chordOn, chordSymbol } from '../harmony/chord.ts';
import { triadsOf } from '../harmony/scaleChords.ts';
import { notePitchClass } from '../pitch/noteName.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import type { LineNote } from '../route/line.ts';
import { scaleById } from '../scale/scale.ts';
import { barStarts, type Song, type SongChord } from '../song/song.ts';

/** What a chord gains by standing on these degrees: a song leans on its first, fourth and fifth. */
const LEANS: Readonly<Record<number, number>> = Object.freeze({ 1: 0.12, 5: 0.08, 4: 0.06, 6: 0.02 });
/** A note at the beginning of a bar speaks for its chord as one this much longer. */
const DOWNBEAT = 1.5;

/**
 * A chord for each bar of a song that has none: the triad of the scale that holds most of what sounds in it. A bar with
 * nothing in it keeps the chord before.
 * @param line rising by onset
 */
export function guessChords(song: Song, line: readonly LineNote[]): readonly SongChord[] {
  const { tonic, scale: id } = song.keys[0]!;
  const scale = expectOk(scaleById(id));
  const own = triadsOf(scale);
  const triads = own.length > 0 ? own : [chordOn({ number: 1, alter: 0 }, '')];
  const starts = barStarts(song);
  const home = notePitchClass(tonic);
  let at = 0;
  const chords = song.bars.flatMap((_, bar): SongChord[] => {
    const [from, to] = [starts[bar]!, starts[bar + 1]!];
    const begins = at;
    while (at < line.length && line[at]!.onset < to) at += 1;
    const notes = line.slice(begins, at);
    if (notes.length === 0) return [];
    const total = notes.reduce((sum, { length }) => sum + length, 0);
    const score = ({ tones, root }: (typeof triads)[number]) =>
      notes.reduce((sum, { pitch, onset, length }) => {
        const fits = tones.includes(pitchClass(pitch - home));
        return sum + (fits ? (length * (onset === from ? DOWNBEAT : 1)) / total : 0);
      }, 0) + (LEANS[root!.number] ?? 0);
    const best = triads.reduce((found, next) => (score(next) > score(found) + 1e-9 ? next : found));
    return [{ at: from, symbol: chordSymbol(best, tonic) }];
  });
  return chords.filter(({ symbol }, i) => chords[i - 1]?.symbol !== symbol);
}
