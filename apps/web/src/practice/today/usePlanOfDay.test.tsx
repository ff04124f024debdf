import { act, renderHook } from '@testing-library/react';
import { useLocation } from 'react-router';
import type { ItemRecord } from '../../api/records.ts';
import { redo, undo } from '../../../test/history.ts';
import { pageAt } from '../../../test/page.tsx';
import type { Practice } from '../usePracticeData.ts';
import { usePlanOfDay } from './usePlanOfDay.ts';

/** Items of five minutes each, none of them played yet. */
const item = (id: string, set = false) =>
  ({
    id,
    name: id,
    instrumentId: 'i',
    set,
    how: { minutes: 5 },
    what: { kind: 'line' },
  }) as unknown as ItemRecord;

function planning(items: readonly ItemRecord[], who = 'mara') {
  const practice = (person: string) =>
    ({
      own: items,
      who: person,
      scheduleFor: () => ({ due: undefined, last: undefined }),
      routines: [{ id: 'r', name: 'Warm up', steps: [{ itemId: 'b', minutes: 3 }] }],
    }) as unknown as Practice;
  const hook = renderHook(({ person }) => ({ plan: usePlanOfDay(practice(person)), place: useLocation() }), {
    wrapper: pageAt('/practice'),
    initialProps: { person: who },
  });
  const plan = () => hook.result.current.plan;
  return {
    plan,
    place: () => hook.result.current.place.pathname,
    ids: () => plan().rows.map(({ id }) => id),
    become: (person: string) => hook.rerender({ person }),
    unmount: hook.unmount,
  };
}

const THREE = [item('a'), item('b'), item('c', true)];

beforeEach(() => localStorage.clear());

test('what is set comes first, and what is changed is there again after a reload, for the same person only', () => {
  const first = planning(THREE);
  expect(first.ids()[0]).toBe('c');
  const before = first.ids();
  act(() => first.plan().move(first.plan().rows[0]!, 1));
  expect(first.ids()).toEqual([before[1], before[0], ...before.slice(2)]);
  expect(first.plan().isChanged).toBe(true);
  first.unmount();
  const again = planning(THREE);
  expect(again.ids().slice(0, 2)).toEqual([before[1], before[0]]);
  again.become('ilse');
  expect([again.ids(), again.plan().isChanged]).toEqual([before, false]);
});

test('a row is dragged to another place, lengthened and skipped, each undone and made again', async () => {
  const { plan, ids } = planning(['a', 'b', 'c'].map((id) => item(id, true)));
  const before = ids();
  act(() => plan().moveTo(plan().rows[0]!, 2));
  expect(ids()).toEqual([before[1], before[2], before[0]]);
  const minutes = () => plan().rows[0]!.minutes;
  const whole = plan().total;
  act(() => plan().lengthen(plan().rows[0]!, 1));
  expect([minutes(), plan().total]).toEqual([6, whole + 1]);
  act(() => plan().skip(plan().rows[0]!, 'a'));
  expect(ids()).toHaveLength(2);
  await act(async () => expect(await undo()).toBe('skipping a'));
  await act(async () => expect(await undo()).toBe('lengthening an item'));
  expect(minutes()).toBe(5);
  await act(async () => expect(await undo()).toBe('another order'));
  expect(ids()).toEqual(before);
  await act(async () => void (await redo()));
  expect(ids()).toEqual([before[1], before[2], before[0]]);
});

test('a routine takes the place of the plan, and another length of the day plans anew', () => {
  const { plan, ids } = planning(THREE);
  act(() => plan().takeRoutine('r'));
  expect(plan().rows).toEqual([{ id: 'b', minutes: 3, why: 'routine', overdue: 0 }]);
  act(() => plan().setMinutes(5));
  expect(ids()).toEqual(['c']);
  expect(plan().isChanged).toBe(false);
});

test('begun, all that is open is played; of an empty plan nothing is', () => {
  const some = planning(THREE);
  act(() => some.plan().begin());
  expect(some.place()).toBe(`/practice/play/${some.ids()[0]}`);
  const none = planning([]);
  act(() => none.plan().begin());
  expect([none.place(), none.plan().total]).toEqual(['/practice', 0]);
});
