import { asRecord, isList } from '../../result.ts';
import { noteText, type NoteName, NATURALS } from '../../pitch/noteName.ts';
import { pitchClass, type Pitch, type PitchClass } from '../../pitch/pitch.ts';
import type { Result } from '../../result.ts';
import type { Key } from '../../scale/scale.ts';
import { Fields, isWhole } from '../kernel/fields.ts';
import { counted } from '../../words.ts';
import { chosen, countOption, option, range } from '../kernel/options.ts';
import { changedCount, elementId, elementIndex } from '../kernel/elements.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';
import {
  BASE_IDS,
  basePitch,
  BASES,
  COUNTS,
  LOWEST,
  nameText,
  SHARPS_ORDER,
  stringName,
  type BaseId,
  type StringName,
} from './tables.ts';

/** A lever harp: diatonic strings, each perhaps with a lever that raises it a semitone. */
export interface HarpLayout {
  readonly base: BaseId;
  /** Letter and octave of the lowest string, e.g. `C2`. */
  readonly lowest: string;
  /** Pitches with all levers down, and whether a lever is fitted. */
  readonly strings: readonly HarpString[];
  /** Two parallel rows tuned alike, one for each hand. */
  readonly double: boolean;
  /** Pitch classes (levers down) of the strings whose levers are set up before playing. */
  readonly up: readonly PitchClass[];
  /** Of pitch classes that strings of two letters sound, lever up or down, the letter by which the key calls them; not stored. */
  readonly called?: ReadonlyMap<PitchClass, string>;
}

export interface HarpString {
  readonly pitch: Pitch;
  readonly lever: boolean;
}

/** C8: no harp goes beyond it. */
const HIGHEST = 108;

export function layoutOf(base: BaseId, lowest: string, count: number, double = false): HarpLayout {
  const strings = range(0, Math.min(count, mostFrom(lowest)) - 1).map((i) => ({
    pitch: basePitch(nameAt({ lowest }, i), base),
    lever: true,
  }));
  return { base, lowest, strings: Object.freeze(strings), double, up: [] };
}

/** How many strings there may be from a lowest one: up to C8 and to the most that is built. */
function mostFrom(lowest: string): number {
  const fitting = range(1, COUNTS.most).filter((n) => basePitch(nameAt({ lowest }, n - 1), 'C') <= HIGHEST);
  return fitting.length;
}

const LOWEST_BY_TEXT = new Map(LOWEST.map((name) => [nameText(name), name]));

function lowestName(lowest: string): StringName {
  return LOWEST_BY_TEXT.get(lowest) ?? LOWEST[0]!;
}

/** Letter and octave of a string, 0 the lowest. */
export function nameAt({ lowest }: Pick<HarpLayout, 'lowest'>, index: number): StringName {
  return stringName(lowestName(lowest), index);
}

/** A pitch as a note of the letter of its string. */
export function callOn(layout: HarpLayout, index: number, pitch: Pitch): NoteName {
  const { letter, octave } = nameAt(layout, index);
  return { letter, accidental: pitch - (12 * (octave + 1) + NATURALS[letter]) };
}

/** A pitch named by the letter of its string: `F♯4`, `E♯4`. */
export function soundingName(layout: HarpLayout, index: number, pitch: Pitch): string {
  return noteText(callOn(layout, index, pitch)) + nameAt(layout, index).octave;
}

export function isUp({ up, strings }: HarpLayout, index: number): boolean {
  const { pitch, lever } = strings[index]!;
  return lever && up.includes(pitchClass(pitch));
}

/** Semitones above home: the notes that levers save first where a key cannot be had whole; then the third. */
const TONIC_AND_FIFTH: readonly number[] = Object.freeze([0, 7]);
const THIRDS: readonly number[] = Object.freeze([4, 3]);

/**
 * The pitch classes of the strings to raise so that tonic and fifth are there, then the third, then most notes of the
 * key, each on the string of its letter where that gives it, with as few levers up as that takes, and among equals with as few notes as may be that are not the key's; behind
 * them the letters by which the key calls what strings of two letters sound; as text, `5 0 7;8G`. Only strings whose raised
 * note belongs to the key are tried.
 */
export function settingFor(layout: HarpLayout, key: Key): string {
  return [leversFor(layout, key), ...lettersOf(layout, key)].join(';');
}

/** The letters of a key for what strings of two letters sound: `8G`. */
function lettersOf(layout: HarpLayout, key: Key): readonly string[] {
  return [...lettersByClass(layout)].flatMap(([pc, letters]) => {
    const { letter } = key.names[pitchClass(pc - key.home)]!;
    return letters.size > 1 && letters.has(letter) ? [`${pc}${letter}`] : [];
  });
}

