import Button from '@mui/material/Button';
import type { SongView } from '@same-song/core/song';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { useAddToPractice } from '../../practice/useAddToPractice.ts';
import type { SongState } from './useSong.ts';

interface PractiseSongProps {
  readonly state: SongState;
  readonly view: SongView;
  readonly perMinute: number;
}

/** The song as it is arranged, or the passage that is marked, as something to practise; from half its tempo on. */
export function PractiseSong({ state, view, perMinute }: PractiseSongProps) {
  const { record, chosen, plan, loop } = state;
  const practise = useAddToPractice();
  const run = () =>
    practise({
      name: loop ? `${view.song.title}, a passage` : view.song.title,
      instrumentId: chosen?.record?.id,
      songId: record!.id,
      what: { kind: 'song', plan, ...(loop && { passage: loop }) },
      how: { tempo: Math.max(30, Math.round(perMinute / 2)), wanted: perMinute },
    });
  useShortcuts([{ key: 'b', label: 'Practise it, or the passage that is marked', group: 'The song', run }]);
  return (
    <Button variant="text" title="Among what is practised (B)" onClick={run}>
      Practise
    </Button>
  );
}
