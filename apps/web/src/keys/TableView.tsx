import { useMemo, useRef, type KeyboardEvent } from 'react';
import { familyById, SCALES, type Family, type KeyCell, type KeyTable } from '@same-song/core';
import { useKeyTable } from '../compute/compute.ts';
import { CellDetail } from './CellDetail.tsx';
import { asksText, octavesText, scaleName, tonicText } from './cellWords.ts';
import { OctaveStrips } from './OctaveStrips.tsx';
import type { KeysViewProps } from './KeysPage.tsx';

/** Scales that a teacher asks for first; all others on demand. */
const USUAL = [
  'major',
  'natural-minor',
  'dorian',
  'mixolydian',
  'major-pentatonic',
  'minor-pentatonic',
  'blues-six',
  'harmonic-minor',
];

const ORDERS = [
  { id: '', label: 'by fifths from its own key' },
  { id: 'semitones', label: 'by semitones' },
  { id: 'ease', label: 'the easiest first' },
];

interface Filter {
  readonly id: string;
  readonly label: string;
  readonly holds: (cell: KeyCell) => boolean;
}

function filtersOf(family: Family): Filter[] {
  return [
    { id: 'octave', label: 'at least one octave', holds: (cell) => cell.octaves.length > 0 },
    { id: 'whole', label: 'nothing missing', holds: (cell) => cell.missing.length === 0 },
    ...family.techniques
      .filter((technique) => !technique.safe)
      .map((technique) => ({
        id: technique.id,
        label: `no ${technique.label}`,
        holds: (cell: KeyCell) => cell.octaves.some((octave) => !octave.hard.includes(technique.id)),
      })),
  ];
}

/** Twelve keys of many scales on one instrument. */
export function TableView({ state }: KeysViewProps) {
  const { chosen, ask, family, param, setParam, flipParam } = state;
  const all = param('scales') === 'all';
  const scales = useMemo(() => {
    const ids = all ? SCALES.filter((s) => s.group !== 'chords').map((s) => s.id) : USUAL;
    return ids.includes(ask.scale) ? ids : [ask.scale, ...ids];
  }, [all, ask.scale]);
  const { data: table, error } = useKeyTable(chosen?.spec, scales, ask.preferences);
  const filters = filtersOf(family);
  const wanted = param('only')
    .split(',')
    .filter((id) => id !== '');
  const toggle = (id: string) => flipParam('only', id, 'the filter');
  const holds = (cell: KeyCell) => filters.every((f) => !wanted.includes(f.id) || f.holds(cell));
  if (error) return <p role="alert">This table cannot be worked out: {error.message}</p>;
  if (!table) return <p className="loading">Trying every key…</p>;
  const heat = heatOf(table);
  const rows = orderedRows(table, param('order'), chosen!.spec.family, chosen!.spec.layout, ask.scale);
  const selected = table.rows.flat().find((cell) => cell.tonic === ask.tonic && cell.scale === ask.scale);
  return (
    <div className="keys-split">
      <div>
        <div className="keys-tools">
          <label>
            <span className="unseen">Order of the keys</span>
            <select
              value={param('order')}
              onChange={(event) => setParam('order', event.target.value, 'the order')}
            >
              {ORDERS.map((order) => (
                <option key={order.id} value={order.id}>
                  {order.label}
                </option>
              ))}
            </select>
          </label>
          <label>
            <input
              type="checkbox"
              checked={all}
              onChange={(event) => setParam('scales', event.target.checked ? 'all' : '', 'the scales shown')}
            />
            all scales
          </label>
          {filters.map((filter) => (
            <label key={filter.id}>
              <input
                type="checkbox"
                checked={wanted.includes(filter.id)}
                onChange={() => toggle(filter.id)}
              />
              {filter.label}
            </label>
          ))}
        </div>
        <Grid
          rows={rows}
          scales={table.scales}
          holds={holds}
          heat={heat}
          selected={selected}
          onChoose={(cell) => state.change('the key', { tonic: cell.tonic, scale: cell.scale })}
        />
        <p className="keys-legend">
          Figure: complete octaves · length of the fill: share of the notes that can be had · the deeper its
          colour, the less the best octave asks · ✓ nothing hard in it · faint: ruled out above
        </p>
        <OctaveStrips
          cells={rows.map((row) => row.find((cell) => cell.scale === ask.scale)!)}
          selected={ask.tonic}
        />
      </div>
      <aside className="keys-side" aria-label="This key">
        {selected && <CellDetail cell={selected} state={state} />}
      </aside>
    </div>
  );
}

