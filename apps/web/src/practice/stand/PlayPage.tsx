import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Loading } from '../../controls/Loading.tsx';
import type { ItemRecord } from '../../api/records.ts';
import { lazyPart } from '../../frame/lazyPart.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { useLink } from '../../frame/useLink.ts';
import { useTitle } from '../../frame/useTitle.ts';
import type { OnStand } from './onStand.ts';
import { playLink, readSteps } from './playLink.ts';
import { keepPlan, keptPlan, dayHere } from '../today/today.ts';
import { useLog, type RoundResult } from '../log/useLog.ts';
import { usePracticeData, type Practice } from '../usePracticeData.ts';
import '../practice.css';

const LineStand = lazyPart('The stand', async () => (await import('./LineStand.tsx')).LineStand);
const SongStand = lazyPart('The stand', async () => (await import('./SongStand.tsx')).SongStand);
const DrillPlayer = lazyPart('The drill', async () => (await import('../drill/DrillPlayer.tsx')).DrillPlayer);
const JamPlayer = lazyPart('The accompaniment', async () => (await import('../jam/JamPlayer.tsx')).JamPlayer);

/** One item on the stand, with what comes after it. */
export function PlayPage() {
  const { id = '' } = useParams();
  const practice = usePracticeData();
  const item = practice.items.find((one) => one.id === id);
  useTitle(item?.name, 'Practice');
  if (practice.isPending) return <Loading>Opening what is practised…</Loading>;
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
  const { params } = useLink();
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
  const { begin, rest, told: tellLog, end, minutes: minutesSpent } = useLog(played);
  const told = useCallback(
    (round: RoundResult) => {
      tellLog(round);
      setSpent(minutesSpent());
      markDone(item.id, who);
    },
    [tellLog, minutesSpent, item.id, who],
  );
  const goOn = () => {
    end();
    void navigate(then.length > 0 ? playLink(then) : '/practice/today');
  };
  useShortcuts([{ key: 'g', label: 'Go on with the next item', group: 'The player', run: goOn }]);
  const over = spent >= minutes;
  const stand: OnStand = { practice, item, begin, rest, told };
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
  const day = dayHere(Date.now());
  const rows = keptPlan(day, who);
  if (rows?.some((row) => row.id === id && !row.done))
    keepPlan(
      day,
      who,
      rows.map((row) => (row.id === id ? { ...row, done: true } : row)),
    );
}