/** Letters of the strings that sound each pitch class, lever up or down. */
function lettersByClass(layout: HarpLayout): ReadonlyMap<PitchClass, ReadonlySet<string>> {
  let known = LETTERS_BY_CLASS.get(layout.strings);
  if (!known) {
    const found = new Map<PitchClass, Set<string>>();
    for (const [i, { pitch, lever }] of layout.strings.entries())
      for (const sounding of lever ? [pitch, pitch + 1] : [pitch]) {
        const letters = found.get(pitchClass(sounding)) ?? new Set();
        found.set(pitchClass(sounding), letters.add(nameAt(layout, i).letter));
      }
    known = found;
    LETTERS_BY_CLASS.set(layout.strings, known);
  }
  return known;
}

const LETTERS_BY_CLASS = new WeakMap<HarpLayout['strings'], ReadonlyMap<PitchClass, ReadonlySet<string>>>();

function leversFor(layout: HarpLayout, key: Key): string {
  const { strings } = layout;
  // Sets of pitch classes as bits, since every choice is tried for every key of a table.
  const bit = (pitch: number) => 1 << pitchClass(pitch);
  const bits = (semitones: readonly number[]) => semitones.reduce((set, s) => set | bit(key.home + s), 0);
  const own = (semitones: readonly number[]) => semitones.filter((s) => key.scale.semitones.includes(s));
  const wanted = {
    all: bits(key.scale.semitones),
    first: bits(own(TONIC_AND_FIFTH)),
    next: bits(own(THIRDS).slice(0, 1)),
    named: strings.reduce((set, { pitch }, i) => {
      const raised = pitchClass(pitch + 1 - key.home);
      const isNamed =
        key.scale.semitones.includes(raised) && key.names[raised]!.letter === nameAt(layout, i).letter;
      return isNamed ? set | bit(pitch) : set;
    }, 0),
  };
  const down = strings.reduce((set, { pitch }) => set | bit(pitch), 0);
  const known = SETTINGS.get(strings) ?? new Map<number, string>();
  SETTINGS.set(strings, known);
  const asked = (wanted.named << 16) | (wanted.all << 4) | pitchClass(key.home);
  const setting = known.get(asked) ?? bestSetting(down, wanted);
  known.set(asked, setting);
  return setting;
}

/** Settings by the notes wanted and the strings named, as bits, and the home. */
const SETTINGS = new WeakMap<HarpLayout['strings'], Map<number, string>>();

/** Notes of a key as bits: all, those to save first and those to save next; and strings whose raised note it calls by their letter. */
interface Wanted {
  readonly all: number;
  readonly first: number;
  readonly next: number;
  readonly named: number;
}

/** @param down what the strings sound with all levers down, as bits */
function bestSetting(down: number, wanted: Wanted): string {
  const open = down & ((wanted.all >> 1) | ((wanted.all & 1) << 11));
  let best = { set: 0, score: -Infinity };
  let set = 0;
  do {
    const raised = ((set << 1) | (set >> 11)) & FULL_OCTAVE;
    const sounding = (down & ~set) | raised;
    const score =
      1_000_000 * count(sounding & wanted.first) +
      100_000 * count(sounding & wanted.next) +
      1000 * count(sounding & wanted.all) -
      20 * count(set) +
      30 * count(set & wanted.named) -
      count(sounding & ~wanted.all);
    if (score > best.score) best = { set, score };
    // The next larger set of open strings.
    set = (set - open) & open;
  } while (set !== 0);
  return range(0, 11)
    .filter((pc) => (best.set >> pc) % 2 === 1)
    .join(' ');
}

export function withSetting(layout: HarpLayout, setting: string): HarpLayout {
  const [levers = '', ...letters] = setting.split(';');
  const called = letters.map((text) => [Number(text.slice(0, -1)), text.slice(-1)] as const);
  return { ...layout, up: levers === '' ? [] : levers.split(' ').map(Number), called: new Map(called) };
}

/** Twelve bits. */
const FULL_OCTAVE = 0xfff;

/** How many bits are set. */
function count(set: number): number {
  let found = 0;
  for (let rest = set; rest !== 0; rest &= rest - 1) found += 1;
  return found;
}

/** Letters whose levers are up, in the order in which sharps enter; asked for every key of a table, found once a layout. */
export function lettersUp(layout: HarpLayout): readonly string[] {
  let known = LETTERS_UP.get(layout);
  if (!known) {
    const up = new Set(layout.strings.flatMap((_, i) => (isUp(layout, i) ? [nameAt(layout, i).letter] : [])));
    known = SHARPS_ORDER.filter((letter) => up.has(letter));
    LETTERS_UP.set(layout, known);
  }
  return known;
}

