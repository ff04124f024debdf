import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { lazy, Suspense, useEffect } from 'react';
import { Link, Navigate, useLocation, useNavigate, useParams } from 'react-router';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useQuestion } from '../question/useQuestion.ts';
import { KeysSentence } from './KeysSentence.tsx';
import { TableView } from './TableView.tsx';
import './keys.css';

/** Views beyond the first are fetched once it stands, so that a server gone later takes none of them away. */
const LATER = {
  cabinet: async () => ({ default: (await import('./EverythingView.tsx')).EverythingView }),
  which: async () => ({ default: (await import('./WhichView.tsx')).WhichView }),
  circle: async () => ({ default: (await import('./CircleView.tsx')).CircleView }),
  lesson: async () => ({ default: (await import('./LessonView.tsx')).LessonView }),
  chords: async () => ({ default: (await import('./ProgressionView.tsx')).ProgressionView }),
  identify: async () => ({ default: (await import('./IdentifyView.tsx')).IdentifyView }),
  switch: async () => ({ default: (await import('./SwitchView.tsx')).SwitchView }),
} as const;

/** The questions about keys, in the order in which they come up in a lesson. */
const VIEWS = [
  { id: 'table', name: 'All keys', View: TableView },
  { id: 'cabinet', name: 'Everything I have', View: lazy(LATER.cabinet) },
  { id: 'which', name: 'Which one to take', View: lazy(LATER.which) },
  { id: 'circle', name: 'Circle', View: lazy(LATER.circle) },
  { id: 'lesson', name: 'Lesson', View: lazy(LATER.lesson) },
  { id: 'chords', name: 'Progressions', View: lazy(LATER.chords) },
  { id: 'identify', name: 'What is this?', View: lazy(LATER.identify) },
  { id: 'switch', name: 'Switching', View: lazy(LATER.switch) },
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
  useEffect(() => {
    // One that cannot be fetched now is fetched when it is asked for.
    for (const fetchView of Object.values(LATER)) fetchView().catch(() => undefined);
  }, []);
  if (at < 0) return <Navigate to={`/keys/table${search}`} replace />;
  const { View, name, id } = VIEWS[at]!;
  return (
    <div className="keys">
      <header className="keys-head">
        <KeysSentence state={state} question={id} />
        <Tabs component="nav" className="keys-views" value={id} aria-label="Questions about keys">
          {VIEWS.map((entry) => (
            <Tab
              key={entry.id}
              value={entry.id}
              label={entry.name}
              component={Link}
              to={`/keys/${entry.id}${search}`}
            />
          ))}
        </Tabs>
      </header>
      <div className="keys-page" role="tabpanel" aria-label={name}>
        <Suspense fallback={<p className="loading">Opening…</p>}>
          {state.chosen ? <View state={state} /> : <p className="loading">Opening the cabinet…</p>}
        </Suspense>
      </div>
    </div>
  );
}
