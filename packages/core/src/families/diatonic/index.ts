import { pitchClass } from '../../pitch/pitch.ts';
import type { Key } from '../../scale/scale.ts';
import { defineFamily } from '../defineFamily.ts';
import { lungs } from '../kernel/breath.ts';
import { HOLES_TYPED, tongueClash } from '../kernel/holes.ts';
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
import { ordinal, positionOf, unusualIn } from '../kernel/position.ts';
import { presetIn, presets } from './presets.ts';
import { brief, dialects, parseTab, spellings } from './tab.ts';
import { techniques } from './techniques.ts';
import { capabilityGroups, clash, marks, ways, type DiatonicWay } from './ways.ts';
import { BEGINS, POSITIONS, TUNINGS } from './tables.ts';

export const diatonic = defineFamily<DiatonicLayout, DiatonicWay>({
  id: 'diatonic',
  label: 'diatonic harmonica',
  air: { out: 'blow', in: 'draw', store: 'lungs' },
  airKind: 'lungs',
  airStore: (_, chosen) => lungs(chosen),
  sides: { above: 'blow ↑', level: '', below: 'draw ↓' },
  techniques,
  ownPitches: { many: 'bends', between: 'reeds' },
  terms,
  preferences,
  playingOptions,
  fingerings: [],
  dialects,
  spellings,
  chordSpellings: HOLES_TYPED,
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
  beginsNear(layout, key) {
    const begins = BEGINS[positionIn(layout, key)];
    return begins === undefined ? undefined : layout.root + begins;
  },
  unusual: (layout, key) => unusualIn(positionIn(layout, key), POSITIONS),
  facts: (layout, key) => [`${ordinal(positionIn(layout, key))} position`],
  brief: (_, way) => brief(way),
  parseTab,
  diagram,
});

const positionIn = (layout: DiatonicLayout, key: Key) => positionOf(layout.root, key.home);
