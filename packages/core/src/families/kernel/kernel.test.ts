import { expectOk } from '../../result.ts';
import { Fields } from './fields.ts';
import { anchorTable, liesAt, pitchesFrom, tuningOf } from './fixedPitches.ts';
import { chosen, keyName, option, range } from './options.ts';
import { tabReader } from './tabTable.ts';
import type { Way } from '../way.ts';

describe('reading a layout field by field', () => {
  test('what is right comes through', () => {
    const fields = new Fields({ n: 4, word: 'b', on: true, list: [60, 61] }, 'A thing.');
    const n = fields.whole('n', 1, 9, 'n');
    const word = fields.choice('word', ['a', 'b'], 'word');
    const on = fields.flag('on');
    const list = fields.list('list', 1, 3, 'Things', (item, path) => fields.pitch(item, path, 'It'));
    expect(expectOk(fields.done(() => ({ n, word, on, list })))).toEqual({
      n: 4,
      word: 'b',
      on: true,
      list: [60, 61],
    });
  });

  test.each([
    [{ n: 4.5 }, 'n', 'must be'],
    [{ n: 99 }, 'n', 'must be'],
    [{ n: '4' }, 'n', 'must be'],
    [{ word: 'z' }, 'word', 'Known: a, b'],
    [{ on: 1 }, 'on', 'true or false'],
    [{ list: 'x' }, 'list', 'must be a list'],
    [{ list: [] }, 'list', '1 to 3 things, not 0'],
    [{ list: [60, 3] }, 'list.2', 'out of range'],
    [{ list: [60, 'x'] }, 'list.2', 'whole number'],
  ])('%j is reported at %s', (wrong, field, message) => {
    const fields = new Fields({ n: 4, word: 'a', on: true, list: [60], ...wrong }, 'A thing.');
    fields.whole('n', 1, 9, 'n must be 1 to 9.');
    fields.choice('word', ['a', 'b'], 'word');
    fields.flag('on');
    fields.list('list', 1, 3, 'Things', (item, path) => fields.pitch(item, path, 'It'));
    const result = fields.done(() => 0);
    expect(result).toMatchObject({
      ok: false,
      problems: [{ field, message: expect.stringContaining(message) }],
    });
  });

  test.each([[null], [7], [[]]])('%j is no record at all', (stored) => {
    expect(new Fields(stored, 'A thing.').problems).toMatchObject([{ field: '', message: 'A thing.' }]);
  });

  test('what is left out takes its default', () => {
    const fields = new Fields({}, 'A thing.');
    expect([
      fields.whole('n', 1, 9, 'n', 3),
      fields.choice('w', ['a', 'b'], 'word', 'b'),
      fields.flag('f', true),
    ]).toEqual([3, 'b', true]);
    expect(fields.problems).toEqual([]);
  });
});

describe('tab by table', () => {
  const way = (id: string): Way => ({
    id,
    pitch: 60,
    technique: 't',
    place: id,
    air: undefined,
    words: id,
    able: true,
    redundantTo: undefined,
  });
  const ways = ['6', '6½', '10'].map(way);
  const write = (w: Way, dialect: string) => (dialect === 'plain' ? w.id : `fret ${w.id}`);
  const read = (text: string, dialect = 'plain') => tabReader(ways, ['plain', 'long'], write)(text, dialect);

  test.each([
    ['6', '6'],
    [' 6½ ', '6½'],
    ['6.5', '6½'],
    ['61/2', '6½'],
    ['fret 10', '10'],
    ['FRET 6½', '6½'],
  ])('%j is %s', (text, id) => {
    expect(expectOk(read(text)).id).toBe(id);
  });

  test.each([
    ['', 0, 'missing here'],
    ['7', 0, 'not on this instrument'],
    ['6x', 1, 'not on this instrument'],
    ['fret 11', 6, 'not on this instrument'],
  ])('%j is refused where no text goes on, at %d', (text, position, message) => {
    expect(read(text)).toMatchObject({
      ok: false,
      problems: [{ position, message: expect.stringContaining(message) }],
    });
  });
});

describe('options', () => {
  test('names, choices and ranges', () => {
    expect([keyName(58), keyName(66), keyName(3)]).toEqual(['B♭', 'F♯', 'E♭']);
    expect(range(3, 6)).toEqual([3, 4, 5, 6]);
    expect(range(3, 2)).toEqual([]);
    expect(option('on', 'On', true, [[true, 'yes']])).toMatchObject({
      value: 'true',
      choices: [{ id: 'true', label: 'yes' }],
    });
    expect(chosen('o', 'b', ['a', 'b'])).toBe('b');
    expect(() => chosen('o', 'c', ['a', 'b'])).toThrow('o = c');
  });
});

describe('fixed pitches', () => {
  const spot = (pitch: number, cents = 0) => ({ pitch, cents, x: 0, y: 0 });

  test('a tuning is cents above the lowest, in order, and gives the pitches back', () => {
    expect(tuningOf([spot(67, 2), spot(60), spot(64, -14)])).toEqual([0, 386, 702]);
    expect(expectOk(pitchesFrom(60, [0, 386, 702], { least: 1, most: 9 }))).toEqual([
      { pitch: 60, cents: 0 },
      { pitch: 64, cents: -14 },
      { pitch: 67, cents: 2 },
    ]);
    expect(expectOk(pitchesFrom(60, [0, 1951, 1949.96], { least: 1, most: 9 }))).toEqual([
      { pitch: 60, cents: 0 },
      { pitch: 80, cents: -49 },
      { pitch: 79, cents: 50 },
    ]);
    expect(pitchesFrom(60, [0], { least: 2, most: 9 })).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('2 to 9') }],
    });
  });

  test('left, right and the middle that belongs to both hands', () => {
    expect([liesAt(10, 240), liesAt(118, 240), liesAt(230, 240)]).toEqual(['left', 'middle', 'right']);
  });

  test('each pitch class is one row, whatever its octaves', () => {
    const table = anchorTable([spot(60), spot(72), spot(67)], 'tongue', ['a', 'b', 'c']);
    expect(table.rows.map((row) => [row.cells[0], row.wayIds])).toEqual([
      ['C', ['a', 'b']],
      ['G', ['c']],
    ]);
  });
});
