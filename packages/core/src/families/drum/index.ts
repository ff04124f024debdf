import { pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { anchorTable, pitchSet, SPOT_FAMILY, type SpotWay } from '../kernel/fixedPitches.ts';
import { diagram } from './diagram.ts';
import {
  checkLayout,
  describe,
  elements,
  fromPitches,
  homeOf,
  ownScaleOf,
  options,
  tuning,
  withElement,
  withOption,
  withTuning,
  type DrumLayout,
} from './layout.ts';
import { presets } from './presets.ts';
import { dialects } from './tab.ts';
import { capabilityGroups, techniques, ways } from './ways.ts';

export const drum = defineFamily<DrumLayout, SpotWay>({
  ...SPOT_FAMILY,
  id: 'drum',
  label: 'tongue drum',
  ringsOn: 'free',
  mostAtOnce: { notes: 2, text: 'two hands, two notes' },
  sides: { above: 'right hand', level: 'tongues', below: 'left hand' },
  techniques,
  dialects,
  absent: 'no tongue has it, and none can be altered',
  element: 'tongue',
  presets,
  check: checkLayout,
  fromPitches,
  home: homeOf,
  ownScale: ownScaleOf,
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  facts: ({ tongues }, key) => {
    const set = pitchSet(tongues);
    const have = key.scale.semitones.filter((s) => set.has(pitchClass(key.home + s))).length;
    const anchor = tongues.findIndex(({ pitch }) => pitchClass(pitch) === key.home);
    return [
      anchor < 0 ? 'no tongue is home' : `anchor on tongue ${anchor + 1}`,
      `has ${have} of the scale’s ${key.scale.semitones.length} notes`,
    ];
  },
  tables: ({ tongues }, _, all) => [
    anchorTable(
      tongues,
      'tongue',
      all.map((way) => way.id),
    ),
  ],
  tuning,
  withTuning,
  brief: (_, way) => String(way.number),
  diagram,
});
