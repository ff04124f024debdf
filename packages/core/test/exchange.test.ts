import { checkExchange, EXCHANGE_VERSION } from '../src/exchange/exchange.ts';
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { defaultQuestion } from '../src/question/question.ts';
import { checkLayoutFile, layoutFile } from '../src/records/layoutFile.ts';
import { expectOk } from '../src/result.ts';
import { checkSettings, DEFAULT_SETTINGS } from '../src/settings/settings.ts';
import { openInstrument, specFromPreset } from '@same-song/core/instruments';
import { USUAL_WAY } from '@same-song/core/practice';
import type { ExchangeFile } from '@same-song/core/records';
import { plainPlan } from '@same-song/core/song';
import { songOf } from './samples/song.ts';

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

function file(): ExchangeFile {
  const instruments = FAMILY_IDS.map((family, n) => ({
    ...specFromPreset(family, families[family].presets[0]!.id),
    id: id(n),
  }));
  const questions = FAMILY_IDS.map((family, n) => ({
    id: id(100 + n),
    name: n === 0 ? 'Q' : 'Warm-up 🎶 אבג',
    instrumentId: id(n),
    question: defaultQuestion(families[family]),
  }));
  return {
    format: 'same-song-data',
    version: EXCHANGE_VERSION,
    instruments,
    questions,
    progressions: [{ id: id(200), name: 'Q', text: '1 4,5 1 ii7', beats: 3 }],
    layouts: FAMILY_IDS.map((family, n) => ({
      id: id(300 + n),
      family,
      name: 'Ours',
      layout: instruments[n]!.layout,
    })),
    tags: [{ id: id(350), name: 'Q', about: 'for two' }],
    songs: [{ id: id(400), ...songOf('C4 D4~ | D4 E4') }],
    arrangements: FAMILY_IDS.map((family, n) => ({
      id: id(500 + n),
      name: 'Ours',
      songId: id(400),
      instrumentId: id(n),
      plan: {
        ...plainPlan(families[family]),
        transpose: -5,
        pins: [{ noteId: 'n1', wayId: 'any' }],
        decisions: [{ noteId: 'n2', kind: 'move' as const, by: 12 }],
      },
    })),
    people: [{ id: id(600), name: 'Q', notes: '' }],
    items: FAMILY_IDS.map((family, n) => ({
      id: id(700 + n),
      name: 'Ours',
      instrumentId: id(n),
      what: { kind: 'line' as const, question: defaultQuestion(families[family]) },
      how: USUAL_WAY,
      set: n === 0,
      ...(n === 1 && { personId: id(600) }),
    })),
    routines: [{ id: id(800), name: 'Ours', steps: [{ itemId: id(700), minutes: 3 }] }],
    measurings: [
      {
        id: id(850),
        name: 'Ours',
        instrumentId: id(0),
        at: '2026-05-04T17:30:00.000Z',
        a4: 442,
        ways: { '4b': { pitch: 72, cents: 3.5, spread: 4, count: 3 } },
      },
    ],
    log: [
      {
        id: id(900),
        entry: id(901),
        revision: 2,
        at: '2026-05-04T17:30:00.000Z',
        name: 'Ours',
        itemId: id(700),
        personId: id(600),
        instrumentId: id(0),
        minutes: 4.5,
        tempo: 66,
        rounds: 3,
        clean: 2,
        keys: [10],
        ways: { '4b': { played: 3, missed: 1 } },
        note: '',
      },
    ],
    settings: DEFAULT_SETTINGS,
  };
}

test('a file with every family survives JSON and checking', () => {
  expect(expectOk(checkExchange(JSON.parse(JSON.stringify(file()))))).toEqual(file());
});

