import { songOf } from '../../test/samples/song.ts';
import { brokenPlaces } from './brokenChord.ts';
import { melodyLine } from './songLine.ts';

const WALTZ = songOf('C5 E5 G5 | C5*2 E5', { metres: [{ at: 0, count: 3, unit: 4 }] });
const turns = (between: boolean) =>
  brokenPlaces(WALTZ, melodyLine(WALTZ), { between }).map(({ note, turn }) => `${note.id} ${turn}`);

test('what does not ring counts the notes that sound, so that every tone of a chord has its turn', () => {
  expect(turns(false)).toEqual(['n1 0', 'n2 1', 'n3 2', 'n4 0', 'n5 1']);
});

test('what rings has two to a beat', () => {
  expect(turns(true).slice(0, 6)).toEqual(['n1 0', 'n1 1', 'n2 2', 'n2 3', 'n3 4', 'n3 5']);
});
