import { ownNamer } from '../../scale/namer.ts';
import { pitchClass, type Pitch, type PitchClass } from '../../pitch/pitch.ts';
import { asRecord, ok, type Result } from '../../result.ts';
import { Fields, isWhole } from '../kernel/fields.ts';
import { CENTS, pitchesFrom, scaleMade, struckPitches, tuningOf, type Spot } from '../kernel/fixedPitches.ts';
import { countOption, range } from '../kernel/options.ts';
import { elementId, elementIndex } from '../kernel/elements.ts';
import type { TunedPitch } from '../contract.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';

/** A tongue: its pitch and its place. */
export interface Tongue {
  readonly pitch: Pitch;
  /** Cents off the pitch. */
  readonly cents: number;
  /** 0 in the centre; round the ring from the player upwards, odd on the left, even on the right. */
  readonly slot: number;
}

export interface DrumLayout {
  /** In the order in which they are numbered. */
  readonly tongues: readonly Tongue[];
}

export const COUNTS = Object.freeze({ least: 2, most: 24 });

/** Millimetres of the drawing. */
export const DRUM = Object.freeze({ width: 250, height: 128, ring: 50, stretch: 1.95 });

/** Rising pitches on their usual places: the lowest in the centre, the others round the ring going up. */
export function layoutOf(pitches: readonly Pitch[]): DrumLayout {
  return { tongues: pitches.map((pitch, slot) => ({ pitch, cents: 0, slot })) };
}

/** Problem fields: `tongues`, or a tongue such as `tongues.3`. */
export function checkLayout(stored: unknown): Result<DrumLayout> {
  const fields = new Fields(stored, 'A tongue drum’s layout needs its tongues.');
  const tongues = fields.list(
    'tongues',
    COUNTS.least,
    COUNTS.most,
    'Tongues',
    (item, path, index): Tongue => {
      const { pitch, cents = 0, slot } = asRecord(item);
      const name = `Tongue ${index + 1}`;
      const at = isWhole(slot) && slot >= 0 && slot <= COUNTS.most ? slot : -1;
      if (at < 0)
        fields.report(
          path,
          slot,
          `${name} needs a place: 0 for the centre, 1 to ${COUNTS.most} round the ring.`,
        );
      return {
        pitch: fields.pitch(pitch, path, name),
        cents: fields.number(cents, path, CENTS.lowest, CENTS.highest, `Cents of tongue ${index + 1}`),
        slot: at,
      };
    },
  );
  const taken = new Map<number, number>();
  for (const [i, { slot }] of tongues.entries()) {
    const other = taken.get(slot);
    if (other !== undefined && slot >= 0)
      fields.report(
        `tongues.${i + 1}`,
        slot,
        `Tongue ${i + 1} lies where tongue ${other} lies: give it another place.`,
      );
    else taken.set(slot, i + 1);
  }
  return fields.done(() => ({ tongues: Object.freeze(tongues) }));
}

/** Where a place lies on the drum, seen from above with the player below. */
export function spotOf({ tongues }: DrumLayout, { pitch, cents, slot }: Tongue): Spot {
  const x = DRUM.width / 2;
  const y = DRUM.height / 2;
  if (slot === 0) return { pitch, cents, x, y };
  const slots = Math.max(...tongues.map((tongue) => tongue.slot));
  const levels = Math.ceil(slots / 2);
  // An odd number of places leaves one at the top, in the middle.
  const top = slot === slots && slots % 2 === 1;
  const level = Math.ceil(slot / 2) - 0.5;
  const angle = top ? Math.PI : (Math.PI * level) / (levels - (slots % 2 === 1 ? 0.5 : 0));
  const side = slot % 2 === 1 ? -1 : 1;
  return {
    pitch,
    cents,
    x: x + (top ? 0 : side * Math.sin(angle) * DRUM.ring * DRUM.stretch),
    y: y + Math.cos(angle) * DRUM.ring,
  };
}

