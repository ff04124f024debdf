import fc from 'fast-check';
import { slidingMinimum } from './slidingMinimum.ts';

test('what is least among the last rows is what a look at all of them finds', () => {
  const rowsOf = fc.array(fc.tuple(fc.nat(9), fc.nat(9)), { maxLength: 40 });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 6 }), rowsOf, (count, rows) => {
      const least = slidingMinimum(2, count);
      const seen: (readonly [number, number])[] = Array.from({ length: count }, () => [0, 0]);
      for (const row of rows) {
        const last = seen.slice(-count);
        expect([...least.ofLast()]).toEqual([0, 1].map((i) => Math.min(...last.map((one) => one[i]!))));
        least.push(Float64Array.from(row));
        seen.push(row);
      }
    }),
  );
});
