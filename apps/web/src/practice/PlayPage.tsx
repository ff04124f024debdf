import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import {
  ANCHORS,
  dayOf,
  expectOk,
  keysInOrder,
  notePitchClass,
  parseNote,
  patternById,
} from '@same-song/core';
import type { ItemRecord } from '../api/records.ts';
import { later } from '../frame/later.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useTitle } from '../frame/useTitle.ts';
import { ANCHOR_WORDS } from '../question/questionWords.ts';
import { useChosen, type OnStand } from './onStand.ts';
import { Player } from './Player.tsx';
import { playLink, readSteps } from './playLink.ts';
import { keepPlan, keptPlan, localOffset } from './today.ts';
import { announced, inKey, useLinePlayable } from './useLinePlayable.ts';
import { useLog, type RoundTold } from './useLog.ts';
import { usePractice, type Practice } from './usePractice.ts';
import { useSongPlayable } from './useSongPlayable.ts';
import './practice.css';

const DrillPlayer = later('The drill', async () => (await import('./DrillPlayer.tsx')).DrillPlayer);
const JamPlayer = later('The accompaniment', async () => (await import('./JamPlayer.tsx')).JamPlayer);

/** One item on the stand, with what comes after it. */
export function PlayPage() {
  const { id = '' } = useParams();
  const practice = usePractice();
  const item = practice.items.find((one) => one.id === id);
  useTitle(item?.name, 'Practice');
  if (practice.isPending) return <p className="loading">Opening what is practised…</p>;
  if (!item)
    return (
      <div className="practice">
        <h1>There is no such item (any more)</h1>
        <p>
          It may lie in the bin. <Link to="/practice/today">Back to today</Link>
        </p>
      </div>
    );
  // Another item begins anew: nothing of the one before goes on.
  return <OneItem key={id} practice={practice} item={item} />;
}

function OneItem({ practice, item }: { readonly practice: Practice; readonly item: ItemRecord }) {
  const [params] = useSearchParams();
  const minutes = Number(params.get('for')) || item.how.minutes;
  const then = readSteps(params.get('then') ?? '');
  const following = practice.items.find(({ id }) => id === then[0]?.id);
  const [spent, setSpent] = useState(0);
  const navigate = useNavigate();
  const { who } = practice;
  const played = useMemo(
    () => ({ name: item.name, itemId: item.id, personId: who, instrumentId: item.instrumentId }),
    [item, who],
  );
  const log = useLog(played);
  const [since, setSince] = useState<number | undefined>(undefined);
  const { begin: beginLog, told: tellLog, end } = log;
  const begin = useCallback(() => {
    beginLog();
    setSince((before) => before ?? Date.now());
  }, [beginLog]);
  const told = useCallback(
    (round: RoundTold) => {
      tellLog(round);
      setSpent((Date.now() - (since ?? Date.now())) / 60_000);
      markDone(item.id, who);
    },
    [tellLog, since, item.id, who],
  );
  const goOn = () => {
    end();
    void navigate(then.length > 0 ? playLink(then) : '/practice/today');
  };
  useShortcuts([{ key: 'g', label: 'Go on with the next item', group: 'The player', run: goOn }]);
  const over = spent >= minutes;
  const stand: OnStand = { practice, item, begin, told };
  const bar = (
    <p className="play-bar">
      <Link className="link" to="/practice/today" onClick={end}>
        ‹ Today
      </Link>
      <span>
        {Math.min(99, Math.floor(spent))} of {minutes} minutes{over ? ': that is enough for today' : ''}
      </span>
      <Button size="small" variant={over ? 'contained' : 'text'} onClick={goOn}>
        {following ? `Next: ${following.name}` : 'Done'}
      </Button>
    </p>
  );
  return (
    <div className="play">
      {bar}
      {item.what.kind === 'drill' ? (
        <DrillPlayer {...stand} />
      ) : item.what.kind === 'jam' ? (
        <JamPlayer {...stand} />
      ) : item.what.kind === 'song' ? (
        <SongStand {...stand} next={following && `then ${following.name}`} />
      ) : (
        <LineStand {...stand} minutes={minutes} next={following && `then ${following.name}`} />
      )}
    </div>
  );
}

