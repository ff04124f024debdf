import { chordOn, chordSymbol, type Chord } from '../harmony/chord.ts';
import { triadsOf } from '../harmony/scaleChords.ts';
import { notePitchClass } from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import type { LineNote } from '../route/line.ts';
import { scaleById, type Scale } from '../scale/scale.ts';
import { barStarts, holdingAt, type Song, type SongChord } from '../song/song.ts';
import { metresOfSong } from '../song/songLine.ts';
import type { Ticks } from '../time/ticks.ts';

/** What a chord gains by standing on these degrees: a song leans on its first, fifth and fourth, then on 2, 6 and 3. */
const LEANS: Readonly<Record<number, number>> = Object.freeze({
  1: 0.12,
  5: 0.08,
  4: 0.06,
  2: 0.03,
  6: 0.02,
  3: 0.01,
});
/** A note at the beginning of a bar speaks for its chord as one this much longer. */
const DOWNBEAT = 1.5;
/** A bar of which one chord holds less than this has two, if each holds all of its half. */
const ONE_CHORD_HOLDS = 0.75;

/** The leading note, semitones above home: in a minor key it makes the fifth's chord major. */
const LEADING = 11;

/** Notes of a stretch of a song, their pitches as semitones above home. */
interface Stretch {
  readonly from: Ticks;
  readonly notes: readonly { readonly semitone: PitchClass; readonly onset: Ticks; readonly length: Ticks }[];
}

/**
 * A chord for each bar of a song that has none, or for each half of one: of the triads of the scale, never a diminished one,
 * that which holds most of what sounds in it. A bar with nothing in it keeps the chord before.
 * @param line rising by onset
 */
export function guessChords(song: Song, line: readonly LineNote[]): readonly SongChord[] {
  const starts = barStarts(song);
  const metres = metresOfSong(song);
  let at = 0;
  const chords = song.bars.flatMap((_, bar): SongChord[] => {
    const [from, to] = [starts[bar]!, starts[bar + 1]!];
    const { tonic, scale: id } = holdingAt(song.keys, from) ?? song.keys[0]!;
    const scale = expectOk(scaleById(id));
    const home = notePitchClass(tonic);
    const begins = at;
    while (at < line.length && line[at]!.onset < to) at += 1;
    const notes = line
      .slice(begins, at)
      .map(({ pitch, onset, length }) => ({ onset, length, semitone: pitchClass(pitch - home) }));
    const whole = { from, notes };
    const middle = from + (to - from) / 2;
    const halves = [
      { from, notes: whole.notes.filter(({ onset }) => onset < middle) },
      { from: middle, notes: whole.notes.filter(({ onset }) => onset >= middle) },
    ];
    const canPart = ((to - from) / 2) % holdingAt(metres, from)!.metre.beat === 0;
    const best = bestChord(scale, whole);
    const isParted =
      canPart &&
      share(best, whole) < ONE_CHORD_HOLDS &&
      halves.every((half) => half.notes.length > 0 && share(bestChord(scale, half), half) === 1);
    return (isParted ? halves : [whole]).flatMap((stretch) =>
      stretch.notes.length === 0
        ? []
        : [{ at: stretch.from, symbol: chordSymbol(bestChord(scale, stretch), tonic) }],
    );
  });
  return chords.filter(({ symbol }, i) => chords[i - 1]?.symbol !== symbol);
}

function bestChord(scale: Scale, stretch: Stretch): Chord {
  const isMinor = scale.semitones.includes(3) && !scale.semitones.includes(4);
  const leads = isMinor && stretch.notes.some(({ semitone }) => semitone === LEADING);
  const own = triadsOf(scale).filter(({ quality }) => quality !== '°');
  const choices = [
    ...(own.length > 0 ? own : [chordOn({ number: 1, alter: 0 }, '')]),
    ...(leads ? [chordOn({ number: 5, alter: 0 }, '')] : []),
  ];
  const score = (chord: Chord) => share(chord, stretch, DOWNBEAT) + (LEANS[chord.root!.number] ?? 0);
  return choices.reduce((found, next) => (score(next) > score(found) + 1e-9 ? next : found));
}

/** What part of the time of some notes a chord holds. @param downbeat by how much more the first of them counts where it fits */
function share({ tones }: Chord, { from, notes }: Stretch, downbeat = 1): number {
  const total = notes.reduce((sum, { length }) => sum + length, 0);
  const held = notes
    .filter(({ semitone }) => tones.includes(semitone))
    .reduce((sum, { onset, length }) => sum + length * (onset === from ? downbeat : 1), 0);
  return total === 0 ? 0 : held / total;
}
