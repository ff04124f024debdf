import { keyOfSongKey } from './songKey.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { noteText, type NoteName } from '../pitch/noteName.ts';
import { pitchClass, type Pitch, type PitchClass } from '../pitch/pitch.ts';
import { expectOk, fail, ok, shown, type Problem, type Result } from '../result.ts';
import { alterOf, MAJOR_STEPS } from '../scale/degree.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import type { MelodySketch } from './opening.ts';
import type { Song } from './song.ts';
import { movedTonic } from './transpose.ts';

/** What lists know of a song, as far as it is needed to see whether it fits. */
export type Sketched = Pick<Song, 'keys'> & { readonly sketch: MelodySketch };

/** Where a song fits best. */
export interface SongFit {
  /** Semitones from where it is written. */
  readonly transpose: number;
  readonly keyName: string;
  /** Pitches of the song, moved so, that cannot be had there, rising; none where it fits whole. */
  readonly missing: readonly Pitch[];
}

/** Finds where a song fits best; undefined for one without notes. */
export type SongFitter = (song: Sketched) => SongFit | undefined;

/**
 * Whether songs fit an instrument by the pitches they need alone: which way is taken is not asked, so that thousands are
 * answered at once. An instrument that is set for a key, such as a harp by its levers, is set once for the whole song.
 * @param techniques those that may be used
 */
export function songFitter(base: Instrument, techniques: ReadonlySet<string>): SongFitter {
  const reach = new Map<string, ReadonlySet<Pitch>>();
  return fitterIn((tonic, scale) => {
    const name = `${noteText(tonic)} ${scale}`;
    const known = reach.get(name);
    if (known) return known;
    const { ways } = base.forKey(keyOf(expectOk(scaleById(scale)), tonic));
    const made = new Set(
      ways.filter(({ able, technique }) => able && techniques.has(technique)).map(({ pitch }) => pitch),
    );
    reach.set(name, made);
    return made;
  });
}

/** Whether songs need only pitches that somebody knows. */
export function knownFitter(known: ReadonlySet<Pitch>): SongFitter {
  return fitterIn(() => known);
}

function fitterIn(reachIn: (tonic: NoteName, scale: string) => ReadonlySet<Pitch>): SongFitter {
  /** By the key that songs are written in: where it leads, and what can be had there. */
  const known = new Map<
    string,
    Map<number, { readonly keyName: string; readonly had: ReadonlySet<Pitch> }>
  >();
  const placesFor = ({ keys }: Sketched) => {
    const { tonic, scale } = keys[0]!;
    const name = `${noteText(tonic)} ${scale}`;
    const places = known.get(name) ?? new Map<number, { keyName: string; had: ReadonlySet<Pitch> }>();
    known.set(name, places);
    return places;
  };
  return (song) => {
    const { pitches } = song.sketch;
    if (pitches.length === 0) return undefined;
    const places = placesFor(song);
    let best: { transpose: number; keyName: string; lacking: number; had: ReadonlySet<Pitch> } | undefined;
    for (const transpose of MOVES) {
      let place = places.get(transpose);
      if (!place) {
        const tonic = movedTonic(song, transpose);
        place = { keyName: noteText(tonic), had: reachIn(tonic, song.keys[0]!.scale) };
        places.set(transpose, place);
      }
      const most = best ? best.lacking : Infinity;
      let lacking = 0;
      for (const pitch of pitches) {
        if (!place.had.has(pitch + transpose)) lacking += 1;
        if (lacking >= most) break;
      }
      if (lacking < most) best = { transpose, ...place, lacking };
      if (lacking === 0) break;
    }
    const { transpose, keyName, had } = best!;
    const missing = pitches.map((pitch) => pitch + transpose).filter((pitch) => !had.has(pitch));
    return { transpose, keyName, missing };
  };
}

/** The key in which it is written in every octave, then the nearest keys. */
const MOVES: readonly number[] = Object.freeze(
  [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6].flatMap((key) =>
    [0, -12, 12, -24, 24].map((octave) => octave + key),
  ),
);

/** Degrees that somebody knows, `1 2 3 4 5` or `1 ♭3 5`, as semitones above home. Problems carry their position. */
export function readKnownDegrees(text: string): Result<ReadonlySet<PitchClass>> {
  const known = new Set<PitchClass>();
  const problems: Problem[] = [];
  for (const { 0: token, index } of text.matchAll(/[^\s,]+/gu)) {
    const [, signs = '', digit] = /^([b♭#♯]{0,2})([1-7])$/u.exec(token) ?? [];
    if (digit === undefined) {
      const message = `“${shown(token)}” is no degree: write 1 to 7, with ♭ or ♯ (b or #) where it takes one.`;
      problems.push({ field: '', position: index, wrong: shown(token), message });
      continue;
    }
    const alter = alterOf(signs);
    known.add(pitchClass(MAJOR_STEPS[Number(digit) - 1]! + alter));
  }
  return problems.length > 0 ? fail(...problems) : ok(known);
}

/** Degrees of a song, as semitones above home, that are not among those somebody knows; rising. */
export function lackingDegrees({ keys, sketch }: Sketched, known: ReadonlySet<number>): readonly number[] {
  const { home } = keyOfSongKey(keys[0]!);
  const needed = new Set(sketch.pitches.map((pitch) => pitchClass(pitch - home)));
  return [...needed].filter((semitones) => !known.has(semitones)).sort((a, b) => a - b);
}
