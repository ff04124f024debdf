import * as v from 'valibot';
import { parseChord, type Chord } from '../harmony/chord.ts';
import { BLUE_NOTES } from '../harmony/role.ts';
import { spelledText } from '../pitch/spelledPitch.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import { namer } from '../scale/namer.ts';
import { aboveHome, keyOf, scaleById } from '../scale/scale.ts';
import { fields, number } from '../schema.ts';
import { barAt, barStarts, holdingAt, melodyOf, type Song, type SongChord } from '../song/song.ts';
import { melodyLine, metresOfSong } from '../song/songLine.ts';
import { positionAt } from '../time/metre.ts';
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

/**
 * Holds every note of a melody against the chord that sounds with it. A note rubs when it lies a semitone above a tone of
 * the chord, is the other third, or stands outside scale and chord; over seventh chords the blue notes ♭3, ♭5 and ♭7 of
 * the key are idiom and do not.
 */
export function checkTension(song: Song, limits: TensionLimits = TENSION_LIMITS): TensionCheck {
  const line = melodyLine(song);
  const guessed = song.chords.length === 0;
  const chords = guessed ? guessChords(song, line) : song.chords;
  const { tonic, scale: id } = song.keys[0]!;
  const key = keyOf(expectOk(scaleById(id)), tonic);
  const name = namer(key);
  const written = new Map(melodyOf(song).voice.notes.map((note) => [note.id, note.pitch]));
  const metres = metresOfSong(song);
  const starts = barStarts(song);
  const read = new Map<string, Chord | undefined>();
  const chordAt = (onset: number): Chord | undefined => {
    const symbol = holdingAt(chords, onset)?.symbol;
    if (symbol === undefined) return undefined;
    if (!read.has(symbol)) {
      const chord = parseChord(symbol, tonic);
      read.set(symbol, chord.ok && chord.value.root ? chord.value : undefined);
    }
    return read.get(symbol);
  };
  const tensions = line.flatMap(({ id: noteId, pitch, onset, length }, i): Tension[] => {
    const chord = chordAt(onset);
    if (!chord) return [];
    const above = aboveHome(key, pitch);
    const why = rubs(above, chord, key.scale.semitones, (semitone) => name.bare(key.home + semitone));
    if (!why) return [];
    const { at, metre } = holdingAt(metres, onset)!;
    const beats = length / metre.beat;
    let after = i + 1;
    while (line[after] && line[after]!.onset <= onset) after += 1;
    const next = line[after];
    const nextChord = next && chordAt(next.onset);
    const resolves =
      next !== undefined &&
      next.onset - onset - length <= limits.gapBeats * metre.beat &&
      Math.abs(next.pitch - pitch) <= limits.step &&
      next.pitch !== pitch &&
      (nextChord?.tones.includes(aboveHome(key, next.pitch)) ?? false);
    return [
      {
        noteId,
        bar: barAt(starts, onset) + 1,
        note: spelledText(written.get(noteId)!),
        chord: holdingAt(chords, onset)!.symbol,
        why,
        kind: beats >= limits.heldBeats ? 'held' : resolves ? 'resolved' : 'open',
        beats,
        onBeat: positionAt(metre, onset - at).within === 0,
      },
    ];
  });
  return { guessed, chords, tensions };
}

/** Why a pitch above home rubs against a chord; undefined where it does not. */
function rubs(
  above: PitchClass,
  { tones, quality }: Chord,
  scale: readonly number[],
  named: (semitone: PitchClass) => string,
): string | undefined {
  if (tones.includes(above)) return undefined;
  const seventh = /^(7|9|13)/.test(quality);
  if (seventh && BLUE_NOTES.includes(above)) return undefined;
  const root = tones[0]!;
  const fromRoot = pitchClass(above - root);
  const thirds = [3, 4].map((third) => tones.includes(pitchClass(root + third)));
  if ((fromRoot === 3 && thirds[1]) || (fromRoot === 4 && thirds[0])) return `the other third of the chord`;
  const below = pitchClass(above - 1);
  if (tones.includes(below)) return `a semitone above ${named(below)}`;
  return scale.includes(above) ? undefined : 'outside scale and chord';
}
