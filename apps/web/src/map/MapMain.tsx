import { useCallback, useMemo } from 'react';
import { familyById } from '@same-song/core/instruments';
import type { MapView } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import type { QuestionState } from '../question/useQuestion.ts';
import { SceneView } from '../scene/SceneView.tsx';
import { LayerStepper } from './LayerStepper.tsx';
import { Legend } from './Legend.tsx';
import { LinePanel } from './LinePanel.tsx';
import { MapTools } from './MapTools.tsx';
import type { Selection } from './selection.ts';
import type { Beside } from './useComparison.ts';
import type { MapSounds } from './useMapSounds.ts';

interface MapMainProps {
  readonly state: QuestionState;
  readonly view: MapView;
  /** The whole question in words. */
  readonly title: string;
  readonly sounds: MapSounds;
  readonly selection: Selection;
  readonly beside: Beside | undefined;
  readonly onWay: (id: string) => void;
  readonly onNote: (id: string) => void;
}

/** The drawing and the line, with the tools above them; another map below where two are compared. */
export function MapMain({ state, view, title, sounds, selection, beside, onWay, onNote }: MapMainProps) {
  const { family, chosen, settings, changeSettings } = state;
  const { player } = sounds;
  const sounding = view.line.find(({ id }) => id === player.sounding);
  const showStaff = useCallback((staff: boolean) => changeSettings({ staff }), [changeSettings]);
  const used = useMemo(() => new Set(view.line.flatMap((note) => (note.wayId ? [note.wayId] : []))), [view]);
  const names = useMemo(
    () =>
      new Map(
        view.ways.map((way) => [
          way.id,
          `${way.words}, ${way.note}, degree ${way.degree}, ${way.role}${way.usable ? '' : ', not possible here'}`,
        ]),
      ),
    [view],
  );
  return (
    <div className="map-main">
      <MapTools state={state} view={view} title={title} sounds={sounds} />
      <div className="map-drawing">
        <SceneView
          scene={view.scene}
          label={`${chosen!.spec.name}: every way, chosen with Tab and the arrow keys`}
          names={names}
          selected={sounding?.wayId ?? selection.way?.id}
          related={selection.related}
          used={used}
          onSelect={onWay}
        />
      </div>
      <Legend>
        <LayerStepper state={state} />
      </Legend>
      <LinePanel
        view={view}
        air={family.air}
        sides={family.sides}
        selected={selection.note?.id}
        related={selection.related}
        sounding={player.sounding}
        staff={settings.staff && !beside}
        onSelect={onNote}
        onStaff={showStaff}
      />
      {beside && <BesideMap beside={beside} />}
    </div>
  );
}

/** The other map, below the first: its drawing and its line. */
function BesideMap({ beside }: { beside: Beside }) {
  const { view, name, spec } = beside;
  const family = familyById(spec.family)!;
  if (!view) return <Loading>Drawing {name}…</Loading>;
  const used = new Set(view.line.flatMap((note) => (note.wayId ? [note.wayId] : [])));
  return (
    <section className="beside" aria-label={name}>
      <h2>{name}</h2>
      <div className="map-drawing">
        <SceneView scene={view.scene} label={`${name}: every way`} used={used} />
      </div>
      <LinePanel
        view={view}
        air={family.air}
        sides={family.sides}
        selected={undefined}
        related={NOTHING_RELATED}
        sounding={undefined}
        staff={false}
        onSelect={ignore}
      />
    </section>
  );
}

const NOTHING_RELATED: ReadonlySet<string> = new Set();
const ignore = () => undefined;
