/** Chord charts by hand: what an instrument holds of a chord, and why it does not hold the rest. */
import { chordChart, readChartChord, type ChordChart } from '../src/keys/chordChart.ts';
import { parseNote } from '../src/pitch/noteName.ts';
import { expectOk } from '../src/result.ts';
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { keyOf, scaleById } from '../src/scale/scale.ts';
import { instrumentOf, prefer } from './instruments.ts';

const keyIn = (tonic: string) => keyOf(expectOk(scaleById('major')), expectOk(parseNote(tonic)));

function chart(family: FamilyId, preset: string, chord: string, tonic = 'C'): ChordChart {
  const instrument = instrumentOf(family, preset);
  const asked = expectOk(readChartChord(chord, keyIn(tonic)));
  const dialect = families[family].dialects[0]!.id;
  return chordChart(instrument, keyIn(tonic), asked, prefer(family), { naming: 'key', dialect });
}
const held = (found: ChordChart) => found.holds.map(({ notes }) => notes.join(' '));

test('a chord is read by name, by degree, with its bass, or by its notes', () => {
  const read = (text: string) => {
    const { name, tones, bass } = expectOk(readChartChord(text, keyIn('G')));
    return [name, tones, bass];
  };
  expect(read('C7')).toEqual(['C7', [0, 4, 7, 10], undefined]);
  expect(read('IV7')).toEqual(['C7', [0, 4, 7, 10], undefined]);
  expect(read('Am/C')).toEqual(['Am/C', [9, 0, 4], 0]);
  expect(read('C E G Bb')).toEqual(['C E G B♭', [0, 4, 7, 10], undefined]);
  expect(read('C4 G4 C5')).toEqual(['C G C', [0, 7], undefined]);
  for (const [text, wrong] of [
    ['', ''],
    ['H7', 'H7'],
    ['C E Q', 'Q'],
  ] as const) {
    const refused = readChartChord(text, keyIn('C'));
    expect(refused.ok ? [] : refused.problems.map((p) => p.wrong)).toEqual([wrong]);
  }
});

test('the draw chord of a C harmonica is G: 1 2 3 4 draw in every row of neighbours that belongs to it', () => {
  const found = chart('diatonic', '60', 'G', 'G');
  expect(held(found)).toContain('G4 B4 D5');
  expect(held(found)).toContain('D4 G4 B4');
  expect(found.holds.find(({ notes }) => notes.join(' ') === 'G4 B4 D5')).toMatchObject({
    wayIds: ['2d', '3d', '4d'],
    air: 'in',
    inversion: 0,
    lacks: [],
  });
  // Nothing of a G chord is held blown.
  expect(found.holds.every(({ air }) => air === 'in')).toBe(true);
});

test('a dulcimer’s shapes: 0-0-2 and 3-3-5 are among them, 1-1-5 is too wide', () => {
  const frets = (chord: string) =>
    chart('dulcimer', 'd3-a3-d4', chord, 'D').holds.map(({ wayIds }) =>
      wayIds.map((id) => id.split('.')[1]).join('-'),
    );
  expect(frets('D')).toContain('0-0-2');
  expect(frets('G')).toContain('3-3-5');
  expect(frets('Em')).not.toContain('1-1-5');
  // Three strings: never more than three notes.
  expect(frets('D').every((shape) => shape.split('-').length <= 3)).toBe(true);
});

test('C7 on an English concertina: root, third, fifth and seventh close together ask for the little finger', () => {
  const found = chart('english', 'treble', 'C7');
  const refused = found.refused.map(({ notes, why }) => `${notes.join(' ')}: ${why}`);
  expect(refused.join('\n')).toContain('finger');
  expect(found.holds.length).toBeGreaterThan(0);
  for (const { notes } of found.holds)
    expect(new Set(notes.map((note) => note.replace(/\d/, ''))).size).toBe(4);
});

test('an Anglo holds a chord in each direction that has its notes: C pushed, G pulled and pushed, B♭ pulled', () => {
  const airs = (chord: string) =>
    new Set(chart('anglo', 'C-G-sharp-on-push', chord).holds.map(({ air }) => air));
  expect([...airs('C')]).toContain('out');
  expect(airs('G').size).toBe(2);
  expect([...airs('Bb')]).toContain('in');
});

test('what is left out of a chord is named: two hands hold two of three tones on a drum', () => {
  const found = chart('drum', 'c-major-8', 'C');
  expect(found.holds.length).toBeGreaterThan(0);
  for (const { notes, lacks } of found.holds) {
    expect(notes).toHaveLength(2);
    expect(lacks).toHaveLength(1);
  }
  expect(found.refused[0]!.why).toBe('two hands, two notes');
});

test('one voice holds no chord, and says so', () => {
  const found = chart('whistle', '74', 'D', 'D');
  expect(found.holds).toEqual([]);
  expect(found.refused[0]!.why).toBe('a whistle sounds one note at a time');
});

test.each(FAMILY_IDS)(
  '%s: every hold is of the chord’s tones, rising, with its bass where one is asked',
  (id) => {
    for (const text of ['C', 'Dm7', 'G7/B', 'C E']) {
      const asked = expectOk(readChartChord(text, keyIn('C')));
      const found = chart(id, families[id].presets[0]!.id, text);
      const instrument = instrumentOf(id, families[id].presets[0]!.id).forKey(keyIn('C'));
      expect(new Set(found.holds.map((hold) => hold.id)).size).toBe(found.holds.length);
      for (const hold of found.holds) {
        const pitches = hold.wayIds.map((wayId) => instrument.ways.find((way) => way.id === wayId)!.pitch);
        expect(pitches).toEqual([...pitches].sort((a, b) => a - b));
        expect(pitches.every((pitch) => asked.tones.includes(pitch % 12))).toBe(true);
        const sounded = new Set(pitches.map((pitch) => pitch % 12));
        expect(hold.lacks).toHaveLength(asked.tones.length - sounded.size);
        if (asked.bass !== undefined && hold.lacks.length === 0) expect(pitches[0]! % 12).toBe(asked.bass);
      }
    }
  },
);

test('more notes than strings or hands are refused for that, and not for one string', () => {
  const why = (family: FamilyId, preset: string, chord: string) =>
    chart(family, preset, chord, 'D').refused[0]?.why;
  expect(why('dulcimer', 'd3-a3-d4', 'D7')).toBe('three strings, three notes');
  expect(why('drum', 'c-major-8', 'C')).toBe('two hands, two notes');
});
