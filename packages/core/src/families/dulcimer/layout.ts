import { byKey } from '../../objects.ts';
import { pitchClass, type Pitch } from '../../pitch/pitch.ts';
import { ownNamer } from '../../scale/namer.ts';
import type { Result } from '../../result.ts';
import { asRecord, fail, ok } from '../../result.ts';
import { changedCount, changedText } from '../kernel/elements.ts';
import { Fields, isWhole } from '../kernel/fields.ts';
import { chosen, option } from '../kernel/options.ts';
import type { ElementChange, LayoutElement, LayoutOption, Retuning } from '../layoutPart.ts';
import {
  ALL_FRETS,
  FRETBOARD_IDS,
  FRETBOARDS,
  STRINGS,
  TUNING_IDS,
  TUNINGS,
  type Fret,
  type FretboardId,
  type StringName,
  type TuningId,
} from './tables.ts';

/** A fretted string instrument on the lap: three courses, frets that are names. */
export interface DulcimerLayout {
  readonly strings: Readonly<Record<StringName, Pitch>>;
  readonly fretboard: FretboardId;
  /** Fitted frets, rising. */
  readonly frets: readonly Fret[];
  /** Name of the fret at which a capo sits; `0` for none. */
  readonly capo: string;
}

/** Cents that a fret may stand off its semitone. */
const FRET_CENTS = 50;

export function layoutOf(tuning: TuningId, fretboard: FretboardId = 'usual'): DulcimerLayout {
  const [bass, middle, melody] = TUNINGS[tuning];
  return { strings: { bass, middle, melody }, fretboard, frets: fretsOf(fretboard), capo: '0' };
}

export function fretsOf(fretboard: FretboardId): readonly Fret[] {
  const names: readonly string[] = FRETBOARDS[fretboard].frets;
  return Object.freeze(ALL_FRETS.filter((fret) => names.includes(fret.name)));
}

/** Semitones above the open string at which the capo sits. */
export function capoAt({ frets, capo }: DulcimerLayout): number {
  return frets.find((fret) => fret.name === capo)?.semitones ?? 0;
}

/** Problem fields: `strings.bass`, `fretboard`, `frets.6½`, `capo`. */
export function checkLayout(stored: unknown): Result<DulcimerLayout> {
  const fields = new Fields(stored, 'A dulcimer’s layout needs its strings and its frets.');
  const given = asRecord(fields.raw('strings'));
  const strings = byKey(STRINGS, (name) =>
    fields.pitch(given[name], `strings.${name}`, `The ${name} string`),
  );
  const fretboard = fields.choice('fretboard', FRETBOARD_IDS, 'fretboard');
  const frets = fields.list('frets', 1, ALL_FRETS.length, 'Frets', (item, path) => {
    const { name, semitones } = asRecord(item);
    const known = ALL_FRETS.find((fret) => fret.name === name);
    if (!known) fields.report(path, name, 'A fret is named 1 to 17, or such a number with ½.');
    else if (!isWhole(semitones) || semitones < 1 || semitones > 36)
      fields.report(
        `frets.${known.name}`,
        semitones,
        `Fret ${known.name} must be 1 to 36 semitones above the open string.`,
      );
    return { name: known?.name ?? '', semitones: isWhole(semitones) ? semitones : 0 };
  });
  const order = frets.filter(({ name }) => name !== '').sort((a, b) => rank(a.name) - rank(b.name));
  for (const [i, fret] of order.entries()) {
    const below = order[i - 1];
    if (below?.name === fret.name)
      fields.report(`frets.${fret.name}`, fret.name, `There are two frets ${fret.name}.`);
    else if (below && fret.semitones <= below.semitones)
      fields.report(
        `frets.${fret.name}`,
        fret.semitones,
        `Fret ${fret.name} must sound higher than fret ${below.name} below it.`,
      );
  }
  const capo = fields.raw('capo') ?? '0';
  const stop = ['0', ...order.map((fret) => fret.name)].find((name) => name === capo);
  if (stop === undefined) fields.report('capo', capo, 'The capo must sit at a fret that is fitted, or at 0.');
  return fields.done(() => ({ strings, fretboard, frets: Object.freeze(order), capo: stop ?? '0' }));
}

function rank(name: string): number {
  return ALL_FRETS.findIndex((fret) => fret.name === name);
}

/** An open string as the key of the bass string calls it. */
export function openText({ strings }: DulcimerLayout, name: StringName): string {
  return ownNamer(pitchClass(strings.bass)).withOctave(strings[name]);
}

