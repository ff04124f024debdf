import Button from '@mui/material/Button';
import { QUARTER } from '@same-song/core/music';
import { barNumberIn, type SongView } from '@same-song/core/song';
import { lazyPart } from '../../frame/lazyPart.tsx';
import { TempoField } from '../../controls/TempoField.tsx';
import { HearMenu } from './HearMenu.tsx';
import { PractiseSong } from './PractiseSong.tsx';
import type { SongRecord } from '../../api/records.ts';
import { useSongEdits } from './songEdits.ts';
import type { SongState } from './useSong.ts';
import type { SongScreen } from './useSongScreen.ts';

const PrintMenu = lazyPart('Print', async () => (await import('./PrintMenu.tsx')).PrintMenu, { quiet: true });
const SongFiles = lazyPart('Files', async () => (await import('./SongFiles.tsx')).SongFiles, { quiet: true });

interface SongToolsProps {
  readonly state: SongState;
  readonly view: SongView;
  readonly record: SongRecord;
  readonly screen: SongScreen;
}

/** What can be done with the song: hear it, draw it, write, move, practise and print it. */
export function SongTools({ state, view, record, screen }: SongToolsProps) {
  const edit = useSongEdits(record);
  const { loop, setLoop } = state;
  const { player, perMinute, isDrawn, isWriting, isMoving } = screen;
  return (
    <div className="song-tools row">
      <Button variant="contained" onClick={player.toggle}>
        {player.playing ? 'Stop' : 'Play'}
      </Button>
      <TempoField tempo={perMinute} onTempo={screen.setPerMinute} />
      <HearMenu
        song={view.song}
        hearing={screen.hearing}
        onHearing={screen.setHearing}
        onFeel={(feel) => edit([{ kind: 'feel', feel }], 'how its eighths are played')}
      />
      <Button
        variant="text"
        aria-pressed={isDrawn}
        title="The instrument, with the note that is chosen or sounds (D)"
        onClick={() => screen.setIsDrawn(!isDrawn)}
      >
        {isDrawn ? 'Hide the drawing' : 'Drawing'}
      </Button>
      <SongFiles state={state} view={view} />
      <Button variant="text" aria-expanded={isWriting} onClick={() => screen.setIsWriting(!isWriting)}>
        Change
      </Button>
      <Button
        variant="text"
        aria-expanded={isMoving}
        title="Beside another, the same tab elsewhere, every key (X)"
        onClick={() => screen.setIsMoving(!isMoving)}
      >
        Move
      </Button>
      <PractiseSong state={state} view={view} perMinute={perMinute} />
      <PrintMenu
        onPaper={screen.setPaper}
        drawing={screen.isDrawnOnPaper}
        onDrawing={screen.setIsDrawnOnPaper}
      />
      {loop && (
        <Button variant="outlined" size="small" onClick={() => setLoop(undefined)}>
          {loopWords(view, loop)} ✕
        </Button>
      )}
    </div>
  );
}

function loopWords(
  { song, line }: SongView,
  passage: { readonly from: string; readonly to: string },
): string {
  const barOf = barNumberIn(song);
  const bars = [passage.from, passage.to].map((id) => {
    const note = line.find((one) => one.id === id);
    return barOf(Math.round((note?.start ?? 0) * QUARTER));
  });
  const [first, last] = [Math.min(...bars), Math.max(...bars)];
  const from = first === 0 ? 'The upbeat' : `Bar${first === last ? '' : 's'} ${first}`;
  return `${from}${first === last ? '' : ` to ${last}`} again and again`;
}
