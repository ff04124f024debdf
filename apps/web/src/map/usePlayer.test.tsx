import { act, renderHook, waitFor } from '@testing-library/react';
import { families } from '@same-song/core/instruments';
import type { LineView } from '@same-song/core/route';
import { useNotice } from '../frame/notice.ts';
import { playNote, playScore, stopPlaying } from '../sound/player.ts';
import { usePlayer } from './usePlayer.ts';

jest.mock('../sound/player.ts', () => ({
  playScore: jest.fn(),
  playNote: jest.fn(),
  stopPlaying: jest.fn(),
}));
const playing = jest.mocked(playScore);
const note = jest.mocked(playNote);
const stop = jest.mocked(stopPlaying);

const voice = { timbre: families.diatonic.timbre, drones: [220] };
const LINE = [
  { id: 'a', wayId: '1b', hz: 262, start: 0, beats: 1 },
  { id: 'b', wayId: undefined, hz: 277, start: 1, beats: 1 },
  { id: 'c', wayId: '1d', hz: 294, start: 2, beats: 1 },
] as unknown as readonly LineView[];

function player() {
  return renderHook(({ line }) => ({ ...usePlayer(line, 92, voice), notice: useNotice() }), {
    initialProps: { line: LINE },
  });
}

beforeEach(() => {
  jest.resetAllMocks();
  playing.mockResolvedValue(undefined);
  note.mockResolvedValue(undefined);
});

test('notes that can be had are played, each is told as it sounds, and stopping is told too', () => {
  const { result } = player();
  expect([result.current.playing, result.current.sounding]).toEqual([false, undefined]);
  act(() => result.current.toggle());
  expect(result.current.playing).toBe(true);
  const [score, timbre, listener] = playing.mock.calls[0]!;
  const onNote = listener as (id: string | undefined) => void;
  expect(score.sounds.filter(({ kind }) => kind === 'melody').map(({ noteId }) => noteId)).toEqual([
    'a',
    'c',
  ]);
  expect(timbre).toBe(voice.timbre);
  act(() => onNote('c'));
  expect([result.current.playing, result.current.sounding]).toEqual([true, 'c']);
  const stopped = stop.mock.calls.length;
  act(() => result.current.toggle());
  expect([stop.mock.calls.length, playing.mock.calls.length]).toEqual([stopped + 1, 1]);
  act(() => onNote(undefined));
  expect([result.current.playing, result.current.sounding]).toEqual([false, undefined]);
});

test('another line silences the one that plays', () => {
  const { rerender } = player();
  const before = stop.mock.calls.length;
  rerender({ line: LINE.slice(0, 1) });
  expect(stop.mock.calls.length).toBe(before + 1);
});

test('where no sound can be made, that is said, and nothing seems to play', async () => {
  playing.mockRejectedValue(new Error('no device'));
  note.mockRejectedValue(new Error('no device'));
  const { result } = player();
  act(() => result.current.toggle());
  await waitFor(() => expect(result.current.playing).toBe(false));
  expect(result.current.notice).toMatchObject({ kind: 'error' });
  const { id } = result.current.notice!;
  act(() => result.current.hear(440));
  expect(note).toHaveBeenCalledWith(440, voice.timbre);
  await waitFor(() => expect(result.current.notice!.id).toBeGreaterThan(id));
  expect(result.current.notice!.text).toContain('No sound could be made here');
});