function tuningText(layout: DulcimerLayout): string {
  return STRINGS.map((name) => openText(layout, name)).join(' ');
}

export function describe(layout: DulcimerLayout): string {
  const parts = [
    `dulcimer in ${tuningText(layout)}`,
    ...(layout.fretboard === 'usual' ? [] : [FRETBOARDS[layout.fretboard].label]),
    ...(layout.capo === '0' ? [] : [`capo ${layout.capo}`]),
  ];
  return parts.join(', ') + changedText(changedCount(elements(layout)), 'fret');
}

function tuningOf(layout: DulcimerLayout): TuningId | 'own' {
  const text = STRINGS.map((name) => layout.strings[name]).join();
  return TUNING_IDS.find((id) => TUNINGS[id].join() === text) ?? 'own';
}

export function options(layout: DulcimerLayout): readonly LayoutOption[] {
  const tuning = tuningOf(layout);
  return [
    option(
      'tuning',
      'Tuning',
      tuning,
      [
        ...TUNING_IDS.map((id) => [id, id] as const),
        ...(tuning === 'own' ? [['own', 'own tuning'] as const] : []),
      ],
      { retune: (value) => retuning(layout, value) },
    ),
    option(
      'fretboard',
      'Frets',
      layout.fretboard,
      FRETBOARD_IDS.map((id) => [id, FRETBOARDS[id].label]),
    ),
    option(
      'capo',
      'Capo',
      layout.capo,
      [
        ['0', 'none'],
        ...layout.frets.filter((f) => f.semitones <= 12).map((f) => [f.name, `fret ${f.name}`] as const),
      ],
      {
        retune: (value) => ({
          words: value === '0' ? 'take the capo off' : `put the capo on fret ${value}`,
          parts: 1,
          semitones: 0,
        }),
      },
    ),
  ];
}

/** A string bears what it is strung for, and down to a fifth below; above, it nears what breaks it. */
const DOWN_FROM_STRUNG = 7;
/** By how much all three strings are moved at most: nobody turns them all for more. */
const ALL_THREE = 2;

/** What the usual strings are strung for: every tuning from G up to D is reached from it. */
const USUALLY_STRUNG: TuningId = 'D3 A3 D4';

/** What strings are strung for: the usual, where they sound within what it bears and not all of them a fifth lower. */
function strungFor({ strings }: DulcimerLayout): readonly Pitch[] {
  const own = STRINGS.map((name) => strings[name]);
  const usual = TUNINGS[USUALLY_STRUNG];
  const isLower = own.every((pitch, i) => pitch <= usual[i]! - DOWN_FROM_STRUNG);
  return !isLower && own.every((pitch, i) => bears(usual[i]!, pitch)) ? usual : own;
}

function bears(strung: Pitch, pitch: Pitch): boolean {
  return pitch <= strung && pitch >= strung - DOWN_FROM_STRUNG;
}

/** Which strings to tune, and how far: `tune the middle string down a tone`; undefined for more than a string bears. */
function retuning(layout: DulcimerLayout, value: string): Retuning | undefined {
  const wanted = TUNINGS[value as TuningId] as readonly Pitch[] | undefined;
  const strung = strungFor(layout);
  const moves = STRINGS.map((name, i) => (wanted?.[i] ?? layout.strings[name]) - layout.strings[name]);
  const isBorne = STRINGS.every(
    (name, i) => moves[i] === 0 || bears(strung[i]!, layout.strings[name] + moves[i]!),
  );
  const isTooMuch = moves.every((by) => by !== 0) && moves.some((by) => Math.abs(by) > ALL_THREE);
  if (!isBorne || isTooMuch) return undefined;
  const changes = STRINGS.flatMap((name, i) => {
    const by = moves[i]!;
    if (by === 0) return [];
    const far = ['', 'a semitone', 'a tone'][Math.abs(by)] ?? `${Math.abs(by)} semitones`;
    return [`tune the ${name} string ${by > 0 ? 'up' : 'down'} ${far}`];
  });
  return {
    words: changes.join(', ') || 'leave the tuning',
    parts: changes.length,
    semitones: moves.reduce((sum, by) => sum + Math.abs(by), 0),
  };
}