/** What was played is marked in the plan of the day, where there is one. */
function markDone(id: string, who: string): void {
  const day = dayOf(Date.now(), localOffset());
  const rows = keptPlan(day, who);
  if (rows?.some((row) => row.id === id && !row.done))
    keepPlan(
      day,
      who,
      rows.map((row) => (row.id === id ? { ...row, done: true } : row)),
    );
}

/** Tempo with which an item was left. */
function lastTempo({ entries }: Practice, { id, how }: ItemRecord): number {
  const last = entries.findLast(({ itemId, tempo }) => itemId === id && tempo > 0);
  return last ? Math.round(last.tempo) : how.tempo;
}

/** Least time in one key, in ms. */
const LEAST_IN_KEY = 45_000;

function LineStand({
  practice,
  item,
  begin,
  told,
  minutes,
  next,
}: OnStand & { readonly minutes: number; readonly next: string | undefined }) {
  const question = item.what.kind === 'line' ? item.what.question : undefined;
  const first = notePitchClass(expectOk(parseNote(question!.tonic)));
  const keys = useMemo(() => keysInOrder(item.how.order, first, seedOf(item.id)), [item, first]);
  const [place, setPlace] = useState(0);
  const [inKeySince, setInKeySince] = useState(() => Date.now());
  const [anchor, setAnchor] = useState(question!.anchor);
  const now = useMemo(() => ({ ...inKey(question!, keys[place]!), anchor }), [question, keys, place, anchor]);
  const { anchored = false } = patternById(question!.pattern);
  const swapAnchor = () => setAnchor((anchor + 1) % ANCHORS.length);
  const { playable, error } = useLinePlayable(item, now, useChosen(practice, item));
  const [tempo] = useState(() => lastTempo(practice, item));
  const share = Math.max(LEAST_IN_KEY, (minutes * 60_000) / keys.length);
  const nextKey = keys.length > 1 ? keys[(place + 1) % keys.length]! : undefined;
  const goOn = useCallback(() => {
    setPlace((before) => (before + 1) % keys.length);
    setInKeySince(Date.now());
  }, [keys]);
  const onPassed = useCallback(() => {
    if (keys.length > 1 && Date.now() - inKeySince >= share) goOn();
  }, [keys, inKeySince, share, goOn]);
  const playedIn = useMemo(() => [keys[place]!], [keys, place]);
  const group = 'The player';
  useShortcuts([
    ...(keys.length > 1 ? [{ key: 'k', label: 'Into the next key', group, run: goOn }] : []),
    ...(anchored ? [{ key: 'w', label: 'Swap the anchor', group, run: swapAnchor }] : []),
  ]);
  if (!playable)
    return <p className="loading">{error ? `It cannot be played: ${error.message}` : 'Laying it out…'}</p>;
  return (
    <Player
      playable={playable}
      how={item.how}
      tempo={tempo}
      keys={playedIn}
      next={nextKey === undefined ? next : `next: ${announced(inKey(question!, nextKey))}`}
      onBegin={begin}
      onRound={told}
      onPassed={onPassed}
    >
      {nextKey !== undefined && (
        <Button variant="text" onClick={goOn}>
          Next key
        </Button>
      )}
      {anchored && (
        <Button variant="text" onClick={swapAnchor}>
          Anchor: {ANCHOR_WORDS[anchor]}
        </Button>
      )}
    </Player>
  );
}

function SongStand({ practice, item, begin, told, next }: OnStand & { readonly next: string | undefined }) {
  const { playable, error, isLost } = useSongPlayable(item, useChosen(practice, item));
  const [tempo] = useState(() => lastTempo(practice, item));
  const home = playable?.home;
  const keys = useMemo(() => (home === undefined ? [] : [home]), [home]);
  if (isLost) return <p>The song lies in the bin, or is gone.</p>;
  if (!playable)
    return <p className="loading">{error ? `It cannot be played: ${error.message}` : 'Laying it out…'}</p>;
  return (
    <Player
      playable={playable}
      how={item.how}
      tempo={tempo}
      keys={keys}
      next={next}
      onBegin={begin}
      onRound={told}
    />
  );
}

/** An order by chance that is an item's own, so that it is the same every day. */
function seedOf(id: string): number {
  return [...id].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7);
}
