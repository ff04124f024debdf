import { notePitchClass } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { lungs } from '../kernel/breath.ts';
import { HOLES_TYPED, tongueClash } from '../kernel/holes.ts';
import { ordinal, positionOf } from '../kernel/position.ts';
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
  type ChromaticLayout,
} from './layout.ts';
import { presets } from './presets.ts';
import { brief, dialects, spellings } from './tab.ts';
import { capabilityGroups, clash, techniques, ways, type ChromaticWay } from './ways.ts';

export const chromatic = defineFamily<ChromaticLayout, ChromaticWay>({
  id: 'chromatic',
  label: 'chromatic harmonica',
  air: { out: 'blow', in: 'draw', store: 'lungs' },
  airKind: 'lungs',
  airStore: (_, chosen) => lungs(chosen),
  sides: { above: 'blow ↑', level: '', below: 'draw ↓' },
  techniques,
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
  home: (layout) => pitchClass(layout.home),
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  clash,
  holdClash: (_, hold) => tongueClash(hold),
  figures,
  sideOf: (_, { way }) => (way.air === 'out' ? 'above' : 'below'),
  facts: (layout, key) => [`${ordinal(positionOf(layout.home, notePitchClass(key.tonic)))} position`],
  brief: (_, way) => brief(way),
  diagram,
});
