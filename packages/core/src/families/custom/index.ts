import { pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { anchorTable, pitchSet, scaleMade, SPOT_FAMILY } from '../kernel/fixedPitches.ts';
import { diagram } from './diagram.ts';
import {
  checkLayout,
  describe,
  elements,
  fromPitches,
  options,
  tuning,
  withElement,
  withOption,
  withTuning,
  type CustomLayout,
} from './layout.ts';
import { presets } from './presets.ts';
import { dialects } from './tab.ts';
import { capabilityGroups, techniques, ways, type CustomWay } from './ways.ts';

export const custom = defineFamily<CustomLayout, CustomWay>({
  ...SPOT_FAMILY,
  id: 'custom',
  label: 'other fixed pitches',
  sides: { above: 'right hand', level: 'pitches', below: 'left hand' },
  techniques,
  dialects,
  absent: 'none of its pitches is this one',
  element: 'pitch',
  presets,
  check: checkLayout,
  fromPitches,
  home: ({ spots }) => pitchClass(spots[0]!.pitch),
  ownScale: ({ spots }) => scaleMade(spots, pitchClass(spots[0]!.pitch)),
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  facts: ({ spots }, key) => {
    const set = pitchSet(spots);
    const have = key.scale.semitones.filter((s) => set.has(pitchClass(key.home + s))).length;
    const anchor = spots.find(({ pitch }) => pitchClass(pitch) === key.home);
    return [
      anchor ? `anchor on ${anchor.name}` : 'none of its pitches is home',
      `has ${have} of the scale’s ${key.scale.semitones.length} notes`,
    ];
  },
  tables: ({ spots }, _, all) => [
    anchorTable(
      spots,
      'pitch',
      all.map((way) => way.id),
    ),
  ],
  tuning,
  withTuning,
  brief: (_, way) => way.name,
  diagram,
});
