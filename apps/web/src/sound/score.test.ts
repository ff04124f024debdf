import { families } from '@same-song/core/instruments';
import { Agenda } from './clock.ts';
import { scheduleScore, type Score, type ScoreListener } from './score.ts';

/** A clock that is moved by hand, noting what is struck. */
let now: number;
let agenda: Agenda;
let struck: [hz: number, at: number][];
/** When what was struck falls silent. */
let sounding: Map<object, number>;
/** Where scores begin on the clock. */
const ZERO = 10.12;

class Node {
  connect<T>(to: T) {
    return to;
  }
  disconnect() {}
}
class Gain extends Node {
  gain = {
    value: 0,
    setValueAtTime: () => undefined,
    linearRampToValueAtTime: () => undefined,
    setTargetAtTime: () => undefined,
  };
}
class Source extends Node {
  frequency = { value: 0 };
  detune = {};
  buffer: { readonly hz: number } | undefined;
  onended?: () => void;
  setPeriodicWave() {}
  start(at: number) {
    struck.push([this.buffer?.hz ?? this.frequency.value, Number((at - ZERO).toFixed(6))]);
    sounding.set(this, Infinity);
  }
  stop(at: number) {
    if (!sounding.has(this)) throw new Error('It was not started');
    sounding.set(this, at);
  }
}
const context = {
  get currentTime() {
    return now;
  },
  sampleRate: 8000,
  createGain: () => new Gain(),
  createOscillator: () => new Source(),
  createBufferSource: () => new Source(),
  // A stroke has no pitch.
  createBuffer: () => ({ hz: 0, copyToChannel: () => undefined }),
  createPeriodicWave: () => ({}),
} as unknown as BaseAudioContext;

/** Moves the clock on, as it ticks. */
function until(time: number): void {
  for (; now < time; now += 0.02) agenda.runUntil(now);
  now = time;
  agenda.runUntil(now);
}

const SCORE: Score<string> = {
  sounds: [
    { kind: 'click', at: 0, seconds: 0, hz: 1600 },
    { kind: 'melody', at: 1, seconds: 1, hz: 440, noteId: 'a' },
    { kind: 'chord', at: 1, seconds: 2, hz: 110 },
    { kind: 'melody', at: 2, seconds: 1, hz: 494, noteId: 'b' },
  ],
  begins: 1,
  ends: 3,
  loop: false,
  mute: false,
};
const { timbre } = families.diatonic;
let told: (string | undefined)[];
let silence: () => void;
function play(change: Partial<Score<string>> = {}, listener: Partial<ScoreListener<string>> = {}): void {
  const clock = { context, now: () => now, at: (time: number, run: () => void) => agenda.add(time, run) };
  silence = scheduleScore(
    { ...SCORE, ...change },
    { clock, timbre },
    { onNote: (id) => told.push(id), ...listener },
    () => {
      silence();
      told.push(undefined);
    },
  );
}

beforeEach(() => {
  now = 10;
  agenda = new Agenda();
  struck = [];
  sounding = new Map();
  told = [];
});

test('everything is struck at its time, notes are told as they are heard, and at its end it stops by itself', () => {
  play();
  until(11.1);
  expect(told).toEqual([]);
  until(11.16);
  expect(told).toEqual(['a']);
  until(13.3);
  expect(told).toEqual(['a', 'b', undefined]);
  expect(struck.map(([hz, at]) => [hz, at])).toEqual([
    [0, 0],
    [440, 1],
    [110, 1],
    [494, 2],
  ]);
  const silent = [...sounding.values()];
  expect(silent).toHaveLength(4);
  expect(Math.max(...silent)).toBeLessThan(14);
});

test('a loop goes on without what was counted, round after round without a gap, until it is stopped', () => {
  play({ loop: true });
  until(15);
  expect(struck.filter(([hz]) => hz === 440).map(([, at]) => at)).toEqual([1, 3, 5]);
  expect(struck.filter(([hz]) => hz === 0)).toHaveLength(1);
  expect(told).toEqual(['a', 'b', 'a', 'b']);
  silence();
  // What was laid out ahead falls silent too.
  expect(Math.max(...sounding.values())).toBeLessThan(now + 0.03);
  until(30);
  expect(told).toHaveLength(4);
  expect(struck.filter(([hz]) => hz === 440)).toHaveLength(3);
});

test('a melody that is muted is followed and not heard', () => {
  play({ mute: true });
  until(14);
  expect(told).toEqual(['a', 'b', undefined]);
  expect(struck.map(([hz]) => hz)).toEqual([0, 110]);
});

test('so many rounds are played and told, with marks of their own, and then it ends', () => {
  const rounds: number[] = [];
  const marks: string[] = [];
  play(
    {
      loop: true,
      rounds: 3,
      marks: [
        { at: 0, mark: 'in' },
        { at: 1, mark: 'one' },
      ],
    },
    { onMark: (mark) => marks.push(mark), onRound: (played) => rounds.push(played) },
  );
  until(30);
  expect(rounds).toEqual([1, 2]);
  expect(marks).toEqual(['in', 'one', 'one', 'one']);
  expect(told.filter((id) => id === 'a')).toHaveLength(3);
  expect(told.at(-1)).toBeUndefined();
});

test('sounds of every second round are heard in theirs, and those of the last when it is over', () => {
  const chord = { kind: 'chord', at: 1, seconds: 1 } as const;
  play({
    sounds: [
      { ...chord, hz: 200, heardIn: 'even' },
      { ...chord, hz: 300, heardIn: 'odd' },
      { ...chord, at: 3, hz: 400, heardIn: 'last' },
    ],
    loop: true,
    rounds: 3,
    rings: 1,
  });
  until(17.9);
  expect(struck.map(([hz, at]) => [hz, at])).toEqual([
    [200, 1],
    [300, 3],
    [200, 5],
    [400, 7],
  ]);
  expect(told).toEqual([]);
  until(18.3);
  expect(told).toEqual([undefined]);
});

test('a part is made softer or silent while it plays', () => {
  const volumes = { chord: 1 };
  play({ loop: true }, { volumeOf: (kind) => (kind === 'chord' ? volumes.chord : 1) });
  until(12);
  volumes.chord = 0;
  until(15);
  const chords = struck.filter(([hz]) => hz === 110);
  expect(chords.map(([, at]) => at)).toEqual([1]);
});

test.each([40, 92, 208])('at %d a minute every click of ten minutes stands where it should', (perMinute) => {
  const beat = 60 / perMinute;
  // Two bars of four are counted, then bars of four go round.
  const clicks = Array.from({ length: 12 }, (_, i) => ({
    kind: 'click' as const,
    at: i * beat,
    seconds: 0,
    hz: 1600,
  }));
  play({ sounds: clicks, begins: 8 * beat, ends: 12 * beat, loop: true });
  until(10 + 600);
  expect(struck.length).toBeGreaterThanOrEqual(Math.floor(10 * perMinute));
  struck.forEach(([, at], i) => expect(Math.abs(at - i * beat)).toBeLessThan(1e-5));
});