const LETTERS_UP = new WeakMap<HarpLayout, readonly string[]>();

/** Problem fields: `base`, `lowest`, `double`, `strings` or a string such as `strings.4`. */
export function checkLayout(stored: unknown): Result<HarpLayout> {
  const fields = new Fields(
    stored,
    'A harp’s layout needs its base tuning, its lowest string and its strings.',
  );
  const base = fields.choice('base', BASE_IDS, 'base tuning');
  const lowest = fields.choice('lowest', LOWEST.map(nameText), 'lowest string');
  const double = fields.flag('double', false);
  const strings = fields.list('strings', COUNTS.least, COUNTS.most, 'Strings', (item, path, index) => {
    const { pitch, lever } = asRecord(item);
    if (typeof lever !== 'boolean') fields.report(path, lever, `String ${index + 1} has a lever or none.`);
    return { pitch: fields.pitch(pitch, path, `String ${index + 1}`), lever: lever === true };
  });
  for (const [i, { pitch }] of strings.entries()) {
    if (i > 0 && pitch < strings[i - 1]!.pitch)
      fields.report(`strings.${i + 1}`, pitch, `String ${i + 1} is lower than string ${i}: strings go up.`);
  }
  const up = fields.raw('up') ?? [];
  const isClass = (pc: unknown): pc is number => isWhole(pc) && pc >= 0 && pc < 12;
  const classes = isList(up) ? up.filter(isClass) : [];
  if (!isList(up) || classes.length < up.length)
    fields.report('up', up, 'Levers set must be pitch classes 0 to 11.');
  return fields.done(() => ({
    base,
    lowest,
    strings: Object.freeze(strings),
    double,
    up: classes,
  }));
}

export function describe(layout: HarpLayout): string {
  const { base, strings, double, lowest } = layout;
  const without = strings.filter((string) => !string.lever).length;
  const tuned = changedCount(elements(layout)) - without;
  return [
    `${double ? 'double-strung ' : ''}lever harp, ${strings.length} strings from ${lowest}, ${BASES[base].label}`,
    ...(without > 0 ? [`${without} without lever`] : []),
    ...(tuned > 0 ? [`${counted(tuned, 'string')} tuned otherwise`] : []),
  ].join(', ');
}

export function options({ base, lowest, strings, double }: HarpLayout): readonly LayoutOption[] {
  return [
    option(
      'base',
      'All levers down',
      base,
      BASE_IDS.map((id) => [id, BASES[id].label]),
    ),
    option(
      'lowest',
      'Lowest string',
      lowest,
      LOWEST.map((name) => [nameText(name), nameText(name)]),
    ),
    countOption('Strings', strings.length, COUNTS.least, mostFrom(lowest)),
    option('double', 'Rows', double, [
      [false, 'one'],
      [true, 'two, double-strung'],
    ]),
  ];
}

/** Another base, lowest string or number of strings takes new strings, all with levers. @throws on an unknown option or value */
export function withOption(layout: HarpLayout, id: string, value: string): HarpLayout {
  const { base, lowest, strings, double } = layout;
  switch (id) {
    case 'base':
      return layoutOf(chosen(id, value, BASE_IDS), lowest, strings.length, double);
    case 'lowest':
      return layoutOf(base, chosen(id, value, LOWEST.map(nameText)), strings.length, double);
    case 'count':
      return layoutOf(base, lowest, Number(value), double);
    case 'double':
      return { ...layout, double: chosen(id, value, ['true', 'false']) === 'true' };
    default:
      throw new Error(`withOption: no option ${id}`);
  }
}

export function elements(layout: HarpLayout): readonly LayoutElement[] {
  return layout.strings.map(({ pitch, lever }, index) => {
    const name = nameAt(layout, index);
    return {
      id: elementId('strings', index),
      label: `${nameText(name)} string`,
      row: `octave ${name.octave}`,
      column: name.letter,
      pitch,
      called: callOn(layout, index, pitch),
      values: [{ kind: 'flag', id: 'lever', label: 'lever', value: lever }],
      changed: !lever || pitch !== basePitch(name, layout.base),
    };
  });
}

/** @throws on an unknown string */
export function withElement(
  layout: HarpLayout,
  element: string,
  { pitch, values }: ElementChange,
): HarpLayout {
  const index = elementIndex('strings', layout.strings, element);
  const string = layout.strings[index]!;
  const lever = values?.['lever'] ?? string.lever;
  return {
    ...layout,
    strings: layout.strings.with(index, { pitch: pitch ?? string.pitch, lever: lever === true }),
  };
}
