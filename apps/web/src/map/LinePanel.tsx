import ToggleButton from '@mui/material/ToggleButton';
import { area, curveLinear, line as lineShape } from 'd3-shape';
import { memo, useEffect, useRef } from 'react';
import type { AirBalance, AirNames, LineView, MapView, Side, SideNames } from '@same-song/core';
import { later } from '../frame/later.tsx';
import { useRoving } from '../frame/roving.ts';
import { LineTab } from './LineTab.tsx';
import '../scene/noteChips.css';

interface LinePanelProps {
  readonly view: MapView;
  readonly air: AirNames | undefined;
  readonly sides: SideNames;
  /** Ids of notes. */
  readonly selected: string | undefined;
  readonly related: ReadonlySet<string>;
  readonly sounding: string | undefined;
  /** Whether the staff stands above the line. */
  readonly staff: boolean;
  readonly onSelect: (noteId: string) => void;
  readonly onStaff?: (shown: boolean) => void;
}

const StaffHead = later('The clef', async () => (await import('./Staff.tsx')).StaffHead, { quiet: true });
const StaffNotes = later('The staff', async () => (await import('./Staff.tsx')).StaffNotes);

/** Widths and heights in CSS pixels. */
const NOTE = { least: 38, leastOfTwoLines: 50, most: 96, height: 38, gap: 12, named: 62 };
/** Room for the notes at 1280 px; longer lines scroll. */
const WIDTH = 744;
const AXIS_Y = 62;
const LINE_HEIGHT = 2 * AXIS_Y;
/** The note's name stands on the other side of the axis. */
const NAME_Y: Readonly<Record<Side, number>> = {
  above: AXIS_Y + 5,
  below: AXIS_Y - 28,
  level: AXIS_Y + NOTE.height / 2 + 4,
};
/** A letter of tab and its share of the frame. */
const LETTER = 13;
const CURVE_HEIGHT = 42;
const GUTTER = 74;