export function spots(layout: DrumLayout): readonly Spot[] {
  return layout.tongues.map((tongue) => spotOf(layout, tongue));
}

/** The scale that its tongues make from its home. */
export function ownScaleOf(layout: DrumLayout): string {
  return scaleMade(layout.tongues, homeOf(layout));
}

/** The key of the tongue in the middle, or of the first where there is none. */
export function homeOf({ tongues }: DrumLayout): PitchClass {
  return pitchClass((tongues.find((tongue) => tongue.slot === 0) ?? tongues[0]!).pitch);
}

export function describe(layout: DrumLayout): string {
  const { tongues } = layout;
  const call = ownNamer(homeOf(layout), ownScaleOf(layout)).withOctave;
  const off = tongues.some((tongue) => tongue.cents !== 0) ? ', some off by cents' : '';
  const names = tongues.map((tongue) => call(tongue.pitch));
  return `tongue drum of ${tongues.length}: ${names.slice(0, 5).join(' ')}${names.length > 5 ? ' …' : ''}${off}`;
}

export function options({ tongues }: DrumLayout): readonly LayoutOption[] {
  return [countOption('Tongues', tongues.length, COUNTS.least, COUNTS.most)];
}

/** Fewer tongues leave the last ones out; more add tongues a tone higher each, on free places. */
export function withOption({ tongues }: DrumLayout, _option: string, value: string): DrumLayout {
  const count = Number(value);
  const more: Tongue[] = [...tongues];
  while (more.length < count) {
    const used = new Set(more.map((tongue) => tongue.slot));
    const slot = range(0, COUNTS.most).find((n) => !used.has(n))!;
    more.push({ pitch: Math.min(118, more[more.length - 1]!.pitch + 2), cents: 0, slot });
  }
  return { tongues: more.slice(0, count) };
}

export function elements({ tongues }: DrumLayout): readonly LayoutElement[] {
  return tongues.map(({ pitch, cents, slot }, index) => ({
    id: elementId('tongues', index),
    label: `tongue ${index + 1}`,
    row: 'tongues',
    column: String(index + 1),
    pitch,
    values: [
      { kind: 'number', id: 'cents', label: 'cents', value: cents, ...CENTS, step: 1 },
      { kind: 'number', id: 'slot', label: 'place', value: slot, lowest: 0, highest: COUNTS.most, step: 1 },
    ],
    // A drum has no plan to differ from: whatever it is tuned to is its own.
    changed: false,
  }));
}

/** @throws on an unknown tongue */
export function withElement({ tongues }: DrumLayout, element: string, change: ElementChange): DrumLayout {
  const index = elementIndex('tongues', tongues, element);
  const tongue = tongues[index]!;
  const { pitch = tongue.pitch, values = {} } = change;
  const cents = Number(values['cents'] ?? tongue.cents);
  const slot = Number(values['slot'] ?? tongue.slot);
  return { tongues: tongues.with(index, { pitch, cents, slot }) };
}

/** The first that is struck lies in the centre, the others round the ring as they follow. */
export function fromPitches(pitches: readonly TunedPitch[]): Result<DrumLayout> {
  const struck = struckPitches(pitches, COUNTS);
  return struck.ok
    ? ok({ tongues: struck.value.map(({ pitch, cents }, slot) => ({ pitch, cents, slot })) })
    : struck;
}

export function tuning(layout: DrumLayout): readonly number[] {
  return tuningOf(spots(layout));
}

export function withTuning(layout: DrumLayout, cents: readonly number[]): Result<DrumLayout> {
  const lowest = Math.min(...layout.tongues.map((tongue) => tongue.pitch));
  const pitches = pitchesFrom(lowest, cents, COUNTS);
  return pitches.ok ? ok({ tongues: pitches.value.map((spot, slot) => ({ ...spot, slot })) }) : pitches;
}
