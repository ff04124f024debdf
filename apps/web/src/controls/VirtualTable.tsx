import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';
import { usePrinting } from '../frame/usePrinting.ts';
import './controls.css';

/** Height of a row before it is measured, in CSS pixels. */
const ROW_HEIGHT = 40;
/** Rows kept ready above and below those in view. */
const READY = 30;

/** A column: its name, which may be only spoken, and a class for its width. */
export interface Column {
  readonly label: string;
  readonly silent?: boolean;
  readonly className?: string;
}

interface VirtualTableProps<Row> {
  readonly label: string;
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  /** The cells of a row. */
  readonly children: (row: Row) => ReactNode;
}

/** A table of any length in the page: only the rows in view are drawn, on paper all of them. */
export function VirtualTable<Row>({ label, columns, rows, keyOf, children }: VirtualTableProps<Row>) {
  const table = useRef<HTMLTableElement>(null);
  const isPrinting = usePrinting();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => table.current?.closest('main') ?? null,
    estimateSize: () => ROW_HEIGHT,
    overscan: READY,
    getItemKey: (index) => keyOf(rows[index]!),
    scrollMargin: table.current?.offsetTop ?? 0,
    initialRect: { width: 1280, height: 800 },
  });
  const shown = isPrinting
    ? rows.map((_, index) => index)
    : virtual.getVirtualItems().map(({ index }) => index);
  const items = virtual.getVirtualItems();
  const above = isPrinting ? 0 : (items[0]?.start ?? 0) - virtual.options.scrollMargin;
  const below = isPrinting
    ? 0
    : virtual.getTotalSize() - ((items.at(-1)?.end ?? 0) - virtual.options.scrollMargin);
  return (
    <table ref={table} className="record-table card" aria-label={label} aria-rowcount={rows.length + 1}>
      <thead>
        <tr>
          {columns.map((column) => (
            <th key={column.label} scope="col" className={column.className}>
              {column.silent ? <span className="unseen">{column.label}</span> : column.label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <Gap height={above} />
        {shown.map((index) => (
          <tr
            key={keyOf(rows[index]!)}
            ref={virtual.measureElement}
            data-index={index}
            aria-rowindex={index + 2}
          >
            {children(rows[index]!)}
          </tr>
        ))}
        <Gap height={below} />
      </tbody>
    </table>
  );
}

/** Room for rows that are not drawn. */
function Gap({ height }: { readonly height: number }) {
  return height > 0 ? <tr aria-hidden="true" style={{ height }} /> : null;
}
