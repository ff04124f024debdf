import { memo, useCallback, useDeferredValue, useMemo } from 'react';
import type { MapView } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import { dialectOf } from '../api/settings.ts';
import { useAlternatives, useMapView } from '../compute/compute.ts';
import { lazyPart } from '../frame/lazyPart.tsx';
import { useTitle } from '../frame/useTitle.ts';
import { scaleWords, sentence, tonicWords } from '../question/questionWords.ts';
import { useQuestion, type QuestionState } from '../question/useQuestion.ts';
import { KeyFactsLine } from './KeyFactsLine.tsx';
import { MapMain } from './MapMain.tsx';
import { MapWarnings } from './MapWarnings.tsx';
import { PrintSheet } from './PrintSheet.tsx';
import { QuestionLine } from './QuestionLine.tsx';
import { noteSelection, readSelection, waySelection } from './selection.ts';
import { useComparison } from './useComparison.ts';
import { useMapKeys } from './useMapKeys.ts';
import { useMapSounds } from './useMapSounds.ts';
import { usePins } from './usePins.ts';
import { useSameTab } from './useSameTab.ts';
import { Verdict } from './Verdict.tsx';
import './map.css';

const ComparePanel = lazyPart(
  'The comparison',
  async () => (await import('./ComparePanel.tsx')).ComparePanel,
);
const ComparisonSheet = lazyPart(
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
      ) : error ? (
        <p role="alert">{`This map cannot be drawn: ${error.message}`}</p>
      ) : (
        <Loading>Drawing the map…</Loading>
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
  const { question, at, chosen, family, select } = state;
  const selection = useMemo(() => readSelection(view, at), [view, at]);
  const sounds = useMapSounds(view, family.timbre);
  const { player } = sounds;
  const { pin, unpin } = usePins(state);
  const beside = useComparison(state, view);
  const sameTab = useSameTab(state);
  // Paper can wait until the screen has changed.
  const onPaper = useDeferredValue(view);
  const selectWay = useCallback((id: string) => select(selectionOfWay(view, id)), [view, select]);
  const selectNote = useCallback((noteId: string) => select(noteSelection(noteId)), [select]);
  const { data: alternatives = [] } = useAlternatives(chosen, question, selection.note?.id);
  useMapKeys({ state, view, pin, unpin, hear: player.hear, togglePlay: player.toggle });
  const { spec, todo } = chosen!;
  const preset = family.preferences.find(({ id }) => id === question.preferences.preset)!;
  const instrument = todo.length > 0 ? `${spec.name} (first ${todo.join(', ')})` : spec.name;
  const title = sentence(question, instrument, preset.label);
  const nameBeside = beside?.sameInstrument ? scaleWords(question) : spec.name;
  const what = `${scaleWords(question)} in ${tonicWords(question)}`;
  useTitle(`${what} on ${spec.name}`, 'Map');
  const { have, of } = view.coverage;
  return (
    <>
      <p className="unseen" role="status">
        {what} on {instrument}: {have} of {of} notes can be had.
      </p>
      <div className={beside ? 'map-screen comparing' : 'map-screen'}>
        <MapMain
          state={state}
          view={view}
          title={title}
          sounds={sounds}
          selection={selection}
          beside={beside}
          onWay={selectWay}
          onNote={selectNote}
        />
        {beside ? (
          <ComparePanel name={nameBeside} beside={beside} onEnd={() => state.compareWith(undefined)} />
        ) : (
          <Verdict
            view={view}
            selection={selection}
            alternatives={alternatives}
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

/** A way that the line uses is selected there, so that its reasons show. */
function selectionOfWay(view: MapView, id: string): string {
  const note = view.line.find((n) => n.wayId === id);
  return note ? noteSelection(note.id) : waySelection(id);
}
