import { act, renderHook } from '@testing-library/react';
import type { HearOptions } from '@same-song/core/ear';
import type { EarUpdate } from './earWorker.ts';
import { CannotListen, type Source } from './listen.ts';
import { useEar } from './useEar.ts';

/** Ears that were opened, each with what it listens for. */
const mockOpened: {
  source: Source;
  options: HearOptions;
  tell: (told: EarUpdate) => void;
  ended: boolean;
}[] = [];
let mockRefused: Error | undefined;
jest.mock('./listen.ts', () => {
  class Refused extends Error {}
  return {
    CannotListen: Refused,
    listen(source: Source, options: HearOptions, { onUpdate }: { onUpdate: (told: EarUpdate) => void }) {
      if (mockRefused) return Promise.reject(mockRefused);
      const one = { source, options, tell: onUpdate, ended: false };
      mockOpened.push(one);
      return Promise.resolve({ by: 'a device', end: () => (one.ended = true) });
    },
  };
});

const LOW = { candidates: [50, 52], struck: true };
const HIGH = { candidates: [70, 72], struck: true };
const TOLD = { now: 52, heard: 1, power: 0.1, peak: 0.5, frames: [] } as unknown as EarUpdate;

/** Does something and waits for what comes of it. */
const done = (run: () => void) =>
  act(() => {
    run();
    return Promise.resolve();
  });

function opened() {
  const heard: number[] = [];
  const began: number[] = [];
  const hook = renderHook(
    ({ options }) =>
      useEar(
        options,
        (_, { heard: at }) => heard.push(at),
        () => began.push(began.length),
      ),
    { initialProps: { options: LOW } },
  );
  const begin = (source: Source) => done(() => hook.result.current.begin(source));
  return { ...hook, begin, heard, began };
}

beforeEach(() => {
  mockOpened.length = 0;
  mockRefused = undefined;
});

test('by microphone it goes on where other notes are to be listened for, from the beginning', async () => {
  const { result, rerender, begin, heard, began } = opened();
  await begin({ kind: 'microphone' });
  expect(result.current).toMatchObject({ state: 'listening', by: 'a device' });
  await done(() => rerender({ options: HIGH }));
  expect(mockOpened.map(({ options, ended }) => [options, ended])).toEqual([
    [LOW, true],
    [HIGH, false],
  ]);
  expect(result.current.state).toBe('listening');
  expect(began).toHaveLength(2);
  // What the old one still tells is nobody's.
  act(() => mockOpened[0]!.tell(TOLD));
  expect(heard).toEqual([]);
  act(() => mockOpened[1]!.tell(TOLD));
  expect(heard).toEqual([1]);
  expect(result.current.now).toBe(52);
});

test('what was ended, refused or a file does not go on', async () => {
  const { result, rerender, begin } = opened();
  const other = async (options: typeof LOW) => {
    await done(() => rerender({ options }));
    expect(result.current.state).toBe('off');
  };
  await begin({ kind: 'microphone' });
  act(() => result.current.end());
  await other(HIGH);
  await begin({ kind: 'simulated', make: () => new Float32Array(0) });
  await other(LOW);
  expect(mockOpened).toHaveLength(2);
  mockRefused = new CannotListen('The microphone is refused.');
  await begin({ kind: 'microphone' });
  expect(result.current.trouble).toBe('The microphone is refused.');
  await other(HIGH);
  expect(mockOpened).toHaveLength(2);
});

test('where the page is left nothing listens any more', async () => {
  const { unmount, begin } = opened();
  await begin({ kind: 'microphone' });
  unmount();
  expect(mockOpened.map(({ ended }) => ended)).toEqual([true]);
});
