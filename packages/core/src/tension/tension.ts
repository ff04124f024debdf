import * as v from 'valibot';
import { chordNamed, type Chord } from '../harmony/chord.ts';
import { BLUE_NOTES } from '../harmony/role.ts';
import { spelledText } from '../pitch/spelledPitch.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { namer, type Namer } from '../scale/namer.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import { fields, number } from '../schema.ts';
import { barNumberIn } from '../song/barOffset.ts';
import { holdingAt, melodyOf, type Song, type SongChord, type SongKey } from '../song/song.ts';
import { keyOfSongKey } from '../song/songKey.ts';
import { melodyLine, metresOfSong } from '../song/songLine.ts';
import { positionAt } from '../time/metre.ts';
import type { Ticks } from '../time/ticks.ts';
import { guessChords } from './guessChords.ts';

/** What the limits may be; whole steps, quarters of beats. */
export const TENSION_RANGES = Object.freeze({
  heldBeats: { least: 0.25, most: 8 },
  step: { least: 1, most: 4 },
  gapBeats: { least: 0, most: 4 },
});

const limit = ({ least, most }: { readonly least: number; readonly most: number }, usual: number) =>
  v.exactOptional(number(least, most, `It lies between ${least} and ${most}.`), usual);

export const TENSION_LIMITS_SCHEMA = fields({
  /** From this length on, in counted beats, a note is held. */
  heldBeats: limit(TENSION_RANGES.heldBeats, 1),
  /** Largest step, in semitones, by which a note resolves. */
  step: limit(TENSION_RANGES.step, 2),
  /** Longest silence, in counted beats, after which the next note still resolves it. */
  gapBeats: limit(TENSION_RANGES.gapBeats, 0.5),
});

/** When a note against its chord grates; the teacher's own to change. */
export interface TensionLimits extends v.InferOutput<typeof TENSION_LIMITS_SCHEMA> {}

export const TENSION_LIMITS: TensionLimits = Object.freeze(v.parse(TENSION_LIMITS_SCHEMA, {}));

/** A note that rubs against the chord that sounds with it. */
export interface Tension {
  readonly noteId: string;
  /** From 1. */
  readonly bar: number;
  readonly note: string;
  readonly chord: string;
  /** Why it rubs: `a semitone above E`. */
  readonly why: string;
  /** Quickly resolved by a step into the chord, left without, or held. */
  readonly kind: 'resolved' | 'open' | 'held';
  /** How long it sounds, in counted beats. */
  readonly beats: number;
  /** It falls on a counted beat. */
  readonly onBeat: boolean;
}

export interface TensionCheck {
  /** The chords are a guess, since the song has none. */
  readonly guessed: boolean;
  readonly chords: readonly SongChord[];
  /** In the order of the song. */
  readonly tensions: readonly Tension[];
}

/** A suspension is told from this length on, in counted beats, or where no step resolves it. */
const SUSPENDED_BEATS = 2;

/** The key that holds at a note, with what is asked of it. */
interface HeldKey {
  readonly key: Key;
  readonly name: Namer;
  /** Its own first chord has a seventh, or its scale is a blues. */
  readonly isBlues: boolean;
  /** A chord in it by its symbol; undefined for what is none. */
  readonly chordNamed: (symbol: string) => Chord | undefined;
}

/**
 * Holds every note of a melody against each chord that sounds with it, in the key that holds there. A note rubs when it lies
 * a semitone above a tone of the chord, is the other third, or stands outside scale and chord. In a blues, over seventh
 * chords, the blue notes ♭3, ♭5 and ♭7 of the key are idiom and do not. A note that is held over a change of chord and
 * then resolved by a step is a suspension, and told only when it is long.
 */
