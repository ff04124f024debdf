import Button from '@mui/material/Button';
import { losses } from '@same-song/formats';
import { songOf, type SongRecord } from '../../api/records.ts';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { SongPreview } from './SongPreview.tsx';
import { SongText } from './SongText.tsx';
import { Tapping } from './Tapping.tsx';
import { useNewSong, type NewSongState } from './useNewSong.ts';
import type { TextReading } from './useTextReading.ts';

interface NewSongProps {
  readonly onDone: () => void;
  /** A text of several tunes is to be read as a file is. */
  readonly onBook?: (book: File) => void;
  /** A song that is there and is to be written otherwise. */
  readonly record?: SongRecord;
}

/** One box for a song in ABC, degrees or tab, with the staff of what is understood beneath it. */
export function NewSong({ onDone, onBook, record }: NewSongProps) {
  const state = useNewSong(record, onDone);
  const { reading, text, song, even } = state;
  return (
    <section className="split new-song card" aria-label={record ? `${record.title} as ABC` : 'A new song'}>
      <SongText state={state} />
      <div className="new-song-shown">
        {state.taken?.kind === 'tab' && reading?.read && <TakenFor state={state} />}
        {reading && <Remarks reading={reading} text={text} record={record} onBook={onBook} />}
        {even && <Tapping key={text} song={even} onTapped={state.setTapped} />}
        {song ? (
          <SongPreview song={song} />
        ) : (
          !reading && <p className="songs-empty">What you write is shown here as notes.</p>
        )}
        <SaveButtons state={state} />
      </div>
    </section>
  );
}

/** Whose tab it is taken for, where it did not look like tab. */
function TakenFor({ state: { tabFor } }: { readonly state: NewSongState }) {
  const { instrument, family, dialect } = tabFor;
  const written = family?.dialects.find(({ id }) => id === dialect)?.label;
  if (!instrument || !written) return null;
  return (
    <p className="new-song-remark" role="status">
      Taken for tab of {instrument.name}, in {written}.
    </p>
  );
}

function SaveButtons({ state: { canSave, save, leave } }: { readonly state: NewSongState }) {
  return (
    <p className="songs-tools row">
      <Button variant="contained" disabled={!canSave} onClick={save}>
        Keep it
      </Button>
      <Button variant="outlined" onClick={leave}>
        Leave it
      </Button>
    </p>
  );
}

/** Problems or remarks shown at once. */
const SHOWN = 6;

interface RemarksProps extends Pick<NewSongProps, 'record' | 'onBook'> {
  readonly reading: TextReading;
  readonly text: string;
}

/** What was not understood, or what is worth knowing of what was. */
function Remarks({ reading, text, record, onBook }: RemarksProps) {
  if (reading.problems)
    return (
      <ul className="plain-list" role="alert">
        {reading.problems.slice(0, SHOWN).map((problem, i) => (
          <li key={i}>
            {placeWords(text, problem.position)}
            {problem.message}
          </li>
        ))}
      </ul>
    );
  const { read, tunes } = reading;
  const lost = record ? losses(songOf(record), 'abc') : [];
  const remarks = read.remarks
    .slice(0, SHOWN)
    .map((one) => (one.line ? `Line ${one.line}, column ${one.column ?? 1}: ` : '') + one.text);
  return (
    <>
      {tunes > 1 && onBook && (
        <p className="new-song-remark" role="status">
          This is a book of {tunes} tunes; the first of them is shown.{' '}
          <LinkButton onClick={() => onBook(new File([text], 'pasted.abc'))}>Read all {tunes}</LinkButton>
        </p>
      )}
      {[...lost, ...remarks].map((words, i) => (
        <p key={i} className="new-song-remark">
          {words}
        </p>
      ))}
    </>
  );
}

/** `Line 2, column 5: ` of a place in the text. */
function placeWords(text: string, position: number | undefined): string {
  if (position === undefined) return '';
  const before = text.slice(0, position).split('\n');
  return `Line ${before.length}, column ${before.at(-1)!.length + 1}: `;
}
