import type { KeyboardEvent } from 'react';
import type { KeyCell } from '@same-song/core/route';
import { useRoving } from '../frame/roving.ts';
import { demandsText, octavesText, scaleName, tonicText } from './cellWords.ts';

interface KeyGridProps {
  readonly rows: readonly (readonly KeyCell[])[];
  readonly scales: readonly string[];
  readonly holds: (cell: KeyCell) => boolean;
  readonly heat: (cell: KeyCell) => number;
  readonly selected: KeyCell | undefined;
  readonly onChoose: (cell: KeyCell) => void;
  /** The scale whose easiest key stands first. */
  readonly sortedBy: string | undefined;
  readonly onSort: (scale: string) => void;
  readonly onRemove: (scale: string) => void;
}

/** A grid that arrow keys walk, with one stop for Tab in its head and one in its body; every cell is a button that says all it shows. */
export function KeyGrid({
  rows,
  scales,
  holds,
  heat,
  selected,
  onChoose,
  sortedBy,
  onSort,
  onRemove,
}: KeyGridProps) {
  const { ref: body, onFocus } = useRoving<HTMLTableSectionElement>('[data-cell]', false);
  const onKeyDown = (event: KeyboardEvent, row: number, column: number) => {
    const moves: Record<string, [number, number]> = {
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    body.current
      ?.querySelector<HTMLButtonElement>(`[data-cell="${row + move[0]},${column + move[1]}"]`)
      ?.focus();
  };
  return (
    <div className="keys-grid-scroller">
      <table className="keys-grid">
        <GridHead scales={scales} sortedBy={sortedBy} onSort={onSort} onRemove={onRemove} />
        <tbody ref={body} onFocus={onFocus}>
          {rows.map((row, r) => (
            <tr key={row[0]!.home}>
              <th scope="row">
                {tonicText(row[0]!.tonic)} <span>{row[0]!.facts[0]}</span>
              </th>
              {row.map((cell, c) => (
                <td key={cell.scale}>
                  <CellButton
                    cell={cell}
                    place={`${r},${c}`}
                    holds={holds(cell)}
                    heat={heat(cell)}
                    isSelected={cell === selected}
                    onChoose={() => onChoose(cell)}
                    onKeyDown={(event) => onKeyDown(event, r, c)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function GridHead({
  scales,
  sortedBy,
  onSort,
  onRemove,
}: Pick<KeyGridProps, 'scales' | 'sortedBy' | 'onSort' | 'onRemove'>) {
  const head = useRoving<HTMLTableRowElement>('button');
  return (
    <thead>
      <tr {...head}>
        <th scope="col">key</th>
        {scales.map((id) => (
          <th key={id} scope="col" aria-sort={id === sortedBy ? 'ascending' : undefined}>
            <button
              type="button"
              tabIndex={-1}
              className="keys-sort"
              onClick={() => onSort(id)}
              title={`The easiest in ${scaleName(id)} first`}
            >
              {scaleName(id)}
              {id === sortedBy && <span aria-hidden="true"> ▾</span>}
            </button>
            <button
              type="button"
              tabIndex={-1}
              className="keys-remove"
              onClick={() => onRemove(id)}
              aria-label={`Take ${scaleName(id)} out of the table`}
              title="Take out"
            >
              ×
            </button>
          </th>
        ))}
      </tr>
    </thead>
  );
}

interface CellButtonProps {
  readonly cell: KeyCell;
  /** `row,column`. */
  readonly place: string;
  /** What is asked of the table holds for it. */
  readonly holds: boolean;
  /** From 0 to 1. */
  readonly heat: number;
  readonly isSelected: boolean;
  readonly onChoose: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

function CellButton({ cell, place, holds, heat, isSelected, onChoose, onKeyDown }: CellButtonProps) {
  const share = cell.of === 0 ? 0 : cell.have / cell.of;
  const isEasy = cell.best !== undefined && cell.octaves[cell.best]!.hard.length === 0;
  const demands = cell.best === undefined ? '' : `; the best octave demands: ${demandsText(cell)}`;
  const name = `${tonicText(cell.tonic)} ${scaleName(cell.scale)}: ${octavesText(cell)}, ${cell.have} of ${cell.of} notes${isEasy ? ', nothing hard' : ''}${demands}${holds ? '' : '; ruled out above'}`;
  return (
    <button
      type="button"
      tabIndex={-1}
      data-cell={place}
      className={`keys-cell${holds ? '' : ' ruled-out'}${isSelected ? ' chosen' : ''}`}
      style={{
        '--share': `${Math.round(share * 100)}%`,
        '--heat': `${Math.round(14 + 66 * heat)}%`,
      }}
      aria-pressed={isSelected}
      title={name}
      onClick={onChoose}
      onKeyDown={onKeyDown}
    >
      <span className="unseen">{name}</span>
      <b aria-hidden="true">{cell.octaves.length}</b>
      <span aria-hidden="true">{isEasy ? '✓' : ''}</span>
    </button>
  );
}
