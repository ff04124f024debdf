import fc from 'fast-check';
import { songOf } from '../../test/samples/song.ts';
import { spelledText } from '../pitch/spelledPitch.ts';
import { changeBetween, withoutChange, type Fields } from '../records/change.ts';
import { recordKind } from '../records/kinds.ts';
import { expectOk } from '../result.ts';
import { quarters } from '../time/ticks.ts';
import { checkSong } from './checkSong.ts';
import { edited, editedBy, type SongEdit } from './edits.ts';
import { melodyOf } from './song.ts';

const song = songOf('C4 D4 - F4 | G4*2 E4+G4*2');
const notes = (of: typeof song) =>
  melodyOf(of).voice.notes.map(({ pitch, onset, length }) => [
    spelledText(pitch),
    onset / quarters(1),
    length / quarters(1),
  ]);
const after = (edit: SongEdit, before = song) => expectOk(edited(before, edit));
const D4 = { letter: 'D', accidental: 0, octave: 4 } as const;

test('a note is put where a rest was, and taken out again', () => {
  const note = { id: 'x1', onset: quarters(2), length: quarters(1, 2), pitch: D4 };
  const more = after({ kind: 'insert', voice: 'v1', note });
  expect(notes(more)[2]).toEqual(['D4', 2, 0.5]);
  expect(after({ kind: 'delete', noteId: 'x1' }, more)).toEqual(song);
  const onTop = edited(song, { kind: 'insert', voice: 'v1', note: { ...note, onset: quarters(1, 2) } });
  expect(onTop).toMatchObject({
    ok: false,
    problems: [{ message: 'A note of a voice begins while one before it sounds.' }],
  });
});

test('longer and shorter as the bar has room, a chord as a whole', () => {
  expect(notes(after({ kind: 'retime', noteId: 'n2', length: quarters(2) }))[1]).toEqual(['D4', 1, 2]);
  const over = edited(song, { kind: 'retime', noteId: 'n3', length: quarters(2) });
  expect(!over.ok && over.problems[0]!.message).toBe('A note ends with its bar; tie it to one in the next.');
  const chord = notes(after({ kind: 'retime', noteId: 'n5', onset: quarters(7), length: quarters(1) }));
  expect(chord.slice(4)).toEqual([
    ['E4', 7, 1],
    ['G4', 7, 1],
  ]);
});

test('by steps of the key, by semitones, and under another name', () => {
  const step = (steps: number) =>
    notes(after({ kind: 'step', noteIds: ['n1', 'n3'], steps })).map(([name]) => name);
  expect(step(1).slice(0, 3)).toEqual(['D4', 'D4', 'G4']);
  expect(step(-1).slice(0, 3)).toEqual(['B3', 'D4', 'E4']);
  const inA = {
    ...song,
    keys: [{ at: 0, tonic: { letter: 'A', accidental: 0 }, scale: 'major' }],
  } as typeof song;
  expect(notes(after({ kind: 'step', noteIds: ['n3'], steps: 4 }, inA))[2]![0]).toBe('C♯5');
  expect(notes(after({ kind: 'transpose', noteIds: ['n1'], semitones: 13 }))[0]![0]).toBe('C♯5');
  const flat = { letter: 'D', accidental: -1, octave: 4 } as const;
  expect(notes(after({ kind: 'respell', noteId: 'n1', pitch: flat }))[0]![0]).toBe('D♭4');
});

test('ties, marks, words, chords and phrases are put in and taken out, and nothing is left of them', () => {
  const pairs: [SongEdit, SongEdit][] = [
    [
      { kind: 'tie', noteId: 'n1', tied: true },
      { kind: 'tie', noteId: 'n1', tied: false },
    ],
    [
      { kind: 'mark', noteId: 'n1', mark: 'accent', on: true },
      { kind: 'mark', noteId: 'n1', mark: 'accent', on: false },
    ],
    [
      { kind: 'lyric', noteId: 'n2', verse: 1, syllable: { text: 'hey' } },
      { kind: 'lyric', noteId: 'n2', verse: 1, syllable: null },
    ],
    [
      { kind: 'chord', at: quarters(4), symbol: ' Am ' },
      { kind: 'chord', at: quarters(4), symbol: '' },
    ],
    [
      { kind: 'phrase', at: quarters(4), ends: true },
      { kind: 'phrase', at: quarters(4), ends: false },
    ],
    [
      { kind: 'tag', tag: 'reel', on: true },
      { kind: 'tag', tag: 'reel', on: false },
    ],
  ];
  for (const [there, back] of pairs) {
    const changed = after(there);
    expect(changed).not.toEqual(song);
    expect(after(back, changed)).toEqual(song);
  }
  expect(after(pairs[3]![0]).chords).toEqual([{ at: quarters(4), symbol: 'Am' }]);
  expect(melodyOf(after(pairs[2]![0])).voice.notes[1]!.lyrics).toEqual([null, { text: 'hey' }]);
});

