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
import { inventoryLists } from './lists.ts';

/** Ids of the ways in the scale, in 2nd position major, by technique; over-notes only where they gain a pitch. */
function secondPosition(preset: string) {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', preset)));
  const scale = expectOk(scaleById('major'));
  const key = keyOf(scale, usualTonic(scale, pitchClass(Number(preset) + 7)));
  const roles = rolesOf(scale, [homeChord(scale)]);
  const items = takeInventory(instrument, key, roles);
  const inScale = (air: string, techniques: readonly string[]) =>
    items
      .filter(({ way, music, redundant }) => {
        return techniques.includes(way.technique) && way.air === air && music === 'in' && !redundant;
      })
      .map(({ way }) => way.id);
  return {
    blow: inScale('out', ['plain']),
    draw: inScale('in', ['plain']),
    bends: [...inScale('in', ['shallow-bend', 'deep-bend', 'middle-bend']), ...inScale('out', ['blow-bend'])],
    overblows: inScale('out', ['overblow']),
    overdraws: inScale('in', ['overdraw']),
    risks: items.filter((item) => item.music === 'risk' && item.way.able).map((item) => item.way.id),
    items,
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
    // ♭7 plain on 5, 9 and bent on 2; ♭3; ♭5. Those that only a blow bend gives are left out.
    expect(found.risks.sort()).toEqual(['1d1', '2d2', '3d1', '4d1', '5d', '9d']);
  },
);

test('the music is judged by role, the playing apart from it', () => {
  const { items } = secondPosition('56');
  const item = (id: string) => items.find((i) => i.way.id === id)!;
  expect(item('2d')).toMatchObject({ role: 'home', music: 'in', chords: ['I', 'IV'] });
  expect(item('4d')).toMatchObject({ role: 'chord', music: 'in', chords: ['I', 'V'] });
  expect(item('1b').chords).toEqual(['IV']);
  // The notorious bend is in the scale all the same.
  expect(item('3d2')).toMatchObject({ music: 'in', chords: ['V'] });
  expect(item('5d')).toMatchObject({ role: 'colour', music: 'risk' });
  expect(item('3bo')).toMatchObject({ redundant: true });
  expect(item('3d1')).toMatchObject({ role: 'colour', music: 'risk' });
  expect(item('3d3')).toMatchObject({ role: 'outside', music: 'leave' });
});

test('lists: by technique from easy to hard, what cannot be had apart, what only repeats nowhere', () => {
  const { items } = secondPosition('56');
  const ways = items.map(({ way, music, redundant }) => ({ ...way, music, redundant, usable: way.able }));
  const lists = inventoryLists(families.diatonic.techniques, ways);
  const told = lists.map(({ title, groups }) => [
    title,
    ...groups.map((group) => `${group.label}: ${group.ways.map((way) => way.id).join(' ')}`),
  ]);
  expect(told).toEqual([
    [
      'In the scale or the chord',
      'plain notes: 1b 1d 2b 2d 3b 3d 4b 4d 5b 6b 6d 7b 7d 8b 8d 9b 10b 10d',
      'middle bends: 2d1 3d2',
      'blow bends: 9b1 10b1',
    ],
    ['A risk', 'plain notes: 5d 9d', 'shallow bends: 1d1 3d1 4d1', 'deep bends: 2d2'],
    ['Leave out', 'shallow bends: 6d1', 'deep bends: 3d3', 'blow bends: 8b1 10b2'],
    ['Not possible yet', 'overblows: 5bo'],
  ]);
});

test('what is missing is told with its reason', () => {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '63')));
  const scale = expectOk(scaleById('major'));
  const key = keyOf(scale, usualTonic(scale, pitchClass(63 + 7)));
  const { missing } = scaleInRange(routingContext(instrument, prefer('diatonic')), key);
  const reasons = missing.map((pitch) => missingReason(instrument, new Set(), pitch).text);
  expect(reasons).toEqual(['needs an overblow on 5']);
});
