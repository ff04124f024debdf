import Button from '@mui/material/Button';
import { edited, QUARTER, type SongEdit, type SongNote } from '@same-song/core';
import { songOf, songs, type SongRecord } from '../api/records.ts';
import { notify } from '../frame/notice.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useKeeping } from '../frame/useKeeping.ts';

interface NoteEditsProps {
  readonly record: SongRecord;
  /** The note that is selected. */
  readonly noteId: string;
}

/** Changes one note of the song itself, for every arrangement of it; each change can be undone. */
export function NoteEdits({ record, noteId }: NoteEditsProps) {
  const { change, busy } = useKeeping(songs);
  const note = record.parts
    .flatMap(({ voices }) => voices.flatMap(({ notes }) => notes))
    .find(({ id }) => id === noteId);
  const make = (edit: SongEdit, label: string) => {
    const before = songOf(record);
    const made = edited(before, edit);
    if (!made.ok) {
      notify(made.problems[0]!.message);
      return;
    }
    change(record, { before, after: made.value, label, notice: `The song is changed: ${label}.` });
  };
  const edits = note ? editsOf(note) : [];
  useShortcuts(
    edits.flatMap(({ key, label, edit }) =>
      key ? [{ key, label, group: 'The song', run: () => !busy && make(edit, label) }] : [],
    ),
  );
  if (!note) return null;
  const ends = record.phrases.includes(note.onset + note.length);
  return (
    <details className="note-edits note-changes">
      <summary>Change the song here</summary>
      <div className="note-edits-tools">
        {edits.map(({ words, label, edit }) => (
          <Button
            key={label}
            size="small"
            variant="outlined"
            disabled={busy}
            title={label}
            onClick={() => make(edit, label)}
          >
            {words}
          </Button>
        ))}
        <Button
          size="small"
          variant="outlined"
          aria-pressed={ends}
          disabled={busy}
          onClick={() =>
            make(
              { kind: 'phrase', at: note.onset + note.length, ends: !ends },
              ends ? 'no phrase ends here' : 'a phrase ends here',
            )
          }
        >
          {ends ? 'No phrase ends here' : 'A phrase ends here'}
        </Button>
      </div>
    </details>
  );
}

interface NoteEdit {
  readonly words: string;
  readonly label: string;
  readonly edit: SongEdit;
  readonly key?: string;
}

/** The shortest note that a halving leaves: a sixty-fourth. */
const SHORTEST = QUARTER / 16;

function editsOf({ id, length, tied = false }: SongNote): readonly NoteEdit[] {
  const noteIds = [id];
  return [
    { words: 'step up', label: 'a step of the key up', edit: { kind: 'step', noteIds, steps: 1 }, key: '+' },
    {
      words: 'step down',
      label: 'a step of the key down',
      edit: { kind: 'step', noteIds, steps: -1 },
      key: '-',
    },
    { words: '♯', label: 'a semitone up', edit: { kind: 'transpose', noteIds, semitones: 1 } },
    { words: '♭', label: 'a semitone down', edit: { kind: 'transpose', noteIds, semitones: -1 } },
    {
      words: 'twice as long',
      label: 'twice as long',
      edit: { kind: 'retime', noteId: id, length: 2 * length },
    },
    ...(length % 2 === 0 && length / 2 >= SHORTEST
      ? ([
          {
            words: 'half as long',
            label: 'half as long',
            edit: { kind: 'retime', noteId: id, length: length / 2 },
          },
        ] as const)
      : []),
    {
      words: tied ? 'not tied on' : 'tied on',
      label: tied ? 'not tied to the next' : 'tied to the next',
      edit: { kind: 'tie', noteId: id, tied: !tied },
    },
    { words: 'take it out', label: 'a rest instead', edit: { kind: 'delete', noteId: id }, key: 'Delete' },
  ];
}
