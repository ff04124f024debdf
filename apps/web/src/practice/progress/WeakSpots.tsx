import { useMemo, useState } from 'react';
import { familyById } from '@same-song/core/instruments';
import { waysOf } from '@same-song/core/practice';
import { defaultQuestion } from '@same-song/core/route';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import { InstrumentPicklist } from '../../controls/InstrumentPicklist.tsx';
import { choose } from '../../question/reference.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import type { Practice } from '../usePracticeData.ts';

/** Steps of heat, by the share that went wrong. */
const HEAT = [0.1, 0.25, 0.45] as const;

/** Where it goes wrong on one instrument: as heat on its drawing, and as a list. */
export function WeakSpots({ practice }: { readonly practice: Practice }) {
  const { entries, cabinet } = practice;
  const { settings } = useSettings();
  const played = useMemo(
    () =>
      cabinet.filter(({ id }) =>
        entries.some((entry) => entry.instrumentId === id && Object.keys(entry.ways).length > 0),
      ),
    [cabinet, entries],
  );
  const [on, setOn] = useState('');
  const instrument = played.find(({ id }) => id === on) ?? played[0];
  const chosen = useMemo(() => instrument && choose(instrument.id, cabinet, false), [instrument, cabinet]);
  const family = familyById(instrument?.family ?? '');
  const question = useMemo(() => family && defaultQuestion(family), [family]);
  const { data: view } = useMapView(chosen, question ?? defaultQuestion(familyById('diatonic')!), {
    naming: settings.naming,
    dialect: family ? dialectOf(settings, family) : '',
  });
  const records = useMemo(
    () => (instrument ? waysOf(entries, instrument.id) : new Map<string, never>()),
    [entries, instrument],
  );
  const heat = useMemo(
    () =>
      new Map(
        [...records.values()].flatMap(({ wayId, played: times, missed }) =>
          times > 0 ? [[wayId, HEAT.filter((step) => missed / times >= step).length] as const] : [],
        ),
      ),
    [records],
  );
  if (!instrument || !view) return null;
  const worst = [...records.values()]
    .filter(({ missed, wayId }) => missed > 0 && view.ways.some(({ id }) => id === wayId))
    .sort((a, b) => b.missed / b.played - a.missed / a.played || b.played - a.played)
    .slice(0, 8);
  const wordsOf = (wayId: string) => view.ways.find(({ id }) => id === wayId)?.words ?? wayId;
  const names = new Map(
    view.ways.map((way) => {
      const record = records.get(way.id);
      return [
        way.id,
        record ? `${way.words}: ${record.missed} of ${record.played} missed` : `${way.words}: not asked yet`,
      ];
    }),
  );
  return (
    <section>
      <h2>Where does it go wrong?</h2>
      <InstrumentPicklist label="On" value={instrument.id} cabinet={played} onChange={setOn} />
      <div className="drill-drawing">
        <SceneView
          scene={view.scene}
          label="Where it goes wrong: the darker, the more often"
          names={names}
          heat={heat}
        />
      </div>
      <ol>
        {worst.map(({ wayId, played: times, missed }) => (
          <li key={wayId}>
            {wordsOf(wayId)}: {missed} of {times} missed
          </li>
        ))}
      </ol>
    </section>
  );
}
