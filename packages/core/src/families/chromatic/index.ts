import { notePitchClass } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { ordinal, positionOf } from '../kernel/position.ts';
import { parseByTable } from '../kernel/tabTable.ts';
import { REED } from '../kernel/timbres.ts';
import { scene } from './diagram.ts';
import { habits, parts, preferences, stepLoads, wayLoads } from './effort.ts';
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
import { brief, dialects, tab } from './tab.ts';
import { capabilityGroups, techniques, ways, type ChromaticWay } from './ways.ts';

const DIALECT_IDS = dialects.map((dialect) => dialect.id);

export const chromatic = defineFamily<ChromaticLayout, ChromaticWay>({
  id: 'chromatic',
  label: 'chromatic harmonica',
  air: { out: 'blow', in: 'draw', store: 'lungs' },
  sides: { above: 'blow ↑', level: '', below: 'draw ↓' },
  techniques,
  parts,
  preferences,
  habits,
  grips: [],
  dialects,
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
  wayLoads: (layout, { way }, _, chosen) => wayLoads(way, twinOf(layout, way), chosen),
  stepLoads: (_, from, to) => stepLoads(from.way, to.way),
  sideOf: (_, { way }) => (way.air === 'out' ? 'above' : 'below'),
  facts: (layout, key) => [`${ordinal(positionOf(layout.home, notePitchClass(key.tonic)))} position`],
  tab: (_, way, dialect) => tab(way, dialect),
  brief: (_, way) => brief(way),
  parseTab: (_, all, text, dialect, write) => parseByTable(all, DIALECT_IDS, write, text, dialect),
  scene,
});

/** Which neighbouring hole sounds the same in the same row, as seen from the way: it lies on the other side of the pair. */
function twinOf({ reeds }: ChromaticLayout, way: ChromaticWay): 'lower' | 'upper' | undefined {
  const row = reeds[way.air === 'out' ? 'blow' : 'draw'];
  const own = row[way.hole - 1];
  if (row[way.hole] === own) return 'upper';
  return row[way.hole - 2] === own ? 'lower' : undefined;
}
