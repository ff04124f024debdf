import { keysOf } from '@same-song/core';
import { QUARTER } from '@same-song/core/music';
import {
  barAt,
  barStarts,
  type NoteMark,
  type Song,
  type SongEdit,
  type SongNote,
} from '@same-song/core/song';

/** What can be done to a note with one press. */
export interface NoteEdit {
  readonly words: string;
  /** What undo calls it. */
  readonly label: string;
  readonly edits: readonly SongEdit[];
  readonly key?: string;
  /** Whether it holds already, where pressing it again takes it back. */
  readonly on?: boolean;
}

/** The shortest note that a halving leaves: a sixty-fourth. */
const SHORTEST = QUARTER / 16;

/** Pitch and length of a note of a song, and notes put in beside it. */
export function noteEdits(song: Pick<Song, 'bars' | 'parts'>, note: SongNote): readonly NoteEdit[] {
  const { id, length, tied = false } = note;
  const noteIds = [id];
  const halves = length % 2 === 0 && length / 2 >= SHORTEST;
  return [
    {
      words: 'step up',
      label: 'a step of the key up',
      edits: [{ kind: 'step', noteIds, steps: 1 }],
      key: '+',
    },
    {
      words: 'step down',
      label: 'a step of the key down',
      edits: [{ kind: 'step', noteIds, steps: -1 }],
      key: '-',
    },
    { words: '♯', label: 'a semitone up', edits: [{ kind: 'transpose', noteIds, semitones: 1 }] },
    { words: '♭', label: 'a semitone down', edits: [{ kind: 'transpose', noteIds, semitones: -1 }] },
    {
      words: 'twice as long',
      label: 'twice as long',
      edits: [{ kind: 'retime', noteId: id, length: 2 * length }],
    },
    ...(halves
      ? [
          {
            words: 'half as long',
            label: 'half as long',
            edits: [{ kind: 'retime', noteId: id, length: length / 2 }],
          } as const,
        ]
      : []),
    ...another(song, note, halves),
    {
      words: tied ? 'not tied on' : 'tied on',
      label: tied ? 'not tied to the next' : 'tied to the next',
      edits: [{ kind: 'tie', noteId: id, tied: !tied }],
    },
    {
      words: 'take it out',
      label: 'a rest instead',
      edits: [{ kind: 'delete', noteId: id }],
      key: 'Delete',
    },
  ];
}

/** A second note of the same pitch: in the rest that follows, or out of the second half of this one. */
function another(song: Pick<Song, 'bars' | 'parts'>, note: SongNote, halves: boolean): readonly NoteEdit[] {
  const voice = song.parts
    .flatMap(({ voices }) => voices)
    .find(({ notes }) => notes.some(({ id }) => id === note.id))!;
  const starts = barStarts(song);
  const end = note.onset + note.length;
  const next = voice.notes.find(({ onset }) => onset > note.onset)?.onset ?? Infinity;
  const room = Math.min(next, end < starts.at(-1)! ? starts[barAt(starts, end) + 1]! : end) - end;
  const id = freshId();
  const insert = (onset: number, length: number): SongEdit => ({
    kind: 'insert',
    voice: voice.id,
    note: { id, onset, length, pitch: note.pitch },
  });
  if (room > 0)
    return [
      {
        words: 'another after it',
        label: 'a note in the rest',
        edits: [insert(end, Math.min(note.length, room))],
        key: 'Insert',
      },
    ];
  if (!halves) return [];
  const half = note.length / 2;
  return [
    {
      words: 'two of half the length',
      label: 'two notes for one',
      edits: [
        { kind: 'retime', noteId: note.id, length: half },
        ...(note.tied ? [{ kind: 'tie', noteId: note.id, tied: false } as const] : []),
        insert(note.onset + half, half),
        ...(note.tied ? [{ kind: 'tie', noteId: id, tied: true } as const] : []),
      ],
      key: 'Insert',
    },
  ];
}

/** One that no other page gives to a note of the same song. */
function freshId(): string {
  return `n${Math.random().toString(36).slice(2, 11)}`;
}

const MARK_WORDS: Readonly<Record<NoteMark, string>> = {
  staccato: 'short',
  tenuto: 'full length',
  accent: 'accented',
  fermata: 'held on',
  breath: 'breath after it',
  roll: 'rolled',
  trill: 'trilled',
};

/** How a note is played: each of its marks put there or taken away. */
export function markEdits({ id, marks = [] }: SongNote): readonly NoteEdit[] {
  return keysOf(MARK_WORDS).map((mark) => {
    const on = marks.includes(mark);
    return {
      words: MARK_WORDS[mark],
      label: on ? `not ${MARK_WORDS[mark]}` : MARK_WORDS[mark],
      edits: [{ kind: 'mark', noteId: id, mark, on: !on }],
      on,
    };
  });
}
