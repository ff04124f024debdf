import { useMemo, useState } from 'react';
import { Loading } from '../../controls/Loading.tsx';
import { lastTempo } from './lastTempo.ts';
import { useItemInstrument, type OnStand } from './onStand.ts';
import { Player } from './Player.tsx';
import { useSongPlayable } from './useSongPlayable.ts';

/** A song on the stand, or a passage of it. */
export function SongStand({
  practice,
  item,
  begin,
  rest,
  told,
  next,
}: OnStand & { readonly next: string | undefined }) {
  const { playable, error, isLost } = useSongPlayable(item, useItemInstrument(practice, item));
  const [tempo] = useState(() => lastTempo(practice, item));
  const home = playable?.home;
  const keys = useMemo(() => (home === undefined ? [] : [home]), [home]);
  if (isLost) return <p>The song lies in the bin, or is gone.</p>;
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
      keys={keys}
      next={next}
      onBegin={begin}
      onRest={rest}
      onRound={told}
    />
  );
}
