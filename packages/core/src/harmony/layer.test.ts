import { expectOk } from '../result.ts';
import { scaleById, SCALES } from '../scale/scale.ts';
import { fiveOf, LAYERS, layerSemitones } from './layer.ts';
import { mainChords } from './scaleChords.ts';

const five = (id: string) => fiveOf(expectOk(scaleById(id))).join(' ');

test('five notes leave the fourth and seventh of major, and the second and sixth of minor, out', () => {
  expect(five('major')).toBe('0 2 4 7 9');
  expect(five('natural-minor')).toBe('0 3 5 7 10');
  expect(five('dorian')).toBe('0 3 5 7 10');
  expect(five('minor-pentatonic')).toBe('0 3 5 7 10');
});

test('layers grow: each holds the one before, for every scale and chord, but for tones that the scale has not', () => {
  for (const scale of SCALES.filter((s) => s.semitones.length === 7 && s.group !== 'blues')) {
    for (const chord of mainChords(scale)) {
      const sets = LAYERS.map((layer) => layerSemitones(scale, [chord], layer.id));
      expect(sets[3]).toEqual(scale.semitones);
      for (const [smaller, larger] of [
        [0, 2],
        [1, 3],
        [2, 3],
        [3, 4],
      ] as const)
        expect(sets[smaller]!.every((s) => sets[larger]!.includes(s))).toBe(true);
      expect(sets[2]).toHaveLength(5);
    }
  }
});

test('colours come among the scale in rising order: a semitone below each tone of C major, and the blue notes', () => {
  const major = expectOk(scaleById('major'));
  expect(layerSemitones(major, [mainChords(major)[0]!], 'colour')).toEqual([0, 2, 3, 4, 5, 6, 7, 9, 10, 11]);
});
