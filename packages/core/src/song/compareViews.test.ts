import { songOf } from '../../test/samples/song.ts';
import { families } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { plainPlan } from './arrangement.ts';
import { compareViews } from './compareViews.ts';
import { songTabs } from './songTabs.ts';
import { songView } from './songView.ts';

const song = songOf('C5 D5 E5 F5 | G5 A5 B5 C6');
const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));
const plan = plainPlan(families.diatonic);
const notation = { naming: 'key', dialect: 'words' } as const;
const view = (transpose: number) => songView(harmonica, song, { ...plan, transpose }, notation);

test('an octave lower two bends come, and nothing is the same as itself', () => {
  expect(compareViews(view(0), view(0))).toEqual({ easier: [], harder: [] });
  // C4 to C5 needs F4 and A4 bent on holes 2 and 3.
  const { harder } = compareViews(view(0), view(-12));
  expect(harder.filter((text) => /bends/.test(text)).join()).toMatch(/: 1 more|: 2 more/);
  expect(compareViews(view(-12), view(0)).easier).toEqual(
    harder.map((text) => text.replace('more', 'fewer')),
  );
});

test('what one instrument asks and the other does not is told too', () => {
  const whistle = expectOk(openInstrument(specFromPreset('whistle', '74')));
  const on = songView(whistle, song, plainPlan(families.whistle), {
    naming: 'key',
    dialect: whistle.family.dialects[0]!.id,
  });
  const { easier, harder } = compareViews(view(0), on);
  expect(easier.some((text) => text.startsWith('turns of breath'))).toBe(true);
  expect(harder.length).toBeGreaterThan(0);
});

test('a lick in every key has its tab in each, in C that of the plain scale', () => {
  const tabs = songTabs(harmonica, song, plan, notation);
  const c = tabs.find(({ keyName }) => keyName === 'C')!;
  expect(c.tabText.replaceAll('\n', ' ').replace(/\s+/g, ' ')).toBe(
    '4 blow, 4 draw, 5 blow, 5 draw | 6 blow, 6 draw, 7 draw, 7 blow |',
  );
  expect(new Set(tabs.map(({ tabText }) => tabText)).size).toBe(tabs.length);
});
