import { families, familyById, specFromPreset } from '@same-song/core/instruments';
import type { InstrumentRecord } from '../api/records.ts';
import { choose, ownKeyOf, presetRef, baseRef, refWith } from './reference.ts';

const dulcimer: InstrumentRecord = {
  ...specFromPreset('dulcimer', families.dulcimer.presets[0]!.id),
  id: 'oda',
  version: 3,
};
const cabinet = [
  { ...specFromPreset('whistle', families.whistle.presets[0]!.id), id: 'w', version: 1 },
  dulcimer,
];
const capoOf = (spec: InstrumentRecord) => (spec.layout as { capo: string }).capo;

test('one of the cabinet as it stands, and set for the time being, which its record does not follow', () => {
  expect(choose('oda', cabinet, false)).toMatchObject({ ref: 'oda', record: dulcimer, todo: [] });
  const ref = refWith('oda', [{ option: 'capo', choice: '6½' }]);
  const chosen = choose(ref, cabinet, false)!;
  expect(chosen).toMatchObject({ ref, record: dulcimer, todo: ['put the capo on fret 6½'] });
  expect(capoOf({ ...dulcimer, layout: chosen.spec.layout })).toBe('6½');
  expect(capoOf(chosen.record!)).toBe('0');
  expect(baseRef(ref)).toBe('oda');
});

test('one on loan can be set too, and needs no cabinet', () => {
  const ref = refWith(presetRef('dulcimer', families.dulcimer.presets[0]!.id), [
    { option: 'capo', choice: '3' },
  ]);
  expect(choose(ref, [], true)).toMatchObject({ ref, record: undefined, todo: ['put the capo on fret 3'] });
});

test.each(['oda~capo:99', 'oda~wings:2', 'oda~', 'oda~capo', 'oda~capo:0', 'oda~fretboard:chromatic'])(
  '%s sets nothing that can be set, so it is the instrument as it stands',
  (ref) => {
    expect(choose(ref, cabinet, false)).toMatchObject({ ref: 'oda', todo: [] });
  },
);

test('what is not there is the first of the cabinet, as it stands; while the cabinet is read, nothing', () => {
  expect(choose('gone~capo:3', cabinet, false)).toMatchObject({ ref: 'w', todo: [] });
  expect(choose('preset:kazoo/1', cabinet, false)).toMatchObject({ ref: 'w' });
  expect(choose('oda~capo:3', [], true)).toBeUndefined();
  const loan = choose(null, [], false)!;
  expect(familyById(loan.spec.family)).toBeDefined();
  expect(loan.record).toBeUndefined();
});

test('no option that is set on the spot has a name or a choice that a link could not hold', () => {
  for (const family of Object.values(families))
    for (const preset of family.presets) {
      const opened = family.open(preset.layout, {});
      if (!opened.ok) throw new Error(preset.id);
      for (const option of opened.value.options.filter((o) => o.retune))
        for (const { id } of option.choices) {
          expect(option.id).toMatch(/^[^~:]+$/);
          expect(id).toMatch(/^[^~]+$/);
        }
    }
});

test('a player begins in the key of the instrument, and in C where there is none', () => {
  expect(ownKeyOf(choose('preset:whistle/74', [], true)).home).toBe(2);
  expect(ownKeyOf(choose('preset:diatonic/58', [], true)).home).toBe(10);
  expect(ownKeyOf(undefined).home).toBe(0);
});
