import { useMemo } from 'react';
import type { Instrument } from '@same-song/core/instruments';
import { FigureTools } from '../controls/FigureTools.tsx';
import { pitchChip } from '../scene/pitchChip.ts';
import { SceneView } from '../scene/SceneView.tsx';

/** The instrument without a key: every way by its pitch; what it cannot do is dashed. */
export function LayoutDrawing({ instrument, stale }: { instrument: Instrument; stale: boolean }) {
  const scene = useMemo(
    () =>
      instrument.scene((way) => ({
        role: 'scale',
        ...pitchChip(instrument, way),
        usable: way.able,
      })),
    [instrument],
  );
  return (
    <figure className={stale ? 'editor-drawing editor-drawing-stale' : 'editor-drawing'}>
      <SceneView scene={scene} label={`Drawing of ${instrument.description}`} />
      <FigureTools title={instrument.description} />
      <figcaption>
        {instrument.description}
        {stale && ' · as it was before the change that is not right yet'} · dashed: marked as not possible
      </figcaption>
    </figure>
  );
}
