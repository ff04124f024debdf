import { NavLink, useParams } from 'react-router';
import { later } from '../frame/later.tsx';
import { useTitle } from '../frame/useTitle.ts';
import { TodayView } from './today/TodayView.tsx';
import { usePractice } from './usePractice.ts';
import './practice.css';

const ItemsView = later('What is practised', async () => (await import('./items/ItemsView.tsx')).ItemsView);
const ProgressView = later(
  'Progress',
  async () => (await import('./progress/ProgressView.tsx')).ProgressView,
);
const LogView = later('The log', async () => (await import('./log/LogView.tsx')).LogView);

const ListenView = later('Listening', async () => (await import('../ear/ListenView.tsx')).ListenView);

const VIEWS = [
  { id: 'today', name: 'Today' },
  { id: 'items', name: 'Everything' },
  { id: 'progress', name: 'Progress' },
  { id: 'log', name: 'Log' },
  { id: 'listen', name: 'Listen' },
] as const;

/** Practice: the plan of the day, all that is practised, how it goes, and what was played. */
export function PracticePage() {
  const { view = 'today' } = useParams();
  const practice = usePractice();
  useTitle(VIEWS.find(({ id }) => id === view)?.name, 'Practice');
  return (
    <div className="practice">
      <nav className="practice-views" aria-label="Practice">
        {VIEWS.map(({ id, name }) => (
          <NavLink key={id} to={`/practice/${id}`}>
            {name}
          </NavLink>
        ))}
      </nav>
      {practice.error && <p role="alert">What is practised cannot be read: {practice.error.message}</p>}
      {practice.isPending ? (
        <p className="loading">Opening the practice…</p>
      ) : view === 'items' ? (
        <ItemsView practice={practice} />
      ) : view === 'progress' ? (
        <ProgressView practice={practice} />
      ) : view === 'log' ? (
        <LogView practice={practice} />
      ) : view === 'listen' ? (
        <ListenView />
      ) : (
        <TodayView practice={practice} />
      )}
    </div>
  );
}