test('an edit of a note that is gone is refused, and of several edits all are made or none', () => {
  expect(edited(song, { kind: 'delete', noteId: 'n99' })).toMatchObject({ problems: [{ field: 'noteId' }] });
  const both: SongEdit[] = [
    { kind: 'delete', noteId: 'n1' },
    { kind: 'tie', noteId: 'n1', tied: true },
  ];
  expect(editedBy(song, both).ok).toBe(false);
  expect(notes(expectOk(editedBy(song, both.slice(0, 1))))).toHaveLength(5);
});

test('whatever is edited, what comes out is sound, or it is refused and says why', () => {
  const id = fc.constantFrom('n1', 'n2', 'n3', 'n4', 'n5', 'n6');
  const ticks = fc.integer({ min: -quarters(1), max: quarters(9) });
  const edit: fc.Arbitrary<SongEdit> = fc.oneof(
    fc.record({ kind: fc.constant('delete' as const), noteId: id }),
    fc.record({ kind: fc.constant('retime' as const), noteId: id, onset: ticks, length: ticks }),
    fc.record({
      kind: fc.constant('transpose' as const),
      noteIds: fc.array(id, { maxLength: 3 }),
      semitones: fc.integer({ min: -90, max: 90 }),
    }),
    fc.record({
      kind: fc.constant('step' as const),
      noteIds: fc.array(id, { maxLength: 3 }),
      steps: fc.integer({ min: -60, max: 60 }),
    }),
    fc.record({ kind: fc.constant('phrase' as const), at: ticks, ends: fc.boolean() }),
  );
  fc.assert(
    fc.property(edit, (made) => {
      const result = edited(song, made);
      if (result.ok) expect(checkSong(result.value)).toEqual(result);
      else expect(result.problems[0]!.message).toMatch(/\.$/);
    }),
  );
});

test('an edit is taken back from under another one as if it had never been made', () => {
  const { apart } = recordKind('songs');
  const ids = ['n1', 'n2', 'n3', 'n4', 'n5', 'n6'];
  const editOf = (noteId: string): fc.Arbitrary<SongEdit> =>
    fc.oneof(
      fc.constantFrom<SongEdit>(
        { kind: 'delete', noteId },
        { kind: 'mark', noteId, mark: 'accent', on: true },
        { kind: 'lyric', noteId, verse: 0, syllable: { text: noteId } },
        { kind: 'chord', at: quarters(ids.indexOf(noteId)), symbol: 'Am' },
        { kind: 'phrase', at: quarters(ids.indexOf(noteId)), ends: true },
        { kind: 'tag', tag: noteId, on: true },
      ),
      fc.integer({ min: 1, max: 5 }).map((steps): SongEdit => ({ kind: 'step', noteIds: [noteId], steps })),
    );
  const two = fc
    .shuffledSubarray(ids, { minLength: 2, maxLength: 2 })
    .chain(([one, other]) => fc.tuple(editOf(one!), editOf(other!)));
  const contentOf = (of: typeof song) => of as unknown as Fields;
  fc.assert(
    fc.property(two, ([first, second]) => {
      const [mine, alone] = [edited(song, first), edited(song, second)];
      fc.pre(mine.ok && alone.ok);
      const both = edited(mine.value, second);
      fc.pre(both.ok);
      const state = (content: typeof song) => ({ content: contentOf(content), binned: false });
      const change = changeBetween(state(song), state(mine.value), apart);
      const left = change ? withoutChange(change, state(both.value), apart) : state(both.value);
      if (typeof left === 'string') throw new Error(`it is asked about: ${left}`);
      expect(checkSong(left.content)).toEqual(alone);
    }),
  );
});
