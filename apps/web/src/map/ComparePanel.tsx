import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import type { Comparison, WayView } from '@same-song/core/route';
import { tabLine } from '../question/tabLine.ts';
import type { Beside } from './useComparison.ts';
import { TableHeads } from '../controls/TableHeads.tsx';

interface ComparePanelProps {
  readonly name: string;
  readonly beside: Beside;
  readonly onEnd: () => void;
}

/** What is kept, dropped and added, and what each of the two asks of its player. */
export function ComparePanel({ name, beside, onEnd }: ComparePanelProps) {
  const { comparison } = beside;
  return (
    <aside className="verdict" aria-label="Comparison">
      <div className="compare-head">
        <h2>Side by side</h2>
        <Button size="small" variant="outlined" onClick={onEnd} title="V">
          End comparing
        </Button>
      </div>
      {comparison ? (
        <ComparisonParts name={name} beside={beside} comparison={comparison} />
      ) : (
        <p className="verdict-plain">Working out the other one…</p>
      )}
    </aside>
  );
}

interface ComparisonPartsProps {
  readonly name: string;
  readonly beside: Beside;
  readonly comparison: Comparison;
}

/** All that tells the two apart, on screen and on paper. */
export function ComparisonParts({ name, beside, comparison }: ComparisonPartsProps) {
  return (
    <>
      <EffortTable first={name} second={beside.name} comparison={comparison} />
      <NotesPart {...comparison.notes} />
      {beside.sameInstrument && <WaysPart {...comparison} />}
    </>
  );
}

interface EffortTableProps {
  readonly first: string;
  readonly second: string;
  readonly comparison: Comparison;
}

function EffortTable({ first, second, comparison }: EffortTableProps) {
  return (
    <Table className="compare-table">
      <TableHeads columns={[{ unseen: 'What' }, first, second]} />
      <TableBody>
        <TableRow>
          <TableCell component="th" scope="row">
            notes to be had
          </TableCell>
          {comparison.coverage.map((text, i) => (
            <TableCell key={i}>{text}</TableCell>
          ))}
        </TableRow>
        {comparison.terms.map((term) => (
          <TableRow key={term.label}>
            <TableCell component="th" scope="row">
              {term.label}
            </TableCell>
            <TableCell className={term.first < term.second ? 'compare-less' : ''}>{term.first}</TableCell>
            <TableCell className={term.second < term.first ? 'compare-less' : ''}>{term.second}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function NotesPart({ kept, dropped, added }: Comparison['notes']) {
  const rows = [
    { title: 'Notes kept', names: kept },
    { title: 'Notes dropped', names: dropped },
    { title: 'Notes added', names: added },
  ];
  return rows.map(({ title, names }) => (
    <section key={title}>
      <h2>{title}</h2>
      <p className="verdict-plain">{names.length > 0 ? names.join('  ') : 'none'}</p>
    </section>
  ));
}

function WaysPart({ kept, dropped, added }: Pick<Comparison, 'kept' | 'dropped' | 'added'>) {
  const rows: readonly { title: string; ways: readonly WayView[] }[] = [
    { title: 'Leave out now', ways: dropped },
    { title: 'Take in now', ways: added },
    { title: 'Stay', ways: kept },
  ];
  return rows.map(({ title, ways }) => (
    <section key={title}>
      <h2>{title}</h2>
      <p className="verdict-plain">{tabLine(ways, ', ') || 'nothing'}</p>
    </section>
  ));
}
