import { useMemo } from 'react';
import { line as path } from 'd3-shape';
import type { LineView, SideNames } from '@same-song/core';
import '../scene/noteChips.css';
import { SceneView } from '../scene/SceneView.tsx';
import { Fate } from './fates.tsx';
import type { HeardRound } from './round/heardRound.ts';
import { standRows, type Playable } from './playable.ts';
import { useWide } from './useWide.ts';

interface StandProps {
  readonly playable: Playable;
  /** Place of the note that sounds; the first is next where none does. */
  readonly at: number | undefined;
  /** For a pupil who sits opposite. */
  readonly mirror: boolean;
  /** How notes went, by their place, once they were followed. */
  readonly fates?: HeardRound['fates'] | undefined;
  readonly onNote: (place: number) => void;
}

const NONE: ReadonlySet<string> = new Set();

/** What is read while playing: the instrument with what sounds and what comes next, the row that is played and the one after it. */
export function Stand({ playable, at, mirror, fates, onNote }: StandProps) {
  const { line, notes, scene, names, family } = playable;
  const wide = useWide();
  const rows = useMemo(() => standRows(notes, wide ? 8 : 6), [notes, wide]);
  const found = rows.findIndex((row) => at !== undefined && row.includes(at));
  // After a round what went wrong first is looked at.
  const wrong = rows.findIndex((one) => one.some((place) => (fates?.get(String(place)) ?? 'hit') !== 'hit'));
  const row = found >= 0 ? found : at === undefined ? Math.max(0, wrong) : 0;
  const wayAt = (place: number | undefined) =>
    place === undefined ? undefined : line.get(notes[place]?.noteId ?? '')?.wayId;
  const now = wayAt(at);
  const next = wayAt(at === undefined ? 0 : at + 1);
  const related = useMemo(() => (next === undefined ? NONE : new Set([next])), [next]);
  const used = useMemo(
    () => new Set([...line.values()].flatMap(({ wayId }) => (wayId === undefined ? [] : [wayId]))),
    [line],
  );
  return (
    <div className="stand">
      <div className={mirror ? 'stand-drawing mirrored' : 'stand-drawing'}>
        <SceneView
          scene={scene}
          label={`${playable.facts[0] ?? ''}: what sounds and what comes next`}
          names={names}
          selected={now}
          related={related}
          used={used}
        />
      </div>
      <StandRow
        playable={playable}
        row={rows[row] ?? []}
        at={at}
        sides={family.sides}
        fates={fates}
        onNote={onNote}
      />
      {rows.length > 1 && (
        <div className="stand-then">
          <p>then</p>
          <StandRow
            playable={playable}
            row={rows[(row + 1) % rows.length]!}
            at={undefined}
            sides={family.sides}
            fates={fates}
            onNote={onNote}
          />
        </div>
      )}
    </div>
  );
}

/** Heights in CSS pixels. */
const CHIP = 54;
const AXIS = 68;

function StandRow({
  playable: { line, notes },
  row,
  at,
  sides,
  fates,
  onNote,
}: {
  readonly playable: Playable;
  readonly row: readonly number[];
  readonly at: number | undefined;
  readonly sides: SideNames;
  readonly fates: StandProps['fates'];
  readonly onNote: (place: number) => void;
}) {
  const share = 100 / Math.max(1, row.length);
  const placed = row.flatMap((place, i) => {
    const note = line.get(notes[place]!.noteId);
    return note ? [{ place, note, x: (i + 0.5) * share }] : [];
  });
  const thread = path<(typeof placed)[number]>()
    .defined(({ note }) => note.wayId !== undefined)
    .x(({ x }) => x)
    .y(({ note }) => chipTop(note) + CHIP / 2);
  return (
    <div className="stand-row" style={{ height: 2 * AXIS }}>
      <span className="stand-side stand-above">{sides.above}</span>
      <span className="stand-side stand-below">{sides.below}</span>
      <svg
        className="line-thread"
        viewBox={`0 0 100 ${2 * AXIS}`}
        preserveAspectRatio="none"
        width="100%"
        height={2 * AXIS}
        aria-hidden="true"
      >
        <path d={`M0 ${AXIS}H100`} stroke="var(--ink)" strokeWidth={2} vectorEffect="non-scaling-stroke" />
        <path
          d={thread(placed) ?? ''}
          fill="none"
          stroke="var(--brass)"
          strokeWidth={3.5}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {placed.map(({ place, note, x }) => (
        <button
          key={place}
          type="button"
          className={`line-note stand-note role-${note.role} side-${note.missing ? 'missing' : note.side}${place === at ? ' sounding' : ''}`}
          style={{ left: `${x - share / 2}%`, width: `${share}%` }}
          aria-current={place === at}
          onClick={() => onNote(place)}
        >
          <span className="unseen">
            {note.note}, degree {note.degree}: {note.tab ?? `not to be had, ${note.missing ?? ''}`}
          </span>
          <span
            className={`line-note-tab${sizeOf(note)}`}
            style={{ top: chipTop(note), height: CHIP }}
            aria-hidden="true"
          >
            {note.brief ?? '—'}
          </span>
          <span
            className="line-note-name"
            aria-hidden="true"
            style={{ top: note.side === 'below' ? AXIS - 33 : AXIS + 6 }}
          >
            {note.degree}
          </span>
          {fates?.has(String(place)) && (
            <span className="stand-fate" style={{ top: note.side === 'below' ? AXIS - 58 : AXIS + 36 }}>
              <Fate fate={fates.get(String(place))!} />
            </span>
          )}
        </button>
      ))}
    </div>
  );
}

function sizeOf({ brief = '' }: LineView): string {
  if (brief.includes('\n')) return ' two-lines';
  return brief.length > 5 ? ' tight' : '';
}

function chipTop({ side, missing }: LineView): number {
  if (side === 'level' || missing !== undefined) return AXIS - CHIP / 2;
  return side === 'above' ? AXIS - 9 - CHIP : AXIS + 9;
}
