import { lazy, memo, Suspense } from 'react';
import type { MapView } from '@same-song/core';
import { tabLine } from '../question/tabLine.ts';
import { SceneView } from '../scene/SceneView.tsx';

interface PrintSheetProps {
  readonly view: MapView;
  readonly title: string;
  readonly instrument: string;
  /** Whether the line is printed as notes on a staff as well. */
  readonly staff: boolean;
}

const StaffSystems = lazy(async () => ({ default: (await import('./Staff.tsx')).StaffSystems }));

/** More notes, or more letters of tab, are set smaller, so that all stays on one page. */
const NOTES_LARGE = 34;
const LETTERS_LARGE = 240;

/** Map on one page of paper: the question, the drawing, the tab in large type, what is safe and what is missing. */
export const PrintSheet = memo(function PrintSheet({ view, title, instrument, staff }: PrintSheetProps) {
  const letters = view.line.reduce((sum, note) => sum + (note.tab ?? note.note).length, 0);
  const long = view.line.length > NOTES_LARGE || letters > LETTERS_LARGE;
  const lists = [
    { title: 'Safe', ways: view.ways.filter((w) => w.advice === 'safe') },
    { title: 'A risk', ways: view.ways.filter((w) => w.advice === 'risk' && w.usable) },
    { title: 'Leave out', ways: view.ways.filter((w) => w.advice === 'leave' && w.usable && !w.redundant) },
  ];
  return (
    <section
      className={`print-sheet${long ? ' print-long' : ''}${staff ? ' print-staff' : ''}`}
      aria-hidden="true"
    >
      <h1>{title}</h1>
      <p>
        {[
          view.facts.notes.join(' '),
          ...view.instrumentFacts,
          `against major: ${view.facts.againstMajor}`,
          view.facts.signature,
        ]
          .filter((fact) => fact !== undefined)
          .join(' · ')}
      </p>
      <div className="print-drawing">
        <SceneView scene={view.scene} label={instrument} />
      </div>
      <Suspense>
        {staff && <StaffSystems staff={view.staff} words={view.line.map((note) => note.degree)} />}
      </Suspense>
      <ol className="print-line">
        {view.line.map((note) => (
          <li key={note.id}>
            <b>{note.tab ?? '—'}</b>
            <span>
              {note.degree} {note.note}
            </span>
          </li>
        ))}
      </ol>
      <dl className="print-lists">
        {lists.map((list) => (
          <div key={list.title}>
            <dt>{list.title}</dt>
            <dd>{tabLine(list.ways, view.tabSeparator) || 'nothing'}</dd>
          </div>
        ))}
        {view.missing.length > 0 && (
          <div>
            <dt>Missing</dt>
            <dd>{view.missing.map((m) => `${m.note} (${m.text})`).join(', ')}</dd>
          </div>
        )}
      </dl>
      <p className="print-foot">
        Solid: home and chord tones · outlined: in the scale · dashed: not possible here
      </p>
    </section>
  );
});
