import type { AirStore } from '../families/air.ts';
import type { ChosenOptions } from '../families/effortTerm.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { NO_PLACES, type AirBalance, type AirPlaces } from '../route/air.ts';
import type { LineNote } from '../route/line.ts';
import { QUARTER } from '../time/ticks.ts';
import { breathPlaces, gapsForButton, type BreathPlace } from './breaths.ts';
import type { Song } from './song.ts';
import { barNumberIn } from './barOffset.ts';

/** A place where air is had, and what is done there. */
export interface SongBreath extends BreathPlace {
  /** `breathe out`, `turn the bellows`. */
  readonly what: string;
}

/** A note that begins with too little air. */
export interface ShortOfAir {
  readonly noteId: string;
  /** As musicians count. */
  readonly bar: number;
  /** `the lungs are full`. */
  readonly what: string;
}

/** Where a song is breathed on an instrument. */
export interface SongAir {
  readonly places: AirPlaces;
  /** Places and what is done at each. @param air of the line as it is played */
  breaths(this: void, air: AirBalance): readonly SongBreath[];
  short(this: void, air: AirBalance): readonly ShortOfAir[];
}

const NONE: SongAir = Object.freeze({ places: NO_PLACES, breaths: () => [], short: () => [] });

/** Air that never runs out. */
const ENDLESS: AirStore = Object.freeze({ seconds: Infinity, comfortable: Infinity, uses: () => 1 });

/**
 * Where a song is breathed, bellows are turned or the air button is taken; nothing where the instrument needs no air.
 * @param line the melody; only its times matter, so that one answer serves for every key
 */
export function songAir(
  instrument: Instrument,
  options: ChosenOptions,
  song: Song,
  line: readonly LineNote[],
): SongAir {
  const { airKind } = instrument.family;
  const store = instrument.airStore(options);
  if (!airKind || !store) return NONE;
  if (airKind === 'button') {
    const places = gapsForButton(song, line);
    return {
      places,
      breaths: (air) =>
        places.told(air.helps).map((place) => ({ ...place, what: buttonWords(air, line, place) })),
      short: () => [],
    };
  }
  // Lungs fill and empty with the notes: there breath is taken with the phrases alone.
  const places = breathPlaces(song, line, airKind === 'lungs' ? ENDLESS : store);
  const breathed = new Set(places.map(({ before }) => before));
  const barOf = barNumberIn(song);
  const noteOf = new Map(line.map((note) => [note.id, note]));
  return {
    places: { ...NO_PLACES, isBreath: (id) => breathed.has(id) },
    breaths: (air) =>
      places.map((place) => {
        const what = { breath: () => 'breathe', bellows: () => 'turn the bellows', lungs: lungWords }[
          airKind
        ];
        return { ...place, what: what(air, noteOf.get(place.after)!) };
      }),
    short: (air) =>
      air.helps.flatMap((noteId): ShortOfAir[] => {
        const note = noteOf.get(noteId);
        if (!note) return [];
        const what = balanceAt(air, note.onset) > 0 ? 'the lungs are full' : 'the lungs are empty';
        return [{ noteId, bar: barOf(note.onset), what }];
      }),
  };
}

/** Beats compare equal within this. */
const EPSILON = 1e-6;

function balanceAt({ points }: AirBalance, at: number): number {
  return points.findLast(({ beat }) => beat <= at / QUARTER + EPSILON)?.balance ?? 0;
}

/** Seconds more one way than the other that are felt. */
const FELT = 0.5;

function lungWords(air: AirBalance, { onset, length }: LineNote): string {
  // Breath is taken at the next note: what counts is how much there was up to it.
  const until = (onset + length) / QUARTER;
  const balance = air.points.find(({ beat }) => beat >= until - EPSILON)?.balance ?? 0;
  if (balance >= FELT) return 'breathe out';
  return balance <= -FELT ? 'breathe in' : 'breathe';
}

/** Which way the bellows go while the air button is pressed: from where they were to where the next stretch begins. */
function buttonWords({ points }: AirBalance, line: readonly LineNote[], { before }: BreathPlace): string {
  const onset = line.find(({ id }) => id === before)!.onset / QUARTER;
  const at = points.findLastIndex(({ beat }) => beat <= onset + EPSILON);
  const closes = (points[at]?.balance ?? 0) < (points[at - 1]?.balance ?? 0);
  return closes ? 'air button, close the bellows' : 'air button, open the bellows';
}
