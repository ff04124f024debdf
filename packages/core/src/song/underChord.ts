import { chordNamed } from '../harmony/chord.ts';
import { notePitchClass } from '../pitch/noteName.ts';
import { pitchClass, type Pitch, type PitchClass } from '../pitch/pitch.ts';
import type { RoutingContext } from '../route/context.ts';
import { canHold } from '../route/holds.ts';
import type { LineNote } from '../route/line.ts';
import { degreeSemitones } from '../scale/degree.ts';
import type { Ticks } from '../time/ticks.ts';
import { holdingAt, type Song } from './song.ts';

/** How far below the lowest note of the melody over a chord its bass is looked for, in semitones. */
const BELOW = 28;

/** How far the bass goes from chord to chord, in semitones, while there is one so near: a fifth. */
const BASS_STEP = 7;

/** Semitones above home of the leading note. */
const LEADING = 11;

/** A chord as pitch classes that sound. */
interface SoundingChord {
  readonly home: PitchClass;
  /** What lies lowest: the root, or what a slash asks for. */
  readonly bass: PitchClass;
  /** Root, third, fifth, then what is above. */
  readonly tones: readonly PitchClass[];
}

/** The chord that holds at an onset; undefined where there is none. */
function chordAt(song: Song, onset: Ticks): SoundingChord | undefined {
  const symbol = holdingAt(song.chords, onset)?.symbol;
  const { tonic } = holdingAt(song.keys, onset)!;
  const chord = symbol === undefined ? undefined : chordNamed(symbol, tonic);
  if (!chord) return undefined;
  const home = notePitchClass(tonic);
  const tones = chord.tones.map((tone) => pitchClass(home + tone));
  const { bass } = chord;
  return { home, tones, bass: bass ? pitchClass(home + degreeSemitones(bass)) : tones[0]! };
}

export function isChordTone(song: Song, onset: Ticks, pitch: Pitch): boolean {
  return chordAt(song, onset)?.tones.includes(pitchClass(pitch)) ?? false;
}

/** The bass of the chord that holds at an onset; undefined where there is no chord or no such pitch. */
export type BassAt = (onset: Ticks) => Pitch | undefined;

/**
 * One bass for each chord as long as it lasts: the one that can be held with most of the melody's notes, and among these
 * the lowest within a fifth of the bass before, or else the nearest.
 */
export function bassUnder(context: RoutingContext, song: Song, line: readonly LineNote[]): BassAt {
  const chosen = new Map<Ticks, Pitch | undefined>();
  /** A tune has the same notes over the same chords again and again. */
  const known = new Map<string, boolean>();
  const isHeld = (melody: Pitch, bass: Pitch) => {
    const pair = `${melody} ${bass}`;
    const held = known.get(pair) ?? (bass < melody && canSoundTogether(context, [melody, bass]));
    known.set(pair, held);
    return held;
  };
  let before: Pitch | undefined;
  for (const [i, { at }] of song.chords.entries()) {
    const until = song.chords[i + 1]?.at ?? Infinity;
    const chord = chordAt(song, at);
    const notes = [
      ...new Set(line.filter(({ onset }) => onset >= at && onset < until).map(({ pitch }) => pitch)),
    ];
    if (!chord || notes.length === 0) continue;
    const choices = pitchesBetween(chord.bass, Math.min(...notes) - BELOW, Math.max(...notes) - 1).map(
      (pitch) => ({ pitch, held: notes.filter((note) => isHeld(note, pitch)).length }),
    );
    const most = Math.max(0, ...choices.map(({ held }) => held));
    if (most === 0) continue;
    const best = choices.filter(({ held }) => held === most).map(({ pitch }) => pitch);
    const near = best.filter((pitch) => before === undefined || Math.abs(pitch - before) <= BASS_STEP);
    const distance = (pitch: Pitch) => Math.abs(pitch - (before ?? pitch));
    before = near[0] ?? best.reduce((a, b) => (distance(b) < distance(a) ? b : a));
    chosen.set(at, before);
  }
  return (onset) => {
    const chord = holdingAt(song.chords, onset);
    return chord && chosen.get(chord.at);
  };
}

/**
 * What is wanted of a chord with a note of the melody, the most wanted first, each tone with its pitches from the melody
 * down to the bass: the bass, then fifth and third, or third and seventh and the fifth last. What the melody has comes
 * last; its seventh and its leading note are not doubled, and a note beside the chord has nothing a semitone from it.
 */
