import { MIDDLE_C, pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { HAND_FINGERINGS } from '../kernel/buttons.ts';
import { keyName } from '../kernel/options.ts';
import { BELLOWS_REED } from '../kernel/timbres.ts';
import { diagram } from './diagram.ts';
import { clash, preferences, terms } from './effort.ts';
import { figures } from './figures.ts';
import {
  checkLayout,
  describe,
  elements,
  options,
  withElement,
  withOption,
  type AngloLayout,
} from './layout.ts';
import { BELLOWS, KEYS } from './tables.ts';
import { presets } from './presets.ts';
import { brief, dialects, spellings } from './tab.ts';
import { capabilityGroups, fingeringsFor, techniques, ways, type AngloWay } from './ways.ts';

export const anglo = defineFamily<AngloLayout, AngloWay>({
  id: 'anglo',
  label: 'Anglo concertina',
  air: { out: 'push', in: 'pull', store: 'bellows' },
  sides: { above: 'push ↑', level: '', below: 'pull ↓' },
  techniques,
  terms,
  preferences,
  playingOptions: [],
  fingerings: HAND_FINGERINGS,
  dialects,
  spellings,
  timbre: BELLOWS_REED,
  absent: 'no button has it',
  element: 'reed',
  presets,
  check: checkLayout,
  home: middleRow,
  beginsNear: MIDDLE_C,
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  fingeringsFor: (_, way) => fingeringsFor(way),
  clash: (_, low, high) => clash(low, high),
  figures,
  sideOf: (_, { way }) => (way.air === 'out' ? 'above' : 'below'),
  airCapacity: ({ bellows }) => BELLOWS[bellows],
  facts: (layout, key) => {
    const steps = pitchClass((key.home - middleRow(layout)) * 7);
    const row = ['the key of the middle row', 'the key of the inside row'][steps];
    return [
      row ?? `middle row in ${keyName(middleRow(layout))}, inside row in ${keyName(middleRow(layout) + 7)}`,
    ];
  },
  brief: (_, way) => brief(way),
  diagram,
});

/** Pitch class of the middle row's key. */
function middleRow({ key }: AngloLayout): number {
  return pitchClass(KEYS[key]);
}
