import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { openInstrument } from '@same-song/core/instruments';
import type { SongTuning } from '@same-song/core/song';
import { useSongTunings } from '../../compute/computeSongs.ts';
import type { Subject } from '../../compute/subject.ts';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { Loading } from '../../controls/Loading.tsx';
import { baseRef, choose, refWith } from '../../question/reference.ts';
import { fitWords } from './sentenceChoices.ts';
import type { SongState } from './useSong.ts';

/** Tunings shown; those behind them lie no better. */
const SHOWN = 6;

/** Which tuning, or where the capo, for this song: only where an instrument is set otherwise by its player. */
export function Tunings({ state }: { readonly state: SongState }) {
  const [asked, setAsked] = useState(false);
  const { chosen, cabinet } = state;
  const standing = useMemo(
    () => (chosen ? choose(baseRef(chosen.ref), cabinet ?? [], false) : undefined),
    [chosen, cabinet],
  );
  const isTuned = useMemo(() => {
    const opened = standing && openInstrument(standing.spec);
    return opened?.ok === true && opened.value.options.some(({ retune }) => retune);
  }, [standing]);
  if (!isTuned) return null;
  return (
    <section>
      <h2>Which tuning?</h2>
      {asked ? (
        <TuningList state={state} standing={standing} />
      ) : (
        <Button size="small" variant="outlined" onClick={() => setAsked(true)}>
          Try every tuning
        </Button>
      )}
    </section>
  );
}

function TuningList({
  state,
  standing,
}: {
  readonly state: SongState;
  readonly standing: Subject | undefined;
}) {
  const { chosen, asked, by, play, plan } = state;
  const { data, error } = useSongTunings(standing, asked, plan.preferences, by, plan.mode);
  if (error) return <p role="alert">This cannot be worked out: {error.message}</p>;
  if (!data || !chosen) return <Loading>Trying tunings…</Loading>;
  const base = baseRef(chosen.ref);
  return (
    <ul className="song-keys" aria-label="Tunings">
      {data.slice(0, SHOWN).map(({ settings, name, todo, fit, drones, suits }) => (
        <li key={name}>
          <LinkButton
            title={name}
            current={refWith(base, settings) === chosen.ref}
            onClick={() => play(refWith(base, settings), fit.transpose)}
          >
            {todo.join(', ') || 'as it stands'}
          </LinkButton>
          <span className="below">{[fitWords(fit), droneWords(drones, suits)].join(' · ')}</span>
        </li>
      ))}
    </ul>
  );
}

function droneWords(drones: SongTuning['drones'], suits: number): string {
  if (suits === drones) return 'every drone suits';
  return suits === 0 ? 'no drone suits' : `${suits} of ${drones} drones suit`;
}
