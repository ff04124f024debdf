import { instrumentOf } from '../../test/instruments.ts';
import { families, FAMILY_IDS } from '../families/index.ts';
import { expectOk } from '../result.ts';
import { openInstrument } from './instrument.ts';
import { withLayout } from './withLayout.ts';

test('a drum with tongues 2 to 8 ticked is made one with seven', () => {
  const tongues = ['2', '3', '4', '5', '6', '7', '8'];
  const drum = instrumentOf('drum', 'c-major-8', { capability: { tongues } });
  const seven = expectOk(openInstrument(withLayout(drum, drum.withOption('count', '7'))));
  expect(seven.spec.capability).toEqual({ tongues: tongues.slice(0, 6) });
});

test('who ticked all places has all of another layout, who ticked none has none', () => {
  const twelve = instrumentOf('chromatic', '60-12');
  for (const group of twelve.capabilityGroups) {
    const all = instrumentOf('chromatic', '60-12', { capability: { [group.id]: group.places } });
    const layout = families.chromatic.presets.find(({ id }) => id === '60-16')!.layout;
    const bigger = expectOk(openInstrument(withLayout(all, layout)));
    const places = bigger.capabilityGroups.find(({ id }) => id === group.id)!.places;
    expect(bigger.spec.capability[group.id]).toEqual(places);
    const none = instrumentOf('chromatic', '60-12', { capability: { [group.id]: [] } });
    expect(withLayout(none, layout).capability[group.id]).toEqual([]);
  }
});

test('of two chosen ways that would now sound one pitch the first stays chosen; nothing else is touched', () => {
  const drum = instrumentOf('drum', 'c-major-8', { choices: ['t2', 't3'], notes: 'Bought in Lantern Bay.' });
  const alike = drum.withElement(drum.elements[1]!.id, { pitch: 64 });
  expect(withLayout(drum, alike)).toEqual({ ...drum.spec, layout: alike, choices: ['t2'] });
  expect(withLayout(drum, drum.layout)).toEqual(drum.spec);
});

test.each(FAMILY_IDS)('%s: whatever option is changed, what it can do goes along', (id) => {
  for (const { id: preset } of families[id].presets.slice(0, 2)) {
    const plain = instrumentOf(id, preset);
    const capability = Object.fromEntries(
      plain.capabilityGroups.map(({ id: group, places }) => [group, places.slice(1)]),
    );
    const instrument = instrumentOf(id, preset, { capability });
    for (const option of instrument.options)
      for (const choice of option.choices) {
        const opened = openInstrument(withLayout(instrument, instrument.withOption(option.id, choice.id)));
        expect([option.id, choice.id, opened.ok || opened.problems[0]!.message]).toEqual([
          option.id,
          choice.id,
          true,
        ]);
      }
  }
});
