import type { Instrument } from '../instrument/instrument.ts';
import { noteText } from '../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import type { MelodySketch } from './opening.ts';
import type { Song } from './song.ts';
import { movedTonic } from './transpose.ts';

/** What lists know of a song, as far as it is needed to see whether it fits. */
export type Sketched = Pick<Song, 'keys'> & { readonly sketch: MelodySketch };

/** Where a song fits an instrument best. */
export interface SongFit {
  /** Semitones from where it is written. */
  readonly transpose: number;
  readonly keyName: string;
  /** Pitches of the song that cannot be had there; none where it fits whole. */
  readonly missing: number;
}

/**
 * Whether songs fit an instrument by the pitches they need alone: which way is taken is not asked, so that thousands are
 * answered at once. An instrument that is set for a key, such as a harp by its levers, is set once for the whole song.
 * @param techniques those that may be used
 */
export function songFitter(
  base: Instrument,
  techniques: ReadonlySet<string>,
): (song: Sketched) => SongFit | undefined {
  const reach = new Map<string, ReadonlySet<Pitch>>();
  const reachIn = (song: Sketched, by: number): ReadonlySet<Pitch> => {
    const tonic = movedTonic(song, by);
    const { scale } = song.keys[0]!;
    const name = `${noteText(tonic)} ${scale}`;
    const known = reach.get(name);
    if (known) return known;
    const { ways } = base.forKey(keyOf(expectOk(scaleById(scale)), tonic));
    const made = new Set(
      ways.filter(({ able, technique }) => able && techniques.has(technique)).map(({ pitch }) => pitch),
    );
    reach.set(name, made);
    return made;
  };
  return (song) => {
    const { pitches } = song.sketch;
    if (pitches.length === 0) return undefined;
    let best: SongFit | undefined;
    for (const by of MOVES) {
      const had = reachIn(song, by);
      const missing = pitches.filter((pitch) => !had.has(pitch + by)).length;
      if (best && missing >= best.missing) continue;
      best = { transpose: by, keyName: noteText(movedTonic(song, by)), missing };
      if (missing === 0) break;
    }
    return best;
  };
}

/** Where it is written, then the nearest keys, then octaves away. */
const MOVES: readonly number[] = Object.freeze(
  [0, -12, 12, -24, 24].flatMap((octave) =>
    [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6].map((key) => octave + key),
  ),
);

/** Degrees of a song, as semitones above home, that are not among those somebody knows; rising. */
export function lackingDegrees({ keys, sketch }: Sketched, known: ReadonlySet<number>): readonly number[] {
  const { tonic, scale } = keys[0]!;
  const { home } = keyOf(expectOk(scaleById(scale)), tonic);
  const needed = new Set(sketch.pitches.map((pitch) => pitchClass(pitch - home)));
  return [...needed].filter((semitones) => !known.has(semitones)).sort((a, b) => a - b);
}