test.each([
  ['not a file of ours', () => ({ songs: [] }), 'format'],
  ['nothing', () => null, 'format'],
  ['a list', () => [], 'format'],
  ['a newer version', () => ({ ...file(), version: EXCHANGE_VERSION + 1 }), 'version'],
  ['no version', () => ({ ...file(), version: 'x' }), 'version'],
  ['instruments not a list', () => ({ ...file(), instruments: {} }), 'instruments'],
  [
    'an instrument without id',
    () => ({ ...file(), instruments: [{ ...file().instruments[0], id: '7' }], questions: [] }),
    'instruments.0.id',
  ],
  [
    'an id twice',
    () => ({ ...file(), instruments: [...file().instruments, file().instruments[0]] }),
    `instruments.${FAMILY_IDS.length}.id`,
  ],
  [
    'an unknown family',
    () => ({ ...file(), instruments: [{ ...file().instruments[0], family: 'kazoo' }], questions: [] }),
    'instruments.0.family',
  ],
  [
    'a question for nobody',
    () => ({ ...file(), questions: [{ ...file().questions[0], instrumentId: id(77) }] }),
    'questions.0.instrumentId',
  ],
  [
    'a question with no scale',
    () => ({
      ...file(),
      questions: [{ ...file().questions[0], question: { ...file().questions[0]!.question, scale: '' } }],
    }),
    'questions.0.question.scale',
  ],
  [
    'a progression with a wrong chord',
    () => ({ ...file(), progressions: [{ id: id(9), name: 'x', text: '1 H', beats: 4 }] }),
    'progressions.0.text',
  ],
  [
    'a layout of another family',
    () => ({ ...file(), layouts: [{ ...file().layouts[0], family: FAMILY_IDS[1] }] }),
    'layouts.0.layout.reeds',
  ],
  ['unknown settings', () => ({ ...file(), settings: { colour: 'red' } }), 'settings.colour'],
])('%s is refused at its field', (_, make, field) => {
  const result = checkExchange(make());
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.problems.map((p) => p.field)).toContain(field);
});

test('lists that are left out are empty, and what is none of a file’s parts is refused', () => {
  const { progressions, layouts, ...fewer } = file();
  expect(progressions.length * layouts.length).toBeGreaterThan(0);
  expect(expectOk(checkExchange(fewer))).toMatchObject({ progressions: [], layouts: [] });
  expect(checkExchange({ ...file(), tunes: [] })).toMatchObject({ problems: [{ field: 'tunes' }] });
});

test('a record with a field that is none of its kind is refused there', () => {
  const odd = { ...file(), layouts: [{ ...file().layouts[0], colour: 'red' }] };
  expect(checkExchange(odd)).toMatchObject({ ok: false, problems: [{ field: 'layouts.0.colour' }] });
});

test('a newer file says what to do', () => {
  const result = checkExchange({ ...file(), version: 9 });
  expect(result).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('newer Same Song') }],
  });
});

test.each([
  ['name', { name: '' }, 'missing'],
  ['name', { name: 'x'.repeat(10_000) }, '120 characters'],
  ['name', { name: 7 }, 'must be text'],
  ['a4', { a4: 4400 }, '390 to 470'],
  ['a4', { a4: '442' }, '390 to 470'],
  ['capability', { capability: 'all' }, 'lists of places'],
  ['capability.overblow', { capability: { overblow: ['11'] } }, 'no place'],
  ['capability.humming', { capability: { humming: [] } }, 'no technique'],
])('an instrument with a wrong %s is refused there', (field, change, message) => {
  const result = openInstrument({ ...specFromPreset('diatonic', '60'), ...change });
  expect(result).toMatchObject({
    ok: false,
    problems: [{ field, message: expect.stringContaining(message) }],
  });
});

test.each(FAMILY_IDS)(
  'a %s layout goes out and comes back; a wrong one is refused at its field',
  (family) => {
    const { layout, name } = specFromPreset(family, families[family].presets[0]!.id);
    const out = layoutFile(family, name, layout);
    expect(expectOk(checkLayoutFile(JSON.parse(JSON.stringify(out))))).toEqual(out);
    const fields = (file: unknown) => {
      const result = checkLayoutFile(file);
      return result.ok ? [] : result.problems.map((p) => p.field.split('.')[0]);
    };
    expect(fields({ ...out, format: 'x' })).toEqual(['format']);
    expect(fields({ ...out, version: 2 })).toEqual(['version']);
    expect(fields({ ...out, family: 'kazoo' })).toEqual(['family']);
    expect(fields({ ...out, name: '' })).toEqual(['name']);
    expect(fields({ ...out, layout: {} })).toContain('layout');
  },
);

test('names in any script are kept, spaces at the ends are not', () => {
  const name = '  ‏הרמוניקה 🎵 Ünïcode  ';
  expect(expectOk(openInstrument({ ...specFromPreset('diatonic', '60'), name })).spec.name).toBe(name.trim());
});

test('settings left out take their default', () => {
  expect(expectOk(checkSettings({}))).toEqual(DEFAULT_SETTINGS);
  expect(expectOk(checkSettings({ theme: 'stage' })).theme).toBe('stage');
  expect(checkSettings({ theme: 'pink' })).toMatchObject({ ok: false, problems: [{ field: 'theme' }] });
  expect(checkSettings({ dialects: { kazoo: 'words' } })).toMatchObject({
    ok: false,
    problems: [{ field: 'dialects.kazoo' }],
  });
});
