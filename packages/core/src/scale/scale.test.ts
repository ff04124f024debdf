import fc from 'fast-check';
import { Scale as Tonal } from 'tonal';
import { expectOk } from '../result.ts';
import { noteCode, notePitchClass, noteText, parseNote } from '../pitch/noteName.ts';
import { degreeText } from './degree.ts';
import { againstMajor, formulaText } from './formula.ts';
import {
  customScale,
  keyOf,
  modeOf,
  scaleById,
  SCALES,
  spellScale,
  stepCents,
  USUAL_KEYS,
  usualTonic,
} from './scale.ts';
import { searchScales } from './search.ts';

const note = (text: string) => expectOk(parseNote(text));
const scale = (id: string) => expectOk(scaleById(id));

/** Our ids beside the names under which an independent library knows the same scales. */
const INDEPENDENT: Record<string, string> = {
  major: 'major',
  'natural-minor': 'aeolian',
  'harmonic-minor': 'harmonic minor',
  'melodic-minor': 'melodic minor',
  'harmonic-major': 'harmonic major',
  'blues-six': 'minor blues',
  'major-blues': 'major blues',
  'minor-pentatonic': 'minor pentatonic',
  'major-pentatonic': 'major pentatonic',
  dorian: 'dorian',
  phrygian: 'phrygian',
  lydian: 'lydian',
  mixolydian: 'mixolydian',
  locrian: 'locrian',
  'whole-tone': 'whole tone',
  'dorian-flat-2': 'dorian b2',
  'lydian-augmented': 'lydian augmented',
  'lydian-dominant': 'lydian dominant',
  'mixolydian-flat-6': 'mixolydian b6',
  'locrian-natural-2': 'locrian #2',
  'locrian-natural-6': 'locrian 6',
  'dorian-sharp-4': 'dorian #4',
  'phrygian-dominant': 'phrygian dominant',
  'lydian-sharp-2': 'lydian #9',
  'double-harmonic': 'double harmonic major',
  'hungarian-minor': 'hungarian minor',
  'neapolitan-major': 'neapolitan major',
  'bebop-major': 'bebop major',
  'bebop-dominant': 'bebop',
  hirajoshi: 'hirajoshi',
  iwato: 'iwato',
  altered: 'altered',
};

test('the catalogue has at least forty scales, each with its own id, notes rising from home', () => {
  expect(SCALES.length).toBeGreaterThanOrEqual(40);
  expect(new Set(SCALES.map((s) => s.id)).size).toBe(SCALES.length);
  for (const s of SCALES) {
    expect(s.semitones[0]).toBe(0);
    expect([...s.semitones].sort((a, b) => a - b)).toEqual(s.semitones);
    expect(stepCents(s).reduce((a, b) => a + b)).toBe(1200);
  }
});

test.each(Object.entries(INDEPENDENT))('%s has the notes an independent library gives', (id, theirName) => {
  const theirs = Tonal.get(`C ${theirName}`);
  expect(theirs.empty).toBe(false);
  const chroma = [...theirs.chroma].flatMap((bit, semitone) => (bit === '1' ? [semitone] : []));
  expect(scale(id).semitones).toEqual(chroma);
});

test('seven-note scales are spelled as an independent library spells them, on every usual tonic', () => {
  for (const id of [
    'major',
    'natural-minor',
    'dorian',
    'phrygian-dominant',
    'lydian-dominant',
    'harmonic-minor',
  ]) {
    for (const tonic of USUAL_KEYS) {
      const theirs = Tonal.get(`${noteCode(tonic)} ${INDEPENDENT[id]}`).notes;
      expect(spellScale(scale(id), tonic).map(noteCode)).toEqual(theirs);
    }
  }
});

test('a seven-note scale uses each letter once, on any tonic', () => {
  for (const s of SCALES.filter((x) => x.semitones.length === 7 && x.group !== 'blues')) {
    for (const tonic of USUAL_KEYS) expect(new Set(spellScale(s, tonic).map((n) => n.letter)).size).toBe(7);
  }
});

