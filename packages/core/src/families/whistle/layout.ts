import type { Pitch } from '../../pitch/pitch.ts';
import { isList, isRecord, type Result } from '../../result.ts';
import { changedText } from '../kernel/elements.ts';
import { Fields } from '../kernel/fields.ts';
import { chosen, keyName, option, range } from '../kernel/options.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';
import { BORES, FINGERINGS, STRAINED, STRAINED_TO, type Bore, type Fingering } from './tables.ts';

export const REGISTERS = Object.freeze(['low', 'upper', 'high'] as const);
export type Register = (typeof REGISTERS)[number];

/** A fingering in a register; `xxxxxo`, `xxxxxo+`, `xxxxxo++`. */
export interface Sound {
  readonly id: string;
  readonly fingering: Fingering;
  readonly register: Register;
  /** Semitones above the lowest note, as the plan has it. */
  readonly semitones: number;
}

/** A six-hole whistle, named by its lowest note. */
export interface WhistleLayout {
  readonly lowest: Pitch;
  readonly bore: Bore;
  /** Highest note its player goes up to, in semitones above the lowest. */
  readonly ceiling: number;
  /** Semitones above the lowest note of fingerings that sound something else than planned, by id. */
  readonly retuned: Readonly<Record<string, number>>;
  /** Fingerings that do not speak on this whistle, by id. */
  readonly mute: readonly string[];
}

const RANGE = Object.freeze({ lowest: 48, highest: 79 });
/** D5 is the usual whistle; an octave below begin the low ones. */
const LOW_BELOW = 67;
const CEILING = Object.freeze({ lowest: 12, highest: STRAINED_TO, usual: STRAINED - 1 });

const REGISTER_OCTAVES: Readonly<Record<Register, number>> = Object.freeze({ low: 0, upper: 12, high: 24 });
const MARKS: Readonly<Record<Register, string>> = Object.freeze({ low: '', upper: '+', high: '++' });

/** Every fingering in every register in which it is used, rising. */
export const SOUNDS: readonly Sound[] = Object.freeze(
  REGISTERS.flatMap((register) =>
    FINGERINGS.filter((f) => usedIn(f, register)).map((fingering) => ({
      id: fingering.pattern + MARKS[register],
      fingering,
      register,
      semitones: fingering.semitones + REGISTER_OCTAVES[register],
    })),
  ).sort((a, b) => a.semitones - b.semitones),
);

function usedIn({ registers, semitones, kind }: Fingering, register: Register): boolean {
  if (register === 'high')
    return registers !== 'upper' && kind === 'plain' && semitones <= STRAINED_TO - STRAINED;
  return registers === 'both' || registers === register;
}

export function layoutOf(lowest: Pitch, bore: Bore): WhistleLayout {
  return { lowest, bore, ceiling: CEILING.usual, retuned: {}, mute: [] };
}

export function whistleName(lowest: Pitch): string {
  const height = lowest < LOW_BELOW ? 'low ' : lowest >= LOW_BELOW + 12 ? 'high ' : '';
  return `${height}${keyName(lowest)} whistle`;
}

/** Problem fields: `lowest`, `bore`, `ceiling`, or a fingering such as `retuned.xxxxxo`. */
export function checkLayout(stored: unknown): Result<WhistleLayout> {
  const fields = new Fields(stored, 'A whistle’s layout needs its lowest note and its bore.');
  const { lowest: least, highest: most } = RANGE;
  const ends = `from ${keyName(least)}3 to ${keyName(most)}5`;
  const lowest = fields.whole('lowest', least, most, `The lowest note must be ${ends}.`);
  const bore = fields.choice('bore', BORES, 'bore');
  const ceiling = fields.whole(
    'ceiling',
    CEILING.lowest,
    CEILING.highest,
    `The ceiling must be ${CEILING.lowest} to ${CEILING.highest} semitones above the lowest note.`,
    CEILING.usual,
  );
  const known = new Set(SOUNDS.map((sound) => sound.id));
  const retuned = fields.raw('retuned') ?? {};
  if (!isRecord(retuned)) fields.report('retuned', retuned, 'Pitches must be given by fingering.');
  else
    for (const [id, semitones] of Object.entries(retuned)) {
      if (!known.has(id)) fields.report(`retuned.${id}`, id, 'There is no such fingering.');
      else if (!Number.isInteger(semitones) || Number(semitones) < -1 || Number(semitones) > 40)
        fields.report(
          `retuned.${id}`,
          semitones,
          'A fingering sounds from 1 below to 40 semitones above the lowest note.',
        );
    }
  const mute = fields.raw('mute') ?? [];
  const silent = isList(mute)
    ? mute.filter((id): id is string => typeof id === 'string' && known.has(id))
    : [];
  if (!isList(mute) || silent.length < mute.length)
    fields.report('mute', mute, 'Fingerings that do not speak must be a list of known ones.');
  else if (mute.length >= SOUNDS.length)
    fields.report('mute', mute.length, 'At least one fingering must speak.');
  return fields.done(() => ({
    lowest,
    bore,
    ceiling,
    retuned: { ...(retuned as Record<string, number>) },
    mute: silent,
  }));
}

