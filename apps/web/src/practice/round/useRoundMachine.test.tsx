import { act, renderHook } from '@testing-library/react';
import { families } from '@same-song/core/instruments';
import type { RoundEvent } from '@same-song/core/practice';
import type { Score, ScoreListener } from '../../sound/score.ts';
import type { RoundMark } from './roundScore.ts';
import { useRoundMachine, type RoundHandlers } from './useRoundMachine.ts';

/** A sound that tells what it is told to tell. */
let mockListener: ScoreListener<RoundMark>;
const mockPlayed: number[] = [];
let mockFails: Error | undefined;
jest.mock('../../sound/player.ts', () => ({
  playScore: (score: Score<RoundMark>, _: unknown, listener: ScoreListener<RoundMark>) => {
    mockPlayed.push(score.ends);
    mockListener = listener;
    return mockFails ? Promise.reject(mockFails) : Promise.resolve();
  },
  stopPlaying: () => mockListener?.onNote(undefined),
}));
jest.mock('../../sound/soundTrouble.ts', () => ({ soundTrouble: () => undefined }));

const LADDER = { from: 60, to: 90, step: 6, raiseAfter: 1, fallAfter: 2 };
const BEAT: RoundMark = { kind: 'beat', beat: { beat: 1, said: 1, of: 4 } };

function playing(subject: unknown = 'a line') {
  const did: string[] = [];
  const handlers: RoundHandlers = {
    began: (perMinute) => did.push(`began ${perMinute}`),
    rested: () => did.push('rested'),
    report: ({ clean, tempo }) => did.push(`report ${tempo} ${clean ?? 'unjudged'}`),
    passed: () => did.push('passed'),
    firstBeat: (perMinute) => did.push(`first beat at ${perMinute}`),
    judge: (since) => did.push(`judge ${since}`),
  };
  const hook = renderHook(
    ({ of }) =>
      useRoundMachine({
        ladder: LADDER,
        tempo: 60,
        subject: of,
        // So that the tempo it was laid out in can be told.
        lay: (ends, loop) => ({
          score: { sounds: [], begins: 0, ends, loop, mute: false },
          timbre: families.diatonic.timbre,
        }),
        volumeOf: () => 1,
        handlers,
      }),
    { initialProps: { of: subject } },
  );
  const { send } = hook.result.current;
  const tell = (...marks: readonly (RoundMark | 'silent')[]) =>
    act(() =>
      marks.forEach((mark) =>
        mark === 'silent' ? mockListener.onNote(undefined) : mockListener.onMark!(mark, 5_000),
      ),
    );
  const done = () => did.splice(0);
  const sendAll = (...events: readonly RoundEvent[]) => act(() => events.forEach((event) => send(event)));
  return { ...hook, send: sendAll, tell, done };
}

beforeEach(() => {
  jest.useFakeTimers();
  mockPlayed.length = 0;
  mockFails = undefined;
});
afterEach(() => jest.useRealTimers());

test('a clean round is told, the next one begins by itself after a breath at the tempo it earned', () => {
  const { result, send, tell, done } = playing();
  send({ kind: 'begin' });
  tell(BEAT, { kind: 'note', place: 0 }, { kind: 'end' }, 'silent');
  expect(result.current.state.phase).toBe('over');
  expect(done()).toEqual(['began 60', 'first beat at 60', 'report 60 unjudged', 'rested']);
  send({ kind: 'mark', clean: true });
  expect(done()).toEqual(['report 60 true', 'passed']);
  act(() => jest.advanceTimersByTime(599));
  expect(mockPlayed).toEqual([60]);
  act(() => jest.advanceTimersByTime(1));
  expect(mockPlayed).toEqual([60, 66]);
  expect(result.current.state).toMatchObject({ phase: 'counting', rung: { perMinute: 66, moved: 'up' } });
});

test('another thing to play, and leaving, silence what sounds and give up what is waited for', () => {
  const { result, send, tell, done, rerender, unmount } = playing();
  send({ kind: 'begin' });
  tell(BEAT);
  rerender({ of: 'another line' });
  expect(result.current.state.phase).toBe('still');
  send({ kind: 'begin' });
  tell({ kind: 'end' }, 'silent');
  send({ kind: 'pass' });
  done();
  unmount();
  act(() => jest.advanceTimersByTime(5_000));
  // A judgement that comes late begins nothing.
  send({ kind: 'judged', clean: true, ways: {}, goesOn: false }, { kind: 'begin' });
  expect(mockPlayed).toHaveLength(2);
  expect(done()).toEqual([]);
});

test('a sound that cannot be made ends the round', async () => {
  mockFails = new Error('no sound');
  const { result, send } = playing();
  send({ kind: 'begin' });
  await act(() => Promise.resolve());
  expect(result.current.state.phase).toBe('still');
});

test('the time of the first note is that of the sound', () => {
  const { result, send, tell, done } = playing();
  send({ kind: 'listening', on: true });
  send({ kind: 'begin' });
  tell({ kind: 'note', place: 0 });
  expect(result.current.state.startedAt).toBe(5_000);
  tell({ kind: 'end' }, 'silent');
  expect(done()).toContain('judge 5000');
});
