import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { SongKeyFit } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { subjectOf } from '../../compute/subject.ts';
import { useSongOnAll } from '../../compute/computeSongs.ts';
import type { SongState } from './useSong.ts';

/** The song on every instrument of the cabinet: in the key it has now, and where it would lie better. */
export function CabinetFits({ state }: { state: SongState }) {
  const [asked, setAsked] = useState(false);
  return (
    <section>
      <h2>On what I have</h2>
      {asked ? (
        <Instruments state={state} />
      ) : (
        <Button size="small" variant="outlined" onClick={() => setAsked(true)}>
          Try every instrument
        </Button>
      )}
    </section>
  );
}

interface Fits {
  readonly id: string;
  readonly name: string;
  /** In the key that the song has now. */
  readonly here: SongKeyFit | undefined;
  readonly best: SongKeyFit;
}

function Instruments({ state }: { state: SongState }) {
  const { cabinet, by, asked, play } = state;
  const [done, setDone] = useState(0);
  const subjects = useMemo(() => (cabinet ?? []).map(subjectOf), [cabinet]);
  const { data, error } = useSongOnAll(subjects, asked, setDone);
  if (error) return <p role="alert">This cannot be worked out: {error.message}</p>;
  if (!data) return <progress value={done} max={1} aria-label="Instruments tried" />;
  const rows = (cabinet ?? []).flatMap(({ id, name }, i): Fits[] => {
    const keys = data[i] ?? [];
    const [best] = keys;
    return best ? [{ id, name, best, here: keys.find((fit) => (fit.transpose - by) % 12 === 0) }] : [];
  });
  const lacking = ({ here, best }: Fits) => here?.missing ?? best.notes;
  const ranked = [...rows].sort((a, b) => lacking(a) - lacking(b) || a.best.missing - b.best.missing);
  return (
    <ul className="song-keys on-all" aria-label="On all I have">
      {ranked.map(({ id, name, here, best }) => (
        <li key={id}>
          <LinkButton onClick={() => play(id, (here ?? best).transpose)}>{name}</LinkButton>
          <span className="below">
            {here ? `in this key ${reach(here)}` : 'nothing of it in this key'}
            {best.missing < (here?.missing ?? Infinity) && (
              <>
                ; <LinkButton onClick={() => play(id, best.transpose)}>in {best.keyName}</LinkButton>{' '}
                {reach(best)}
              </>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}

function reach({ missing, notes }: SongKeyFit): string {
  return missing === 0 ? 'all notes' : `${notes - missing} of ${notes} notes`;
}
