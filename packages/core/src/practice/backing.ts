import type { Chord } from '../harmony/chord.ts';
import { pitchClass, type Pitch, type PitchClass } from '../pitch/pitch.ts';
import { degreeSemitones } from '../scale/degree.ts';
import { felt, secondHalf, type Feel } from '../groove/feel.ts';
import { hitsOf, inTurn, type Form, type FormChord } from '../groove/form.ts';
import { isDrum, type Groove, type Play } from '../groove/grooves.ts';

/** What an accompaniment is made of. */
export const BACKING_PARTS = Object.freeze(['bass', 'chords', 'drums'] as const);
export type BackingPart = (typeof BACKING_PARTS)[number];

/** Something an accompaniment sounds; times in seconds since its form began. */
export interface BackingEvent {
  readonly part: BackingPart;
  readonly play: Play;
  readonly at: number;
  readonly seconds: number;
  /** Of a drum 0. */
  readonly pitch: Pitch;
  /** From 0 to 1. */
  readonly loud: number;
}

/** A chord of the form and when it sounds. */
export interface BackingChord {
  readonly bar: number;
  readonly chord: Chord;
  /** Seconds since the form began. */
  readonly at: number;
  readonly seconds: number;
}

/** One time through a form. */
export interface Backing {
  /** Rising by time. */
  readonly events: readonly BackingEvent[];
  readonly chords: readonly BackingChord[];
  readonly seconds: number;
}

export interface BackingOptions {
  readonly groove: Groove;
  /** Counted beats a minute. */
  readonly perMinute: number;
  /** How eighths are played; where it is left out, those are swung that the groove swings. */
  readonly feel?: Feel | undefined;
  /** Pitch class of degree 1. */
  readonly home: PitchClass;
  /** Which of the two versions of the groove the first phrase of eight bars has; the first when left out. */
  readonly version?: 0 | 1;
}

/** Lowest pitches that a bass and a chord take. */
const LOWEST = Object.freeze({ bass: 36, chords: 52 });

/** An accompaniment of a form, in any key and groove. Pure; the same every time. */
export function backing(form: Form, options: BackingOptions): Backing {
  const { groove, perMinute, home } = options;
  const beat = 60 / perMinute;
  const spans = form.chords;
  const last = form.bars.at(-1);
  const beats = last ? last.at + last.beats : 0;
  const late = secondHalf(options.feel ?? 'swung', perMinute);
  const placed = hitsOf(form, () => groove, inTurn(options.version ?? 0));
  const events = placed.flatMap(({ hit, play, at, chord }): BackingEvent[] => {
    const isLate = hit.swung ?? (options.feel !== undefined && groove.divisions === 2);
    const time = isLate ? felt(at, late) : at;
    const sound = { play, at: time * beat, seconds: hit.beats * beat, loud: hit.loud };
    const part = partOf(play);
    const pitches = part === 'drums' ? [0] : pitchesOf(play, spans, chord, home);
    return pitches.map((pitch) => ({ part, ...sound, pitch }));
  });
  return {
    events: events.sort((a, b) => a.at - b.at || a.pitch - b.pitch),
    chords: spans.map(({ bar, chord, at, beats: length }) => ({
      bar,
      chord,
      at: at * beat,
      seconds: length * beat,
    })),
    seconds: beats * beat,
  };
}

/** How long the last chord of all is held, in counted beats. */
const ENDING_BEATS = 4;

/**
 * The ending of a form that went round and is over: home's chord, as the form has it, on the beat after its last. Times are
 * counted from the end of the form.
 */
export function ending({ chords }: Form, { perMinute, home }: BackingOptions): readonly BackingEvent[] {
  const homeChord = chords.find(({ chord }) => chord.tones[0] === 0)?.chord;
  const tones = homeChord?.tones ?? [0, 7];
  const seconds = (ENDING_BEATS * 60) / perMinute;
  const strike = (play: 'root' | 'chord' | 'kick', pitch: Pitch, loud: number): BackingEvent => ({
    part: partOf(play),
    play,
    at: 0,
    seconds: play === 'kick' ? 0.1 : seconds,
    pitch,
    loud,
  });
  return [
    strike('kick', 0, 1),
    strike('root', from(LOWEST.bass, home), 1),
    ...tones.map((tone) => strike('chord', from(LOWEST.chords, tone + home), 0.8)),
  ];
}

function partOf(play: Play): BackingPart {
  if (play === 'chord') return 'chords';
  return isDrum(play) ? 'drums' : 'bass';
}

/** The pitch of a class that lies in the octave from a pitch on. */
function from(lowest: Pitch, of: PitchClass): Pitch {
  return lowest + pitchClass(of - lowest);
}

function pitchesOf(
  play: Play,
  spans: readonly FormChord[],
  index: number,
  home: PitchClass,
): readonly Pitch[] {
  if (play === 'drone') return [from(LOWEST.bass, home), from(LOWEST.bass, home) + 7];
  const { chord } = spans[index]!;
  const [root] = chord.tones;
  if (root === undefined) return [];
  const low = from(LOWEST.bass, bassOf(chord) + home);
  if (play === 'chord')
    return chord.tones.map((tone) => from(LOWEST.chords, tone + home)).sort((a, b) => a - b);
  if (play === 'root') return [low];
  if (play === 'fifth') return [from(LOWEST.bass, fifthOf(chord) + home)];
  return [leading(chord, spans[(index + 1) % spans.length]!.chord, home)];
}

function bassOf({ tones, bass }: Chord): PitchClass {
  return bass === undefined ? tones[0]! : degreeSemitones(bass);
}

/** The chord's own fifth, diminished or raised as it is; the root where it has none. */
function fifthOf({ tones }: Chord): PitchClass {
  const fifth = tones.find((tone) => [6, 7, 8].includes(pitchClass(tone - tones[0]!)));
  return fifth ?? tones[0]!;
}

/** Into another chord by a step from below or above, whichever is nearer; into the same one by its fifth. */
function leading(now: Chord, next: Chord, home: PitchClass): Pitch {
  const [root] = next.tones;
  if (root === undefined || root === now.tones[0]) return from(LOWEST.bass, fifthOf(now) + home);
  const here = from(LOWEST.bass, now.tones[0]! + home);
  const there = from(LOWEST.bass, root + home);
  const steps = here < there ? [-2, -1, 2, 1] : [2, 1, -2, -1];
  const own = new Set([...DEGREES, ...now.tones, ...next.tones]);
  const step = steps.find((by) => own.has(pitchClass(root + by)) && there + by >= LOWEST.bass) ?? 2;
  return there + step;
}

/** What belongs to home, where a chord does not say otherwise. */
const DEGREES: readonly PitchClass[] = Object.freeze([0, 2, 4, 5, 7, 9, 11]);
