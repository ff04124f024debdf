import { act, renderHook, waitFor } from '@testing-library/react';
import { undo } from '../../../test/history.ts';
import { pageAt } from '../../../test/page.tsx';
import { QUAY } from '../../../test/quaySong.ts';
import { RecordServer } from '../../../test/recordServer.ts';
import { readSongFile } from '../editor/reading.ts';
import { useSongImport } from './useSongImport.ts';

jest.mock('../editor/reading.ts', () => ({ readSongFile: jest.fn() }));
const reads = jest.mocked(readSongFile);

const song = (title: string) => ({ song: { ...QUAY, title }, remarks: [] });
const problem = (message: string) => [{ field: '', wrong: '', message }];
const FILES = ['one.abc', 'book.abc', 'bad.mid'].map((name) => new File(['x'], name));

/** What each file holds; the one that is not here is refused. */
const HELD: Readonly<Record<string, Awaited<ReturnType<typeof readSongFile>>>> = {
  'one.abc': { ok: true, value: { format: 'abc', songs: [song('Weir')], refused: [] } },
  'book.abc': {
    ok: true,
    value: {
      format: 'abc',
      songs: [song('Lock'), song('Ferry')],
      refused: [{ number: 3, problems: problem('No key.') }],
    },
  },
  'bad.mid': { ok: false, problems: problem('This is no MIDI file.') },
};

beforeEach(() => {
  reads.mockReset();
  reads.mockImplementation(({ name }) => Promise.resolve(HELD[name]!));
});

function importing(files = FILES) {
  const server = new RecordServer().install();
  const onDone = jest.fn();
  const { result, unmount } = renderHook(() => useSongImport(files, onDone), { wrapper: pageAt('/songs') });
  const titles = () => result.current.found.map(({ read }) => read.song.title);
  return { server, result, titles, onDone, unmount };
}

test('files are read one after the other; what is refused is said by file and by tune', async () => {
  const { result, titles } = importing();
  expect(result.current.isReading).toBe(true);
  await waitFor(() => expect(result.current.isReading).toBe(false));
  expect(titles()).toEqual(['Weir', 'Lock', 'Ferry']);
  expect(result.current.refused).toEqual([
    { file: 'book.abc, tune 3', why: 'No key.' },
    { file: 'bad.mid', why: 'This is no MIDI file.' },
  ]);
  expect(result.current.wanted).toBe(3);
});

test('a reader that breaks off refuses its file and no other', async () => {
  reads.mockImplementation(({ name }) =>
    name === 'one.abc' ? Promise.reject(new Error('It takes too long.')) : Promise.resolve(HELD[name]!),
  );
  const { result, titles } = importing();
  await waitFor(() => expect(result.current.isReading).toBe(false));
  expect(result.current.refused[0]).toEqual({ file: 'one.abc', why: 'It takes too long.' });
  expect(titles()).toEqual(['Lock', 'Ferry']);
});

test('only what is ticked is kept, in one step of undo', async () => {
  const { server, result, onDone } = importing();
  await waitFor(() => expect(result.current.isReading).toBe(false));
  act(() => result.current.flip(result.current.found[1]!));
  expect(result.current.wanted).toBe(2);
  await act(() => result.current.keep());
  expect(server.rows.map(({ content }) => content['title'])).toEqual(['Weir', 'Ferry']);
  expect(onDone).toHaveBeenCalledTimes(1);
  await act(async () => expect(await undo()).toBe('reading 2 songs'));
  expect(server.rows.every(({ binned }) => binned)).toBe(true);
});

test('reading is stopped, what was read until then can still be kept; stopped again it is left', async () => {
  let letOn: () => void = () => undefined;
  reads.mockImplementation(async (file) => {
    if (file.name !== 'one.abc') await new Promise<void>((go) => (letOn = go));
    return HELD[file.name]!;
  });
  const { result, titles, onDone } = importing();
  await waitFor(() => expect(titles()).toEqual(['Weir']));
  act(() => result.current.stop());
  expect([result.current.isReading, result.current.isStopped]).toEqual([false, true]);
  await act(() => Promise.resolve(letOn()));
  expect(titles()).toEqual(['Weir']);
  expect(reads).toHaveBeenCalledTimes(2);
  act(() => result.current.stop());
  expect(onDone).toHaveBeenCalledTimes(1);
});