export function checkTension(song: Song, limits: TensionLimits = TENSION_LIMITS): TensionCheck {
  const line = melodyLine(song);
  const guessed = song.chords.length === 0;
  const chords = guessed ? guessChords(song, line) : song.chords;
  const keyAt = keysOfSong(song, chords);
  const written = new Map(melodyOf(song).voice.notes.map((note) => [note.id, note.pitch]));
  const metres = metresOfSong(song);
  const barOf = barNumberIn(song);
  const chordAt = (onset: Ticks): Chord | undefined => {
    const symbol = holdingAt(chords, onset)?.symbol;
    return symbol === undefined ? undefined : keyAt(onset).chordNamed(symbol);
  };
  const tensions = line.flatMap(({ id: noteId, pitch, onset, length }, i): Tension[] => {
    let after = i + 1;
    while (line[after] && line[after]!.onset <= onset) after += 1;
    const next = line[after];
    const ends = onset + length;
    const changes = chords.filter(({ at }) => at > onset && at < ends).map(({ at }) => at);
    return [onset, ...changes].flatMap((from, part): Tension[] => {
      const until = changes[part] ?? ends;
      const why = rubAt(from, pitch);
      if (!why) return [];
      const { at, metre } = holdingAt(metres, from)!;
      const beats = (until - from) / metre.beat;
      const nextChord = next && chordAt(next.onset);
      const isResolved =
        until < ends
          ? rubAt(until, pitch) === undefined
          : next !== undefined &&
            next.onset - ends <= limits.gapBeats * metre.beat &&
            Math.abs(next.pitch - pitch) <= limits.step &&
            next.pitch !== pitch &&
            (nextChord?.tones.includes(aboveHome(keyAt(next.onset).key, next.pitch)) ?? false);
      if (part > 0 && isResolved && beats < SUSPENDED_BEATS) return [];
      return [
        {
          noteId,
          bar: barOf(from),
          note: spelledText(written.get(noteId)!),
          chord: holdingAt(chords, from)!.symbol,
          why,
          kind: beats >= limits.heldBeats ? 'held' : isResolved ? 'resolved' : 'open',
          beats,
          onBeat: positionAt(metre, from - at).within === 0,
        },
      ];
    });
  });
  return { guessed, chords, tensions };

  function rubAt(onset: Ticks, pitch: Pitch): string | undefined {
    const chord = chordAt(onset);
    return chord && rubs(pitch, chord, keyAt(onset));
  }
}

/** The key that holds at each onset of a song. */
function keysOfSong(song: Song, chords: readonly SongChord[]): (onset: Ticks) => HeldKey {
  const known = new Map(
    song.keys.map((one): [SongKey, HeldKey] => {
      const key = keyOfSongKey(one);
      const read = new Map(chords.map(({ symbol }) => [symbol, chordNamed(symbol, one.tonic)]));
      const hasSeventh = [...read.values()].some(
        (chord) => chord?.tones[0] === 0 && SEVENTH.test(chord.quality),
      );
      const isBlues = hasSeventh || key.scale.group === 'blues';
      return [one, { key, name: namer(key), isBlues, chordNamed: (symbol) => read.get(symbol) }];
    }),
  );
  return (onset) => known.get(holdingAt(song.keys, onset) ?? song.keys[0]!)!;
}

/** Qualities with a minor seventh over a major third. */
const SEVENTH = /^(7|9|13)/;

/** Why a pitch rubs against a chord; undefined where it does not. */
function rubs(pitch: Pitch, { tones, quality }: Chord, { key, name, isBlues }: HeldKey): string | undefined {
  const above = aboveHome(key, pitch);
  if (tones.includes(above)) return undefined;
  if (isBlues && SEVENTH.test(quality) && BLUE_NOTES.includes(above)) return undefined;
  const fromRoot = pitchClass(above - tones[0]!);
  const thirds = [3, 4].map((third) => tones.includes(pitchClass(tones[0]! + third)));
  if ((fromRoot === 3 && thirds[1]) || (fromRoot === 4 && thirds[0])) return `the other third of the chord`;
  const below = pitchClass(above - 1);
  if (tones.includes(below)) return `a semitone above ${name.bare(key.home + below)}`;
  return key.scale.semitones.includes(above) ? undefined : 'outside scale and chord';
}