/** @throws on an unknown option or value */
export function withOption(layout: DulcimerLayout, id: string, value: string): DulcimerLayout {
  if (id === 'tuning') {
    if (value === 'own') return layout;
    return { ...layout, strings: layoutOf(chosen(id, value, TUNING_IDS)).strings };
  }
  if (id === 'capo') {
    return { ...layout, capo: chosen(id, value, ['0', ...layout.frets.map((fret) => fret.name)]) };
  }
  if (id !== 'fretboard') throw new Error(`withOption: no option ${id}`);
  const fretboard = chosen(id, value, FRETBOARD_IDS);
  const frets = fretsOf(fretboard);
  const capo = frets.some((fret) => fret.name === layout.capo) ? layout.capo : '0';
  return { ...layout, fretboard, frets, capo };
}

export function elements({ strings, frets, fretboard }: DulcimerLayout): readonly LayoutElement[] {
  const planned = fretsOf(fretboard);
  return [
    ...STRINGS.map((name) => ({
      id: `strings.${name}`,
      label: `${name} string`,
      row: 'strings',
      column: name,
      pitch: strings[name],
      values: [],
      changed: false,
    })),
    ...ALL_FRETS.map(({ name, semitones }): LayoutElement => {
      const fitted = frets.find((fret) => fret.name === name);
      const plan = planned.find((fret) => fret.name === name);
      return {
        id: `frets.${name}`,
        label: `fret ${name}`,
        row: `${name.includes('½') ? 'half frets' : 'frets'}, in semitones above the open string`,
        column: name,
        pitch: undefined,
        values: [
          { kind: 'flag', id: 'fitted', label: name, value: fitted !== undefined },
          {
            kind: 'number',
            id: 'semitones',
            label: 'up',
            value: fitted?.semitones ?? semitones,
            lowest: 1,
            highest: 36,
            step: 1,
          },
        ],
        changed: fitted?.semitones !== plan?.semitones,
      };
    }),
  ];
}

/** @throws on an unknown string or fret */
export function withElement(
  layout: DulcimerLayout,
  element: string,
  { pitch, values = {} }: ElementChange,
): DulcimerLayout {
  const [kind, name] = element.split('.');
  const string = STRINGS.find((s) => s === name);
  if (kind === 'strings' && string)
    return pitch === undefined ? layout : { ...layout, strings: { ...layout.strings, [string]: pitch } };
  const known = ALL_FRETS.find((fret) => fret.name === name);
  if (kind !== 'frets' || !known) throw new Error(`withElement: there is no ${element}`);
  const current = layout.frets.find((fret) => fret.name === name);
  const fitted = (values['fitted'] ?? (current !== undefined || values['semitones'] !== undefined)) === true;
  const semitones = Number(values['semitones'] ?? current?.semitones ?? known.semitones);
  const others = layout.frets.filter((fret) => fret.name !== name);
  const frets = fitted ? [...others, { name: known.name, semitones }] : others;
  return {
    ...layout,
    frets: frets.sort((a, b) => rank(a.name) - rank(b.name)),
    capo: !fitted && layout.capo === name ? '0' : layout.capo,
  };
}

/** Cents of the frets above the open string. */
export function tuning({ frets }: DulcimerLayout): readonly number[] {
  return [0, ...frets.map((fret) => fret.semitones * 100)];
}

/** Fits the frets that a tuning's steps name, within half a semitone. */
export function withTuning(layout: DulcimerLayout, cents: readonly number[]): Result<DulcimerLayout> {
  const wanted = new Set(cents.map((c) => Math.round(c / 100)));
  const strange = cents.find((c) => Math.abs(c - Math.round(c / 100) * 100) > FRET_CENTS - 20);
  if (strange !== undefined)
    return fail({
      field: '',
      wrong: String(strange),
      message: `A fret at ${strange} cents lies between two semitones.`,
    });
  const frets = ALL_FRETS.filter((fret) => wanted.has(fret.semitones));
  if (frets.length === 0) return fail({ field: '', wrong: '', message: 'This tuning names no fret.' });
  const capo = frets.some((fret) => fret.name === layout.capo) ? layout.capo : '0';
  return ok({ ...layout, frets, capo });
}

/** The fret, not fitted, at which the melody string would sound a pitch. */
export function fretLacking(layout: DulcimerLayout, pitch: Pitch): string | undefined {
  const semitones = pitch - layout.strings.melody;
  const fret = ALL_FRETS.find((one) => one.semitones === semitones);
  if (!fret || semitones <= capoAt(layout) || layout.frets.some(({ name }) => name === fret.name))
    return undefined;
  return `fret ${fret.name}`;
}