/** The route note by note on a centre axis, out above and in below, with the running balance of air beneath it. */
export const LinePanel = memo(function LinePanel({
  view,
  air,
  sides,
  selected,
  related,
  sounding,
  staff,
  onSelect,
  onStaff,
}: LinePanelProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const { line } = view;
  const marked = sounding ?? selected;
  useEffect(() => {
    if (marked === undefined) return;
    scroller.current
      ?.querySelector(`[data-note="${marked}"]`)
      ?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [marked]);
  const roving = useRoving<HTMLDivElement>('.line-note', false);
  if (line.length === 0)
    return <p className="line-empty">No notes between these ends. Choose a wider range.</p>;
  const least = line.some((note) => note.brief?.includes('\n')) ? NOTE.leastOfTwoLines : NOTE.least;
  // What to do at a note stands below its chip and the finger at its corner.
  const hasMarksBelow = line.some((note) => note.mark !== undefined && note.side === 'below');
  const column = Math.max(least, Math.min(NOTE.most, Math.floor(WIDTH / line.length)));
  const width = column * line.length;
  return (
    <section className={hasMarksBelow ? 'line-panel marked-below' : 'line-panel'} aria-label="The line">
      <div className="line-gutter">
        {staff && <StaffHead staff={view.staff} width={GUTTER} />}
        <div className={sides.level ? 'line-sides three' : 'line-sides'} aria-hidden="true">
          <span>{sides.above}</span>
          {sides.level && <span>{sides.level}</span>}
          <span>{sides.below}</span>
          {air && <span className="line-store">{air.store}</span>}
        </div>
      </div>
      <div className="line-scroller" ref={scroller}>
        <div style={{ width }}>
          {staff && (
            <StaffNotes line={line} staff={view.staff} column={column} marked={marked} onSelect={onSelect} />
          )}
          <div
            {...roving}
            className="line-notes"
            role="listbox"
            aria-label="Notes of the line"
            aria-orientation="horizontal"
          >
            <Thread line={line} column={column} />
            {line.map((note) => (
              <LineNote
                key={note.id}
                note={note}
                column={column}
                words={view.ways.find((w) => w.id === note.wayId)?.words}
                selected={selected === note.id}
                related={note.wayId !== undefined && related.has(note.wayId)}
                sounding={sounding === note.id}
                onSelect={onSelect}
              />
            ))}
          </div>
          {air && <BalanceCurve air={view.air} store={air.store} width={width} column={column} line={line} />}
        </div>
      </div>
      {onStaff && (
        <ToggleButton
          className="line-staff"
          value="staff"
          selected={staff}
          title="The line as notes on a staff (F)"
          onChange={() => onStaff(!staff)}
        >
          staff
        </ToggleButton>
      )}
      <LineTab line={line} separator={view.tabSeparator} marked={marked} />
    </section>
  );
});

function noteY(note: LineView): number {
  if (note.side === 'level') return AXIS_Y;
  return note.side === 'above' ? AXIS_Y - NOTE.gap - NOTE.height / 2 : AXIS_Y + NOTE.gap + NOTE.height / 2;
}

/** The line as a thread through the notes, broken where a note cannot be had. */
function Thread({ line, column }: { line: readonly LineView[]; column: number }) {
  const path = lineShape<LineView>()
    .defined((note) => note.wayId !== undefined)
    .x((note) => (note.index + 0.5) * column)
    .y(noteY)
    .curve(curveLinear);
  return (
    <svg width={column * line.length} height={LINE_HEIGHT} className="line-thread" aria-hidden="true">
      <path d={`M0 ${AXIS_Y} H${column * line.length}`} stroke="var(--ink)" strokeWidth={2} />
      <path d={path(line) ?? ''} fill="none" stroke="var(--brass)" strokeWidth={3} />
    </svg>
  );
}

interface LineNoteProps {
  readonly note: LineView;
  readonly column: number;
  readonly words: string | undefined;
  readonly selected: boolean;
  readonly related: boolean;
  readonly sounding: boolean;
  readonly onSelect: (noteId: string) => void;
}

function LineNote({ note, column, words, selected, related, sounding, onSelect }: LineNoteProps) {
  const side = note.missing ? 'missing' : note.side;
  const extras = [note.fingering?.words, note.mark, note.pinned ? 'pinned' : undefined].filter(
    (text) => text,
  );
  const how = words ?? `not to be had, ${note.missing}`;
  const name = [`${note.note}, degree ${note.degree}: ${how}`, ...extras].join(', ');
  return (
    <div
      role="option"
      tabIndex={-1}
      aria-selected={selected}
      title={name}
      data-note={note.id}
      className={`line-note role-${note.role} side-${side}${related ? ' related' : ''}${sounding ? ' sounding' : ''}`}
      style={{ left: note.index * column, width: column }}
      onClick={() => onSelect(note.id)}
    >
      <span className="unseen">{name}</span>
      <span
        aria-hidden="true"
        className={`line-note-tab${setting(note.brief ?? '', column)}`}
        style={{ top: noteY(note) - NOTE.height / 2, height: NOTE.height }}
      >
        {note.brief ?? '—'}
        {note.fingering && <span className="line-note-fingering">{note.fingering.short}</span>}
        {note.pinned && <span className="line-note-pin" aria-hidden="true" />}
      </span>
      <span aria-hidden="true" className="line-note-name" style={{ top: NAME_Y[note.side] }}>
        <b>{note.degree}</b> {column >= NOTE.named && note.bareNote}
      </span>
      {note.mark && (
        <span aria-hidden="true" className={`line-note-mark mark-${note.side}`}>
          {note.mark}
        </span>
      )}
    </div>
  );
}

/** Class of a tab that would not fit its column as it is. */
function setting(brief: string, column: number): string {
  if (brief.includes('\n')) return ' two-lines';
  return brief.length * LETTER > column ? ' tight' : '';
}

/** Beats drawn less beats blown as a curve; above the middle the lungs are fuller than at the start. */
function BalanceCurve({
  air,
  store,
  width,
  column,
  line,
}: {
  air: AirBalance;
  store: string;
  width: number;
  column: number;
  line: readonly LineView[];
}) {
  const helped = line.filter((note) => air.helps.includes(note.id));
  const beats = air.points[air.points.length - 1]!.beat;
  const span = Math.max(3, air.most, -air.least);
  const x = (beat: number) => (width * beat) / beats;
  const y = (balance: number) => 3 + ((span - balance) / (2 * span)) * (CURVE_HEIGHT - 6);
  type Point = AirBalance['points'][number];
  const filled = area<Point>()
    .x((p) => x(p.beat))
    .y0(y(0))
    .y1((p) => y(p.balance));
  const edge = lineShape<Point>()
    .x((p) => x(p.beat))
    .y((p) => y(p.balance));
  const peak = air.points.findIndex((p) => p.balance === air.most);
  return (
    <figure
      className="balance"
      aria-label={`Air in the ${store}: at most ${signed(air.most)} beats, at least ${signed(air.least)}${helped.length > 0 ? `; air is needed before note ${helped.map((note) => note.index + 1).join(', ')}` : ''}`}
    >
      <svg width={width} height={CURVE_HEIGHT} aria-hidden="true">
        <path d={filled([...air.points]) ?? ''} fill="var(--air)" opacity={0.25} />
        <path d={`M0 ${y(0)} H${width}`} stroke="var(--rule)" strokeWidth={1.5} />
        <path d={edge([...air.points]) ?? ''} fill="none" stroke="var(--air)" strokeWidth={2} />
        {helped.map((note) => (
          <g key={note.id}>
            <path
              d={`M${x(note.start)} 0 V${CURVE_HEIGHT}`}
              stroke="var(--home)"
              strokeWidth={2}
              strokeDasharray="4 3"
            />
            <text
              x={x(note.start) + 4}
              y={CURVE_HEIGHT - 5}
              fill="var(--home)"
              fontSize={13}
              fontWeight={700}
            >
              air
            </text>
          </g>
        ))}
        {air.most > 0 && (
          <text
            x={Math.min(width - 4, Math.max(60, peak * column))}
            y={y(air.most) + 16}
            textAnchor={peak > line.length / 2 ? 'end' : 'middle'}
            fill="var(--ink)"
            fontSize={14}
          >
            {signed(air.most)}
          </text>
        )}
      </svg>
    </figure>
  );
}

function signed(value: number): string {
  return value > 0 ? `+${value}` : String(value).replace('-', '−');
}