test('both meanings of “blues scale” are found, told apart by name, and each says so', () => {
  const found = searchScales('blues scale').scales;
  expect(found.map((s) => s.id)).toEqual(expect.arrayContaining(['blues-six', 'minor-pentatonic']));
  expect(scale('blues-six').name).not.toBe(scale('minor-pentatonic').name);
  expect(scale('blues-six').note).toContain('minor pentatonic');
  expect(scale('minor-pentatonic').note).toContain('six-note blues');
});

test.each([
  ['eb dor', 'E♭', 'dorian'],
  ['blues in F', 'F', 'blues-six'],
  ['F sharp nat min', 'F♯', 'natural-minor'],
  ['ionian', undefined, 'major'],
  ['g maj pent', 'G', 'major-pentatonic'],
  ['1 2 b3 #4 5 6 b7', undefined, 'dorian-sharp-4'],
])('%s is understood', (typed, tonic, first) => {
  const found = searchScales(typed);
  expect(found.tonic && noteText(found.tonic)).toBe(tonic);
  expect(found.scales[0]?.id).toBe(first);
});

test('nothing is found for nonsense, and a formula with a slip says where', () => {
  expect(searchScales('qwerty').scales).toEqual([]);
  expect(searchScales('1 2 2 5').problem).toMatchObject({ position: 4 });
});

test.each([
  ['1 ~3 4', '1 ~3 4', 'custom:1-~3-4', [0, 3, 5], [350, 150, 700]],
  ['1 b3~3 4', '1 ~3 4', 'custom:1-~3-4', [0, 3, 5], [350, 150, 700]],
  ['1 ♭3~3 3 4~♯4', '1 ~3 3 ~♯4', 'custom:1-~3-3-~#4', [0, 3, 4, 5], [350, 50, 150, 650]],
  ['0 3.5 5', '1 ~3 4', 'custom:1-~3-4', [0, 3, 5], [350, 150, 700]],
  ['1 ♭7~7', '1 ~7', 'custom:1-~7', [0, 10], [1050, 150]],
  [
    '1 ~3 4 b5 5 b7',
    '1 ~3 4 ♭5 5 ♭7',
    'blues-blue-third',
    [0, 3, 5, 6, 7, 10],
    [350, 150, 100, 100, 300, 200],
  ],
])('%s is read with what lies in between: %s', (typed, text, id, semitones, steps) => {
  const read = expectOk(customScale(typed));
  expect([formulaText(read.degrees), read.id, read.semitones, stepCents(read)]).toEqual([
    text,
    id,
    semitones,
    steps,
  ]);
  expect(expectOk(scaleById(id)).degrees).toEqual(read.degrees);
});

test.each([
  ['1 b3 ~3', 5, 'each note once'],
  ['1 2~3', 2, 'not a semitone wide'],
  ['1 3~b3', 2, 'not a semitone wide'],
  ['1 ~x', 2, 'not a degree'],
  ['1 x~3', 2, 'not a degree'],
  ['~1 3', 0, 'starts from home'],
  ['0 11.5', 2, '0 to 11'],
  ['', 0, 'Type the scale'],
  ['2 3', 0, 'starts from home'],
  ['1 2 8', 4, 'not a degree'],
  ['1 3 3', 4, 'each note once'],
  ['1 #1 b2', 5, 'each note once'],
  ['1 5 3', 4, 'upwards'],
  ['0 2 2', 4, 'each note once'],
  ['0 2 12', 4, '0 to 11'],
  ['1 🎵', 2, 'not a degree'],
])('the formula %p is refused at %d', (typed, position, message) => {
  const result = customScale(typed);
  expect(result).toMatchObject({
    ok: false,
    problems: [{ position, message: expect.stringContaining(message) }],
  });
});

test('any set of semitones makes a scale that its id finds again', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 11 }), { maxLength: 11 }), (rest) => {
      const semitones = [0, ...rest.sort((a, b) => a - b)];
      const made = expectOk(customScale(semitones.join(' ')));
      expect(made.semitones).toEqual(semitones);
      expect(scale(made.id).semitones).toEqual(semitones);
    }),
  );
});

