import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { counted, dayOf, PLAN_MINUTES, type PracticeItem } from '@same-song/core';
import { people } from '../../api/records.ts';
import { remember } from '../../frame/undo.ts';
import { useKeeping } from '../../frame/useKeeping.ts';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { answering } from '../../question/KeyWords.tsx';
import { WordPicker, type Choice } from '../../question/WordPicker.tsx';
import { playLink } from '../stand/playLink.ts';
import {
  keepPlan,
  keptPlan,
  localOffset,
  moved,
  proposed,
  putBefore,
  whyWords,
  type TodayRow,
} from './today.ts';
import type { Practice } from '../usePractice.ts';

const MINUTES = [5, 10, 15, 20, 30, 45, 60, 90] as const;
const SOMEBODY_NEW = 'new';

/** The plan of the day: what to play in the minutes at hand, and why; to be changed as one likes. */
export function TodayView({ practice }: { readonly practice: Practice }) {
  const { own: items, scheduleFor, who, routines } = practice;
  const [minutes, setMinutes] = useState<number>(PLAN_MINUTES.usual);
  const [now] = useState(() => Date.now());
  const day = dayOf(now, localOffset());
  const [kept, setKept] = useState(() => ({ who, rows: keptPlan(day, who) }));
  if (kept.who !== who) setKept({ who, rows: keptPlan(day, who) });
  const plan = useMemo(
    () => proposed(items, scheduleFor, { minutes, now }),
    [items, scheduleFor, minutes, now],
  );
  const there = new Map(items.map((item) => [item.id, item]));
  const rows: readonly TodayRow[] = (kept.rows ?? plan.rows).filter(({ id }) => there.has(id));
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
  const open = rows.filter(({ done }) => !done);
  const begin = (from = 0) => {
    if (open.length === 0) return;
    put(rows);
    void navigate(playLink(open.slice(from)));
  };
  useShortcuts([{ key: 'Enter', label: 'Begin with the plan', group: 'Practice', run: () => begin() }]);
  const [dragged, setDragged] = useState<number | undefined>(undefined);
  const [over, setOver] = useState<number | undefined>(undefined);
  const total = open.reduce((sum, row) => sum + row.minutes, 0);
  return (
    <div className="today">
      <Sentence
        practice={practice}
        minutes={minutes}
        onMinutes={(wanted) => {
          setMinutes(wanted);
          put(undefined);
        }}
        onRoutine={(id) => {
          const routine = routines.find((one) => one.id === id);
          if (!routine) return put(undefined);
          change(
            `the routine ${routine.name}`,
            routine.steps.map((step) => ({
              id: step.itemId,
              minutes: step.minutes,
              why: 'routine',
              overdue: 0,
            })),
          );
        }}
      />
      {items.length === 0 ? (
        <Nothing />
      ) : rows.length === 0 ? (
        <p>
          Everything has been played today. Come again tomorrow, or choose from{' '}
          <Link to="/practice/items">everything</Link>.
        </p>
      ) : (
        <>
          <ol className="today-rows">
            {rows.map((row, at) => {
              const item = there.get(row.id)!;
              const label = item.name;
              const set = (part: Partial<TodayRow>) =>
                rows.map((one, i) => (i === at ? { ...one, ...part } : one));
              return (
                <li
                  key={row.id}
                  className={[row.done ? 'today-done' : '', over === at ? 'dragged-over' : '']
                    .join(' ')
                    .trim()}
                  draggable
                  onDragStart={() => setDragged(at)}
                  onDragEnd={() => {
                    setDragged(undefined);
                    setOver(undefined);
                  }}
                  onDragOver={(event) => {
                    if (dragged === undefined) return;
                    event.preventDefault();
                    setOver(at);
                  }}
                  onDrop={(event) => {
                    event.preventDefault();
                    setOver(undefined);
                    if (dragged !== undefined && dragged !== at)
                      change('another order', putBefore(rows, dragged, at));
                  }}
                >
                  <span className="today-name">
                    <b>{label}</b>
                    <small>
                      {[instrumentName(practice, item), row.done ? 'played' : whyWords(row)].join(' · ')}
                    </small>
                  </span>
                  <span className="today-minutes">
                    <button
                      type="button"
                      aria-label={`${label}: a minute less`}
                      disabled={row.minutes <= 1}
                      onClick={() => change('shortening an item', set({ minutes: row.minutes - 1 }))}
                    >
                      −
                    </button>
                    {row.minutes} min
                    <button
                      type="button"
                      aria-label={`${label}: a minute more`}
                      onClick={() => change('lengthening an item', set({ minutes: row.minutes + 1 }))}
                    >
                      +
                    </button>
                  </span>
                  <span className="today-tools">
                    <button
                      type="button"
                      aria-label={`${label}: earlier`}
                      disabled={at === 0}
                      onClick={() => change('another order', moved(rows, at, -1))}
                    >
                      ↑
                    </button>
                    <button
                      type="button"
                      aria-label={`${label}: later`}
                      disabled={at === rows.length - 1}
                      onClick={() => change('another order', moved(rows, at, 1))}
                    >
                      ↓
                    </button>
                    <button
                      type="button"
                      className="link"
                      aria-label={`skip ${label}`}
                      onClick={() =>
                        change(
                          `skipping ${label}`,
                          rows.filter((one) => one !== row),
                        )
                      }
                    >
                      skip
                    </button>
                    <button
                      type="button"
                      className="link"
                      aria-label={`play ${label}`}
                      onClick={() => {
                        put(rows);
                        void navigate(playLink([row]));
                      }}
                    >
                      play
                    </button>
                  </span>
                </li>
              );
            })}
          </ol>
          <p className="today-begin">
            <Button variant="contained" size="large" disabled={open.length === 0} onClick={() => begin()}>
              Begin: {counted(total, 'minute')}
            </Button>
            {kept.rows && (
              <button type="button" className="link" onClick={() => put(undefined)}>
                plan the day anew
              </button>
            )}
          </p>
          <Margins
            free={kept.rows ? 0 : plan.free}
            leftOut={plan.leftOut.filter((id) => !rows.some((row) => row.id === id))}
            nameOf={(id) => there.get(id)?.name ?? ''}
          />
        </>
      )}
    </div>
  );
}

