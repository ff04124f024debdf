import { NavLink, Navigate, useLocation, useNavigate, useParams } from 'react-router';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useMapState, type MapState } from '../map/useMapState.ts';
import '../map/map.css';
import { CircleView } from './CircleView.tsx';
import { EverythingView } from './EverythingView.tsx';
import { IdentifyView } from './IdentifyView.tsx';
import { KeysAsk } from './KeysAsk.tsx';
import { LessonView } from './LessonView.tsx';
import { ProgressionView } from './ProgressionView.tsx';
import { SwitchView } from './SwitchView.tsx';
import { TableView } from './TableView.tsx';
import { WhichView } from './WhichView.tsx';
import './keys.css';

/** The questions about keys, in the order in which they come up in a lesson. */
const VIEWS = [
  { id: 'table', name: 'All keys', View: TableView },
  { id: 'cabinet', name: 'Everything I have', View: EverythingView },
  { id: 'which', name: 'Which one to take', View: WhichView },
  { id: 'circle', name: 'Circle', View: CircleView },
  { id: 'lesson', name: 'Lesson', View: LessonView },
  { id: 'chords', name: 'Progressions', View: ProgressionView },
  { id: 'identify', name: 'What is this?', View: IdentifyView },
  { id: 'switch', name: 'Switching', View: SwitchView },
] as const;

/** What every view of Keys gets: the same question that Map asks. */
export interface KeysViewProps {
  readonly state: MapState;
}

/** Which key, which position, which tuning, which of my instruments. */
export function KeysPage() {
  const { view } = useParams();
  const { search } = useLocation();
  const navigate = useNavigate();
  const state = useMapState();
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
  if (at < 0) return <Navigate to={`/keys/table${search}`} replace />;
  const { View, name } = VIEWS[at]!;
  return (
    <div className="keys">
      <header className="keys-head">
        <KeysAsk state={state} />
        <nav className="keys-views" aria-label="Questions about keys">
          {VIEWS.map((entry) => (
            <NavLink key={entry.id} to={`/keys/${entry.id}${search}`}>
              {entry.name}
            </NavLink>
          ))}
        </nav>
      </header>
      <div className="keys-page" aria-label={name}>
        {state.chosen ? <View state={state} /> : <p className="loading">Opening the cabinet…</p>}
      </div>
    </div>
  );
}
