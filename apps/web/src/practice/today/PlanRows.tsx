import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { CSSProperties } from 'react';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { SignButton } from '../../controls/SignButton.tsx';
import type { Practice } from '../usePracticeData.ts';
import { whyWords, type TodayRow } from './today.ts';
import type { PlanOfDay } from './usePlanOfDay.ts';

interface PlanRowsProps {
  readonly plan: PlanOfDay;
  readonly cabinet: Practice['cabinet'];
}

/** The rows of the plan, to be dragged into another order by their handles. */
export function PlanRows({ plan, cabinet }: PlanRowsProps) {
  const { rows } = plan;
  const sensors = useSensors(useSensor(PointerSensor));
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        const row = rows.find(({ id }) => id === active.id);
        const to = rows.findIndex(({ id }) => id === over?.id);
        if (row && to >= 0 && rows[to] !== row) plan.moveTo(row, to);
      }}
    >
      <SortableContext items={rows.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <ol className="today-rows bare card">
          {rows.map((row, at) => (
            <PlanRow
              key={row.id}
              row={row}
              plan={plan}
              isFirst={at === 0}
              isLast={at === rows.length - 1}
              cabinet={cabinet}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface PlanRowProps extends PlanRowsProps {
  readonly row: TodayRow;
  readonly isFirst: boolean;
  readonly isLast: boolean;
}

function PlanRow({ row, plan, isFirst, isLast, cabinet }: PlanRowProps) {
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: row.id });
  const { name, instrumentId } = plan.itemsById.get(row.id)!;
  const on = cabinet.find(({ id }) => id === instrumentId)?.name ?? '';
  const style: CSSProperties = {
    transform: transform ? `translateY(${transform.y}px)` : undefined,
    transition,
  };
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={[row.done && 'today-done', isDragging && 'today-dragged'].filter((one) => one).join(' ')}
    >
      <span className="today-handle" title="Drag to another place" aria-hidden="true" {...listeners}>
        ⠿
      </span>
      <span className="today-name">
        <b>{name}</b>
        <small className="below">{[on, row.done ? 'played' : whyWords(row)].join(' · ')}</small>
      </span>
      <span className="today-minutes large strong">
        <SignButton
          label={`${name}: a minute less`}
          sign="−"
          disabled={row.minutes <= 1}
          onClick={() => plan.lengthen(row, -1)}
        />
        {row.minutes} min
        <SignButton label={`${name}: a minute more`} sign="+" onClick={() => plan.lengthen(row, 1)} />
      </span>
      <span className="today-tools">
        <SignButton
          label={`${name}: earlier`}
          sign="↑"
          disabled={isFirst}
          onClick={() => plan.move(row, -1)}
        />
        <SignButton label={`${name}: later`} sign="↓" disabled={isLast} onClick={() => plan.move(row, 1)} />
        <LinkButton label={`skip ${name}`} onClick={() => plan.skip(row, name)}>
          skip
        </LinkButton>
        <LinkButton label={`play ${name}`} onClick={() => plan.play([row])}>
          play
        </LinkButton>
      </span>
    </li>
  );
}
