import { line as lineShape } from 'd3-shape';
import type { KeyboardEvent, ReactNode } from 'react';
import { useRoving } from '../../frame/roving.ts';
import { NoteChip } from './NoteChip.tsx';
import { chipTop, type PlacedNote, type RowSize } from './rowSize.ts';
import './row.css';

export interface NoteRowProps {
  readonly notes: readonly PlacedNote[];
  /** In CSS pixels; a row that is given another width stretches to it. */
  readonly width: number;
  readonly size: RowSize;
  /** Whose notes they are. */
  readonly label: string;
  /** Keys of notes. */
  readonly selected: string | undefined;
  readonly sounding: string | undefined;
  /** Ids of ways that are marked as belonging together. */
  readonly related?: ReadonlySet<string>;
  /** Ids of notes that are played again and again. */
  readonly looped?: ReadonlySet<string> | undefined;
  /** How a way is played, in words; its tab by default. */
  readonly words?: ReadonlyMap<string, string>;
  /** Notes after which to breathe or to change direction, and how that is said. */
  readonly breaths?: ReadonlyMap<string, string> | undefined;
  /** Where bars end, in CSS pixels from the left edge. */
  readonly bars?: readonly number[];
  /** What stands beyond the degree of the note of this key. */
  readonly extra?: (key: string) => ReactNode;
  readonly onSelect: (key: string) => void;
}

/** A row of notes on a centre axis: one stop for Tab, Enter chooses; arrows keep their meaning on the whole page. */
export function NoteRow(props: NoteRowProps) {
  const { notes, width, size, label, selected, sounding, related, looped, words, breaths, bars } = props;
  const { extra, onSelect } = props;
  const { ref, onFocus } = useRoving<HTMLDivElement>('.row-note', false);
  const choose = (event: KeyboardEvent<HTMLDivElement>) => {
    const key = event.target instanceof HTMLElement ? event.target.dataset['key'] : undefined;
    if (event.key !== 'Enter' || key === undefined) return;
    event.preventDefault();
    onSelect(key);
  };
  return (
    <div
      ref={ref}
      className={`note-row row-${size.name}`}
      style={{ height: 2 * size.axis }}
      role="listbox"
      aria-label={label}
      aria-orientation="horizontal"
      onFocus={onFocus}
      onKeyDown={choose}
    >
      <Thread notes={notes} width={width} size={size} bars={bars} />
      {notes.map((placed) => (
        <NoteChip
          key={placed.key}
          placed={placed}
          width={width}
          size={size}
          how={placed.note.wayId === undefined ? undefined : words?.get(placed.note.wayId)}
          breath={breaths?.get(placed.note.id)}
          selected={selected === placed.key}
          sounding={sounding === placed.key}
          related={placed.note.wayId !== undefined && related?.has(placed.note.wayId) === true}
          looped={looped?.has(placed.note.id) === true}
          extra={extra?.(placed.key)}
          onSelect={onSelect}
        />
      ))}
      {breaths && <Breaths notes={notes} width={width} size={size} breaths={breaths} />}
    </div>
  );
}

interface ThreadProps extends Pick<NoteRowProps, 'notes' | 'width' | 'size'> {
  readonly bars: readonly number[] | undefined;
}

/** The axis, and the line as a thread through its notes, broken where one cannot be had. */
function Thread({ notes, width, size, bars = [] }: ThreadProps) {
  const height = 2 * size.axis;
  const [axisStroke, threadStroke] = size.strokes;
  const path = lineShape<PlacedNote>()
    .defined(({ note }) => note.wayId !== undefined)
    .x(({ x }) => x)
    .y(({ note }) => chipTop(size, note) + size.chip / 2);
  return (
    <svg
      className="row-thread"
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      width="100%"
      height={height}
      aria-hidden="true"
    >
      <path className="row-bars" d={bars.map((x) => `M${x} 0V${height}`).join('')} />
      <path d={`M0 ${size.axis}H${width}`} stroke="var(--ink)" strokeWidth={axisStroke} />
      <path d={path([...notes]) ?? ''} stroke="var(--brass)" strokeWidth={threadStroke} />
    </svg>
  );
}

const BREATH = 16;

function Breaths({
  notes,
  width,
  size,
  breaths,
}: Pick<NoteRowProps, 'notes' | 'width' | 'size'> & {
  readonly breaths: ReadonlyMap<string, string>;
}) {
  return notes.map(({ key, note, x }, i) => {
    const words = breaths.get(note.id);
    if (words === undefined) return null;
    const next = notes[i + 1]?.x ?? x + size.widest + BREATH;
    return (
      <span
        key={key}
        aria-hidden="true"
        className="row-breath"
        style={{ left: `${(50 * (x + next)) / width}%` }}
        title={words}
      >
        <svg width={BREATH} height={BREATH} viewBox="0 0 16 16">
          <path d="M3 3 8 12 13 3" fill="none" stroke="var(--ink)" strokeWidth={2.5} />
        </svg>
      </span>
    );
  });
}
