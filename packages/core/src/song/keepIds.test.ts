import { songOf } from '../../test/samples/song.ts';
import { keepIds } from './keepIds.ts';
import { mapNotes, melodyOf } from './song.ts';

const ids = (before: string, after: string) => {
  // What is read anew has ids of its own.
  const anew = mapNotes(songOf(after), (note) => ({ ...note, id: `new-${note.id}` }));
  return melodyOf(keepIds(songOf(before), anew))
    .voice.notes.map(({ id }) => id)
    .join(' ');
};

test.each([
  ['nothing changed', 'C4 D4 E4', 'C4 D4 E4', 'n1 n2 n3'],
  ['one put in before', 'C4 D4 E4', 'G4 C4 D4 E4', 'n4 n1 n2 n3'],
  ['one put in between', 'C4 D4 E4', 'C4 G4 D4 E4', 'n1 n4 n2 n3'],
  ['one taken out', 'C4 D4 E4', 'C4 E4', 'n1 n3'],
  ['one changed', 'C4 D4 E4', 'C4 F4 E4', 'n1 n4 n3'],
  ['two changed apart from each other', 'C4 D4 E4 F4 G4', 'C4 A4 E4 B4 G4', 'n1 n6 n3 n7 n5'],
  ['one lengthened', 'C4 D4 E4', 'C4 D4*2 E4', 'n1 n4 n3'],
  ['a bar put in', 'C4 D4 | E4 F4', 'C4 D4 | G4 A4 | E4 F4', 'n1 n2 n5 n6 n3 n4'],
  ['all new', 'C4 D4', 'E4 F4', 'n3 n4'],
])('%s', (_, before, after, expected) => {
  expect(ids(before, after)).toBe(expected);
});

test('every note still has an id of its own', () => {
  const all = ids('C4 C4 C4 D4', 'C4 C4 D4 C4 C4 C4').split(' ');
  expect(new Set(all).size).toBe(6);
});
