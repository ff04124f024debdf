import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { useSettings } from '../api/settings.ts';
import { useColourMode } from '../theme/SongTheme.tsx';
import { ChangedSince, redo, undo, useHistory, type Wish } from './undo.ts';
import { notify } from './notice.ts';
import { lazyPart, useFetchAhead } from './lazyPart.tsx';
import { useOnePage } from './onePage.ts';
import { NoticeBar } from './NoticeBar.tsx';
import { useShortcuts, useSingleKeys } from './shortcuts.ts';
import { TroublePage } from './TroublePage.tsx';
import { useOnline } from './useOnline.ts';
import { usePlaceLinks } from './usePlaceLinks.ts';
import './frame.css';

const ShortcutSheet = lazyPart(
  'The list of shortcuts',
  async () => (await import('./ShortcutSheet.tsx')).ShortcutSheet,
);

/** The places that are built, in the order of the work. */
const PLACES = [
  { path: '/map', name: 'Map', about: 'where it lies', key: '1' },
  { path: '/keys', name: 'Keys', about: 'which key', key: '2' },
  { path: '/songs', name: 'Songs', about: 'what to play', key: '3' },
  { path: '/practice', name: 'Practice', about: 'day by day', key: '4' },
  { path: '/cabinet', name: 'Cabinet', about: 'what I have', key: '6' },
];

const PATHS = PLACES.map(({ path }) => path);
/** They ask about the same thing, so the question goes along from one to the other. */
const ASKING = ['/map', '/keys'];

/** What undo and redo say. */
const UNDO = { act: undo, done: 'Undone', nothing: 'Nothing to undo.', anyway: 'Undo all the same' };
const REDO = { act: redo, done: 'Redone', nothing: 'Nothing to redo.', anyway: 'Redo all the same' };

async function say(words: typeof UNDO, wish?: Wish): Promise<void> {
  try {
    const change = await words.act(wish);
    notify(change ? `${words.done}: ${change.label}` : words.nothing);
  } catch (error) {
    if (error instanceof ChangedSince && error.of) {
      const anyway = { of: error.of, anyway: true };
      const action = { label: words.anyway, run: () => void say(words, anyway) };
      notify(`Not ${words.done.toLowerCase()}: ${error.of.label}. ${error.message}`, {
        kind: 'error',
        action,
      });
    } else notify(error instanceof Error ? error.message : 'That did not work.', { kind: 'error' });
  }
}
const undoAndSay = () => void say(UNDO);
const redoAndSay = () => void say(REDO);

export function Frame() {
  const [sheetOpen, setSheetOpen] = useState(false);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const linkTo = usePlaceLinks(PATHS, ASKING);
  const { settings, change } = useSettings();
  useSingleKeys(settings.singleKeys);
  const ground = useColourMode();
  const { done, undone } = useHistory();
  const flip = () => change({ theme: ground === 'stage' ? 'paper' : 'stage' });
  useFetchAhead();
  useOnePage();
  useShortcuts([
    ...PLACES.map((place) => ({
      key: place.key,
      label: `Go to ${place.name}`,
      group: 'Everywhere',
      run: () => void navigate(linkTo(place.path)),
    })),
    { key: 'z', ctrl: true, shift: false, label: 'Undo', group: 'Everywhere', run: undoAndSay },
    { key: 'z', ctrl: true, shift: true, label: 'Redo', group: 'Everywhere', run: redoAndSay },
    { key: 't', label: 'Light for paper, dark for a stage', group: 'Everywhere', run: flip },
    { key: '?', label: 'All shortcuts', group: 'Everywhere', run: () => setSheetOpen(true) },
  ]);
  return (
    <div className="frame">
      <a className="skip" href="#place">
        Skip to the page
      </a>
      <nav className="rail" aria-label="Places">
        <div className="rail-name" aria-hidden="true">
          <span>Same</span> <span>Song</span>
        </div>
        {PLACES.map((place) => (
          <NavLink key={place.path} to={linkTo(place.path)} className="rail-place">
            <span className="rail-place-name">{place.name}</span>
            <span className="rail-place-about">{place.about}</span>
          </NavLink>
        ))}
        <div className="rail-foot">
          <button type="button" onClick={undoAndSay} disabled={done.length === 0} title="Undo (Ctrl Z)">
            <RailWord word="Undo" sign="↶" />
          </button>
          <button
            type="button"
            onClick={redoAndSay}
            disabled={undone.length === 0}
            title="Redo (Ctrl Shift Z)"
          >
            <RailWord word="Redo" sign="↷" />
          </button>
          <button type="button" onClick={flip} title="Light for paper, dark for a stage (T)">
            <RailWord word={ground === 'stage' ? 'Light' : 'Dark'} sign={ground === 'stage' ? '☀' : '☾'} />
          </button>
          <button type="button" onClick={() => setSheetOpen(true)} title="All shortcuts (?)">
            <RailWord word="Shortcuts" sign="?" />
          </button>
        </div>
      </nav>
      <div className="frame-page">
        <OfflineBanner />
        <main id="place" tabIndex={-1}>
          <ErrorBoundary FallbackComponent={TroublePage} resetKeys={[pathname]}>
            <Outlet />
          </ErrorBoundary>
        </main>
      </div>
      <NoticeBar />
      {sheetOpen && <ShortcutSheet onClose={() => setSheetOpen(false)} />}
    </div>
  );
}

/** A word, or on a narrow screen its sign. */
function RailWord({ word, sign }: { word: string; sign: string }) {
  return (
    <span className="rail-word" data-sign={sign}>
      {word}
    </span>
  );
}

function OfflineBanner() {
  const online = useOnline();
  const client = useQueryClient();
  useEffect(() => {
    if (!online) return undefined;
    return () => void client.invalidateQueries({ predicate: (query) => query.state.status === 'error' });
  }, [online, client]);
  if (online) return null;
  return (
    <div className="offline" role="status">
      The Same Song server does not answer. Maps still work; changes can be saved when it is back.
      <Button size="small" variant="outlined" onClick={() => void client.invalidateQueries()}>
        Try now
      </Button>
    </div>
  );
}
