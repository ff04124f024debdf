import { families } from '@same-song/core';
import { stopLine } from './player.ts';
import { playScore, type Score } from './score.ts';

/** A sound library on a clock that is moved by hand, noting what is struck. */
const mockTone = {
  struck: [] as [hz: number, at: number][],
  /** When what was struck falls silent. */
  sounding: new Map<object, number>(),
  timers: [] as { run: () => void; at: number; gone?: true }[],
  now: 10,
};
jest.mock('tone', () => {
  class Node {
    toDestination() {
      return this;
    }
    connect<T>(to: T) {
      return to;
    }
    disconnect() {}
    releaseAll() {}
    dispose() {}
  }
  class Gain extends Node {
    gain = {
      setValueAtTime: () => undefined,
      linearRampToValueAtTime: () => undefined,
      setTargetAtTime: () => undefined,
    };
  }
  class Source extends Node {
    frequency = { value: 0 };
    buffer: { readonly hz: number } | undefined;
    onended?: () => void;
    setPeriodicWave() {}
    start(at: number) {
      mockTone.struck.push([this.buffer?.hz ?? this.frequency.value, Number((at - 10.1).toFixed(6))]);
      mockTone.sounding.set(this, Infinity);
    }
    stop(at: number) {
      if (!mockTone.sounding.has(this)) throw new Error('It was not started');
      mockTone.sounding.set(this, at);
    }
  }
  const context = {
    lookAhead: 0.1,
    createGain: () => new Gain(),
    sampleRate: 8000,
    createOscillator: () => new Source(),
    createBufferSource: () => new Source(),
    // A stroke has no pitch.
    createBuffer: () => ({ hz: 0, copyToChannel: () => undefined }),
    createPeriodicWave: () => ({}),
    setTimeout(run: () => void, after: number) {
      return mockTone.timers.push({ run, at: mockTone.now + after }) - 1;
    },
    clearTimeout: (id: number) => (mockTone.timers[id]!.gone = true),
  };
  return {
    PolySynth: Node,
    Vibrato: Node,
    Synth: Node,
    connect: () => undefined,
    getDestination: () => new Node(),
    start: () => Promise.resolve(),
    now: () => mockTone.now,
    immediate: () => mockTone.now - 0.1,
    getContext: () => context,
  };
});

/** Moves the clock on, running what falls due in its order. */
function until(time: number): void {
  for (;;) {
    const due = mockTone.timers
      .filter(({ gone, at }) => !gone && at <= time + 1e-9)
      .sort((a, b) => a.at - b.at)[0];
    if (!due) break;
    mockTone.now = Math.max(mockTone.now, due.at);
    due.gone = true;
    due.run();
  }
  mockTone.now = time;
}

const SCORE: Score = {
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
const play = (change: Partial<Score> = {}) =>
  playScore({ ...SCORE, ...change }, timbre, (id) => told.push(id));

beforeAll(() => jest.useFakeTimers());
afterAll(() => jest.useRealTimers());
beforeEach(() => {
  stopLine();
  jest.runAllTimers();
  Object.assign(mockTone, { struck: [], timers: [], now: 10, sounding: new Map() });
  told = [];
});

test('everything is struck at its time, notes are told as they are heard, and at its end it stops by itself', async () => {
  await play();
  // The library is 0.1 s ahead of what is heard.
  until(11.15);
  expect(told).toEqual([]);
  until(11.25);
  expect(told).toEqual(['a']);
  until(13.3);
  expect(told).toEqual(['a', 'b', undefined]);
  expect(mockTone.struck.map(([hz, at]) => [hz, at])).toEqual([
    [0, 0],
    [440, 1],
    [110, 1],
    [494, 2],
  ]);
  const silent = [...mockTone.sounding.values()];
  expect(silent).toHaveLength(4);
  expect(Math.max(...silent)).toBeLessThan(14);
});

test('a loop goes on without what was counted, round after round without a gap, until it is stopped', async () => {
  await play({ loop: true });
  until(15);
  expect(mockTone.struck.filter(([hz]) => hz === 440).map(([, at]) => at)).toEqual([1, 3, 5]);
  expect(mockTone.struck.filter(([hz]) => hz === 0)).toHaveLength(1);
  expect(told).toEqual(['a', 'b', 'a', 'b']);
  stopLine();
  // What was laid out ahead falls silent too.
  expect(Math.max(...mockTone.sounding.values())).toBeLessThan(mockTone.now);
  until(30);
  expect(told.slice(4)).toEqual([undefined]);
  expect(mockTone.struck.filter(([hz]) => hz === 440)).toHaveLength(3);
});

test('a melody that is muted is followed and not heard', async () => {
  await play({ mute: true });
  until(14);
  expect(told).toEqual(['a', 'b', undefined]);
  expect(mockTone.struck.map(([hz]) => hz)).toEqual([0, 110]);
});

test('so many rounds are played and told, with marks of their own, and then it ends', async () => {
  const rounds: number[] = [];
  const marks: string[] = [];
  const score = {
    ...SCORE,
    loop: true,
    rounds: 3,
    marks: [
      { at: 0, mark: 'in' },
      { at: 1, mark: 'one' },
    ],
  };
  await playScore(score, timbre, {
    onNote: (id) => told.push(id),
    onMark: (mark) => marks.push(mark),
    onRound: (played) => rounds.push(played),
  });
  until(30);
  expect(rounds).toEqual([1, 2]);
  expect(marks).toEqual(['in', 'one', 'one', 'one']);
  expect(told.filter((id) => id === 'a')).toHaveLength(3);
  expect(told.at(-1)).toBeUndefined();
});

test('a part is made softer or silent while it plays', async () => {
  const volumes = { chord: 1 };
  await playScore({ ...SCORE, loop: true }, timbre, {
    onNote: () => undefined,
    volumeOf: (kind) => (kind === 'chord' ? volumes.chord : 1),
  });
  until(12);
  volumes.chord = 0;
  until(15);
  const chords = mockTone.struck.filter(([hz]) => hz === 110);
  expect(chords.map(([, at]) => at)).toEqual([1]);
});

test.each([40, 92, 208])(
  'at %d a minute every click of ten minutes stands where it should',
  async (perMinute) => {
    const beat = 60 / perMinute;
    // Two bars of four are counted, then bars of four go round.
    const clicks = Array.from({ length: 12 }, (_, i) => ({
      kind: 'click' as const,
      at: i * beat,
      seconds: 0,
      hz: 1600,
    }));
    await playScore(
      { sounds: clicks, begins: 8 * beat, ends: 12 * beat, loop: true, mute: false },
      timbre,
      () => undefined,
    );
    until(10 + 600);
    expect(mockTone.struck.length).toBeGreaterThanOrEqual(Math.floor(10 * perMinute));
    mockTone.struck.forEach(([, at], i) => expect(Math.abs(at - i * beat)).toBeLessThan(1e-5));
  },
);
