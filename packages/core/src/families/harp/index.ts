import { MIDDLE_C, pitchClass } from '../../pitch/pitch.ts';
import { defineFamily } from '../defineFamily.ts';
import { PLUCKED } from '../kernel/timbres.ts';
import type { FactTable } from '../layoutPart.ts';
import { diagram } from './diagram.ts';
import { playingOptions, preferences, remarks, terms } from './effort.ts';
import { figures } from './figures.ts';
import { clash } from './hand.ts';
import {
  callOn,
  checkLayout,
  describe,
  elements,
  isUp,
  lettersUp,
  nameAt,
  options,
  settingFor,
  soundingName,
  withElement,
  withOption,
  withSetting,
  type HarpLayout,
} from './layout.ts';
import { carry, heeded, leverChanges } from './levers.ts';
import { HANDS_LYING } from './placement.ts';
import { presets } from './presets.ts';
import { BASES, SHARPS_ORDER, type BaseId } from './tables.ts';
import { brief, dialects, parseTab } from './tab.ts';
import { capabilityGroups, fingeringsFor, FINGERINGS, techniques, ways, type HarpWay } from './ways.ts';

const HOMES: Readonly<Record<BaseId, number>> = Object.freeze({ C: 0, F: 5, Eb: 3 });

export const harp = defineFamily<HarpLayout, HarpWay>({
  id: 'harp',
  label: 'lever harp',
  air: undefined,
  ringsOn: 'free',
  mostAtOnce: { notes: 8, text: 'eight fingers, eight notes' },
  sides: { above: 'right hand', level: 'strings', below: 'left hand' },
  techniques,
  terms,
  preferences,
  playingOptions,
  fingerings: FINGERINGS,
  dialects,
  timbre: PLUCKED,
  absent: 'no string gives it, lever up or down',
  element: 'string',
  setting: 'lever',
  presets,
  check: checkLayout,
  home: ({ base }) => pitchClass(HOMES[base]),
  beginsNear: () => MIDDLE_C,
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  settingFor,
  withSetting,
  settings: (layout) =>
    lettersUp(layout).map((letter) => ({
      id: letter,
      on: `raise the ${letter} levers`,
      off: `lower the ${letter} levers`,
    })),
  ways,
  fingeringsFor: (_, way, chosen, inChord) => fingeringsFor(way, chosen, inChord),
  clash: (_, low, high) => clash(low, high),
  carries: [{ carry, heeded }, HANDS_LYING],
  changes: leverChanges,
  remarks,
  figures,
  sideOf: (_, { way, fingering }) => {
    const hand = fingering?.[0] ?? way.row;
    return hand === 'R' ? 'above' : hand === 'L' ? 'below' : 'level';
  },
  facts: (layout) => {
    const up = lettersUp(layout);
    return [up.length === 0 ? `all levers down (${BASES[layout.base].label})` : `levers up: ${up.join(' ')}`];
  },
  tables: (layout) => [leverTable(layout)],
  nameOf: (layout, { string, pitch }) => callOn(layout, string, pitch),
  brief: (_, way, called) => brief(way, called),
  parseTab,
  diagram,
});

/** What to set before playing, letter by letter. */
function leverTable(layout: HarpLayout): FactTable {
  const someBare = layout.strings.some((string) => !string.lever);
  return {
    id: 'levers',
    title: 'Levers for this key',
    about: 'Set these in every octave before you begin.',
    columns: ['strings', 'levers', 'sound', ...(someBare ? ['without lever'] : [])],
    rows: SHARPS_ORDER.map((letter) => {
      const own = layout.strings.flatMap((_, i) => (nameAt(layout, i).letter === letter ? [i] : []));
      const first = own[0];
      const up = first !== undefined && own.some((i) => isUp(layout, i));
      const pitch = first === undefined ? 0 : layout.strings[first]!.pitch + (up ? 1 : 0);
      const sound = first === undefined ? '' : soundingName(layout, first, pitch).replace(/-?\d+$/, '');
      const bare = own
        .filter((i) => !layout.strings[i]!.lever)
        .map((i) => `${letter}${nameAt(layout, i).octave}`);
      return { cells: [letter, up ? 'up' : 'down', sound, ...(someBare ? [bare.join(' ')] : [])] };
    }),
  };
}