/** Fewer minutes that are left over are not worth a word. */
const WORTH_FILLING = 3;

/** What the day is too short for, and the minutes for which there is nothing. */
function Margins({
  free,
  leftOut,
  nameOf,
}: {
  readonly free: number;
  readonly leftOut: readonly string[];
  readonly nameOf: (id: string) => string;
}) {
  const [first] = leftOut;
  return (
    <>
      {first !== undefined && (
        <p>
          Set by your teacher, with no room today: {leftOut.map(nameOf).join(', ')}.{' '}
          {leftOut.length === 1 ? 'It comes' : 'They come'} first next time.
        </p>
      )}
      {free >= WORTH_FILLING && (
        <p>
          {counted(free, 'minute')} free: make something longer, or choose more from{' '}
          <Link to="/practice/items">everything</Link>.
        </p>
      )}
    </>
  );
}

function instrumentName({ cabinet }: Practice, { instrumentId }: PracticeItem): string {
  return cabinet.find(({ id }) => id === instrumentId)?.name ?? '';
}

interface SentenceProps {
  readonly practice: Practice;
  readonly minutes: number;
  readonly onMinutes: (minutes: number) => void;
  readonly onRoutine: (id: string) => void;
}

function Sentence({ practice, minutes, onMinutes, onRoutine }: SentenceProps) {
  const { persons, person, who, routines, choosePerson } = practice;
  const [open, setOpen] = useState<'who' | 'minutes' | 'what' | undefined>(undefined);
  const { keep } = useKeeping(people);
  const picker = (name: NonNullable<typeof open>, shortcut: string) => ({
    name,
    shortcut,
    open: open === name,
    onOpen: (now: boolean) => setOpen(now ? name : undefined),
  });
  const filter = (choices: readonly Choice[]) => (text: string) => ({ choices: answering(choices, text) });
  useShortcuts([
    { key: 'w', label: 'Who practises', group: 'Practice', run: () => setOpen('who') },
    { key: 'm', label: 'How many minutes', group: 'Practice', run: () => setOpen('minutes') },
    { key: 'r', label: 'A routine, or the plan', group: 'Practice', run: () => setOpen('what') },
  ]);
  return (
    <h1 className="question-line">
      For{' '}
      <WordPicker
        {...picker('who', 'w')}
        word={person?.name ?? 'me'}
        placeholder="A name; one that is not there is added …"
        search={(text) => {
          const known = answering(
            [
              { id: '', label: 'me', current: who === '' },
              ...persons.map(({ id, name }) => ({ id, label: name, current: id === who })),
            ],
            text,
          );
          const typed = text.trim();
          const isNew =
            typed !== '' && !persons.some(({ name }) => name.toLowerCase() === typed.toLowerCase());
          return { choices: isNew ? [...known, { id: SOMEBODY_NEW, label: `add ${typed}` }] : known };
        }}
        onChoose={(id, typed) => {
          if (id !== SOMEBODY_NEW) return choosePerson(id);
          keep(
            { name: typed.trim(), notes: '' },
            {
              label: () => `adding ${typed}`,
              notice: () => `${typed} is there.`,
              onKept: (made) => choosePerson(made.id),
            },
          );
        }}
      />{' '}
      today:{' '}
      <WordPicker
        {...picker('minutes', 'm')}
        word={`${minutes} minutes`}
        placeholder="Minutes …"
        search={filter(
          MINUTES.map((one) => ({ id: String(one), label: `${one} minutes`, current: one === minutes })),
        )}
        onChoose={(id) => onMinutes(Number(id))}
      />{' '}
      of{' '}
      <WordPicker
        {...picker('what', 'r')}
        word="what is due"
        placeholder="A routine …"
        search={filter([
          { id: '', label: 'what is due', about: 'set, waiting, new, a song' },
          ...routines.map(({ id, name, steps }) => ({
            id,
            label: name,
            about: counted(steps.length, 'step'),
          })),
        ])}
        onChoose={onRoutine}
      />
      .
    </h1>
  );
}

function Nothing() {
  return (
    <div className="practice-empty">
      <p>Nothing to practise yet. Anything that can be played can be practised:</p>
      <ul>
        <li>
          a line of <Link to="/map">Map</Link>, with the key B;
        </li>
        <li>
          a <Link to="/songs">song</Link>, or a passage of it, with the key B;
        </li>
        <li>
          a drill or a progression, from <Link to="/practice/items">everything</Link>.
        </li>
      </ul>
    </div>
  );
}
