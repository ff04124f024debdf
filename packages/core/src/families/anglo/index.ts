import { MIDDLE_C, pitchClass } from '../../pitch/pitch.ts';
import type { Key } from '../../scale/scale.ts';
import { usesTogether } from '../air.ts';
import { defineFamily } from '../defineFamily.ts';
import { carryFingers, HAND_FINGERINGS, heededFingers } from '../kernel/buttons.ts';
import { keyName } from '../kernel/options.ts';
import { positionOf, unusualIn } from '../kernel/position.ts';
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
import { ANGLO_KEYS, BELLOWS, KEYS } from './tables.ts';
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
  beginsNear: () => MIDDLE_C,
  unusual: (layout, key) => unusualIn(positionIn(layout, key), ANGLO_KEYS),
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  fingeringsFor: (_, way, __, inChord) => fingeringsFor(way, inChord),
  clash: (_, low, high) => clash(low, high),
  carries: [{ carry: carryFingers, heeded: heededFingers }],
  figures,
  sideOf: (_, { way }) => (way.air === 'out' ? 'above' : 'below'),
  airKind: 'button',
  // Four reeds empty the bellows about three times as fast as one.
  airStore: ({ bellows }) => ({
    seconds: BELLOWS[bellows],
    comfortable: BELLOWS[bellows],
    uses: usesTogether(2 / 3),
  }),
  facts: (layout, key) => {
    const row = ['the key of the middle row', 'the key of the inside row'][positionIn(layout, key) - 1];
    return [
      row ?? `middle row in ${keyName(middleRow(layout))}, inside row in ${keyName(middleRow(layout) + 7)}`,
    ];
  },
  brief: (_, way) => brief(way),
  diagram,
});

/** 1 for the key of the middle row, 2 for the inside row's. */
const positionIn = (layout: AngloLayout, key: Key) => positionOf(middleRow(layout), key.home);

/** Pitch class of the middle row's key. */
function middleRow({ key }: AngloLayout): number {
  return pitchClass(KEYS[key]);
}
