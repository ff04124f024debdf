import { useMemo } from 'react';
import { defaultQuestion } from '@same-song/core/route';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useMapView } from '../compute/compute.ts';
import { ownKeyOf, type ChosenInstrument } from '../question/reference.ts';
import { SceneView } from '../scene/SceneView.tsx';
import type { UseProps } from './listeningUse.ts';

interface WayPictureProps extends Pick<UseProps, 'chosen' | 'instrument'> {
  readonly label: string;
  /** The way that sounds or is meant. */
  readonly selected: string | undefined;
  /** Others that sound the same, their ids parted by spaces: it is drawn anew only when they change. */
  readonly related?: string;
  /** Ways that were heard, as above. */
  readonly used?: string;
  readonly onSelect?: (id: string) => void;
}

/** The instrument in its own key, as its player sees it. */
export function WayPicture({
  chosen,
  instrument,
  label,
  selected,
  related = '',
  used = '',
  onSelect,
}: WayPictureProps) {
  const { data: view } = useOwnMap({ chosen, instrument });
  const names = useMemo(
    () => new Map(view?.ways.map((one) => [one.id, `${one.words}, ${one.note}`])),
    [view],
  );
  const others = useMemo(() => new Set(related.split(' ')), [related]);
  const heard = useMemo(() => new Set(used.split(' ')), [used]);
  if (!view) return null;
  return (
    <div className="listen-drawing">
      <SceneView
        scene={view.scene}
        label={label}
        names={names}
        selected={selected}
        related={others}
        used={heard}
        {...(onSelect && { onSelect, walked: true })}
      />
    </div>
  );
}

/** An instrument in the key in which its player begins. */
export function useOwnMap({
  chosen,
  instrument: { family },
}: {
  readonly chosen: ChosenInstrument;
  readonly instrument: UseProps['instrument'];
}) {
  const { settings } = useSettings();
  const question = useMemo(() => defaultQuestion(family, ownKeyOf(chosen)), [family, chosen]);
  return useMapView(chosen, question, { naming: settings.naming, dialect: dialectOf(settings, family) });
}
