import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import type { ComponentType } from 'react';
import { Link, Navigate, useLocation, useNavigate, useParams } from 'react-router';
import { Loading } from '../controls/Loading.tsx';
import { lazyPart } from '../frame/lazyPart.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useTitle } from '../frame/useTitle.ts';
import { MissingInstrument } from '../question/MissingInstrument.tsx';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { useQuestion } from '../question/useQuestion.ts';
import { KeysSentence } from './KeysSentence.tsx';
import type { KeysViewProps } from './keysView.ts';
import { TableView } from './TableView.tsx';
import './keys.css';

/** Views beyond the first are fetched when they are needed, or ahead. */
const view = (name: string, load: () => Promise<ComponentType<KeysViewProps>>) =>
  lazyPart(name, load, { opening: 'Opening…' });

/** The questions about keys, in the order in which they come up in a lesson. */
const VIEWS = [
  { id: 'table', name: 'All keys', View: TableView },
  {
    id: 'cabinet',
    name: 'Everything I have',
    View: view('Everything I have', async () => (await import('./EverythingView.tsx')).EverythingView),
  },
  {
    id: 'which',
    name: 'Which one to take',
    View: view('Which one to take', async () => (await import('./WhichView.tsx')).WhichView),
  },
  {
    id: 'circle',
    name: 'Circle',
    View: view('Circle', async () => (await import('./CircleView.tsx')).CircleView),
  },
  {
    id: 'lesson',
    name: 'Lesson',
    View: view('Lesson', async () => (await import('./LessonView.tsx')).LessonView),
  },
  {
    id: 'handout',
    name: 'Hand-out',
    View: view('The hand-out', async () => (await import('./HandoutView.tsx')).HandoutView),
  },
  {
    id: 'chords',
    name: 'Progressions',
    View: view('Progressions', async () => (await import('./ProgressionView.tsx')).ProgressionView),
  },
  {
    id: 'holds',
    name: 'Chord chart',
    View: view('The chord chart', async () => (await import('./HoldsView.tsx')).HoldsView),
  },
  {
    id: 'identify',
    name: 'What is this?',
    View: view('“What is this?”', async () => (await import('./IdentifyView.tsx')).IdentifyView),
  },
  {
    id: 'switch',
    name: 'Switching',
    View: view('Switching', async () => (await import('./SwitchView.tsx')).SwitchView),
  },
] as const;

/** Which key, which position, which tuning, which of my instruments. */
export function KeysPage() {
  const { view } = useParams();
  const { search } = useLocation();
  const navigate = useNavigate();
  const state = useQuestion();
  const at = VIEWS.findIndex((entry) => entry.id === view);
  const go = (by: number) => {
    // The address is ahead of what is drawn when keys come faster than pages.
    const here = VIEWS.findIndex((entry) => window.location.pathname.endsWith(`/${entry.id}`));
    const next = VIEWS[(Math.max(0, here) + by + VIEWS.length) % VIEWS.length]!;
    void navigate(`/keys/${next.id}${window.location.search}`);
  };
  useShortcuts([
    { key: ']', label: 'Next question about keys', group: 'Keys', run: () => go(1) },
    { key: '[', label: 'Question before', group: 'Keys', run: () => go(-1) },
    {
      key: 'm',
      label: 'This key on Map',
      group: 'Keys',
      run: () => void navigate(`/map${window.location.search}`),
    },
  ]);
  useTitle(VIEWS[at]?.name, 'Keys');
  if (at < 0) return <Navigate to={`/keys/table${search}`} replace />;
  const { View, name, id } = VIEWS[at]!;
  return (
    <div className="keys" data-one-page={id === 'handout' ? undefined : ''}>
      <p className="unseen" role="status">
        {name}: {scaleWords(state.question)} in {tonicWords(state.question)}
        {state.chosen && ` on ${state.chosen.spec.name}`}.
      </p>
      <header className="keys-head">
        <KeysSentence state={state} question={id} />
        <MissingInstrument state={state} />
        <Tabs className="keys-views" value={id} aria-label="Questions about keys">
          {VIEWS.map((entry) => (
            <Tab
              key={entry.id}
              value={entry.id}
              id={`keys-tab-${entry.id}`}
              aria-controls={entry.id === id ? 'keys-panel' : undefined}
              label={entry.name}
              component={Link}
              to={`/keys/${entry.id}${search}`}
            />
          ))}
        </Tabs>
      </header>
      <div className="keys-page" id="keys-panel" role="tabpanel" aria-label={name}>
        {state.chosen ? <View state={state} /> : <Loading>Opening the cabinet…</Loading>}
      </div>
    </div>
  );
}
