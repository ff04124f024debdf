import {
  askFromLink,
  askToLink,
  checkAsk,
  defaultAsk,
  expectOk,
  families,
  FAMILY_IDS,
  mapView,
  openInstrument,
} from '@same-song/core';
import { specFromPreset, storedAsk, type StoredAsk } from '@same-song/core';

const family = families.diatonic;
const base = defaultAsk(family);

const ASKS: StoredAsk[] = [
  base,
  { ...base, tonic: 'F#', scale: 'blues-six', span: { kind: 'reach' }, direction: 'down', chord: 4 },
  { ...base, tonic: 'Eb', scale: 'custom:1-2-b3-b5', span: { kind: 'between', low: 63, high: 78 } },
  {
    ...base,
    preferences: { preset: 'air', weights: { turns: 7.5, jumps: 0 }, habits: { twin: 'blow' } },
    pins: [
      { index: 3, wayId: '3b' },
      { index: 0, wayId: '2d' },
    ],
  },
];

test.each(ASKS)('a link brings the whole question back: $scale', (ask) => {
  const { ask: back, problems } = askFromLink(askToLink(ask, family), family);
  expect(problems).toEqual([]);
  expect(storedAsk(back)).toEqual(ask);
});

test('a mistyped link opens with what could be understood and says what could not', () => {
  const { ask, problems } = askFromLink(
    { in: 'H', play: 'dorian', span: '99', with: 'magic', pin: 'x' },
    family,
  );
  expect(storedAsk(ask)).toEqual({ ...base, scale: 'dorian' });
  expect(problems.map((p) => p.field)).toEqual(['tonic', 'span', 'preferences.preset', 'pins']);
});

test.each([
  ['tonic', { tonic: 'Q' }, 'letter A to G'],
  ['scale', { scale: 'nope' }, 'no scale'],
  ['scale', { scale: 'custom:1-1' }, 'each note once'],
  ['span', { span: { kind: 'octaves', octaves: 0 } }, 'octaves'],
  ['span', { span: { kind: 'between', low: 60, high: 6000 } }, 'between two notes'],
  ['direction', { direction: 'sideways' }, 'up, down'],
  ['chord', { chord: 2 }, '1, 4 or 5'],
  ['preferences.weights.turns', { preferences: { preset: 'air', weights: { turns: 11 } } }, 'from 0 to 10'],
  [
    'preferences.weights.sighs',
    { preferences: { preset: 'air', weights: { sighs: 1 } } },
    'no effort called',
  ],
  ['preferences.habits.twin', { preferences: { preset: 'air', habits: { twin: 'both' } } }, 'no such habit'],
  ['pins', { pins: [{ index: -1, wayId: '1b' }] }, 'Pins'],
])('a wrong %s is refused at its field', (field, change, message) => {
  const result = checkAsk(family, { ...base, ...change });
  expect(result).toMatchObject({
    ok: false,
    problems: [{ field, message: expect.stringContaining(message) }],
  });
});

describe.each(FAMILY_IDS)('Map of every %s preset', (id) => {
  test('answers with a line, a tab, an effort and no way that it does not draw', () => {
    for (const preset of families[id].presets) {
      const instrument = expectOk(openInstrument(specFromPreset(id, preset.id)));
      const ask = expectOk(
        checkAsk(families[id], { ...defaultAsk(families[id]), tonic: 'Eb', scale: 'dorian' }),
      );
      const dialect = families[id].dialects[0]!.id;
      const view = mapView(instrument, ask, { naming: 'key', dialect });
      expect(structuredClone(view)).toEqual(view);
      expect(view.line.map((n) => n.degree).slice(0, 8)).toEqual(['1', '2', '♭3', '4', '5', '6', '♭7', '1']);
      const drawn = new Set(view.ways.map((w) => w.id));
      for (const note of view.line)
        expect(note.wayId === undefined ? note.missing : drawn.has(note.wayId)).toBeTruthy();
      expect(view.tabText.split(families[id].dialects[0]!.separator)).toHaveLength(view.line.length);
      expect(Number.isFinite(view.effort.total)).toBe(true);
      expect(
        view.reach.have +
          view.line.filter((n, i) => n.missing && view.line.findIndex((o) => o.pitch === n.pitch) === i)
            .length,
      ).toBe(view.reach.of);
    }
  });
});

test('Map of a low E♭ harmonica in F♯ natural minor tells the key in a teacher’s words', () => {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '51')));
  const ask = expectOk(checkAsk(family, { ...base, tonic: 'F#', scale: 'natural-minor' }));
  const view = mapView(instrument, ask, { naming: 'key', dialect: 'words' });
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
  const ask = expectOk(checkAsk(family, { ...base, tonic: 'Db', scale: 'natural-minor' }));
  const names = (naming: 'key' | 'simple' | 'sharps') =>
    mapView(instrument, ask, { naming, dialect: 'words' }).facts.notes;
  expect(names('key')).toEqual(['D♭', 'E♭', 'F♭', 'G♭', 'A♭', 'B♭♭', 'C♭']);
  expect(names('simple')[5]).toBe('A');
  expect(names('sharps')).toEqual(['C♯', 'D♯', 'E', 'F♯', 'G♯', 'A', 'B']);
  expect(mapView(instrument, ask, { naming: 'key', dialect: 'words' }).facts.simpler).toEqual({
    text: 'C♯',
    code: 'C#',
  });
});
