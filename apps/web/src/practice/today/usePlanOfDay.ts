import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { PLAN_MINUTES } from '@same-song/core/practice';
import { remember } from '../../frame/undo.ts';
import { playLink } from '../stand/playLink.ts';
import type { Practice } from '../usePracticeData.ts';
import { keepPlan, keptPlan, dayHere, moved, movedTo, proposed, type TodayRow } from './today.ts';

/** The plan of a day: proposed from what is due, or as it was changed or begun, which is kept. */
export function usePlanOfDay({ own: items, scheduleFor, who, routines }: Practice) {
  const [minutes, setMinutes] = useState<number>(PLAN_MINUTES.usual);
  const [now] = useState(() => Date.now());
  const day = dayHere(now);
  const [kept, setKept] = useState(() => ({ who, rows: keptPlan(day, who) }));
  if (kept.who !== who) setKept({ who, rows: keptPlan(day, who) });
  const plan = useMemo(
    () => proposed(items, scheduleFor, { minutes, now }),
    [items, scheduleFor, minutes, now],
  );
  const itemsById = useMemo(() => new Map(items.map((item) => [item.id, item])), [items]);
  const rows: readonly TodayRow[] = (kept.rows ?? plan.rows).filter(({ id }) => itemsById.has(id));
  const put = (next: readonly TodayRow[] | undefined) => {
    keepPlan(day, who, next);
    setKept({ who, rows: next });
  };
  const change = (label: string, next: readonly TodayRow[]) => {
    const before = kept.rows;
    put(next);
    remember({ label, undo: () => put(before), redo: () => put(next) });
  };
  const navigate = useNavigate();
  const play = (played: readonly TodayRow[]) => {
    if (played.length === 0) return;
    put(rows);
    void navigate(playLink(played));
  };
  const open = rows.filter(({ done }) => !done);
  return {
    rows,
    itemsById,
    minutes,
    /** Minutes of what is not played yet. */
    total: open.reduce((sum, row) => sum + row.minutes, 0),
    isChanged: kept.rows !== undefined,
    free: kept.rows ? 0 : plan.free,
    leftOut: plan.leftOut.filter((id) => !rows.some((row) => row.id === id)),
    planAnew: () => put(undefined),
    setMinutes: (wanted: number) => {
      setMinutes(wanted);
      put(undefined);
    },
    /** @param id of a routine; of none the day is planned anew */
    takeRoutine: (id: string) => {
      const routine = routines.find((one) => one.id === id);
      if (!routine) return put(undefined);
      const steps = routine.steps.map((step): TodayRow => ({
        id: step.itemId,
        minutes: step.minutes,
        why: 'routine',
        overdue: 0,
      }));
      change(`the routine ${routine.name}`, steps);
    },
    begin: () => play(open),
    play,
    move: (row: TodayRow, by: -1 | 1) => change('another order', moved(rows, rows.indexOf(row), by)),
    moveTo: (row: TodayRow, to: number) => change('another order', movedTo(rows, rows.indexOf(row), to)),
    lengthen: (row: TodayRow, by: -1 | 1) =>
      change(
        by > 0 ? 'lengthening an item' : 'shortening an item',
        rows.map((one) => (one === row ? { ...one, minutes: one.minutes + by } : one)),
      ),
    skip: (row: TodayRow, name: string) =>
      change(
        `skipping ${name}`,
        rows.filter((one) => one !== row),
      ),
  };
}

export type PlanOfDay = ReturnType<typeof usePlanOfDay>;
