import { Link, useParams } from 'react-router';
import { Loading } from '../controls/Loading.tsx';
import { lazyPart } from '../frame/lazyPart.tsx';
import { useTitle } from '../frame/useTitle.ts';
import { TodayView } from './today/TodayView.tsx';
import { usePracticeData } from './usePracticeData.ts';
import './practice.css';

const ItemsView = lazyPart(
  'What is practised',
  async () => (await import('./items/ItemsView.tsx')).ItemsView,
);
const ProgressView = lazyPart(
  'Progress',
  async () => (await import('./progress/ProgressView.tsx')).ProgressView,
);
const LogView = lazyPart('The log', async () => (await import('./log/LogView.tsx')).LogView);

const ListenView = lazyPart('Listening', async () => (await import('../ear/ListenView.tsx')).ListenView);

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
  const practice = usePracticeData();
  useTitle(VIEWS.find(({ id }) => id === view)?.name, 'Practice');
  return (
    <div className="practice">
      <nav className="practice-views row" aria-label="Practice">
        {VIEWS.map(({ id, name }) => (
          <Link key={id} to={`/practice/${id}`} aria-current={id === view ? 'page' : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      {practice.error && <p role="alert">What is practised cannot be read: {practice.error.message}</p>}
      {practice.isPending ? (
        <Loading>Opening the practice…</Loading>
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
