import { counted } from '../../words.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { aboveHome, type Key } from '../../scale/scale.ts';
import type { AirStore } from '../air.ts';
import type { ChosenOptions } from '../effortTerm.ts';
import { defineFamily } from '../defineFamily.ts';
import { BREATH_OPTION, breathLength } from '../kernel/breath.ts';
import { PIPE } from '../kernel/timbres.ts';
import { diagram } from './diagram.ts';
import { carry, preferences, terms } from './effort.ts';
import { figures } from './figures.ts';
import {
  checkLayout,
  describe,
  elements,
  options,
  withElement,
  withOption,
  type WhistleLayout,
} from './layout.ts';
import { presets } from './presets.ts';
import { brief, dialects, spellings } from './tab.ts';
import { capabilityGroups, techniques, ways, type WhistleWay } from './ways.ts';

export const whistle = defineFamily<WhistleLayout, WhistleWay>({
  id: 'whistle',
  label: 'whistle',
  air: undefined,
  airKind: 'breath',
  airStore,
  sides: { above: 'upper register', level: '', below: 'low register' },
  techniques,
  ownPitches: { many: 'half-holes', between: 'notes' },
  terms,
  preferences,
  playingOptions: [BREATH_OPTION],
  fingerings: [],
  dialects,
  spellings,
  timbre: PIPE,
  absent: 'no fingering gives it',
  element: 'fingering',
  presets,
  check: checkLayout,
  home: (layout) => pitchClass(layout.lowest),
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  clash: () => ({ reason: 'voices', text: 'a whistle sounds one note at a time' }),
  carries: [{ carry }],
  figures,
  sideOf: (_, { way }) => (way.register === 'low' ? 'below' : 'above'),
  facts,
  brief: (_, way) => brief(way),
  diagram,
});

/** Seconds of a grown player's breath, and after how many it is taken where it can be; low notes take a quarter more. */
const BREATH = Object.freeze({ seconds: 12, comfortable: 8, low: 1.25 });

function airStore({ lowest }: WhistleLayout, chosen: ChosenOptions): AirStore {
  const times = breathLength(chosen);
  return {
    seconds: BREATH.seconds * times,
    comfortable: BREATH.comfortable * times,
    uses: (pitches) => (pitches.some((pitch) => pitch < lowest + LOW_NOTES) ? BREATH.low : 1),
  };
}

/** The notes of the low register up to the fourth take more air, in semitones above the lowest. */
const LOW_NOTES = 5;

/** Where home lies on the whistle, and which notes of the key need a half-hole or a cross-fingering. */
function facts({ lowest }: WhistleLayout, key: Key): readonly string[] {
  const at = pitchClass(key.home - lowest);
  const needs = (semitones: readonly number[]) =>
    semitones.filter((s) => key.indexOf[aboveHome(key, lowest + s)] !== undefined).length;
  const halves = needs([1, 3, 6, 8]);
  const cross = needs([10]);
  return [
    at === 0 ? 'home on the lowest note' : `home ${counted(at, 'semitone')} up`,
    halves === 0
      ? cross > 0
        ? 'no half-holes, one cross-fingering'
        : 'no half-holes'
      : `${counted(halves, 'note needs', 'notes need')} a half-hole or an alternate`,
  ];
}
