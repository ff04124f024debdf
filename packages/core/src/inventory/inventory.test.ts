import { expectOk } from '../result.ts';
import { homeChord } from '../harmony/scaleChords.ts';
import { rolesOf } from '../harmony/role.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { keyOf, scaleById, usualTonic } from '../scale/scale.ts';
import { prefer } from '../../test/instruments.ts';
import { routingContext } from '../route/context.ts';
import { missingReason, scaleInRange } from '../route/missing.ts';
import { takeInventory } from './inventory.ts';

/** Ids of the ways in the scale, in 2nd position major, by technique; over-notes only where they gain a pitch. */
function secondPosition(preset: string) {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', preset)));
  const scale = expectOk(scaleById('major'));
  const key = keyOf(scale, usualTonic(scale, pitchClass(Number(preset) + 7)));
  const roles = rolesOf(scale, [homeChord(scale)]);
  const { byTechnique } = takeInventory(instrument, key, roles);
  const inScale = (air: string, techniques: readonly string[]) =>
    byTechnique
      .filter((group) => techniques.includes(group.technique.id))
      .flatMap((group) => group.items)
      .filter(
        (item) =>
          item.way.air === air && !item.redundant && item.role !== 'outside' && item.role !== 'colour',
      )
      .map((item) => item.way.id);
  return {
    blow: inScale('out', ['plain']),
    draw: inScale('in', ['plain']),
    bends: [...inScale('in', ['shallow-bend', 'deep-bend', 'middle-bend']), ...inScale('out', ['blow-bend'])],
    overblows: inScale('out', ['overblow']),
    overdraws: inScale('in', ['overdraw']),
    items: byTechnique.flatMap((group) => group.items),
  };
}

test.each(families.diatonic.presets.map((p) => [p.label, p.id]))(
  '2nd position major on a %s harmonica',
  (_, preset) => {
    const found = secondPosition(preset);
    expect(found.blow).toEqual(['1b', '2b', '3b', '4b', '5b', '6b', '7b', '8b', '9b', '10b']);
    expect(found.draw).toEqual(['1d', '2d', '3d', '4d', '6d', '7d', '8d', '10d']);
    expect(found.bends.sort()).toEqual(['10b1', '2d1', '3d2', '9b1']);
    expect(found.overblows).toEqual(['5bo']);
    expect(found.overdraws).toEqual([]);
  },
);

test('chord tones of I, IV and V are marked; advice follows technique and role', () => {
  const { items } = secondPosition('56');
  const item = (id: string) => items.find((i) => i.way.id === id)!;
  expect(item('2d')).toMatchObject({ role: 'home', advice: 'safe', chords: ['I', 'IV'] });
  expect(item('4d')).toMatchObject({ role: 'chord', advice: 'safe', chords: ['I', 'V'] });
  expect(item('1b').chords).toEqual(['IV']);
  expect(item('3d2')).toMatchObject({ advice: 'risk', chords: ['V'] });
  expect(item('5d')).toMatchObject({ role: 'outside', advice: 'leave' });
  expect(item('3bo')).toMatchObject({ redundant: true, advice: 'leave' });
  expect(item('3d1')).toMatchObject({ role: 'colour', advice: 'risk' });
});

test('what is missing is told with its reason', () => {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '63')));
  const scale = expectOk(scaleById('major'));
  const key = keyOf(scale, usualTonic(scale, pitchClass(63 + 7)));
  const { missing } = scaleInRange(routingContext(instrument, prefer('diatonic')), key);
  const reasons = missing.map((pitch) => missingReason(instrument, new Set(), pitch).text);
  expect(reasons).toEqual(['needs an overblow on 5']);
});
