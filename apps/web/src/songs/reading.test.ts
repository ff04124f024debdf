import { kindOf } from './reading.ts';

test.each([
  ['X:1\nT:t\nK:C\nCDE', 'abc'],
  ['CDEF | G2 A2 |', 'abc'],
  ['1 2 3 -', 'degrees'],
  ['key: Em\n1 b3 5', 'degrees'],
  ['|: 5, | 1 2_ :|', 'degrees'],
  ['4 draw, 3 draw ″, 4 blow', 'tab'],
  ['−4 −3″ 4', 'tab'],
  ['xxx ooo, xxx xxo', 'tab'],
])('%j is taken for %s', (text, kind) => {
  expect(kindOf(text)).toBe(kind);
});
