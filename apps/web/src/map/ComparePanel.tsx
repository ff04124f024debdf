import Button from '@mui/material/Button';
import type { Comparison, WayView } from '@same-song/core';
import { tabLine } from '../question/tabLine.ts';
import type { Beside } from './useComparison.ts';

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
        <>
          <EffortTable first={name} second={beside.name} comparison={comparison} />
          <NotesPart {...comparison.notes} />
          {beside.sameInstrument && <WaysPart {...comparison} />}
        </>
      ) : (
        <p className="verdict-plain">Working out the other one…</p>
      )}
    </aside>
  );
}

interface EffortTableProps {
  readonly first: string;
  readonly second: string;
  readonly comparison: Comparison;
}

function EffortTable({ first, second, comparison }: EffortTableProps) {
  return (
    <table className="compare-table">
      <thead>
        <tr>
          <th scope="col">
            <span className="unseen">What</span>
          </th>
          <th scope="col">{first}</th>
          <th scope="col">{second}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">notes to be had</th>
          {comparison.coverage.map((text, i) => (
            <td key={i}>{text}</td>
          ))}
        </tr>
        {comparison.terms.map((term) => (
          <tr key={term.label}>
            <th scope="row">{term.label}</th>
            <td className={term.first < term.second ? 'compare-less' : ''}>{term.first}</td>
            <td className={term.second < term.first ? 'compare-less' : ''}>{term.second}</td>
          </tr>
        ))}
      </tbody>
    </table>
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
