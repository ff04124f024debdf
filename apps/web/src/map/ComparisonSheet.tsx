import { memo } from 'react';
import type { MapView } from '@same-song/core/route';
import { SceneView } from '../scene/SceneView.tsx';
import { ComparisonParts } from './ComparePanel.tsx';
import { PrintedLine } from './PrintSheet.tsx';
import type { Beside } from './useComparison.ts';

interface ComparisonSheetProps {
  readonly view: MapView;
  readonly title: string;
  /** What the first of the two is called beside the other. */
  readonly name: string;
  readonly beside: Beside;
}

/** Two maps on one page of paper: drawing and line of each, and what each asks. */
export const ComparisonSheet = memo(function ComparisonSheet({
  view,
  title,
  name,
  beside,
}: ComparisonSheetProps) {
  const both = [
    { name, view },
    { name: beside.name, view: beside.view },
  ];
  return (
    <section className="print-sheet print-both" data-one-page="" aria-hidden="true">
      <h1>
        {title} Beside it: {beside.name}
      </h1>
      {both.map(
        (one) =>
          one.view && (
            <section key={one.name}>
              <h2>{one.name}</h2>
              <div className="print-drawing">
                <SceneView scene={one.view.scene} label={one.name} />
              </div>
              <PrintedLine line={one.view.line} />
            </section>
          ),
      )}
      {beside.comparison && (
        <div className="print-parts">
          <ComparisonParts name={name} beside={beside} comparison={beside.comparison} />
        </div>
      )}
    </section>
  );
});
