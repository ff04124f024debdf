import { memo } from 'react';
import type { MapView, Technique } from '@same-song/core';
import { later } from '../frame/later.tsx';
import { InventoryTerms } from '../question/InventoryTerms.tsx';
import { SceneView } from '../scene/SceneView.tsx';

interface PrintSheetProps {
  readonly view: MapView;
  readonly title: string;
  readonly instrument: string;
  readonly techniques: readonly Technique[];
  /** Whether the line is printed as notes on a staff as well. */
  readonly staff: boolean;
}

const StaffSystems = later('The staff', async () => (await import('./Staff.tsx')).StaffSystems, {
  quiet: true,
});

/** More notes, or more letters of tab, are set smaller, so that all stays on one page. */
const NOTES_LARGE = 34;
const LETTERS_LARGE = 240;

/** Map on one page of paper: the question, the drawing, the tab in large type, what is safe and what is missing. */
export const PrintSheet = memo(function PrintSheet({
  view,
  title,
  instrument,
  techniques,
  staff,
}: PrintSheetProps) {
  const letters = view.line.reduce((sum, note) => sum + (note.tab ?? note.note).length, 0);
  const long = view.line.length > NOTES_LARGE || letters > LETTERS_LARGE;
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
      {staff && <StaffSystems staff={view.staff} words={view.line.map((note) => note.degree)} />}
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
        <InventoryTerms view={view} techniques={techniques} />
      </dl>
      <p className="print-foot">
        Solid: home and chord tones · outlined: in the scale · dashed: not possible here
      </p>
    </section>
  );
});