export function chordTones(
  song: Song,
  onset: Ticks,
  melody: Pitch,
  bassAt: BassAt,
): readonly (readonly Pitch[])[] {
  const chord = chordAt(song, onset);
  const bass = bassAt(onset);
  const hasBass = chord && bass !== undefined && bass < melody && !isLeftOut(chord, chord.bass, melody);
  return [...(hasBass ? [[bass]] : []), ...upperTones(song, onset, melody, bassAt)];
}

/** The same without the bass. */
export function upperTones(
  song: Song,
  onset: Ticks,
  melody: Pitch,
  bassAt: BassAt,
): readonly (readonly Pitch[])[] {
  const chord = chordAt(song, onset);
  if (!chord) return [];
  const melodyTone = pitchClass(melody);
  const [root, third, fifth, ...above] = chord.tones;
  const order = (above.length > 0 ? [root, third, ...above, fifth] : [root, fifth, third]).filter(
    (tone) => tone !== chord.bass,
  );
  const bass = bassAt(onset);
  // Without a bass of its own the melody may be the root itself: nothing lies below it.
  const lowest = bass !== undefined && bass < melody ? bass : melodyTone === chord.bass ? melody : undefined;
  const wanted = order.filter(
    (tone): tone is PitchClass => tone !== undefined && !isLeftOut(chord, tone, melody),
  );
  const upper = [
    ...wanted.filter((tone) => tone !== melodyTone),
    ...wanted.filter((tone) => tone === melodyTone),
  ];
  return upper.map((tone) =>
    pitchesBetween(tone, (lowest ?? melody - BELOW - 1) + 1, melody - 1).toReversed(),
  );
}

/** Whether a tone is not wanted under a note: its seventh and its leading note doubled, or what rubs with a note beside the chord. */
function isLeftOut({ tones, home }: SoundingChord, tone: PitchClass, melody: Pitch): boolean {
  const isSeventh = tones.indexOf(tone) > 2 && pitchClass(tone - tones[0]!) >= 10;
  const isDoubled = tone === pitchClass(melody);
  const isBeside = !tones.includes(pitchClass(melody));
  return (
    (isDoubled && (isSeventh || tone === pitchClass(home + LEADING))) ||
    (isBeside && [1, 11].includes(pitchClass(melody - tone)))
  );
}

/** What the bass can be for a play of a dance, the one wanted most first: the root, or the chord's fifth above it and else the root. */
export function bassTones(
  song: Song,
  onset: Ticks,
  melody: Pitch,
  { bass, play }: { readonly bass: Pitch | undefined; readonly play: 'root' | 'fifth' },
): readonly Pitch[] {
  const chord = chordAt(song, onset);
  if (!chord || bass === undefined || bass >= melody) return [];
  const fifth = chord.tones[2];
  const fifths = play === 'fifth' && fifth !== undefined ? pitchesBetween(fifth, bass + 1, bass + 12) : [];
  return [...fifths, bass].filter((pitch) => pitch < melody);
}

/**
 * What chords one note after another rise through, each tone with its pitches between the bass and the melody: bass, fifth
 * and third; with the bass an octave higher before the third where that is wanted.
 */
export function risingTones(
  song: Song,
  onset: Ticks,
  melody: Pitch,
  { bassAt, withOctave }: { readonly bassAt: BassAt; readonly withOctave: boolean },
): readonly (readonly Pitch[])[] {
  const chord = chordAt(song, onset);
  const bass = bassAt(onset);
  if (!chord || bass === undefined || bass >= melody) return [];
  const [root, third, fifth] = chord.tones;
  const tones = [fifth, ...(withOctave ? [chord.bass] : chord.bass === root ? [] : [root]), third];
  return [
    [bass],
    ...tones.flatMap((tone) => (tone === undefined ? [] : [pitchesBetween(tone, bass + 1, melody - 1)])),
  ];
}

/** Pitches of a class between two, both included, rising. */
function pitchesBetween(of: PitchClass, lowest: Pitch, highest: Pitch): Pitch[] {
  const first = lowest + pitchClass(of - lowest);
  return Array.from(
    { length: Math.max(0, Math.floor((highest - first) / 12) + 1) },
    (_, i) => first + 12 * i,
  );
}

/** Whether an instrument has some pitches and can hold them at once. */
export function canSoundTogether(
  { instrument, has, open }: RoutingContext,
  pitches: readonly Pitch[],
): boolean {
  if (!pitches.every(has)) return false;
  const rising = pitches.toSorted((a, b) => a - b);
  const chord = rising.map((pitch) => ({ pitch, open: open(pitch, true) }));
  return chord.every((one) => one.open.length > 0) && canHold(instrument, chord);
}
