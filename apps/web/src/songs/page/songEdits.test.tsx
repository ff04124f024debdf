import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { QUARTER } from '@same-song/core/music';
import type { Song, SongEdit } from '@same-song/core/song';
import { redo, undo } from '../../../test/history.ts';
import { QUAY } from '../../../test/quaySong.ts';
import { RecordServer } from '../../../test/recordServer.ts';
import { songs } from '../../api/records.ts';
import { useNotice } from '../../frame/notice.ts';
import { useEditedSong, useSongEdits } from './songEdits.ts';

const SONG = QUAY;

const letters = (song: Pick<Song, 'parts'> | null | undefined) =>
  song?.parts[0]!.voices[0]!.notes.map(({ pitch }) => pitch.letter).join('');
const step = (noteId: string, steps = 1): SongEdit => ({ kind: 'step', noteIds: [noteId], steps });

/** A page that shows a song of the server. */
function editing() {
  const server = new RecordServer().install();
  const row = server.add('songs', 's', SONG);
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(
    () => {
      const { record, key } = useEditedSong(songs.useOne('s').data);
      return {
        record,
        key,
        make: useSongEdits({ ...SONG, id: 's', version: 1, ...record }),
        notice: useNotice(),
      };
    },
    { wrapper },
  );
  return {
    server,
    row,
    page: () => result.current,
    shown: () => letters(result.current.record),
    kept: () => letters(row.content as unknown as Song),
    make: (edits: readonly SongEdit[], label = 'an edit') => act(() => result.current.make(edits, label)),
    open: () => waitFor(() => expect(result.current.record).toBeTruthy()),
    /** Lets writes through that are held, until something is done. */
    async lettingThrough<T>(doing: Promise<T>): Promise<T> {
      let isDone = false;
      void doing.finally(() => (isDone = true));
      while (!isDone)
        await act(async () => {
          server.letThrough();
          await new Promise((later) => setTimeout(later, 5));
        });
      return doing;
    },
  };
}

test('quick presses are all shown at once, sent in their turn, and undone one by one', async () => {
  const { server, page, shown, kept, make, open, lettingThrough } = editing();
  await open();
  server.hold();
  const keys = new Set([page().key]);
  for (const note of ['C', 'D', 'E']) {
    make([step(note)]);
    keys.add(page().key);
  }
  make([step('E')]);
  expect([shown(), kept(), keys.size]).toEqual(['DEGF', 'CDEF', 4]);
  for (let n = 0; n < 4; n += 1) {
    await waitFor(() => expect(server.waiting).toBe(1));
    act(() => server.letThrough());
  }
  await waitFor(() => expect(kept()).toBe('DEGF'));
  expect(server.seen).toEqual([1, 2, 3, 4]);
  expect(await lettingThrough(undo())).toBe('an edit');
  await waitFor(() => expect(shown()).toBe('DEFF'));
});

test('an undo that is asked for before its edit was sent waits for it', async () => {
  const { server, shown, kept, make, open, lettingThrough } = editing();
  await open();
  make([step('C')]);
  server.hold();
  make([step('D')]);
  await lettingThrough(undo());
  expect(server.seen).toHaveLength(2);
  await waitFor(() => expect(shown()).toBe('DDEF'));
  expect(kept()).toBe('DDEF');
});

test('edits are laid upon what another page changed, and undo takes back only its own note', async () => {
  const { server, row, shown, kept, make, open } = editing();
  await open();
  const theirs = structuredClone(SONG) as unknown as {
    parts: { voices: { notes: { pitch: { letter: string } }[] }[] }[];
  };
  theirs.parts[0]!.voices[0]!.notes[3]!.pitch.letter = 'B';
  server.changeElsewhere('s', { parts: theirs.parts, title: 'Pier' });
  make([step('C')]);
  await waitFor(() => expect(kept()).toBe('DDEB'));
  await waitFor(() => expect(shown()).toBe('DDEB'));
  expect([row.content['title'], server.seen]).toEqual(['Pier', [1, 2]]);
  await act(async () => void (await undo()));
  expect([kept(), row.content['title']]).toEqual(['CDEB', 'Pier']);
  await act(async () => void (await redo()));
  await waitFor(() => expect(shown()).toBe('DDEB'));
});

test('an edit whose note another page took away is said and forgotten; the next one is made', async () => {
  const { server, page, kept, make, open, lettingThrough } = editing();
  await open();
  const theirs = structuredClone(SONG) as unknown as { parts: { voices: { notes: object[] }[] }[] };
  theirs.parts[0]!.voices[0]!.notes.shift();
  server.changeElsewhere('s', { parts: theirs.parts });
  server.hold();
  make([step('C')], 'a step up');
  make([step('F')], 'another');
  await lettingThrough(waitFor(() => expect(kept()).toBe('DEG')));
  expect(page().notice?.text).toMatch(/no such note.*“a step up” could not be made/u);
  expect(await lettingThrough(undo())).toBe('another');
});

test('with the server away an edit stays on the page and is sent when it is back', async () => {
  const { server, page, shown, kept, make, open } = editing();
  await open();
  server.goAway();
  make([step('C')]);
  await waitFor(() => expect(page().notice?.text).toMatch(/does not answer/u));
  expect(shown()).toBe('DDEF');
  server.comeBack();
  await waitFor(() => expect(kept()).toBe('DDEF'), { timeout: 6_000 });
  await waitFor(() => expect(page().key).toBe('s@2'));
});

test('what cannot be made of the song is said and changes nothing', async () => {
  const { server, page, shown, make, open } = editing();
  await open();
  make([{ kind: 'retime', noteId: 'F', length: 3 * QUARTER }]);
  expect(page().notice?.text).toBeTruthy();
  expect([shown(), server.seen]).toEqual(['CDEF', []]);
});
