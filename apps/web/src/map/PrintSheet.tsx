import { memo } from 'react';
import type { Technique } from '@same-song/core/instruments';
import type { LineView, MapView } from '@same-song/core/route';
import { lazyPart } from '../frame/lazyPart.tsx';
import { usePrinting } from '../frame/usePrinting.ts';
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

const StaffSystems = lazyPart('The staff', async () => (await import('./Staff.tsx')).StaffSystems, {
  quiet: true,
});

/**
 * Map on one page of paper: the question, the drawing, the tab in large type, what is safe and what is missing. Made when
 * it is printed, since on the screen it would be laid out anew with every change; with a staff it stands ready, because
 * that is fetched.
 */
export const PrintSheet = memo(function PrintSheet(props: PrintSheetProps) {
  const printing = usePrinting();
  return (printing || props.staff) && <Sheet {...props} />;
});

function Sheet({ view, title, instrument, techniques, staff }: PrintSheetProps) {
  return (
    <section className="print-sheet" data-one-page="" aria-hidden="true">
      <h1>{title}</h1>
      <p>
        {[
          view.facts.notes.join(' '),
          ...view.instrumentFacts,
          `against major: ${view.facts.againstMajor}`,
          view.facts.signature,
          ...view.facts.between,
        ]
          .filter((fact) => fact !== undefined)
          .join(' · ')}
      </p>
      <div className="print-drawing">
        <SceneView scene={view.scene} label={instrument} />
      </div>
      {staff && <StaffSystems staff={view.staff} words={view.line.map((note) => note.degree)} />}
      <PrintedLine line={view.line} />
      <dl className="print-lists">
        <InventoryTerms view={view} techniques={techniques} />
      </dl>
      <p className="print-foot">
        Solid: home and chord tones · outlined: in the scale · dashed: not possible here
      </p>
    </section>
  );
}

/** The line in large tab, degree and note under it. */
export function PrintedLine({ line }: { readonly line: readonly LineView[] }) {
  return (
    <ol className="print-line">
      {line.map((note) => (
        <li key={note.id}>
          <b>{note.tab ?? '—'}</b>
          <span>
            {note.degree} {note.note}
          </span>
        </li>
      ))}
    </ol>
  );
}
