/** What is struck and plucked rings on, and seldom has its loudest partial first. Partials as read off recordings. */
import { hear } from '../../src/ear/hear.ts';
import type { HeardNote } from '../../src/ear/notes.ts';
import { notesOf, type NoteFrame } from '../../src/ear/notes.ts';
import { inPink, noteScore } from './scores.ts';
import { note, RATE, tone, type Kind } from './sounds.ts';

/** In decibels, the first partial first. */
const STRINGS: readonly (readonly [string, readonly number[]])[] = [
  ['its octave is louder', [-8, 0, -22, -28, -26]],
  ['its twelfth is louder and it is hardly there', [-20, -12, 0, -4, -7, -5, -11, -18, -16]],
  ['its upper partials are as loud', [-16, -2, 0, 0, -9, -15, -15, -13, -16, -14]],
];

function plucked(decibels: readonly number[], midi: number, seconds: number): Float32Array {
  return tone({
    seconds,
    phase: 0.2,
    pitch: () => midi,
    partials: decibels.map((db, h) => [(h + 1) * Math.sqrt(1 + 0.00005 * (h + 1) ** 2), 10 ** (db / 20)]),
    shape: (time, p) =>
      0.2 * Math.min(1, time / 0.002, (seconds - time) / 0.02) * Math.exp(-time * (1.5 + 0.4 * p)),
  });
}

interface Played {
  readonly midi: number;
  readonly onset: number;
}

function mixed(played: readonly (Played & { readonly sound: Float32Array })[]): Float32Array {
  const end = Math.max(...played.map(({ onset, sound }) => onset + sound.length / RATE));
  const out = new Float32Array(Math.ceil((end + 0.3) * RATE));
  for (const { onset, sound } of played) {
    const from = Math.round(onset * RATE);
    sound.forEach((value, j) => {
      out[from + j]! += value;
    });
  }
  return out;
}

const STEPS = [0, 2, 4, 5, 7, 9, 11, 12, 11, 9, 7, 5, 4, 2, 0, 0];

test.each(STRINGS)('a string is heard at its own pitch where %s', (_, decibels) => {
  for (const midi of [43, 55, 66])
    for (const change of [undefined, inPink(15)]) {
      const sound = mixed([{ midi, onset: 0.3, sound: plucked(decibels, midi, 0.8) }]);
      const { frames } = hear(change ? change(sound, midi) : sound, RATE, { struck: true });
      const heard = frames.filter((frame) => frame.time > 0.36 && frame.time < 1 && frame.midi !== null);
      expect(heard.length).toBeGreaterThan(55);
      expect(heard.filter((frame) => Math.abs(frame.midi! - midi) > 0.3)).toEqual([]);
    }
});

test.each([
  ['fifth', 7],
  ['fourth', 5],
  ['major third', 4],
  ['minor third', 3],
])('a %s that rings is one of its notes and none far below', (_, above) => {
  for (const low of [55, 62, 69]) {
    const sounds = [low, low + above].map((midi) => ({ midi, onset: 0.3, sound: note('string', midi, 0.8) }));
    const { frames } = hear(mixed(sounds), RATE, { struck: true });
    const heard = frames.flatMap(({ time, midi }) => (time > 0.36 && time < 0.9 ? (midi ?? []) : []));
    expect(heard.length).toBeGreaterThan(45);
    expect(heard.filter((midi) => sounds.every((one) => Math.abs(one.midi - midi) > 0.3))).toEqual([]);
  }
});

/** Precision and recall of a scale whose notes ring on for four, as loud as the decibels say in their turn. */
function ringing(kind: Kind, low: number, decibels: readonly number[]) {
  const played = STEPS.map((step, i) => {
    const gain = 10 ** (decibels[i % decibels.length]! / 20);
    const sound = note(kind, low + step, 1.2, low + i).map((value) => gain * value);
    return { midi: low + step, onset: 0.4 + 0.3 * i, sound };
  });
  return noteScore(hear(mixed(played), RATE, { struck: true }).notes, played);
}

test.each(['string', 'tongue'] as const)(
  'a %s is heard while those before ring on, soft ones too',
  (kind) => {
    const scores = [55, 72].flatMap((low) => [ringing(kind, low, [0]), ringing(kind, low, [0, 0, 0, 0, -5])]);
    for (const told of ['precision', 'recall'] as const)
      expect(scores.reduce((sum, score) => sum + score[told], 0) / scores.length).toBeGreaterThanOrEqual(
        0.91,
      );
  },
);

describe('one stroke makes one note:', () => {
  /** Ten milliseconds each, of candidates by letter; a stroke at each capital. */
  const told = (course: string): readonly string[] => {
    let loud = 0;
    const frames = [...course].map((letter, i): NoteFrame => {
      loud = letter < 'a' && letter !== '.' ? 1 : loud * 0.9;
      const candidate = letter === '.' ? -1 : letter.toLowerCase().charCodeAt(0) - 97;
      const midi = candidate < 0 ? null : 60 + candidate;
      return { time: i / 100, candidate, midi, clarity: 1, power: loud, edge: loud ** 2 };
    });
    const named = ({ onset, midi }: HeardNote) => `${String.fromCharCode(37 + midi)}${onset.toFixed(1)}`;
    return notesOf(frames, true).map(named);
  };
  const held = (letter: string, frames: number) => letter.repeat(frames);

  test('what is heard of it at first gives way to what is heard longer', () => {
    expect(told(`${held('.', 20)}C${held('c', 7)}${held('e', 30)}`)).toEqual(['e0.2']);
    // Not where the first is heard longer, and not where the other was struck.
    expect(told(`${held('.', 20)}C${held('c', 11)}${held('e', 8)}${held('.', 30)}`)).toEqual(['c0.2']);
    expect(told(`${held('.', 20)}C${held('c', 11)}E${held('e', 30)}`)).toEqual(['c0.2', 'e0.3']);
  });

  test('an older note that comes out again takes nothing from it', () => {
    const before = `${held('.', 20)}A${held('a', 29)}`;
    expect(told(`${before}C${held('c', 9)}${held('a', 40)}`)).toEqual(['a0.2', 'c0.5']);
  });

  test('a slip of the ear within it makes none', () => {
    expect(told(`${held('.', 20)}C${held('c', 20)}${held('e', 3)}${held('c', 20)}`)).toEqual(['c0.2']);
    expect(told(`${held('.', 20)}C${held('c', 20)}${held('.', 3)}C${held('c', 20)}`)).toEqual([
      'c0.2',
      'c0.4',
    ]);
  });
});

test.each([1, 2, 3, 4, 5, 7, 9])(
  'two whistles %i semitones apart that overlap are none far below',
  (above) => {
    for (const low of [74, 81, 91]) {
      const sounds = [low, low + above].map((midi, i) => ({
        midi,
        onset: 0.3 + 0.35 * i,
        sound: note('whistle', midi, 0.6),
      }));
      const heard = hear(mixed(sounds), RATE).frames.flatMap(({ midi }) => midi ?? []);
      expect(heard.length).toBeGreaterThan(45);
      expect(Math.min(...heard)).toBeGreaterThan(low - 0.5);
    }
  },
);
