import { FAMILY_IDS } from '../families/index.ts';
import { expectOk } from '../result.ts';
import { checkSettings, DEFAULT_SETTINGS, NAMINGS, THEMES } from './settings.ts';

test('what is left out takes its default, and what is named is kept', () => {
  expect(expectOk(checkSettings({}))).toEqual(DEFAULT_SETTINGS);
  for (const theme of THEMES) expect(expectOk(checkSettings({ theme })).theme).toBe(theme);
  for (const naming of NAMINGS) expect(expectOk(checkSettings({ naming })).naming).toBe(naming);
  const { dialects } = expectOk(checkSettings({ dialects: { diatonic: 'signs' } }));
  expect(Object.keys(dialects).sort()).toEqual([...FAMILY_IDS].sort());
  expect(dialects).toEqual({ ...DEFAULT_SETTINGS.dialects, diatonic: 'signs' });
});

test('settings survive JSON and checking again', () => {
  const settings = expectOk(
    checkSettings({
      theme: 'stage',
      naming: 'sharps',
      lastInstrument: 'x',
      welcomed: true,
      singleKeys: false,
    }),
  );
  expect(settings).toMatchObject({ theme: 'stage', lastInstrument: 'x', welcomed: true, singleKeys: false });
  expect(expectOk(checkSettings(JSON.parse(JSON.stringify(settings))))).toEqual(settings);
});

test.each([
  ['', null],
  ['', []],
  ['', 'dark'],
  ['theme', { theme: 'dusk' }],
  ['theme', { theme: null }],
  ['naming', { naming: 'flats' }],
  ['staff', { staff: 'yes' }],
  ['welcomed', { welcomed: 1 }],
  ['singleKeys', { singleKeys: 'no' }],
  ['lastInstrument', { lastInstrument: 7 }],
  ['lastInstrument', { lastInstrument: 'x'.repeat(1000) }],
  ['dialects', { dialects: 'words' }],
  ['dialects.0', { dialects: ['words'] }],
  ['dialects.diatonic', { dialects: { diatonic: 'morse' } }],
  ['dialects.diatonic', { dialects: { diatonic: 4 } }],
  ['dialects.kazoo', { dialects: { kazoo: 'words' } }],
  ['colour', { colour: 'red' }],
  ['__proto__', JSON.parse('{"__proto__": {"theme": "stage"}}')],
  ['constructor', { constructor: 'x' }],
])('a wrong value is told at “%s”', (field, stored) => {
  const result = checkSettings(stored);
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.problems.map((p) => p.field)).toContain(field);
});

test('all that is wrong is told at once', () => {
  const result = checkSettings({ theme: 1, naming: 2, dialects: { harp: 'x', kazoo: 'y' } });
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.problems).toHaveLength(4);
});
