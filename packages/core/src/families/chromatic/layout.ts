import { byKey } from '../../objects.ts';
import type { Pitch } from '../../pitch/pitch.ts';
import type { Result } from '../../result.ts';
import { changedCount, changedText } from '../kernel/elements.ts';
import { Fields, isWhole } from '../kernel/fields.ts';
import { chosen, keyName, option, range } from '../kernel/options.ts';
import type { ElementChange, LayoutElement, LayoutOption } from '../layoutPart.ts';
import { reedPlan, ROW_WORDS, ROWS, SIZE_IDS, SIZES, type Row, type SizeId } from './tables.ts';

/** A slide harmonica: every reed by row and hole, as semitones above home. */
export interface ChromaticLayout {
  /** Pitch of hole 1 blow of a 12-hole instrument of this key. */
  readonly home: Pitch;
  readonly size: SizeId;
  /** The last draw with slide sounds two semitones above the top blow. */
  readonly topRaised: boolean;
  readonly reeds: Readonly<Record<Row, readonly number[]>>;
}

/** C4 is the usual home; G3 to F♯4 and an octave lower are served. */
export const HOMES = Object.freeze({ lowest: 43, lowestUsual: 55, highest: 66 });

export function layoutOf(home: Pitch, size: SizeId, topRaised = size === '12'): ChromaticLayout {
  return { home, size, topRaised, reeds: reedPlan(size, topRaised) };
}

export function homeLabel(home: Pitch): string {
  return home < HOMES.lowestUsual ? `low ${keyName(home)}` : keyName(home);
}

/** Problem fields: `home`, `size`, `topRaised`, or a reed such as `reeds.draw.4`. */
export function checkLayout(stored: unknown): Result<ChromaticLayout> {
  const fields = new Fields(stored, 'A chromatic harmonica’s layout needs a key, a size and its reeds.');
  const keys = `from ${homeLabel(HOMES.lowest)} to ${homeLabel(HOMES.highest)}`;
  const home = fields.whole('home', HOMES.lowest, HOMES.highest, `The key must be ${keys}.`);
  const size = fields.choice('size', SIZE_IDS, 'size');
  const topRaised = fields.flag('topRaised', false);
  const stuff = new Fields(fields.raw('reeds'), 'The reeds must be listed by row.');
  const { holes } = SIZES[size];
  const reeds = byKey(ROWS, (row) =>
    Object.freeze(
      stuff.list(row, holes, holes, `${ROW_WORDS[row]} reeds`, (item, path, index) =>
        isWhole(item)
          ? stuff.pitch(home + item, path, `Hole ${index + 1} ${ROW_WORDS[row]}`) - home
          : stuff.pitch(item, path, `Hole ${index + 1} ${ROW_WORDS[row]}`),
      ),
    ),
  );
  for (const { field, wrong, message } of stuff.problems)
    fields.report(field ? `reeds.${field}` : 'reeds', wrong, message);
  return fields.done(() => ({ home, size, topRaised, reeds: Object.freeze(reeds) }));
}

export function describe(layout: ChromaticLayout): string {
  const reeds = changedText(changedCount(elements(layout)), 'reed');
  return `${homeLabel(layout.home)} chromatic harmonica, ${SIZES[layout.size].label}${reeds}`;
}

export function options({ home, size, topRaised }: ChromaticLayout): readonly LayoutOption[] {
  return [
    option(
      'home',
      'Key',
      home,
      range(HOMES.lowest, HOMES.highest).map((pitch) => [pitch, homeLabel(pitch)]),
    ),
    option(
      'size',
      'Holes',
      size,
      SIZE_IDS.map((id) => [id, SIZES[id].label]),
    ),
    option('topRaised', 'Last draw with slide', topRaised, [
      [true, 'two above the top blow'],
      [false, 'its regular note'],
    ]),
  ];
}

/** Another key moves every reed; another size or top note takes the standard reeds. @throws on an unknown option or value */
export function withOption(layout: ChromaticLayout, id: string, value: string): ChromaticLayout {
  if (id === 'home' && /^\d+$/.test(value)) return { ...layout, home: Number(value) };
  if (id === 'size') return layoutOf(layout.home, chosen(id, value, SIZE_IDS), layout.topRaised);
  return layoutOf(layout.home, layout.size, chosen(id, value, ['true', 'false']) === 'true');
}

export function elements({ home, size, topRaised, reeds }: ChromaticLayout): readonly LayoutElement[] {
  const plan = reedPlan(size, topRaised);
  return ROWS.flatMap((row) =>
    reeds[row].map((semitones, index) => ({
      id: `reeds.${row}.${index + 1}`,
      label: `hole ${index + 1} ${ROW_WORDS[row]}`,
      row: ROW_WORDS[row],
      column: String(index + 1),
      pitch: home + semitones,
      values: [],
      changed: semitones !== plan[row][index],
    })),
  );
}

/** @throws on an unknown element */
export function withElement(
  layout: ChromaticLayout,
  element: string,
  { pitch }: ElementChange,
): ChromaticLayout {
  const [, name, hole] = element.split('.');
  const row = ROWS.find((r) => r === name);
  if (!row || layout.reeds[row][Number(hole) - 1] === undefined)
    throw new Error(`withElement: there is no reed ${element}`);
  if (pitch === undefined) return layout;
  const changed = layout.reeds[row].with(Number(hole) - 1, pitch - layout.home);
  return { ...layout, reeds: { ...layout.reeds, [row]: changed } };
}
