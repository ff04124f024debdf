import { counted } from '../../words.ts';
import { noteText } from '../../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../../pitch/pitch.ts';
import { degreeText } from '../../scale/degree.ts';
import { aboveHome, type Key } from '../../scale/scale.ts';
import { defineFamily } from '../defineFamily.ts';
import { PLUCKED } from '../kernel/timbres.ts';
import type { FactTable } from '../layoutPart.ts';
import { diagram } from './diagram.ts';
import { playingOptions, preferences, remarks, terms } from './effort.ts';
import { figures } from './figures.ts';
import { carry, clash } from './hand.ts';
import { STRINGS, type StringName } from './tables.ts';
import {
  capoAt,
  checkLayout,
  describe,
  fretLacking,
  elements,
  options,
  tuning,
  withElement,
  withOption,
  withTuning,
  type DulcimerLayout,
} from './layout.ts';
import { modeTable } from './modes.ts';
import { presets } from './presets.ts';
import { brief, briefAlone, chordSpellings, dialects, spellings } from './tab.ts';
import { capabilityGroups, fingeringsFor, FINGERINGS, techniques, ways, type DulcimerWay } from './ways.ts';

export const dulcimer = defineFamily<DulcimerLayout, DulcimerWay>({
  id: 'dulcimer',
  label: 'mountain dulcimer',
  air: undefined,
  ringsOn: 'stopped',
  mostAtOnce: { notes: 3, text: 'three strings, three notes' },
  sides: { above: 'bass', level: 'middle', below: 'melody' },
  techniques,
  terms,
  preferences,
  playingOptions,
  fingerings: FINGERINGS,
  dialects,
  spellings,
  chordSpellings,
  timbre: PLUCKED,
  absent: 'no fret gives it',
  wouldFit: fretLacking,
  element: 'string or fret',
  presets,
  check: checkLayout,
  home: ({ strings }) => pitchClass(strings.bass),
  describe,
  options,
  withOption,
  elements,
  withElement,
  capabilityGroups,
  ways,
  fingeringsFor: (_, way, chosen) => fingeringsFor(way, chosen),
  clash: (_, low, high) => clash(low, high),
  carries: [{ carry }],
  remarks: (_, line, chosen) => remarks(line, chosen),
  figures,
  sideOf: (_, { way }) => ({ bass: 'above', middle: 'level', melody: 'below' })[way.technique] as 'above',
  drones: (layout) => [layout.strings.bass + capoAt(layout), layout.strings.middle + capoAt(layout)],
  beginsNear,
  facts,
  tables: (layout, key) => [droneTable(layout, key), modeTable(layout)],
  tuning,
  withTuning,
  brief: (_, way) => brief(way),
  briefAlone,
  diagram,
});

/** Where home lies on the melody string, and whether the scale lies there whole: a fret for every note of an octave. */
function facts(layout: DulcimerLayout, key: Key): readonly string[] {
  const clashing = droneTable(layout, key).rows.filter((row) => row.cells[2]!.startsWith('clashes'));
  return [
    onMelody(layout, key),
    clashing.length === 0
      ? 'every open string suits the scale'
      : counted(clashing.length, 'open string clashes', 'open strings clash'),
  ];
}

/** Where the lowest home of a key lies on a string: its pitch, its fret if there is one, and what the scale lacks from there. */
function lowestHome(layout: DulcimerLayout, key: Key, string: StringName) {
  const capo = capoAt(layout);
  const up = capo + pitchClass(key.home - layout.strings[string] - capo);
  const nameOf = (semitones: number) =>
    semitones === capo ? layout.capo : layout.frets.find((fret) => fret.semitones === semitones)?.name;
  const lacking = key.scale.semitones.filter((above) => nameOf(up + above) === undefined);
  return { pitch: layout.strings[string] + up, fret: nameOf(up), lacking };
}

/** Where a scale lies whole on the middle or the melody string; the bass string is left to drone. */
function beginsNear(layout: DulcimerLayout, key: Key): Pitch | undefined {
  const whole = (['middle', 'melody'] as const)
    .map((string) => lowestHome(layout, key, string))
    .filter(({ lacking }) => lacking.length === 0);
  return whole.length === 0 ? undefined : Math.min(...whole.map(({ pitch }) => pitch));
}

function onMelody(layout: DulcimerLayout, key: Key): string {
  const { fret, lacking } = lowestHome(layout, key, 'melody');
  if (fret === undefined) return 'home is between the frets of the melody string';
  const where = fret === '0' ? 'the open melody string' : `fret ${fret} of the melody string`;
  return lacking.length === 0
    ? `lies whole from ${where}`
    : `from ${where} it lacks ${lacking.map((above) => degreeText(key.degrees[above]!)).join(' ')}`;
}

/** Every open string against the scale: melody with drones wants all of them in it. */
function droneTable(layout: DulcimerLayout, key: Key): FactTable {
  const capo = capoAt(layout);
  return {
    id: 'drones',
    title: 'Open strings as drones',
    about: 'A drone sounds under every note, so it must belong to the scale.',
    columns: ['string', 'note', 'in this scale'],
    rows: STRINGS.map((string) => {
      const above = aboveHome(key, layout.strings[string] + capo);
      const step = key.indexOf[above];
      const inScale = step !== undefined;
      return {
        cells: [
          string,
          noteText(key.names[above]!),
          inScale
            ? above === 0
              ? 'home'
              : above === 7
                ? 'the fifth'
                : 'in the scale'
            : 'clashes: not in the scale',
        ],
        wayIds: [`${string}.0`],
      };
    }),
  };
}
