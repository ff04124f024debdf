import type { Problem } from '@same-song/core';
import { families, specFromPreset } from '@same-song/core/instruments';
import { checkExchange, DEFAULT_SETTINGS, EXCHANGE_FORMAT, EXCHANGE_VERSION } from '@same-song/core/records';
import { defaultQuestion } from '@same-song/core/route';
import { RequestError } from '../api/client.ts';
import { canTakeRest, takeRest } from './salvaging.ts';

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const drum = specFromPreset('drum', 'c-major-8');
const question = (n: number, instrument: number) => ({
  id: id(n),
  name: `Question ${n}`,
  instrumentId: id(instrument),
  question: defaultQuestion(families.drum),
});

/** What a server says that checks files as the real one does. */
function problemsWith(file: object): readonly Problem[] {
  const checked = checkExchange(file);
  return checked.ok ? [] : checked.problems;
}

beforeEach(() => {
  global.fetch = ((_: string, { body }: { body: string }) => {
    const problems = problemsWith(JSON.parse(body) as object);
    const answer = problems.length > 0 ? { status: 422, code: 'invalid', message: 'no', problems } : {};
    return Promise.resolve(new Response(JSON.stringify(answer), { status: problems.length > 0 ? 422 : 200 }));
  }) as unknown as typeof fetch;
});

test('what a family has come to refuse is left out, with the questions asked of it; the rest is whole', async () => {
  const head = { format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, settings: DEFAULT_SETTINGS };
  const refused = { ...drum, name: 'An old drum', layout: { tongues: 'as they were then' } };
  const file = {
    ...head,
    instruments: [
      { id: id(1), ...drum, name: 'A drum' },
      { id: id(2), ...refused },
      { id: id(3), ...drum, name: 'Another' },
    ],
    questions: [question(11, 1), question(12, 2), question(13, 3)],
    progressions: [{ id: id(21), name: '', text: '1 4', beats: 4 }],
  };
  const problems = problemsWith(file);
  expect(canTakeRest(problems)).toBe(true);
  const { file: rest, left } = await takeRest(file, problems);
  expect([...left].sort()).toEqual(['An old drum', 'Question 12', 'progressions 1']);
  expect(rest.instruments.map(({ name }) => name)).toEqual(['A drum', 'Another']);
  expect(rest.questions.map(({ name }) => name)).toEqual(['Question 11', 'Question 13']);
  expect(rest.progressions).toEqual([]);
  expect(problemsWith(rest)).toEqual([]);
  expect(file.instruments).toHaveLength(3);
});

test('where more is wrong than single records nothing can be taken', async () => {
  const none = { format: 'another', instruments: [] };
  expect(canTakeRest(problemsWith(none))).toBe(false);
  expect(canTakeRest([])).toBe(false);
  const settings = { format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, settings: { theme: 7 } };
  expect(canTakeRest(problemsWith(settings))).toBe(false);
  await expect(takeRest(settings, [])).rejects.toBeInstanceOf(RequestError);
});
