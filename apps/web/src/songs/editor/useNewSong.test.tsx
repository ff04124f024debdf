import { act, renderHook, waitFor } from '@testing-library/react';
import type { Song } from '@same-song/core/song';
import { readAbc } from '@same-song/formats';
import { undo } from '../../../test/history.ts';
import { pageAt } from '../../../test/page.tsx';
import { QUAY } from '../../../test/quaySong.ts';
import { RecordServer } from '../../../test/recordServer.ts';
import { songs } from '../../api/records.ts';
import { readText } from './reading.ts';
import { useNewSong } from './useNewSong.ts';

jest.mock('./reading.ts', () => ({
  ...jest.requireActual<object>('./reading.ts'),
  readText: jest.fn(),
}));
const reads = jest.mocked(readText);

const ABC = 'T:Weir\nL:1/4\nM:4/4\nK:C\nC D E F|';
const TAB = 'hole three blow and again';

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'setImmediate'] });
  sessionStorage.clear();
  reads.mockReset();
  reads.mockImplementation((_, text) => {
    const [first] = readAbc(text);
    return Promise.resolve(first!.ok ? { ...first!, tunes: 1 } : first!);
  });
});
afterEach(() => jest.useRealTimers());

function writing(hasRecord = false) {
  const server = new RecordServer().install();
  if (hasRecord) server.add('songs', 's', QUAY);
  const onDone = jest.fn();
  const hook = renderHook(
    () => {
      const { data: record } = songs.useOne(hasRecord ? 's' : undefined);
      const isReady = !hasRecord || Boolean(record);
      return { isReady, song: useNewSong(isReady && record ? record : undefined, onDone) };
    },
    { wrapper: pageAt('/songs') },
  );
  const song = () => hook.result.current.song;
  const type = async (text: string) => {
    act(() => song().setText(text));
    await act(() => jest.advanceTimersByTimeAsync(300));
  };
  return { server, hook, song, type, onDone };
}

test('a text is read once its writer pauses, and the song has the title that is typed or its own', async () => {
  const { song, type } = writing();
  act(() => song().setText(ABC.slice(0, 20)));
  await act(() => jest.advanceTimersByTimeAsync(200));
  expect(reads).not.toHaveBeenCalled();
  await type(ABC);
  expect(reads.mock.calls.map(([kind, text]) => [kind, text])).toEqual([['abc', ABC]]);
  expect([song().song?.title, song().canSave]).toEqual(['Weir', true]);
  act(() => song().setTitle('  Weir by night '));
  expect(song().song?.title).toBe('Weir by night');
});

test('what was typed since is not kept before it is read, and a text that is not understood never', async () => {
  const { song, type } = writing();
  await type(ABC);
  act(() => song().setText(`${ABC} G`));
  expect(song().canSave).toBe(false);
  await act(() => jest.advanceTimersByTimeAsync(300));
  expect(song().canSave).toBe(true);
  reads.mockResolvedValue({
    ok: false,
    problems: [{ field: '', wrong: 'x', message: 'No note.', position: 3 }],
  });
  await type(TAB);
  expect(song().kind).toBe('tab');
  expect([song().reading?.problems?.[0]?.message, song().song, song().canSave]).toEqual([
    'No note.',
    undefined,
    false,
  ]);
});

test('a reader that fails is said as a problem', async () => {
  const { song, type } = writing();
  reads.mockRejectedValue(new Error('It takes longer than 10 seconds; nothing was read.'));
  await type(ABC);
  expect(song().reading?.problems?.[0]?.message).toContain('longer than 10 seconds');
});

test('a new song is kept, and its text is gone from the box; one the server refuses stays', async () => {
  const { server, song, type, onDone } = writing();
  await type(ABC);
  server.goAway();
  act(() => song().save());
  await act(() => jest.advanceTimersByTimeAsync(50));
  expect([song().text, onDone.mock.calls.length]).toEqual([ABC, 0]);
  server.comeBack();
  act(() => song().save());
  await act(() => jest.advanceTimersByTimeAsync(50));
  expect(server.rows).toMatchObject([{ kind: 'songs', content: { title: 'Weir' }, binned: false }]);
  expect([song().text, onDone.mock.calls.length]).toEqual(['', 1]);
});

test('what is unfinished outlives a look at something else', async () => {
  const first = writing();
  await first.type(ABC);
  first.hook.unmount();
  expect(writing().song().text).toBe(ABC);
});

test('only notes of one length that were typed without a rhythm can be tapped', async () => {
  const { song, type } = writing();
  await type(ABC);
  expect(song().even).toBeUndefined();
  act(() => song().setKind('degrees'));
  await act(() => jest.advanceTimersByTimeAsync(300));
  expect(song().even?.parts[0]!.voices[0]!.notes).toHaveLength(4);
  const tapped = { ...song().song!, title: 'Tapped' };
  act(() => song().setTapped(tapped));
  expect(song().song?.title).toBe('Tapped');
  // Typed on, what was tapped belongs to another text.
  await type(`${ABC} G`);
  expect(song().song?.title).toBe('Weir');
});

test('a song that is there is changed, its notes keep their ids, and that can be undone', async () => {
  jest.useRealTimers();
  const { server, hook, song, onDone } = writing(true);
  await waitFor(() => expect(hook.result.current.isReady).toBe(true));
  act(() => song().setText(ABC.replace('C D E F', 'C D E G')));
  await waitFor(() => expect(song().canSave).toBe(true));
  act(() => song().save());
  await waitFor(() => expect(onDone).toHaveBeenCalledTimes(1));
  const noteIds = () =>
    (server.rows[0]!.content as unknown as Song).parts[0]!.voices[0]!.notes.map(({ id }) => id);
  // C, D and E are the notes that were there; the G is another.
  expect(noteIds().slice(0, 3)).toEqual(['C', 'D', 'E']);
  expect(noteIds()[3]).not.toBe('F');
  await act(async () => expect(await undo()).toBe('changing Weir'));
  expect(noteIds()).toEqual(['C', 'D', 'E', 'F']);
});
