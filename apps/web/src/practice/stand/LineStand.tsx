import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { expectOk } from '@same-song/core';
import { notePitchClass, parseNote } from '@same-song/core/music';
import { keysInOrder } from '@same-song/core/practice';
import { ANCHORS, patternById } from '@same-song/core/route';
import { Loading } from '../../controls/Loading.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { ANCHOR_WORDS } from '../../question/questionWords.ts';
import { lastTempo } from './lastTempo.ts';
import { useItemInstrument, type OnStand } from './onStand.ts';
import { Player } from './Player.tsx';
import { announced, inKey, useLinePlayable } from './useLinePlayable.ts';

/** Least time in one key, in ms. */
const LEAST_IN_KEY = 45_000;

/** An exercise on the stand, in one key after the other. */
export function LineStand({
  practice,
  item,
  begin,
  rest,
  told,
  minutes,
  next,
}: OnStand & { readonly minutes: number; readonly next: string | undefined }) {
  const question = item.what.kind === 'line' ? item.what.question : undefined;
  const first = notePitchClass(expectOk(parseNote(question!.tonic)));
  const keys = useMemo(() => keysInOrder(item.how.order, first, seedOf(item.id)), [item, first]);
  const [place, setPlace] = useState(0);
  const [inKeySince, setInKeySince] = useState(() => performance.now());
  const [anchor, setAnchor] = useState(question!.anchor);
  const now = useMemo(() => ({ ...inKey(question!, keys[place]!), anchor }), [question, keys, place, anchor]);
  const { anchored = false } = patternById(question!.pattern);
  const swapAnchor = () => setAnchor((anchor + 1) % ANCHORS.length);
  const { playable, error } = useLinePlayable(item, now, useItemInstrument(practice, item));
  const [tempo] = useState(() => lastTempo(practice, item));
  const share = Math.max(LEAST_IN_KEY, (minutes * 60_000) / keys.length);
  const nextKey = keys.length > 1 ? keys[(place + 1) % keys.length]! : undefined;
  const goOn = useCallback(() => {
    setPlace((before) => (before + 1) % keys.length);
    setInKeySince(performance.now());
  }, [keys]);
  const onPassed = useCallback(() => {
    if (keys.length > 1 && performance.now() - inKeySince >= share) goOn();
  }, [keys, inKeySince, share, goOn]);
  const playedIn = useMemo(() => [keys[place]!], [keys, place]);
  const group = 'The player';
  useShortcuts([
    ...(keys.length > 1 ? [{ key: 'k', label: 'Into the next key', group, run: goOn }] : []),
    ...(anchored ? [{ key: 'w', label: 'Swap the anchor', group, run: swapAnchor }] : []),
  ]);
  if (!playable)
    return error ? (
      <p role="alert">{`It cannot be played: ${error.message}`}</p>
    ) : (
      <Loading>Laying it out…</Loading>
    );
  return (
    <Player
      playable={playable}
      how={item.how}
      tempo={tempo}
      keys={playedIn}
      next={nextKey === undefined ? next : `next: ${announced(inKey(question!, nextKey))}`}
      onBegin={begin}
      onRest={rest}
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

/** An order by chance that is an item's own, so that it is the same every day. */
function seedOf(id: string): number {
  return [...id].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7);
}
