import { defineFamily } from '../defineFamily.ts';
import { FINGER_GRIPS } from '../kernel/buttons.ts';
import { parseByTable } from '../kernel/tabTable.ts';
import { BELLOWS_REED } from '../kernel/timbres.ts';
import { scene } from './diagram.ts';
import { habits, parts, preferences, stepLoads, wayLoads } from './effort.ts';
import {
  callButton,
  checkLayout,
  describe,
  elements,
  options,
  withElement,
  withOption,
  type EnglishLayout,
} from './layout.ts';
import { presets } from './presets.ts';
import { brief, dialects, tab } from './tab.ts';
import { capabilityGroups, gripsFor, techniques, ways, type EnglishWay } from './ways.ts';

const DIALECT_IDS = dialects.map((dialect) => dialect.id);

export const english = defineFamily<EnglishLayout, EnglishWay>({
  id: 'english',
  label: 'English concertina',
  air: undefined,
  sides: { above: 'right hand', level: '', below: 'left hand' },
  techniques,
  parts,
  preferences,
  habits,
  grips: FINGER_GRIPS,
  dialects,
  timbre: BELLOWS_REED,
  absent: 'no button has it',
  element: 'button',
  presets,
  check: checkLayout,
  // Chromatic: no key is its own. Players begin in C, on the plain columns.
  home: () => 0,
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  gripsFor: (_, way, chosen) => gripsFor(way, chosen),
  wayLoads: (_, play) => wayLoads(play),
  stepLoads: (_, from, to) => stepLoads(from, to),
  sideOf: (_, { way }) => (way.hand === 'R' ? 'above' : 'below'),
  facts: () => ['each button sounds the same pushed and pulled: turn the bellows at phrases'],
  nameOf: callButton,
  tab: (_, way, dialect, called) => tab(way, dialect, called),
  brief: (_, way) => brief(way),
  parseTab: (_, all, text, dialect, write) => parseByTable(all, DIALECT_IDS, write, text, dialect),
  scene,
});
