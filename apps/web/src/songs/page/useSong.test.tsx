import { act, renderHook, waitFor } from '@testing-library/react';
import { useLocation } from 'react-router';
import { specFromPreset } from '@same-song/core/instruments';
import { redo, undo } from '../../../test/history.ts';
import { pageAt } from '../../../test/page.tsx';
import { QUAY } from '../../../test/quaySong.ts';
import { RecordServer } from '../../../test/recordServer.ts';
import { useSong } from './useSong.ts';

/** The page of a song on one of two harmonicas. */
async function song(search = '?on=low') {
  const server = new RecordServer().install();
  server.add('songs', 's', QUAY);
  for (const [id, preset] of [
    ['low', '60'],
    ['high', '67'],
  ])
    server.add('instruments', id!, specFromPreset('diatonic', preset!));
  const hook = renderHook(() => ({ state: useSong('s'), search: useLocation().search }), {
    wrapper: pageAt(`/songs/s${search}`),
  });
  await waitFor(() => expect(hook.result.current.state.chosen).toBeDefined());
  return {
    state: () => hook.result.current.state,
    link: () => Object.fromEntries(new URLSearchParams(hook.result.current.search)),
  };
}

test('two changes before the page is drawn again both hold, and each is a step of undo', async () => {
  const { state, link } = await song();
  act(() => {
    state().move(5);
    state().add({ style: 'rhythm', fullness: 'full', without: [] });
  });
  expect(link()).toMatchObject({ on: 'low', by: '5', adds: 'rhythm-full' });
  await act(async () => expect(await undo()).toBe('what is played with the melody'));
  expect(link()).not.toHaveProperty('adds');
  await act(async () => expect(await undo()).toBe('moving the song'));
  expect(link()).toEqual({ on: 'low' });
  await act(async () => void (await redo()));
  expect(link()).toMatchObject({ by: '5' });
});

test('pins and ways out hang on their notes; another place lets go of them', async () => {
  const { state, link } = await song('?on=low&by=0');
  act(() => state().pin({ noteId: 'C', wayId: '4b' }));
  act(() => state().pin({ noteId: 'D', wayId: '4d' }));
  act(() => state().pin({ noteId: 'C', wayId: '1b' }));
  expect(state().plan.pins).toEqual([
    { noteId: 'D', wayId: '4d' },
    { noteId: 'C', wayId: '1b' },
  ]);
  // A way out for a note takes its pin away.
  act(() => state().decide([{ noteId: 'C', kind: 'leave' } as never]));
  expect(state().plan.pins).toEqual([{ noteId: 'D', wayId: '4d' }]);
  act(() => state().unpin('D'));
  expect(state().plan.pins).toEqual([]);
  act(() => state().pin({ noteId: 'D', wayId: '4d' }));
  act(() => state().move(2));
  expect(link()).toEqual({ on: 'low', by: '2' });
});

test('another instrument keeps the mode and the place, and nothing that hangs on ways', async () => {
  const { state, link } = await song('?on=low&by=3&mode=dorian&pin=C.4b&with=smooth');
  act(() => state().play('high'));
  expect(link()).toEqual({ on: 'high', by: '3', mode: 'dorian' });
  act(() => state().play('low', -4));
  expect(link()).toMatchObject({ on: 'low', by: '-4' });
  act(() => state().putInto(undefined));
  expect(link()).not.toHaveProperty('mode');
});

test('a note is marked and unmarked, a passage goes round, another arrangement stands beside', async () => {
  const { state, link } = await song();
  act(() => state().select('D'));
  expect(state().at).toBe('D');
  act(() => state().select('D'));
  expect(state().at).toBeUndefined();
  act(() => state().setLoop({ from: 'C', to: 'E' }));
  expect(state().loop).toEqual({ from: 'C', to: 'E' });
  act(() => state().setLoop(undefined));
  expect([state().loop, link()]).toEqual([undefined, { on: 'low' }]);
  act(() => state().putBeside({ ref: 'high', by: 5 }));
  expect([state().isBeside, link()]).toEqual([true, { on: 'low', beside: 'high', besideBy: '5' }]);
  act(() => state().putBeside({ ref: 'high' }));
  expect(link()).toEqual({ on: 'low', beside: 'high' });
  await act(async () => void (await undo()));
  expect(link()).toMatchObject({ besideBy: '5' });
});
