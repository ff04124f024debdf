import { MIDDLE_C } from '../../pitch/pitch.ts';
import { usesTogether, type AirStore } from '../air.ts';
import { defineFamily } from '../defineFamily.ts';
import { HAND_FINGERINGS } from '../kernel/buttons.ts';
import { BELLOWS_REED } from '../kernel/timbres.ts';
import { diagram } from './diagram.ts';
import { clash, playingOptions, preferences, terms } from './effort.ts';
import { figures } from './figures.ts';
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
import { brief, dialects } from './tab.ts';
import { capabilityGroups, fingeringsFor, techniques, ways, type EnglishWay } from './ways.ts';

/** Bellows turn where a phrase ends, well before they are used up; a treble's have six folds. */
const BELLOWS: AirStore = Object.freeze({ seconds: 14, comfortable: 10, uses: usesTogether(2 / 3) });

export const english = defineFamily<EnglishLayout, EnglishWay>({
  id: 'english',
  label: 'English concertina',
  air: undefined,
  airKind: 'bellows',
  airStore: () => BELLOWS,
  sides: { above: 'right hand', level: '', below: 'left hand' },
  techniques,
  terms,
  preferences,
  playingOptions,
  fingerings: HAND_FINGERINGS,
  dialects,
  timbre: BELLOWS_REED,
  absent: 'no button has it',
  element: 'button',
  presets,
  check: checkLayout,
  // Chromatic: no key is its own. Players begin in C, on the plain columns.
  home: () => 0,
  beginsNear: () => MIDDLE_C,
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  fingeringsFor: (_, way, chosen) => fingeringsFor(way, chosen),
  clash: (_, low, high) => clash(low, high),
  figures,
  sideOf: (_, { way }) => (way.hand === 'R' ? 'above' : 'below'),
  facts: () => ['each button sounds the same pushed and pulled: turn the bellows at phrases'],
  nameOf: callButton,
  brief: (_, way) => brief(way),
  diagram,
});
