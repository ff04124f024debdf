import type { Way } from '../families/way.ts';
import { notePitchClass } from '../pitch/noteName.ts';
import { pitchClass, type Pitch, type PitchClass } from '../pitch/pitch.ts';
import type { Key } from '../scale/scale.ts';
import { metreAt } from '../song/barOffset.ts';
import { melodyLine } from '../song/songLine.ts';
import type { Song } from '../song/song.ts';

/** A note of a tune, as long as it is until the next one begins. */
export interface TuneNote {
  readonly pitch: Pitch;
  /** In counted beats. */
  readonly beats: number;
}

/** How a tune begins. */
export interface Tune {
  readonly name: string;
  readonly home: PitchClass;
  readonly notes: readonly TuneNote[];
}

/** Notes that are remembered of a tune: what comes later is known by fewer. */
const REMEMBERED = 24;
/** Notes that are heard at least, so that a tune is known by them, and at most, so that it does not take long. */
const HEARD = Object.freeze({ least: 4, most: 12 });

/** How a song's melody begins, the highest of notes that begin together; undefined where it is too short to be known. */
export function tuneOf(song: Song): Tune | undefined {
  const { beat } = metreAt(song, 0);
  const top = new Map<number, { pitch: Pitch; end: number }>();
  for (const { onset, length, pitch } of melodyLine(song))
    if (pitch > (top.get(onset)?.pitch ?? -1)) top.set(onset, { pitch, end: onset + length });
  const begun = [...top].sort(([a], [b]) => a - b);
  const notes = begun.map(([onset, { pitch, end }], i): TuneNote => {
    const until = begun[i + 1]?.[0] ?? end;
    return { pitch, beats: (until - onset) / beat };
  });
  if (notes.length <= HEARD.least) return undefined;
  const home = notePitchClass(song.keys[0]!.tonic);
  return { name: song.title, home, notes: notes.slice(0, REMEMBERED) };
}

const OCTAVES = [0, -12, 12, -24, 24, -36, 36];

/** A tune in a key, in the octave in which most of it can be had; the nearest to its own among equals. */
export function tuneIn(
  { home, notes }: Tune,
  key: Key,
  ways: readonly Pick<Way, 'pitch'>[],
): readonly TuneNote[] {
  const had = new Set(ways.map(({ pitch }) => pitch));
  const up = pitchClass(key.home - home);
  const least = up > 6 ? up - 12 : up;
  const count = (by: number) => notes.filter(({ pitch }) => had.has(pitch + by)).length;
  const by = OCTAVES.map((octave) => octave + least).reduce((best, next) =>
    count(next) > count(best) ? next : best,
  );
  return notes.map(({ pitch, beats }) => ({ pitch: pitch + by, beats }));
}

/** The places at which a tune can break off: what is heard before, and the ways of the note that comes next. */
export function breaksOf<W extends Pick<Way, 'pitch'>>(
  notes: readonly TuneNote[],
  ways: readonly W[],
): readonly { readonly place: number; readonly before: readonly TuneNote[]; readonly own: readonly W[] }[] {
  return notes.flatMap(({ pitch }, place) => {
    const own = ways.filter((way) => way.pitch === pitch);
    if (place < HEARD.least || place > HEARD.most || own.length === 0) return [];
    return [{ place, before: notes.slice(0, place), own }];
  });
}
