import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { Family } from '@same-song/core/instruments';
import type { KeyCell } from '@same-song/core/route';
import { lazyPart } from '../frame/lazyPart.tsx';
import { Loading } from '../controls/Loading.tsx';
import { useKeyTable } from '../compute/compute.ts';
import { scaleChoices } from '../question/KeyWords.tsx';
import type { QuestionState } from '../question/useQuestion.ts';
import { PickerPopover } from '../question/WordPicker.tsx';
import { CellDetail } from './CellDetail.tsx';
import { scaleName, tonicText } from './cellWords.ts';
import { KeyGrid } from './KeyGrid.tsx';
import { Check } from '../controls/Check.tsx';
import { FigureTools } from '../controls/FigureTools.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { ownKeyOf } from '../question/reference.ts';
import type { KeysViewProps } from './keysView.ts';
import { EASIEST, FEWEST_SETTINGS, heatOf, orderedRows, SCALE_SETS, shownScales } from './tableShape.ts';

/** A chart, of what the table says in figures. */
const OctaveStrips = lazyPart('The octaves', async () => (await import('./OctaveStrips.tsx')).OctaveStrips);

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
  const { chosen, question, family, param, setParam } = state;
  const asked = param('scales');
  const scales = useMemo(() => shownScales(asked, question.scale), [asked, question.scale]);
  const { data: table, error } = useKeyTable(chosen, scales, question.preferences);
  const heat = useMemo(() => table && heatOf(table), [table]);
  const home = useMemo(() => ownKeyOf(chosen).home, [chosen]);
  if (error) return <p role="alert">This table cannot be worked out: {error.message}</p>;
  if (!table || !heat) return <Loading>Trying every key…</Loading>;
  const order = param('order');
  const filters = filtersOf(family).filter((f) => param('only').split(',').includes(f.id));
  const selected = table.rows
    .flat()
    .find((cell) => cell.tonic === question.tonic && cell.scale === question.scale);
  const rows = orderedRows(table, order, home, question.scale, selected);
  return (
    <div className="split keys-split">
      <div>
        <TableTools state={state} scales={scales} />
        <figure className="figure">
          <KeyGrid
            rows={rows}
            scales={table.scales}
            holds={(cell) => filters.every((f) => f.holds(cell))}
            heat={heat}
            selected={selected}
            onChoose={(cell) => state.change('the key', { tonic: cell.tonic, scale: cell.scale })}
            sortedBy={order.startsWith(EASIEST) ? (order.split('.')[1] ?? question.scale) : undefined}
            onSort={(scale) => setParam('order', `${EASIEST}.${scale}`, 'the order')}
            onRemove={(scale) =>
              setParam('scales', listed(scales.filter((id) => id !== scale)), 'the scales shown')
            }
          />
          <FigureTools title={`All keys on ${chosen!.spec.name}`} />
        </figure>
        <p className="keys-legend">
          Figure: complete octaves · length of the fill: share of the notes that can be had · the deeper its
          colour, the less the best octave demands · ✓ nothing hard in it · faint: ruled out above
        </p>
        <OctaveStrips
          cells={rows.map((row) => row.find((cell) => cell.scale === question.scale) ?? row[0]!)}
          selected={question.tonic}
        />
      </div>
      <aside className="keys-side card" aria-label="This key">
        {selected && (
          <CellDetail
            cell={selected}
            state={state}
            row={rows.find((row) => row.includes(selected)) ?? [selected]}
            column={rows.flatMap((row) => row.filter(({ scale }) => scale === selected.scale))}
          />
        )}
      </aside>
    </div>
  );
}

/** Scales as the link holds them; when none is left, the question's own stays. */
function listed(scales: readonly string[]): string {
  return scales.join(',') || 'none';
}

interface TableToolsProps {
  readonly state: QuestionState;
  readonly scales: readonly string[];
}

/** Order, scales and filters of the table. */
function TableTools({ state, scales }: TableToolsProps) {
  const { question, family, param, setParam, flipParam } = state;
  const order = param('order');
  const [, sortScale] = order.split('.');
  const orders = [
    { id: '', label: 'by fifths from its own key' },
    { id: 'semitones', label: 'by semitones' },
    { id: EASIEST, label: 'the easiest first' },
    ...(family.setting
      ? [
          {
            id: FEWEST_SETTINGS,
            label: `fewest ${family.setting}s to move from ${tonicText(question.tonic)} first`,
          },
        ]
      : []),
    ...(sortScale ? [{ id: order, label: `the easiest in ${scaleName(sortScale)} first` }] : []),
  ];
  const asked = param('scales');
  const isSet = SCALE_SETS.some((set) => set.id === asked);
  const chosen = param('only').split(',');
  return (
    <div className="keys-tools row">
      <Picklist
        label="Order of the keys"
        silent
        value={order}
        choices={orders}
        onChange={(id) => setParam('order', id, 'the order')}
      />
      <Picklist
        label="Scales shown"
        silent
        value={asked}
        choices={isSet ? SCALE_SETS : [...SCALE_SETS, { id: asked, label: 'scales of your choice' }]}
        onChange={(id) => setParam('scales', id, 'the scales shown')}
      />
      <AddScale
        current={question.scale}
        onAdd={(id) => setParam('scales', listed([...new Set([...scales, id])]), 'the scales shown')}
      />
      {filtersOf(family).map(({ id, label }) => (
        <Check
          key={id}
          label={label}
          checked={chosen.includes(id)}
          onChange={() => flipParam('only', id, 'the filter')}
        />
      ))}
    </div>
  );
}

function AddScale({ current, onAdd }: { current: string; onAdd: (id: string) => void }) {
  const [open, setOpen] = useState(false);
  const [anchor, setAnchor] = useState<HTMLButtonElement | null>(null);
  return (
    <>
      <Button
        ref={setAnchor}
        size="small"
        variant="outlined"
        onClick={() => setOpen(true)}
        aria-haspopup="dialog"
      >
        Add a scale
      </Button>
      <PickerPopover
        name="scale to add"
        placeholder="A name, or 1 2 ♭3 4 5 …"
        anchor={() => anchor}
        open={open}
        onOpen={setOpen}
        search={(text) => scaleChoices(text, current)}
        onChoose={onAdd}
      />
    </>
  );
}
