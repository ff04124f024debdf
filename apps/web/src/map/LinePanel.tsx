import ToggleButton from '@mui/material/ToggleButton';
import { memo, useEffect, useMemo, useRef } from 'react';
import type { AirNames, SideNames } from '@same-song/core/instruments';
import type { LineView, MapView } from '@same-song/core/route';
import { lazyPart } from '../frame/lazyPart.tsx';
import { AirCurve } from '../scene/row/AirCurve.tsx';
import { NoteRow } from '../scene/row/NoteRow.tsx';
import { RowSides } from '../scene/row/RowSides.tsx';
import { LINE_ROW, type PlacedNote } from '../scene/row/rowSize.ts';
import { LineTab } from './LineTab.tsx';

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

const StaffHead = lazyPart('The clef', async () => (await import('./Staff.tsx')).StaffHead, { quiet: true });
const StaffNotes = lazyPart('The staff', async () => (await import('./Staff.tsx')).StaffNotes);

/** Width of one note in CSS pixels. */
const COLUMN = { least: 38, leastOfTwoLines: 50, most: 96 };
/** Room for the notes at 1280 px; longer lines scroll. */
const WIDTH = 744;
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
      ?.querySelector(`[data-key="${marked}"]`)
      ?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [marked]);
  const words = useMemo(() => new Map(view.ways.map((way) => [way.id, way.words])), [view]);
  if (line.length === 0)
    return <p className="line-empty">No notes between these ends. Choose a wider range.</p>;
  // What to do at a note stands below its chip and the finger at its corner.
  const hasMarksBelow = line.some((note) => note.mark !== undefined && note.side === 'below');
  const { column, width, notes } = laidOut(line);
  return (
    <section className={hasMarksBelow ? 'line-panel marked-below' : 'line-panel'} aria-label="The line">
      <div className="line-gutter">
        {staff && <StaffHead staff={view.staff} width={GUTTER} />}
        <RowSides sides={sides} size={LINE_ROW} />
        {air && <p className="line-store">{air.store}</p>}
      </div>
      <div className="line-scroller" ref={scroller}>
        <div style={{ width }}>
          {staff && (
            <StaffNotes line={line} staff={view.staff} column={column} marked={marked} onSelect={onSelect} />
          )}
          <NoteRow
            notes={notes}
            width={width}
            size={LINE_ROW}
            label="Notes of the line"
            words={words}
            selected={selected}
            related={related}
            sounding={sounding}
            onSelect={onSelect}
          />
          {air && (
            <AirCurve
              notes={notes}
              balance={view.air}
              store={air.store}
              width={width}
              height={CURVE_HEIGHT}
            />
          )}
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

/** Notes of a line in columns of one width, as wide as the line leaves room for. */
function laidOut(line: readonly LineView[]) {
  const hasTwoLines = line.some((note) => note.brief?.includes('\n'));
  const least = hasTwoLines ? COLUMN.leastOfTwoLines : COLUMN.least;
  const column = Math.max(least, Math.min(COLUMN.most, Math.floor(WIDTH / line.length)));
  const notes = line.map((note): PlacedNote => ({
    key: note.id,
    note,
    x: (note.index + 0.5) * column,
    room: column,
  }));
  return { column, width: column * line.length, notes };
}
