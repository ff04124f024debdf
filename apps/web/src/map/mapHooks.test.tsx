import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, waitFor } from '@testing-library/react';
import { createMemoryRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { DEFAULT_SETTINGS } from '@same-song/core/records';
import type { MapView, Pin } from '@same-song/core/route';
import { answerReads } from '../../test/answerReads.ts';
import { workerCalls, workersComputeMaps } from '../../test/worker.ts';
import { useAlternatives, useMapView } from '../compute/compute.ts';
import { useNotice } from '../frame/notice.ts';
import { useQuestion, type QuestionState } from '../question/useQuestion.ts';
import { readSelection } from './selection.ts';
import { useComparison, type Beside } from './useComparison.ts';
import { useMapKeys } from './useMapKeys.ts';
import { useSameTab } from './useSameTab.ts';

beforeEach(workersComputeMaps);

interface Seen {
  state: QuestionState;
  view: MapView;
  beside: Beside | undefined;
  same: ReturnType<typeof useSameTab>;
}

/** Map's hooks behind a link, on a harmonica in C that is on loan. */
async function opened(link: string) {
  global.fetch = ((path: string) =>
    Promise.resolve(
      new Response(
        JSON.stringify(
          path.startsWith('/api/settings')
            ? { value: DEFAULT_SETTINGS, version: 1 }
            : answerReads([], new URL(path, 'http://here')),
        ),
      ),
    )) as typeof fetch;
  const done = { pinned: [] as Pin[], freed: [] as string[], heard: [] as number[], played: 0, said: '' };
  let seen: Seen | undefined;
  function Keys({ state, view }: { state: QuestionState; view: MapView }) {
    const beside = useComparison(state, view);
    const same = useSameTab(state);
    done.said = useNotice()?.text ?? '';
    const { note } = readSelection(view, state.at);
    useAlternatives(state.chosen, state.question, note?.id);
    useMapKeys({
      state,
      view,
      pin: (pin) => done.pinned.push(pin),
      unpin: (noteId) => done.freed.push(noteId),
      hear: (hz) => done.heard.push(hz),
      togglePlay: () => (done.played += 1),
    });
    seen = { state, view, beside, same };
    return null;
  }
  function Page() {
    const state = useQuestion();
    const { data } = useMapView(state.chosen, state.question, { naming: 'key', dialect: 'words' });
    return data ? <Keys state={state} view={data} /> : null;
  }
  const router = createMemoryRouter([{ path: '/map', element: <Page /> }], {
    initialEntries: [`/map?on=preset:diatonic/60&${link}`],
  });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  await waitFor(() => expect(seen).toBeDefined());
  const press = (...keys: string[]) => {
    for (const key of keys) act(() => void fireEvent.keyDown(document.body, { key }));
  };
  return { ...done, done, press, seen: () => seen!, at: () => seen!.state.current().at };
}

test('the arrows walk the line from either end, and stop at its ends', async () => {
  const map = await opened('in=C&play=major&dir=up');
  const ids = map.seen().view.line.map((note) => note.id);
  map.press('ArrowRight');
  expect(map.at()).toBe(ids[0]);
  map.press('ArrowRight', 'ArrowRight');
  expect(map.at()).toBe(ids[2]);
  map.press('ArrowLeft', 'ArrowLeft', 'ArrowLeft', 'ArrowLeft');
  expect(map.at()).toBe(ids[0]);
  map.press('Escape');
  expect(map.at()).toBeUndefined();
  map.press('ArrowLeft');
  expect(map.at()).toBe(ids.at(-1));
  map.press('ArrowRight');
  expect(map.at()).toBe(ids.at(-1));
});

test('up and down walk the ways by pitch', async () => {
  const map = await opened('in=C&play=major&dir=up');
  const pitches = map.seen().view.ways.map((way) => way.pitch);
  const pitchAt = () => map.seen().view.ways.find((way) => `way.${way.id}` === map.at())!.pitch;
  map.press('ArrowUp');
  expect(pitchAt()).toBe(Math.min(...pitches));
  map.press('ArrowUp', 'ArrowUp');
  expect(pitchAt()).toBe([...pitches].sort((a, b) => a - b)[2]);
  map.press('Escape', 'ArrowDown');
  expect(pitchAt()).toBe(Math.max(...pitches));
  map.press('ArrowUp', 'ArrowDown');
  expect(pitchAt()).toBe([...pitches].sort((a, b) => b - a)[1]);
});

test('a note is pinned as it is, let go, heard and given another way; without one the keys say what to do first', async () => {
  const map = await opened('in=C&play=major&dir=up&range=1.low');
  map.press('p');
  expect([map.pinned, map.done.said]).toEqual([[], 'Choose a note of the line first, with ← and →.']);
  const before = workerCalls().length;
  map.press('a');
  expect([map.pinned, workerCalls().length]).toEqual([[], before]);
  map.press('n', ' ');
  expect([map.heard, map.done.played]).toEqual([[], 1]);
  // G: 3 blow or 2 draw.
  map.press('ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight');
  const note = map.seen().view.line[4]!;
  map.press('p', 'n');
  expect(map.pinned).toEqual([{ noteId: note.id, wayId: note.wayId }]);
  expect(map.heard).toEqual([note.hz]);
  const other = map.seen().view.ways.find((w) => w.pitch === note.pitch && w.id !== note.wayId)!;
  map.press('a');
  await waitFor(() => expect(map.pinned.at(-1)).toEqual({ noteId: note.id, wayId: other.id }));
});

test('what is pinned already is let go', async () => {
  const map = await opened('in=C&play=major&dir=up&pin=72.1:4b&at=72.1');
  map.press('p');
  expect([map.freed, map.pinned]).toEqual([['72.1'], []]);
});

test('another scale beside the map keeps the instrument and lets go of pins', async () => {
  const map = await opened('in=C&play=major&dir=up&pin=72.1:4b&vs=play:mixolydian');
  await waitFor(() => expect(map.seen().beside?.comparison).toBeDefined());
  const { name, sameInstrument, question, key, comparison } = map.seen().beside!;
  expect([name, sameInstrument, key]).toEqual(['Mixolydian', true, 'preset:diatonic/60']);
  expect(question).toMatchObject({ scale: 'mixolydian', tonic: 'C', pins: [] });
  expect(comparison!.notes).toMatchObject({ dropped: ['B'], added: ['B♭'] });
  expect(comparison!.kept.length).toBeGreaterThan(0);
});

test('another instrument beside it is asked the same, in its own tab and by its own preferences', async () => {
  const map = await opened('in=C&play=major&dir=up&with=air&vs=on:preset:whistle/72');
  await waitFor(() => expect(map.seen().beside?.comparison).toBeDefined());
  const { name, sameInstrument, question, spec, view } = map.seen().beside!;
  expect([name, sameInstrument, spec.family]).toEqual([spec.name, false, 'whistle']);
  expect(question).toMatchObject({ scale: 'major', preferences: { preset: 'even' } });
  expect(map.seen().state.question.preferences.preset).toBe('air');
  expect(view!.ways.every((way) => way.tab !== '')).toBe(true);
  const [, , , notation] = workerCalls().findLast(
    ([call, subject]) => call === 'map' && subject.key === 'preset:whistle/72',
  )!;
  expect(notation).toEqual({ naming: 'key', dialect: DEFAULT_SETTINGS.dialects['whistle'] });
});

test('the same kind beside it keeps the preferences', async () => {
  const map = await opened('in=C&play=major&dir=up&with=air&vs=on:preset:diatonic/62');
  await waitFor(() => expect(map.seen().beside).toBeDefined());
  expect(map.seen().beside!.question.preferences.preset).toBe('air');
});

test.each(['play:nothing', 'on:gone', 'on:', 'play', 'by:major', ''])(
  'a comparison with %s is none',
  async (vs) => {
    const map = await opened(`in=C&play=major&vs=${vs}`);
    expect(map.seen().beside).toBeUndefined();
  },
);

test('other ways are asked for only when a note is chosen', async () => {
  const asked = () => workerCalls().filter(([name]) => name === 'alternatives').length;
  const before = asked();
  const map = await opened('in=C&play=major&dir=up');
  await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
  expect(asked()).toBe(before);
  map.press('ArrowRight');
  await waitFor(() => expect(asked()).toBe(before + 1));
});

test('O goes to the next instrument with the same tab, Shift O back, in a round; the list says what comes out', async () => {
  const map = await opened('in=G&play=major&dir=up');
  const key = () => [map.seen().state.chosen!.ref, map.seen().state.question.tonic];
  await waitFor(() => expect(map.seen().same.there).toHaveLength(6));
  const { there, more } = map.seen().same;
  expect(there.find(({ ref }) => ref === 'preset:diatonic/58')).toMatchObject({ comes: 'F' });
  expect(more).toBe(30 - 1 - 6);
  map.press('o');
  await waitFor(() => expect(key()).toEqual(['preset:diatonic/61', 'Ab']));
  act(() => void fireEvent.keyDown(document.body, { key: 'O', shiftKey: true }));
  await waitFor(() => expect(key()).toEqual(['preset:diatonic/60', 'G']));
  act(() => map.seen().same.take('preset:diatonic/58'));
  await waitFor(() => expect(key()).toEqual(['preset:diatonic/58', 'F']));
});

test('with most of it gone it is the same tab no more, and is not listed', async () => {
  const answers = (Worker as unknown as { answers: Record<string, unknown> }).answers;
  const parts = [5, 4, 10, 0, 9, 1];
  answers['sameTab'] = (_: unknown, question: object, others: readonly unknown[]) =>
    others.map((_other, i) => ({ question, kept: parts[i]!, of: 10 }));
  const map = await opened('in=A&play=major&dir=up');
  await waitFor(() => expect(map.seen().same.there.map(({ kept }) => kept)).toEqual([5, 10, 9]));
});
