import { notePitchClass } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { tongueClash } from '../kernel/holes.ts';
import { REED } from '../kernel/timbres.ts';
import { diagram } from './diagram.ts';
import { playingOptions, preferences, terms } from './effort.ts';
import { figures } from './figures.ts';
import {
  checkLayout,
  describe,
  elements,
  options,
  withElement,
  withOption,
  type DiatonicLayout,
} from './layout.ts';
import { ordinal, positionOf } from '../kernel/position.ts';
import { presetIn, presets } from './presets.ts';
import { brief, dialects, parseTab, spellings } from './tab.ts';
import { techniques } from './techniques.ts';
import { capabilityGroups, clash, marks, ways, type DiatonicWay } from './ways.ts';
import { TUNINGS } from './tables.ts';

export const diatonic = defineFamily<DiatonicLayout, DiatonicWay>({
  id: 'diatonic',
  label: 'diatonic harmonica',
  air: { out: 'blow', in: 'draw', store: 'lungs' },
  phraseEnd: 'breath',
  sides: { above: 'blow ↑', level: '', below: 'draw ↓' },
  techniques,
  ownPitches: { many: 'bends', between: 'reeds' },
  terms,
  preferences,
  playingOptions,
  fingerings: [],
  dialects,
  spellings,
  timbre: REED,
  absent: 'no reed reaches it',
  element: 'reed',
  presets,
  check: checkLayout,
  home: (layout) => pitchClass(layout.root),
  ownScale: (layout) => TUNINGS[layout.tuning].ownScale,
  describe,
  presetIn,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  marks,
  clash,
  holdClash: (_, hold) => tongueClash(hold),
  figures,
  sideOf: (_, { way }) => (way.air === 'out' ? 'above' : 'below'),
  facts: (layout, key) => [`${ordinal(positionOf(layout.root, notePitchClass(key.tonic)))} position`],
  brief: (_, way) => brief(way),
  parseTab,
  diagram,
});
