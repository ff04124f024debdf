import { songOf } from '../../test/samples/song.ts';
import { families, type FamilyId } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { plainPlan } from './arrangement.ts';
import { sameSongTab } from './sameSongTab.ts';
import { songView } from './songView.ts';

const open = (family: FamilyId, preset: string) => expectOk(openInstrument(specFromPreset(family, preset)));
const tabOn = (
  on: ReturnType<typeof open>,
  song: Parameters<typeof songView>[1],
  plan: Parameters<typeof songView>[2],
) =>
  songView(on, song, plan, { naming: 'key', dialect: on.family.dialects[0]!.id }).line.map(({ tab }) => tab);

const tune = songOf('C5 E5 G5 A5 | G5 F5 E5 D5 | C5*4');

test('a tune in C on the C harmonica is one in A on the A harmonica, hole for hole', () => {
  const [c, a] = [open('diatonic', '60'), open('diatonic', '57')];
  const plan = plainPlan(families.diatonic);
  const same = sameSongTab(c, tune, plan, a)!;
  expect(same).toMatchObject({ keyName: 'A', kept: 9, of: 9, changed: 0, plan: { transpose: -3, pins: [] } });
  expect(tabOn(a, tune, same.plan)).toEqual(tabOn(c, tune, plan));
});

test('pins go along, since they are part of the tab', () => {
  const [c, a] = [open('diatonic', '60'), open('diatonic', '57')];
  const low = songOf('G4 C5');
  // G4 is hole 2 drawn as well as hole 3 blown.
  for (const wayId of ['2d', '3b']) {
    const plan = { ...plainPlan(families.diatonic), pins: [{ noteId: 'n1', wayId }] };
    const same = sameSongTab(c, low, plan, a)!;
    expect(tabOn(a, low, same.plan)).toEqual(tabOn(c, low, plan));
    expect(tabOn(a, low, same.plan)[0]).toContain(wayId === '2d' ? 'draw' : 'blow');
  }
});

test('on a natural minor harmonica the notes of the changed reeds come out as they are', () => {
  const c = open('diatonic', '60');
  const spec = specFromPreset('diatonic', '60');
  const tuning = c.options.find(({ choices }) =>
    choices.some(({ label }) => label.startsWith('natural minor')),
  )!;
  const value = tuning.choices.find(({ label }) => label.startsWith('natural minor'))!.id;
  const changed = expectOk(openInstrument({ ...spec, layout: c.withOption(tuning.id, value) }));
  const plan = plainPlan(families.diatonic);
  const same = sameSongTab(c, tune, plan, changed)!;
  // E5, the blow of hole 5, is E♭5 there, twice.
  expect(same).toMatchObject({ kept: 9, of: 9, changed: 2 });
  const view = songView(changed, tune, same.plan, { naming: 'key', dialect: 'words' });
  expect(view.line.map(({ pitch }) => pitch)).toEqual([72, 75, 79, 81, 79, 77, 75, 74, 72]);
  expect(tabOn(changed, tune, same.plan)).toEqual(tabOn(c, tune, plan));
});

test('another family has no such tab', () => {
  const plan = plainPlan(families.diatonic);
  expect(sameSongTab(open('diatonic', '60'), tune, plan, open('whistle', '74'))).toBeUndefined();
});
