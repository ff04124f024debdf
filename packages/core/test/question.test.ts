import { families, FAMILY_IDS } from '../src/families/index.ts';
import { openInstrument } from '../src/instrument/instrument.ts';
import { mapView } from '../src/map/mapView.ts';
import { QUESTION_PARAMS, questionFromLink, questionToLink } from '../src/question/link.ts';
import { checkQuestion, defaultQuestion } from '../src/question/question.ts';
import { expectOk } from '../src/result.ts';
import { specFromPreset } from '@same-song/core/instruments';
import { storedQuestion, withUsualChords, type StoredQuestion } from '@same-song/core/route';

const family = families.diatonic;
const base = defaultQuestion(family);

const QUESTIONS: StoredQuestion[] = [
  base,
  {
    ...base,
    tonic: 'F#',
    scale: 'blues-six',
    range: { kind: 'whole' },
    direction: 'down',
    chords: ['4', 'bVII7'],
  },
  {
    ...base,
    range: { kind: 'octaves', octaves: 2, from: 'best', start: 7, turn: 3 },
    direction: 'down-up',
    pattern: 'anchor',
    anchor: 2,
  },
  { ...base, range: { kind: 'octaves', octaves: 1, from: 62, turn: 7 } },
  { ...base, tonic: 'Eb', scale: 'custom:1-2-b3-b5', range: { kind: 'between', low: 63, high: 78 } },
  {
    ...base,
    preferences: { preset: 'air', weights: { turns: 7.5, jumps: 0 }, playingOptions: { twin: 'blow' } },
    pins: [
      { noteId: '70.2', wayId: '3b' },
      { noteId: '70.1', wayId: '2d', fingering: 'Ri' },
    ],
  },
];

test.each(QUESTIONS)('a link brings the whole question back: $scale', (question) => {
  const { question: back, problems } = questionFromLink(questionToLink(question, family), family);
  expect(problems).toEqual([]);
  expect(storedQuestion(back)).toEqual(question);
});

test('every parameter that is written is one of the list', () => {
  const written = new Set(QUESTIONS.flatMap((question) => Object.keys(questionToLink(question, family))));
  expect(QUESTION_PARAMS).toEqual(expect.arrayContaining([...written]));
});

test('a mistyped link opens with what could be understood and says what could not', () => {
  const { question, problems } = questionFromLink(
    { in: 'H', play: 'dorian', range: '99', with: 'magic' },
    family,
  );
  expect(storedQuestion(question)).toEqual({ ...base, scale: 'dorian' });
  expect(problems.map((p) => p.field)).toEqual(['tonic', 'range', 'preferences.preset']);
});

test.each([
  ['tonic', { tonic: 'Q' }, 'letter A to G'],
  ['scale', { scale: 'nope' }, 'no scale'],
  ['scale', { scale: 'custom:1-1' }, 'each note once'],
  ['range', { range: { kind: 'octaves', octaves: 0 } }, 'octaves'],
  ['range', { range: { kind: 'between', low: 60, high: 6000 } }, 'between two notes'],
  ['range', { range: { kind: 'octaves', octaves: 1, from: 'best', start: 12 } }, 'octaves'],
  ['anchor', { anchor: 3 }, 'the second or the third'],
  ['direction', { direction: 'sideways' }, 'up, down'],
  ['chords', { chords: [] }, '1 to 12 chords'],
  ['chords.1', { chords: ['1', 'H7'] }, 'no chord'],
  ['chords.0', { chords: ['Am7'] }, 'written by degree'],
  ['preferences.weights.turns', { preferences: { preset: 'air', weights: { turns: 11 } } }, 'from 0 to 10'],
  [
    'preferences.weights.sighs',
    { preferences: { preset: 'air', weights: { sighs: 1 } } },
    'no effort called',
  ],
  [
    'preferences.playingOptions.twin',
    { preferences: { preset: 'air', playingOptions: { twin: 'both' } } },
    'no such option',
  ],
  ['pins', { pins: 'all' }, 'list'],
  ['pins.0.noteId', { pins: [{ noteId: 4, wayId: '1b' }] }, 'name a note'],
  ['pins.0.noteId', { pins: [{ noteId: 'x'.repeat(81), wayId: '1b' }] }, 'name a note'],
  ['pins.1', { pins: ['1b', '4b'].map((wayId) => ({ noteId: '60.1', wayId })) }, 'pinned only once'],
])('a wrong %s is refused at its field', (field, change, message) => {
  const result = checkQuestion(family, { ...base, ...change });
  expect(result).toMatchObject({
    ok: false,
    problems: [{ field, message: expect.stringContaining(message) }],
  });
});

