import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { familyById, type MapView, type Pin } from '@same-song/core';
import { useAlternatives, useMapView } from '../compute/compute.ts';
import { dialectOf } from '../api/settings.ts';
import { later } from '../frame/later.tsx';
import { useTitle } from '../frame/useTitle.ts';
import { SceneView } from '../scene/SceneView.tsx';
import { QuestionLine } from './QuestionLine.tsx';
import { scaleWords, sentence, tonicWords } from '../question/questionWords.ts';
import { KeyFactsLine } from './KeyFactsLine.tsx';
import { LayerStepper } from './LayerStepper.tsx';
import { Legend } from './Legend.tsx';
import { LinePanel } from './LinePanel.tsx';
import { MapTools } from './MapTools.tsx';
import { MapWarnings } from './MapWarnings.tsx';
import { PrintSheet } from './PrintSheet.tsx';
import { TEMPO } from './TempoField.tsx';
import { noteSelection, readSelection, waySelection } from './selection.ts';
import { useComparison, type Beside } from './useComparison.ts';
import { useMapKeys } from './useMapKeys.ts';
import { useQuestion, type QuestionState } from '../question/useQuestion.ts';
import { useSameTab } from './useSameTab.ts';
import { usePlayer } from './usePlayer.ts';
import { Verdict } from './Verdict.tsx';
import './map.css';

const ComparePanel = later('The comparison', async () => (await import('./ComparePanel.tsx')).ComparePanel);
const ComparisonSheet = later(
  'The comparison on paper',
  async () => (await import('./ComparisonSheet.tsx')).ComparisonSheet,
  { quiet: true },
);

/** Where a scale lies on one instrument: all ways, the best line, and what it costs. */
export function MapPage() {
  const state = useQuestion();
  const { chosen, question, settings } = state;
  const {
    data: view,
    error,
    isPlaceholderData,
  } = useMapView(chosen, question, {
    naming: settings.naming,
    dialect: dialectOf(settings, state.family),
  });
  return (
    <div className="map">
      <header className="map-head">
        <QuestionLine state={state} view={view} />
        {view && <KeyFactsLine state={state} view={view} />}
        <MapWarnings state={state} view={view} />
      </header>
      {view && chosen ? (
        <MapBody state={state} view={view} behind={isPlaceholderData} />
      ) : (
        <p className="loading">{error ? `This map cannot be drawn: ${error.message}` : 'Drawing the map…'}</p>
      )}
    </div>
  );
}

interface MapBodyProps {
  readonly state: QuestionState;
  readonly view: MapView;
  /** True while the view still answers the question before. */
  readonly behind: boolean;
}

/** All below the question. A new question is drawn once, with its answer, and not with the old answer before. */
const MapBody = memo(Body, (_, { behind }) => behind);

function Body({ state, view }: MapBodyProps) {
  const { question, at, current, chosen, family, select, change } = state;
  const [tempo, setTempo] = useState<number>(TEMPO.usual);
  const selection = useMemo(() => readSelection(view, at), [view, at]);
  const [droning, setDroning] = useState(true);
  const voice = useMemo(
    () => ({ timbre: family.timbre, drones: droning ? view.drones : [] }),
    [family, droning, view.drones],
  );
  const player = usePlayer(view.line, tempo, voice);
  const beside = useComparison(state, view);
  const sameTab = useSameTab(state);
  // Paper can wait until the screen has changed.
  const onPaper = useDeferredValue(view);
  const sounding = view.line.find((note) => note.id === player.sounding);
  const selectWay = useCallback((id: string) => select(selectionOfWay(view, id)), [view, select]);
  const selectNote = useCallback((noteId: string) => select(noteSelection(noteId)), [select]);
  const otherPins = (noteId: string) => current().question.pins.filter((p) => p.noteId !== noteId);
  const pin = (wanted: Pin) => change('pin', { pins: [...otherPins(wanted.noteId), wanted] });
  const unpin = (noteId: string) => change('pin', { pins: otherPins(noteId) });
  const { data: alternatives } = useAlternatives(chosen, question, selection.note?.id);
  useMapKeys({ state, view, pin, unpin, hear: player.hear, togglePlay: player.toggle });
  const { changeSettings } = state;
  const showStaff = useCallback((staff: boolean) => changeSettings({ staff }), [changeSettings]);
  const used = useMemo(() => new Set(view.line.flatMap((note) => (note.wayId ? [note.wayId] : []))), [view]);
  const names = useMemo(
    () =>
      new Map(
        view.ways.map((w) => [
          w.id,
          `${w.words}, ${w.note}, degree ${w.degree}, ${w.role}${w.usable ? '' : ', not possible here'}`,
        ]),
      ),
    [view],
  );
  const preset = family.preferences.find((p) => p.id === question.preferences.preset)!;
  const { spec, todo } = chosen!;
  const instrument = todo.length > 0 ? `${spec.name} (first ${todo.join(', ')})` : spec.name;
  const title = sentence(question, instrument, preset.label);
  const nameBeside = beside?.sameInstrument ? scaleWords(question) : spec.name;
  useTitle(`${scaleWords(question)} in ${tonicWords(question)} on ${spec.name}`, 'Map');
  return (
    <>
      <p className="unseen" role="status">
        {scaleWords(question)} in {tonicWords(question)} on {instrument}: {view.coverage.have} of{' '}
        {view.coverage.of} notes can be had.
      </p>
      <div className={beside ? 'map-screen comparing' : 'map-screen'}>
        <div className="map-main">
          <MapTools
            state={state}
            view={view}
            title={title}
            playing={player.playing}
            tempo={tempo}
            onTempo={setTempo}
            onPlay={player.toggle}
            droning={droning}
            onDrone={setDroning}
          />
          <div className="map-drawing">
            <SceneView
              scene={view.scene}
              label={`${spec.name}: every way, chosen with Tab and the arrow keys`}
              names={names}
              selected={sounding?.wayId ?? selection.way?.id}
              related={selection.related}
              used={used}
              onSelect={selectWay}
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
            staff={state.settings.staff && !beside}
            onSelect={selectNote}
            onStaff={showStaff}
          />
          {beside && <BesideMap beside={beside} />}
        </div>
        {beside ? (
          <ComparePanel name={nameBeside} beside={beside} onEnd={() => state.compareWith(undefined)} />
        ) : (
          <Verdict
            view={view}
            selection={selection}
            alternatives={alternatives ?? []}
            family={family}
            onPin={pin}
            onUnpin={unpin}
            onSelectWay={selectWay}
            onSelectNote={selectNote}
            onPlay={player.hear}
            sameTab={sameTab}
          />
        )}
      </div>
      {beside ? (
        <ComparisonSheet view={onPaper} title={title} name={nameBeside} beside={beside} />
      ) : (
        <PrintSheet
          view={onPaper}
          title={title}
          instrument={spec.name}
          techniques={family.techniques}
          staff={state.settings.staff}
        />
      )}
    </>
  );
}

/** The other map, below the first: its drawing and its line. */
function BesideMap({ beside }: { beside: Beside }) {
  const { view, name, spec } = beside;
  const family = familyById(spec.family)!;
  if (!view) return <p className="loading">Drawing {name}…</p>;
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

/** A way that the line uses is selected there, so that its reasons show. */
function selectionOfWay(view: MapView, id: string): string {
  const note = view.line.find((n) => n.wayId === id);
  return note ? noteSelection(note.id) : waySelection(id);
}
