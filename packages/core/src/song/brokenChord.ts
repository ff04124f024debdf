import type { Pitch } from '../pitch/pitch.ts';
import { positionAt } from '../time/metre.ts';
import type { Ticks } from '../time/ticks.ts';
import type { LineNote } from '../route/line.ts';
import { barStarts, holdingAt, type Song } from './song.ts';
import { metresOfSong } from './songLine.ts';

/** A place for one note of a broken chord. */
export interface BrokenPlace {
  /** The note of the melody that begins or still sounds there. */
  readonly note: LineNote;
  readonly onset: Ticks;
  readonly length: Ticks;
  /** Which note of its chord it is: 0 the first since the chord or the bar began. */
  readonly turn: number;
  /** How many notes it has until bar or chord end. */
  readonly turns: number;
}

/**
 * Where a broken chord has its notes: two to a beat, three where beats are dotted, as long as the melody sounds, each bar
 * and each chord begun anew. @param between also between the notes of the melody, for what rings on @param onBeats one to a beat
 */
export function brokenPlaces(
  song: Song,
  line: readonly LineNote[],
  { between, onBeats = false }: { readonly between: boolean; readonly onBeats?: boolean },
): readonly BrokenPlace[] {
  const metres = metresOfSong(song);
  const starts = barStarts(song);
  const runs: Omit<BrokenPlace, 'turns'>[][] = [];
  let at = 0;
  for (const [bar] of song.bars.entries()) {
    const [from, to] = [starts[bar]!, starts[bar + 1]!];
    const { at: since, metre } = holdingAt(metres, from)!;
    const step = onBeats ? metre.beat : metre.beat / metre.divisions;
    const late = positionAt(metre, from - since).within % step;
    let begun = from;
    let run: Omit<BrokenPlace, 'turns'>[] = [];
    runs.push(run);
    for (let onset = from + (late === 0 ? 0 : step - late); onset < to; onset += step) {
      while (line[at + 1] && line[at + 1]!.onset <= onset) at += 1;
      const note = line[at];
      const chordAt = Math.max(from, holdingAt(song.chords, onset)?.at ?? from);
      if (chordAt > begun) {
        begun = chordAt;
        runs.push((run = []));
      }
      const sounds = note && note.onset <= onset && onset < note.onset + note.length;
      if (!sounds || (!between && note.onset !== onset)) continue;
      run.push({ note, onset, length: Math.min(step, to - onset), turn: run.length });
    }
  }
  return runs.flatMap((run) => run.map((place) => ({ ...place, turns: run.length })));
}

/** Which tone each turn has of root, fifth, third above it: back over the fifth. */
const OF_THREE = Object.freeze([0, 1, 2, 1]);
/** Of root, fifth, octave and tenth, as harpers roll them: rising, or in six up and back. */
const RISING = Object.freeze([0, 1, 2, 3]);
const UP_AND_BACK = Object.freeze([0, 1, 2, 3, 2, 1]);

/**
 * The pitches that one turn of a broken chord can be, the one wanted most first: rising from the root as low as it is.
 * @param tones root, fifth, third, or root, fifth, octave, third; each with all its pitches
 */
export function brokenTone(
  tones: readonly (readonly Pitch[])[],
  { turn, turns }: Pick<BrokenPlace, 'turn' | 'turns'>,
): readonly Pitch[] {
  if (tones.length === 0) return [];
  const order = tones.length < 4 ? OF_THREE : turns % 3 === 0 ? UP_AND_BACK : RISING;
  const rising = tones.map((pitches) => [...pitches].sort((a, b) => a - b));
  const wanted = order[turn % order.length]! % tones.length;
  let above = -Infinity;
  for (let tone = 0; tone < wanted; tone += 1) above = rising[tone]!.find((pitch) => pitch > above) ?? above;
  const own = rising[wanted]!;
  return [...own.filter((pitch) => pitch > above), ...own.filter((pitch) => pitch <= above)];
}
