import fc from 'fast-check';
import { reedSounds } from './reedPair.ts';

const pair = fc.record({ blow: fc.integer({ min: 40, max: 100 }), draw: fc.integer({ min: 40, max: 100 }) });

test('bends fill exactly the semitones strictly between the two reeds, in the higher reed’s air', () => {
  fc.assert(
    fc.property(pair, ({ blow, draw }) => {
      const bends = reedSounds({ blow, draw }).filter((s) => s.kind === 'bend');
      const between = [];
      for (let p = Math.min(blow, draw) + 1; p < Math.max(blow, draw); p += 1) between.push(p);
      expect(bends.map((b) => b.pitch).sort((a, b) => a - b)).toEqual(between);
      expect(bends.every((b) => b.air === (draw > blow ? 'in' : 'out'))).toBe(true);
    }),
  );
});

test('the over-note lies a semitone above the higher reed, in the other air; equal reeds have none', () => {
  fc.assert(
    fc.property(pair, ({ blow, draw }) => {
      const overs = reedSounds({ blow, draw }).filter((s) => s.kind === 'over');
      const expected = blow === draw ? [] : [[Math.max(blow, draw) + 1, draw > blow ? 'out' : 'in']];
      expect(overs.map((o) => [o.pitch, o.air])).toEqual(expected);
    }),
  );
});
