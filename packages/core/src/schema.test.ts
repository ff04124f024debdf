import * as v from 'valibot';
import { fail, ok } from './result.ts';
import {
  byId,
  checkedBy,
  fields,
  id,
  isoTime,
  jsonSchemaOf,
  list,
  number,
  oneOf,
  parse,
  problemsOf,
  text,
  typedText,
  whole,
} from './schema.ts';

const UUID = '5a3e5046-0000-4000-8000-0000000000aF';

const SCHEMA = fields({
  name: typedText('A name', 3, 1),
  count: v.exactOptional(whole(1, 9), 4),
  rows: v.exactOptional(list(fields({ at: number(0, 1) }), 2)),
});

const told = (value: unknown) => problemsOf(SCHEMA, value).map(({ field, message }) => [field, message]);

test('a sound value comes out with its defaults, texts without spaces at their ends', () => {
  expect(parse(SCHEMA, { name: ' ab ' })).toEqual(ok({ name: 'ab', count: 4 }));
  expect(parse(SCHEMA, { name: '🎵🎵🎵', count: 9, rows: [{ at: 0.5 }] })).toMatchObject({ ok: true });
});

test('each wrong field is told by its path, with what stood there', () => {
  expect(told({ name: ' ', count: 0, rows: [{ at: 0 }, { at: 2 }] })).toEqual([
    ['name', 'A name is missing.'],
    ['count', 'A whole number from 1 to 9 belongs here.'],
    ['rows.1.at', 'A number from 0 to 1 belongs here.'],
  ]);
  expect(told({ name: 'abcde', count: 1.5, rows: [{ at: 0 }, { at: 0 }, { at: 0 }] })).toEqual([
    ['name', 'A name may have 3 characters at most; this has 5.'],
    ['count', 'A whole number from 1 to 9 belongs here.'],
    ['rows', 'A list of at most 2 belongs here.'],
  ]);
  expect(problemsOf(SCHEMA, { name: 'a', count: 10 })[0]!.wrong).toBe('10');
});

test('fields that are missing or unknown are named', () => {
  expect(told({})).toEqual([['name', 'The field “name” is missing.']]);
  expect(told({ name: 'a', rows: [{}] })).toEqual([['rows.0.at', 'The field “at” is missing.']]);
  expect(told({ name: 'a', colour: 1 })).toEqual([['colour', 'There is no field “colour”.']]);
  expect(told('x')).toEqual([['', 'An object with fields belongs here.']]);
  expect(told(null)).toEqual([['', 'An object with fields belongs here.']]);
});

test('no more problems than can be read are told', () => {
  const long = list(whole(0, 1), 1_000);
  expect(
    problemsOf(
      long,
      Array.from({ length: 500 }, () => 7),
    ),
  ).toHaveLength(20);
});

test.each([
  [id(), UUID, 'x'],
  [isoTime('No.'), '2026-05-04T17:30:00Z', '2026-13-44T99:00:00Z'],
  [isoTime('No.'), '2026-05-04T17:30:00+02:00', 'May 4, 2026'],
  [oneOf(['a', 'b']), 'b', 'c'],
  [text(2, 1), 'ab', 'abc'],
  [text(2, 1), 'a', ''],
  [number(0, 1), 1, Number.NaN],
  [byId(whole(0, 5), 1, 'No.', 1), { a: 5 }, {}],
  [byId(whole(0, 5), 1, 'No.', 1), { a: 0 }, { a: 1, b: 2 }],
])('of schema %# one value is taken and one refused', (schema, right, wrong) => {
  expect(parse(schema, right).ok).toBe(true);
  expect(parse(schema, wrong).ok).toBe(false);
});

test('a time is put into UTC', () => {
  expect(parse(isoTime('No.'), '2026-05-04T17:30:00+02:00')).toEqual(ok('2026-05-04T15:30:00.000Z'));
});

test('a check by a function keeps the fields of its problems', () => {
  const even = checkedBy((value: number) =>
    value % 2 === 0 ? ok(value / 2) : fail({ field: 'half', wrong: String(value), message: 'Odd.' }),
  );
  const schema = fields({ pair: v.pipe(v.number(), even) });
  expect(parse(schema, { pair: 8 })).toEqual(ok({ pair: 4 }));
  expect(problemsOf(schema, { pair: 7 })).toEqual([{ field: 'pair.half', wrong: '7', message: 'Odd.' }]);
});

test('the published schema has the limits, what may be left out and nothing else', () => {
  expect(jsonSchemaOf(SCHEMA)).toEqual({
    type: 'object',
    properties: {
      name: { type: 'string', minLength: 1, maxLength: 3 },
      count: { type: 'integer', minimum: 1, maximum: 9, default: 4 },
      rows: {
        type: 'array',
        minItems: 0,
        maxItems: 2,
        items: {
          type: 'object',
          properties: { at: { type: 'number', minimum: 0, maximum: 1 } },
          required: ['at'],
          additionalProperties: false,
        },
      },
    },
    required: ['name'],
    additionalProperties: false,
  });
  expect(jsonSchemaOf(id())).toEqual({ type: 'string', format: 'uuid' });
});