test('modes know their parent: a brute rotation of the parent gives the same notes', () => {
  expect(modeOf(scale('dorian'))).toMatchObject({ parent: { id: 'major' }, degree: 2 });
  expect(modeOf(scale('lydian-dominant'))).toMatchObject({ parent: { id: 'melodic-minor' }, degree: 4 });
  expect(modeOf(scale('minor-pentatonic'))).toMatchObject({ parent: { id: 'major-pentatonic' }, degree: 5 });
  expect(modeOf(scale('major'))).toBeUndefined();
  expect(modeOf(scale('blues-six'))).toBeUndefined();
  for (const s of SCALES) {
    const mode = modeOf(s);
    if (!mode) continue;
    const home = 3;
    const own = new Set(s.semitones.map((x) => (x + home) % 12));
    const parents = new Set(mode.parent.semitones.map((x) => (x + home - mode.semitones + 12) % 12));
    expect(own).toEqual(parents);
  }
});

test('what changes against major is said the way players learn it', () => {
  expect(againstMajor(scale('natural-minor').degrees)).toBe('3, 6 and 7 lowered');
  expect(againstMajor(scale('lydian').degrees)).toBe('4 raised');
  expect(againstMajor(scale('major').degrees)).toBe('the major scale itself');
  expect(againstMajor(scale('major-blues').degrees)).toBe('♭3 added; 4 and 7 left out');
});

test('a tonic is spelled with the fewest accidentals, ties as harmonica keys are written', () => {
  expect(noteText(usualTonic(scale('major'), 1))).toBe('D♭');
  expect(noteText(usualTonic(scale('natural-minor'), 1))).toBe('C♯');
  expect(noteText(usualTonic(scale('major'), 6))).toBe('F♯');
  expect(noteText(usualTonic(scale('natural-minor'), 8))).toBe('G♯');
});

test.each([
  // Letters are the tonic's plus the degree; ♯4 where the scale is major, simple names for what would be double.
  ['major', 'G', 'G A♭ A B♭ B C C♯ D E♭ E F F♯'],
  ['major', 'A', 'A B♭ B C C♯ D D♯ E F F♯ G G♯'],
  ['major', 'F', 'F G♭ G A♭ A B♭ B C D♭ D E♭ E'],
  ['major', 'E', 'E F F♯ G G♯ A A♯ B C C♯ D D♯'],
  ['blues-six', 'G', 'G A♭ A B♭ B C D♭ D E♭ E F F♯'],
  ['blues-six', 'Eb', 'E♭ F♭ F G♭ G A♭ A B♭ C♭ C D♭ D'],
  ['natural-minor', 'C#', 'C♯ D D♯ E E♯ F♯ G G♯ A A♯ B B♯'],
  ['natural-minor', 'Ab', 'A♭ A B♭ C♭ C D♭ D E♭ F♭ F G♭ G'],
  // More notes than letters: neither C♭, F♭, E♯ and B♯ nor double signs.
  ['chromatic', 'Gb', 'G♭ G A♭ A B♭ B C D♭ D E♭ E F'],
  ['bebop-dominant', 'Db', 'D♭ D E♭ E F G♭ G A♭ A B♭ B C'],
])('the twelve notes in %s on %s are %s', (id, tonic, names) => {
  expect(keyOf(scale(id), note(tonic)).names.map(noteText).join(' ')).toBe(names);
});

test('the raised fourth of a major key is called so as a degree too', () => {
  const fifths = (id: string) => degreeText(keyOf(scale(id), note('C')).degrees[6]!);
  expect(['major', 'mixolydian', 'natural-minor', 'blues-six'].map(fifths)).toEqual(['♯4', '♯4', '♭5', '♭5']);
});