function orderedRows(
  table: KeyTable,
  order: string,
  familyId: string,
  layout: unknown,
  scale: string,
): readonly (readonly KeyCell[])[] {
  const opened = familyById(familyId)?.open(layout, {});
  const home = opened?.ok ? opened.value.home : 0;
  const steps = Array.from({ length: 12 }, (_, i) => i);
  if (order === 'semitones') return steps.map((i) => table.rows[(home + i) % 12]!);
  const fifths = steps.map((i) => table.rows[(home + 7 * i) % 12]!);
  if (order !== 'ease') return fifths;
  const cellOf = (row: readonly KeyCell[]) => row.find((cell) => cell.scale === scale) ?? row[0]!;
  const worth = (cell: KeyCell) => {
    const best = cell.best === undefined ? undefined : cell.octaves[cell.best]!;
    return best ? best.hard.length * 100 + best.total : 10_000 - cell.have / Math.max(1, cell.of);
  };
  return [...fifths].sort((a, b) => worth(cellOf(a)) - worth(cellOf(b)));
}

/** From 0, the hardest best octave of the table, to 1, the easiest; each by its effort a note. */
function heatOf(table: KeyTable): (cell: KeyCell) => number {
  const effort = (cell: KeyCell) =>
    cell.best === undefined ? undefined : cell.octaves[cell.best]!.total / cell.notes;
  const all = table.rows.flat().flatMap((cell) => effort(cell) ?? []);
  const least = Math.min(...all);
  const most = Math.max(...all);
  return (cell) => {
    const own = effort(cell);
    if (own === undefined) return 0;
    // By the root, since a few very hard keys would make all others look alike.
    return most === least ? 1 : 1 - Math.sqrt((own - least) / (most - least));
  };
}

interface GridProps {
  readonly rows: readonly (readonly KeyCell[])[];
  readonly scales: readonly string[];
  readonly holds: (cell: KeyCell) => boolean;
  readonly heat: (cell: KeyCell) => number;
  readonly selected: KeyCell | undefined;
  readonly onChoose: (cell: KeyCell) => void;
}

/** A grid that arrow keys walk; every cell is a button that says all it shows. */
function Grid({ rows, scales, holds, heat, selected, onChoose }: GridProps) {
  const body = useRef<HTMLTableSectionElement>(null);
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
        <thead>
          <tr>
            <th scope="col">key</th>
            {scales.map((id) => (
              <th key={id} scope="col">
                {scaleName(id)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody ref={body}>
          {rows.map((row, r) => (
            <tr key={row[0]!.home}>
              <th scope="row">
                {tonicText(row[0]!.tonic)} <span>{row[0]!.facts[0]}</span>
              </th>
              {row.map((cell, c) => {
                const share = cell.of === 0 ? 0 : cell.have / cell.of;
                const easy = cell.best !== undefined && cell.octaves[cell.best]!.hard.length === 0;
                const name = `${tonicText(cell.tonic)} ${scaleName(cell.scale)}: ${octavesText(cell)}, ${cell.have} of ${cell.of} notes${easy ? ', nothing hard' : ''}${cell.best === undefined ? '' : `; the best octave asks: ${asksText(cell)}`}`;
                const isSelected = cell === selected;
                return (
                  <td key={cell.scale}>
                    <button
                      type="button"
                      data-cell={`${r},${c}`}
                      className={`keys-cell${holds(cell) ? '' : ' ruled-out'}${isSelected ? ' chosen' : ''}`}
                      style={{
                        ['--share' as string]: `${Math.round(share * 100)}%`,
                        ['--heat' as string]: `${Math.round(14 + 66 * heat(cell))}%`,
                      }}
                      aria-pressed={isSelected}
                      title={name}
                      onClick={() => onChoose(cell)}
                      onKeyDown={(event) => onKeyDown(event, r, c)}
                    >
                      <span className="unseen">{name}</span>
                      <b aria-hidden="true">{cell.octaves.length}</b>
                      <span aria-hidden="true">{easy ? '✓' : ''}</span>
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
