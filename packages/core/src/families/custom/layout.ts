import type { Result } from '../../result.ts';
import { asRecord, ok, shown } from '../../result.ts';
import { counted } from '../../words.ts';
import { Fields } from '../kernel/fields.ts';
import { CENTS, pitchesFrom, struckPitches, tuningOf, type Spot } from '../kernel/fixedPitches.ts';
import { countOption, range } from '../kernel/options.ts';
import { elementId, elementIndex } from '../kernel/elements.ts';
import type { TunedPitch } from '../contract.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';

/** A pitch with a name of its own at a free place. */
export interface NamedSpot extends Spot {
  readonly name: string;
}

/** Any instrument of fixed pitches: where they lie is up to its owner. */
export interface CustomLayout {
  readonly what: string;
  readonly spots: readonly NamedSpot[];
}

export const COUNTS = Object.freeze({ least: 1, most: 60 });
/** Millimetres: the surface, and the room that one pitch takes. */
export const SURFACE = Object.freeze({ width: 250, height: 110, spotWidth: 15, spotHeight: 10.6 });
const NAME_LIMIT = 12;
const WHAT_LIMIT = 40;

/** Problem fields: `what`, `spots`, or a pitch such as `spots.3`. */
export function checkLayout(stored: unknown): Result<CustomLayout> {
  const fields = new Fields(stored, 'An arrangement needs its pitches and their places.');
  const given = fields.raw('what') ?? 'set of pitches';
  const what = typeof given === 'string' ? given : '';
  if (what.trim() === '' || [...what].length > WHAT_LIMIT)
    fields.report('what', given, `Say what it is in at most ${WHAT_LIMIT} characters.`);
  const spots = fields.list('spots', COUNTS.least, COUNTS.most, 'Pitches', (item, path, index): NamedSpot => {
    const { name = String(index + 1), pitch, cents = 0, x, y } = asRecord(item);
    const label = `Pitch ${index + 1}`;
    if (typeof name !== 'string' || name.trim() === '' || [...name].length > NAME_LIMIT)
      fields.report(
        path,
        name,
        `The name of pitch ${index + 1} must have 1 to ${NAME_LIMIT} characters; it is “${shown(name)}”.`,
      );
    return {
      name: typeof name === 'string' ? name.trim() : '',
      pitch: fields.pitch(pitch, path, label),
      cents: fields.number(cents, path, CENTS.lowest, CENTS.highest, `Cents of pitch ${index + 1}`),
      x: fields.number(x, path, 0, SURFACE.width, `The place of pitch ${index + 1} from the left`),
      y: fields.number(y, path, 0, SURFACE.height, `The place of pitch ${index + 1} from above`),
    };
  });
  for (const [i, spot] of spots.entries()) {
    const isPlaced = (at: number) => !fields.isWrong(`spots.${at + 1}`);
    const other = isPlaced(i) ? spots.findIndex((s, j) => j < i && isPlaced(j) && meet(s, spot)) : -1;
    if (other >= 0)
      fields.report(
        `spots.${i + 1}`,
        spot.name,
        `Pitch ${i + 1} lies on pitch ${other + 1}: move one of them.`,
      );
    if (spots.findIndex((s) => s.name === spot.name) < i)
      fields.report(`spots.${i + 1}`, spot.name, `Two pitches are called “${spot.name}”.`);
  }
  return fields.done(() => ({ what: what.trim(), spots: Object.freeze(spots) }));
}

function meet(a: Spot, b: Spot): boolean {
  return Math.abs(a.x - b.x) < SURFACE.spotWidth && Math.abs(a.y - b.y) < SURFACE.spotHeight;
}

export function describe({ what, spots }: CustomLayout): string {
  return `${what}, ${counted(spots.length, 'pitch', 'pitches')}`;
}

export function options({ spots }: CustomLayout): readonly LayoutOption[] {
  return [countOption('Pitches', spots.length, COUNTS.least, COUNTS.most)];
}

/** Places in rows from the upper left, for pitches that have none yet. */
const GRID = range(0, COUNTS.most * 2).map((i) => ({
  x: 10 + (i % 15) * 16.4,
  y: 8 + Math.floor(i / 15) * 11.6,
}));

/** Fewer pitches leave the last ones out; more are added a semitone higher each, at free places. */
export function withOption({ what, spots }: CustomLayout, _option: string, value: string): CustomLayout {
  const more: NamedSpot[] = [...spots];
  while (more.length < Number(value)) {
    const pitch = Math.min(118, more[more.length - 1]!.pitch + 1);
    const free = GRID.filter(({ y }) => y <= SURFACE.height).find(
      (place) => !more.some((spot) => meet(spot, { ...spot, ...place })),
    );
    const names = new Set(more.map((spot) => spot.name));
    const name = range(1, COUNTS.most * 2)
      .map(String)
      .find((text) => !names.has(text))!;
    more.push({ name, pitch, cents: 0, ...(free ?? { x: SURFACE.width - 8, y: SURFACE.height - 6 }) });
  }
  return { what, spots: more.slice(0, Number(value)) };
}

/** Numbered as they were struck, in rows from the upper left. */
export function fromPitches(pitches: readonly TunedPitch[]): Result<CustomLayout> {
  const struck = struckPitches(pitches, COUNTS);
  if (!struck.ok) return struck;
  const spots = struck.value.map(({ pitch, cents }, i) => ({
    name: String(i + 1),
    pitch,
    cents,
    ...GRID[i]!,
  }));
  return ok({ what: 'set of pitches', spots });
}

export function elements({ spots }: CustomLayout): readonly LayoutElement[] {
  return spots.map(({ name, pitch, cents, x, y }, index) => ({
    id: elementId('spots', index),
    label: `pitch ${index + 1}`,
    row: `${Math.floor(index / 8) * 8 + 1} to ${Math.floor(index / 8) * 8 + 8}`,
    column: String((index % 8) + 1),
    pitch,
    values: [
      { kind: 'text', id: 'name', label: 'name', value: name },
      { kind: 'number', id: 'cents', label: 'cents', value: cents, ...CENTS, step: 1 },
      { kind: 'number', id: 'x', label: 'from left', value: x, lowest: 0, highest: SURFACE.width, step: 1 },
      { kind: 'number', id: 'y', label: 'from above', value: y, lowest: 0, highest: SURFACE.height, step: 1 },
    ],
    changed: false,
  }));
}

/** @throws on an unknown pitch */
export function withElement(
  { what, spots }: CustomLayout,
  element: string,
  change: ElementChange,
): CustomLayout {
  const index = elementIndex('spots', spots, element);
  const spot = spots[index]!;
  const { pitch = spot.pitch, values = {} } = change;
  const number = (id: 'cents' | 'x' | 'y') => Number(values[id] ?? spot[id]);
  const name = String(values['name'] ?? spot.name);
  return {
    what,
    spots: spots.with(index, { name, pitch, cents: number('cents'), x: number('x'), y: number('y') }),
  };
}

export function tuning({ spots }: CustomLayout): readonly number[] {
  return tuningOf(spots);
}

/** The pitches of a tuning in rows; places and names begin anew. */
export function withTuning(layout: CustomLayout, cents: readonly number[]): Result<CustomLayout> {
  const lowest = Math.min(...layout.spots.map((spot) => spot.pitch));
  const pitches = pitchesFrom(lowest, cents, COUNTS);
  if (!pitches.ok) return pitches;
  return ok({
    ...layout,
    spots: pitches.value.map((spot, i) => ({ name: String(i + 1), ...spot, ...GRID[i]! })),
  });
}