test('a blues is in E♭, A♭ and B♭', () => {
  const tonics = (id: string) => [3, 8, 10, 1].map((pc) => noteText(usualTonic(scale(id), pc)));
  expect(tonics('blues-six')).toEqual(['E♭', 'A♭', 'B♭', 'C♯']);
  expect(tonics('minor-pentatonic')).toEqual(['E♭', 'A♭', 'B♭', 'C♯']);
});

test.each([
  ['harmonic-minor', 8, 'G♯'],
  ['melodic-minor', 8, 'G♯'],
  ['melodic-minor', 1, 'C♯'],
  ['harmonic-minor', 3, 'E♭'],
  ['natural-minor', 8, 'G♯'],
  // Of a mode with a minor third its own signature decides.
  ['dorian', 1, 'C♯'],
] as const)('%s on pitch class %i is in %s', (id, pc, tonic) => {
  expect(noteText(usualTonic(scale(id), pc))).toBe(tonic);
});

test.each(['Eb', 'Ab', 'Db'])(
  'the blues in %s has a raised fourth where its fifth would be double flat',
  (tonic) => {
    expect(keyOf(scale('blues-six'), note(tonic)).degrees[6]).toEqual({ number: 4, alter: 1 });
    expect(keyOf(scale('blues-six'), note('G')).degrees[6]).toEqual({ number: 5, alter: -1 });
  },
);

test('names never change what sounds', () => {
  for (const s of SCALES) {
    const key = keyOf(s, note('Ab'));
    expect(key.names.map(notePitchClass)).toEqual(Array.from({ length: 12 }, (_, i) => (i + 8) % 12));
  }
});

test.each([
  ['Em', 'E', 'natural-minor'],
  ['am', 'A', 'natural-minor'],
  ['c#m', 'C♯', 'natural-minor'],
  ['Bb', 'B♭', 'major'],
  ['b', 'B', 'major'],
  ['EM', 'E', 'major'],
  ['Ebmaj', 'E♭', 'major'],
  ['em pent', 'E', 'minor-pentatonic'],
  ['A minor', 'A', 'natural-minor'],
  ['wholetone', undefined, 'whole-tone'],
  ['whole tone', undefined, 'whole-tone'],
  ['dim', undefined, 'diminished-whole-half'],
  ['harmonicminor', undefined, 'harmonic-minor'],
  ['minor harmonic in f', 'F', 'harmonic-minor'],
  ['gypsy', undefined, 'double-harmonic'],
  ['arabic', undefined, 'double-harmonic'],
  ['hijaz', undefined, 'phrygian-dominant'],
  ['klezmer', undefined, 'phrygian-dominant'],
  ['acoustic', undefined, 'lydian-dominant'],
  ['Ukrainian', undefined, 'dorian-sharp-4'],
  ['egyptian', undefined, 'suspended-pentatonic'],
  ['mixolidian', undefined, 'mixolydian'],
  ['D dorain', 'D', 'dorian'],
  ['pentatonik', undefined, 'minor-pentatonic'],
  ['maj7', undefined, 'major-seventh'],
  ['m7b5', undefined, 'half-diminished'],
  ['prometheus', undefined, 'prometheus'],
  ['A m', 'A', 'natural-minor'],
  ['lydian b7', undefined, 'lydian-dominant'],
  ['6 note blues', undefined, 'blues-six'],
  ['irish in D', 'D', 'mixolydian'],
])('“%s” finds %p %s first', (typed, tonic, id) => {
  const { tonic: read, scales } = searchScales(typed);
  expect([read && noteText(read), scales[0]?.id]).toEqual([tonic, id]);
});

test('degrees of chords beyond the octave are read an octave lower', () => {
  const ids = (text: string) => expectOk(customScale(text)).id;
  expect(ids('1 3 5 b7 #9')).toBe('seventh-sharp-9');
  expect(ids('1 3 5 b7 b9')).toBe('seventh-flat-9');
  expect(ids('1 5 b7 9 11')).toBe('suspended-pentatonic');
  expect(ids('1 3 5 b7 9 13')).toBe('thirteenth');
  expect(customScale('1 2 3 9')).toMatchObject({ ok: false, problems: [{ position: 6 }] });
});
