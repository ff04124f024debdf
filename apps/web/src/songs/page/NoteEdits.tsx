import Button from '@mui/material/Button';
import { holdingAt } from '@same-song/core/song';
import { Disclosure } from '../../controls/Disclosure.tsx';
import type { SongRecord } from '../../api/records.ts';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { markEdits, noteEdits, type NoteEdit } from './noteEdits.ts';
import { useSongEdits } from './songEdits.ts';
import { ChordHere, WordsHere } from './WordsHere.tsx';

interface NoteEditsProps {
  readonly record: SongRecord;
  /** The note that is selected. */
  readonly noteId: string;
}

/** Changes one note of the song itself, for every arrangement of it; each change can be undone. */
export function NoteEdits({ record, noteId }: NoteEditsProps) {
  const make = useSongEdits(record);
  const note = record.parts
    .flatMap(({ voices }) => voices.flatMap(({ notes }) => notes))
    .find(({ id }) => id === noteId);
  const edits = note ? noteEdits(record, note) : [];
  useShortcuts(
    edits.flatMap(({ key, label, edits: made }) =>
      key ? [{ key, label, group: 'The song', run: () => make(made, label) }] : [],
    ),
  );
  if (!note) return null;
  const end = note.onset + note.length;
  const ends = record.phrases.includes(end);
  const tools = (list: readonly NoteEdit[]) =>
    list.map(({ words, label, edits: made, on }) => (
      <Button
        key={label}
        size="small"
        variant="outlined"
        title={label}
        {...(on !== undefined && { 'aria-pressed': on })}
        onClick={() => make(made, label)}
      >
        {words}
      </Button>
    ));
  return (
    <Disclosure className="note-edits note-changes" summary="Change the song here">
      <div className="note-edits-tools row">
        {tools(edits)}
        {tools([
          {
            words: ends ? 'No phrase ends here' : 'A phrase ends here',
            label: ends ? 'no phrase ends here' : 'a phrase ends here',
            edits: [{ kind: 'phrase', at: end, ends: !ends }],
            on: ends,
          },
        ])}
      </div>
      <div className="note-edits-tools row" role="group" aria-label="How it is played">
        {tools(markEdits(note))}
      </div>
      <ChordHere
        key={`chord ${noteId}`}
        symbol={record.chords.find(({ at }) => at === note.onset)?.symbol ?? ''}
        holding={holdingAt(record.chords, note.onset)?.symbol}
        onChord={(symbol) =>
          make(
            [{ kind: 'chord', at: note.onset, symbol }],
            symbol === '' ? 'no change of chord here' : `${symbol} from here`,
          )
        }
      />
      <WordsHere
        key={`words ${noteId}`}
        lyrics={note.lyrics ?? []}
        verses={versesOf(record)}
        onSung={(verse, syllable) =>
          make(
            [{ kind: 'lyric', noteId: note.id, verse, syllable }],
            syllable ? `“${syllable.text}” is sung here` : 'nothing is sung here',
          )
        }
      />
    </Disclosure>
  );
}

/** Verses that a song has words of. */
function versesOf({ parts }: Pick<SongRecord, 'parts'>): number {
  const notes = parts.flatMap(({ voices }) => voices.flatMap((voice) => voice.notes));
  return Math.max(0, ...notes.map(({ lyrics = [] }) => lyrics.length));
}