export function semitonesOf({ retuned }: WhistleLayout, sound: Sound): number {
  return retuned[sound.id] ?? sound.semitones;
}

export function describe(layout: WhistleLayout): string {
  const changed = Object.keys(layout.retuned).length + layout.mute.length;
  return `${whistleName(layout.lowest)}, ${layout.bore} bore${changedText(changed, 'fingering')}`;
}

export function options({ lowest, bore, ceiling }: WhistleLayout): readonly LayoutOption[] {
  return [
    option(
      'lowest',
      'Lowest note',
      lowest,
      range(RANGE.lowest, RANGE.highest).map((pitch) => [pitch, whistleName(pitch)]),
    ),
    option('bore', 'Bore', bore, [
      ['conical', 'conical'],
      ['cylindrical', 'cylindrical'],
    ]),
    option(
      'ceiling',
      'Highest note played',
      ceiling,
      range(CEILING.lowest, CEILING.highest).map((n) => [n, `${keyName(lowest + n)}, ${n} semitones up`]),
    ),
  ];
}

/** @throws on an unknown option or value */
export function withOption(layout: WhistleLayout, id: string, value: string): WhistleLayout {
  if (id === 'bore') return { ...layout, bore: chosen(id, value, BORES) };
  if ((id !== 'lowest' && id !== 'ceiling') || !/^\d+$/.test(value))
    throw new Error(`withOption: no option ${id} = ${value}`);
  return { ...layout, [id]: Number(value) };
}

const REGISTER_ROWS: Readonly<Record<Register, string>> = Object.freeze({
  low: 'low register',
  upper: 'upper register',
  high: 'strained',
});

export function elements(layout: WhistleLayout): readonly LayoutElement[] {
  return SOUNDS.map((sound) => ({
    id: `retuned.${sound.id}`,
    label: `${sound.fingering.pattern}, ${REGISTER_ROWS[sound.register]}`,
    row: REGISTER_ROWS[sound.register],
    column: sound.fingering.pattern,
    pitch: layout.lowest + semitonesOf(layout, sound),
    values: [{ kind: 'flag', id: 'speaks', label: 'speaks', value: !layout.mute.includes(sound.id) }],
    changed: sound.id in layout.retuned || layout.mute.includes(sound.id),
  }));
}

/** @throws on an unknown fingering */
export function withElement(
  layout: WhistleLayout,
  element: string,
  { pitch, values }: ElementChange,
): WhistleLayout {
  const sound = SOUNDS.find((s) => `retuned.${s.id}` === element);
  if (!sound) throw new Error(`withElement: there is no fingering ${element}`);
  const { [sound.id]: _, ...others } = layout.retuned;
  const semitones = (pitch ?? layout.lowest + semitonesOf(layout, sound)) - layout.lowest;
  const muted = layout.mute.filter((id) => id !== sound.id);
  const speaks = values?.['speaks'] ?? !layout.mute.includes(sound.id);
  return {
    ...layout,
    retuned: semitones === sound.semitones ? others : { ...others, [sound.id]: semitones },
    mute: speaks ? muted : [...muted, sound.id],
  };
}
