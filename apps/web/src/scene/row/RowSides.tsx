import type { SideNames } from '@same-song/core/instruments';
import type { RowSize } from './rowSize.ts';
import './row.css';

/** What the places above, on and below the axis of a row are called, beside the row. */
export function RowSides({ sides, size }: { readonly sides: SideNames; readonly size: RowSize }) {
  return (
    <div className={`row-sides row-${size.name}`} style={{ height: 2 * size.axis }} aria-hidden="true">
      <span>{sides.above}</span>
      {sides.level && <span>{sides.level}</span>}
      <span>{sides.below}</span>
    </div>
  );
}
