import type { HabitChoice } from '../effortPart.ts';
import type { Capability, CapabilityGroup } from '../layoutPart.ts';
import type { Grip, Technique, Way } from '../way.ts';
import { isUp, nameAt, soundingName, type HarpLayout } from './layout.ts';
import { nameText, SHARPS_ORDER } from './strings.ts';

export const techniques = Object.freeze([
  { id: 'set', label: 'strings as set for the key', needs: 'a string as it is set', safe: true },
  {
    id: 'flip',
    label: 'levers flipped while playing',
    needs: 'a lever flipped',
    safe: false,
    caution: 'Flip a lever while its string is silent; check a string’s condition before tuning it higher.',
  },
] as const satisfies readonly Technique[]);

export interface HarpWay extends Way {
  readonly technique: 'set' | 'flip';
  /** Index of the string, 0 the lowest. */
  readonly string: number;
  readonly lever: 'down' | 'up';
  /** The row of a double-strung harp. */
  readonly row: 'L' | 'R' | undefined;
  /** The sounding note by the string's letter. */
  readonly name: string;
}

/** Every string with its lever down and, where one is fitted, up; in both rows of a double-strung harp: `L12up`. */
export function ways(layout: HarpLayout, capability: Capability): readonly HarpWay[] {
  const flips = capability['flip'] ?? SHARPS_ORDER;
  const rows = layout.double ? (['L', 'R'] as const) : [undefined];
  const all = rows.flatMap((row) =>
    layout.strings.flatMap(({ pitch, lever }, string) =>
      (lever ? (['down', 'up'] as const) : (['down'] as const)).map((position): HarpWay => {
        const sounding = pitch + (position === 'up' ? 1 : 0);
        const set = isUp(layout, string) === (position === 'up');
        const { letter } = nameAt(layout, string);
        const words = `${nameText(nameAt(layout, string))} string, lever ${position}`;
        return {
          id: `${row ?? ''}${string + 1}${position}`,
          pitch: sounding,
          technique: set ? 'set' : 'flip',
          place: letter,
          air: undefined,
          words: row ? `${row === 'L' ? 'left' : 'right'} row, ${words}` : words,
          able: set || flips.includes(letter),
          duplicateOf: undefined,
          string,
          lever: position,
          row,
          name: soundingName(layout, string, sounding),
        };
      }),
    ),
  );
  const set = new Map(all.filter((way) => way.technique === 'set').map((way) => [way.pitch, way.id]));
  return all.map((way) => (way.technique === 'flip' ? { ...way, duplicateOf: set.get(way.pitch) } : way));
}

export function capabilityGroups(): readonly CapabilityGroup[] {
  return [
    {
      id: 'flip',
      label: 'Levers flipped while playing',
      about: 'Letters whose levers the player flips in the middle of a tune.',
      places: SHARPS_ORDER,
      byDefault: SHARPS_ORDER,
    },
  ];
}

const FINGER_WORDS = Object.freeze(['thumb', 'index finger', 'middle finger', 'ring finger']);

/** Fingers 1 (thumb) to 4 (ring) of both hands. */
export const GRIPS: readonly Grip[] = Object.freeze(
  (['L', 'R'] as const).flatMap((hand) =>
    FINGER_WORDS.map((finger, i) => ({
      id: `${hand}${i + 1}`,
      short: `${i + 1}`,
      words: `${hand === 'L' ? 'left' : 'right'} ${finger}`,
    })),
  ),
);

/** Middle C: below it the left hand plays when the hands share the strings. */
const SPLIT = 60;

export function gripsFor({ row, pitch }: HarpWay, habits: HabitChoice): readonly string[] {
  const shared = habits['hands'] === 'split';
  const hand = row ?? (shared && pitch < SPLIT ? 'L' : 'R');
  return GRIPS.filter((grip) => grip.id.startsWith(hand)).map((grip) => grip.id);
}
