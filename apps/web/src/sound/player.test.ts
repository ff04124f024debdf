import { families } from '@same-song/core';
import { playLine, playNote, SoundNotFetched, stopLine } from './player.ts';

/** A sound library that notes what it is told, on a clock of its own; it comes when it is let through. */
const mockTone = {
  struck: [] as [hz: number, length: number, at: number][],
  timers: new Map<number, { run: () => void; at: number }>(),
  released: 0,
  starting: Promise.resolve(),
};
jest.mock('tone', () => {
  class PolySynth {
    triggerAttackRelease(hz: number, length: number, at = 0) {
      mockTone.struck.push([hz, length, at]);
    }
    toDestination() {
      return this;
    }
    connect() {
      return this;
    }
    releaseAll() {
      mockTone.released += 1;
    }
    dispose() {}
  }
  class Vibrato {
    toDestination() {
      return this;
    }
  }
  const context = {
    setTimeout(run: () => void, at: number) {
      mockTone.timers.set(mockTone.timers.size, { run, at });
      return mockTone.timers.size - 1;
    },
    clearTimeout: (id: number) => mockTone.timers.delete(id),
  };
  return {
    PolySynth,
    Vibrato,
    Synth: class {},
    start: () => mockTone.starting,
    now: () => 10,
    getContext: () => context,
  };
});

const VOICE = { timbre: families.diatonic.timbre, drones: [] };
const LINE = [
  { id: 'a', hz: 262, start: 0, beats: 1 },
  { id: 'b', hz: 294, start: 1, beats: 2 },
];

beforeEach(() => {
  stopLine();
  Object.assign(mockTone, { struck: [], timers: new Map(), released: 0, starting: Promise.resolve() });
});

test('notes and what is told of them go by the clock of the sound', async () => {
  const told: (string | undefined)[] = [];
  await playLine(LINE, 120, VOICE, (id) => told.push(id));
  // Half a second a beat, a tenth of a second to get ready.
  expect(mockTone.struck.map(([hz, , at]) => [hz, Number(at.toFixed(3))])).toEqual([
    [262, 10.1],
    [294, 10.6],
  ]);
  const timers = [...mockTone.timers.values()];
  expect(timers.map(({ at }) => Number(at.toFixed(3)))).toEqual([0.1, 0.6, 1.65]);
  timers.forEach(({ run }) => run());
  expect(told).toEqual(['a', 'b', undefined]);
});

test('stopped while the sound is still being fetched nothing sounds, neither line nor note', async () => {
  let begin: () => void = () => undefined;
  mockTone.starting = new Promise<void>((started) => (begin = started));
  const told: (string | undefined)[] = [];
  const line = playLine(LINE, 120, VOICE, (id) => told.push(id));
  const note = playNote(440, VOICE.timbre);
  stopLine();
  expect(told).toEqual([undefined]);
  begin();
  await Promise.all([line, note]);
  expect([mockTone.struck, mockTone.timers.size]).toEqual([[], 0]);
});

test('a drone that is blown sounds throughout, one that is struck comes again on every second beat', async () => {
  await playLine(LINE, 60, { ...VOICE, drones: [147] }, () => undefined);
  expect(mockTone.struck.filter(([hz]) => hz === 147)).toEqual([[147, 3, 10.1]]);
  stopLine();
  expect(mockTone.released).toBe(1);
  mockTone.struck = [];
  await playLine(LINE, 60, { timbre: families.dulcimer.timbre, drones: [147] }, () => undefined);
  const drone = mockTone.struck.filter(([hz]) => hz === 147);
  expect(drone.map(([, length, at]) => [length, at])).toEqual([
    [2, 10.1],
    [1, 12.1],
  ]);
});

test('a library that cannot be fetched is told apart from a device without sound, and is tried again', async () => {
  mockTone.starting = Promise.reject(new Error('no device'));
  const failing = playNote(440, VOICE.timbre);
  await expect(failing).rejects.toThrow('no device');
  await expect(failing).rejects.not.toBeInstanceOf(SoundNotFetched);
  jest.resetModules();
  let away = true;
  jest.doMock('tone', () => {
    if (away) throw new TypeError('Failed to fetch dynamically imported module');
    return { start: () => Promise.reject(new Error('no device')) };
  });
  const fresh = await import('./player.ts');
  await expect(fresh.playNote(440, VOICE.timbre)).rejects.toBeInstanceOf(fresh.SoundNotFetched);
  away = false;
  await expect(fresh.playNote(440, VOICE.timbre)).rejects.toThrow('no device');
});