describe.each(FAMILY_IDS)('Map of every %s preset', (id) => {
  test('answers with a line, a tab, an effort and no way that it does not draw', () => {
    for (const preset of families[id].presets) {
      const instrument = expectOk(openInstrument(specFromPreset(id, preset.id)));
      const question = expectOk(
        checkQuestion(families[id], { ...defaultQuestion(families[id]), tonic: 'Eb', scale: 'dorian' }),
      );
      const dialect = families[id].dialects[0]!.id;
      const view = mapView(instrument, question, { naming: 'key', dialect });
      expect(structuredClone(view)).toEqual(view);
      const degrees = view.line.map((n) => n.degree);
      // A set of pitches leaves out what is not there, unless nothing of the scale is.
      const had = view.line.filter((n) => n.wayId);
      if (families[id].isPitchSet) expect([0, view.line.length]).toContain(had.length);
      else expect(degrees.slice(0, 8)).toEqual(['1', '2', '♭3', '4', '5', '6', '♭7', '1']);
      const drawn = new Set(view.ways.map((w) => w.id));
      for (const note of view.line)
        expect(note.wayId === undefined ? note.missing : drawn.has(note.wayId)).toBeTruthy();
      expect(view.tabText.split(families[id].dialects[0]!.separator)).toHaveLength(view.line.length);
      expect(Number.isFinite(view.effort.total)).toBe(true);
      expect(
        view.coverage.have +
          view.line.filter((n, i) => n.missing && view.line.findIndex((o) => o.pitch === n.pitch) === i)
            .length,
      ).toBe(view.coverage.of);
    }
  });
});

test('Map of a low E♭ harmonica in F♯ natural minor tells the key in a teacher’s words', () => {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '51')));
  const question = expectOk(checkQuestion(family, { ...base, tonic: 'F#', scale: 'natural-minor' }));
  const view = mapView(instrument, question, { naming: 'key', dialect: 'words' });
  expect(view.facts).toMatchObject({
    notes: ['F♯', 'G♯', 'A', 'B', 'C♯', 'D', 'E'],
    againstMajor: '3, 6 and 7 lowered',
    mode: 'mode 6 of A major',
    signature: '3 sharps: F♯ C♯ G♯',
    steps: [200, 100, 200, 200, 100, 200, 200],
    simpler: undefined,
  });
  expect(view.instrumentFacts).toEqual(['10th position']);
});

test('a spelling with double flats offers the plainer key; naming habits change names only', () => {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '60')));
  const question = expectOk(checkQuestion(family, { ...base, tonic: 'Db', scale: 'natural-minor' }));
  const names = (naming: 'key' | 'simple' | 'sharps') =>
    mapView(instrument, question, { naming, dialect: 'words' }).facts.notes;
  expect(names('key')).toEqual(['D♭', 'E♭', 'F♭', 'G♭', 'A♭', 'B♭♭', 'C♭']);
  expect(names('simple')[5]).toBe('A');
  expect(names('sharps')).toEqual(['C♯', 'D♯', 'E', 'F♯', 'G♯', 'A', 'B']);
  expect(mapView(instrument, question, { naming: 'key', dialect: 'words' }).facts.simpler).toEqual({
    text: 'C♯',
    code: 'C#',
  });
});

test('a blues is asked over its three chords, everything else over home’s, and links say only what is not usual', () => {
  const asked = (params: Record<string, string>) =>
    storedQuestion(questionFromLink(params, family).question).chords;
  expect(asked({ in: 'G', play: 'blues-six' })).toEqual(['1', '4', '5']);
  expect(asked({ in: 'G', play: 'major' })).toEqual(['1']);
  expect(asked({ in: 'G', play: 'blues-six', over: '1' })).toEqual(['1']);
  const blues = { ...base, scale: 'blues-six', chords: ['1', '4', '5'] };
  expect(questionToLink(blues, family)).not.toHaveProperty('over');
  expect(questionToLink({ ...blues, chords: ['1'] }, family)).toHaveProperty('over', '1');
  // A drum of five notes stands over the minor chord of its home.
  const drum = openedDrum();
  expect(drum.question.chords.map(({ written }) => written)).toEqual(['1']);
  expect(drum.question.scale.id).toBe('minor-pentatonic');
  expect(drum.chord).toEqual([0, 3, 7]);
});

test('with another scale the chords follow where they were the usual ones', () => {
  const blues = { scale: 'blues-six', chords: ['1', '4', '5'] };
  expect(withUsualChords(base, { scale: 'blues-six' })).toEqual(blues);
  expect(withUsualChords(blues, { scale: 'major' })).toEqual({ scale: 'major', chords: ['1'] });
  expect(withUsualChords({ scale: 'major', chords: ['5'] }, { scale: 'blues-six' })).toEqual({
    scale: 'blues-six',
  });
  expect(withUsualChords(base, { scale: 'blues-six', chords: ['2'] })).toEqual({
    scale: 'blues-six',
    chords: ['2'],
  });
  expect(withUsualChords(blues, { tonic: 'A' })).toEqual({ tonic: 'A' });
});

function openedDrum() {
  const instrument = expectOk(openInstrument(specFromPreset('drum', 'a-minor-five-13')));
  const question = expectOk(checkQuestion(families.drum, defaultQuestion(families.drum, instrument)));
  return { question, chord: question.chords[0]!.chord.tones };
}
