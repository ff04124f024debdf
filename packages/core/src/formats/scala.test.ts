import fc from 'fast-check';
import { expectOk } from '../result.ts';
import { parseScala, writeScala } from './scala.ts';

test('what is written is read back to a thousandth of a cent', () => {
  const cents = fc.array(fc.double({ min: 1, max: 3000, noNaN: true }), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(cents, fc.string(), (steps, description) => {
      const tuning = { description, cents: [0, ...steps.sort((a, b) => a - b)] };
      const back = expectOk(parseScala(writeScala(tuning)));
      expect(back.cents).toHaveLength(tuning.cents.length);
      for (const [i, c] of back.cents.entries()) expect(c).toBeCloseTo(tuning.cents[i]!, 2);
    }),
  );
});

test('ratios, cents, comments and remarks behind a pitch are understood', () => {
  const text = '! name.scl\n!\nA tuning\n 4\n!\n 9/8\n 386.314 a third\n 3/2\n 2\n';
  const { description, cents } = expectOk(parseScala(text));
  expect(description).toBe('A tuning');
  expect(cents.map((c) => Math.round(c))).toEqual([0, 204, 386, 702, 1200]);
});

test.each([
  ['', 0, 'description'],
  ['just a name', 0, 'number of notes'],
  ['x\nmany\n', 1, '1 to 200'],
  ['x\n3\n9/8\n5/4\n', 4, '3 pitches are announced, 2 are there'],
  ['x\n2\n9/8\nfive\n', 3, 'cents with a point'],
  ['x\n1\n1/0\n', 2, 'cents with a point'],
])('%j is refused at line %d', (text, position, message) => {
  const result = parseScala(text);
  expect(result).toMatchObject({
    ok: false,
    problems: [{ position, message: expect.stringContaining(message) }],
  });
});
