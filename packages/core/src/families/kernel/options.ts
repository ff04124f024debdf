import { noteText } from '../../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../../pitch/pitch.ts';
import { USUAL_KEYS } from '../../scale/scale.ts';
import type { LayoutOption } from '../layoutPart.ts';

/** The name of a pitch class as instruments are named after it, e.g. `E♭`. */
export function keyName(pitch: Pitch): string {
  return noteText(USUAL_KEYS[pitchClass(pitch)]!);
}

/** An option whose choices are given as pairs of id and label. */
export function option(
  id: string,
  label: string,
  value: string | number | boolean,
  choices: readonly (readonly [string | number | boolean, string])[],
  more: Pick<LayoutOption, 'retune'> = {},
): LayoutOption {
  return {
    id,
    label,
    value: String(value),
    choices: choices.map(([choice, text]) => ({ id: String(choice), label: text })),
    ...more,
  };
}

/** How many there are, of a list of parts. */
export function countOption(label: string, count: number, least: number, most: number): LayoutOption {
  return option(
    'count',
    label,
    count,
    range(least, most).map((n) => [n, String(n)]),
  );
}

/** Whole numbers from low to high. */
export function range(low: number, high: number): number[] {
  return Array.from({ length: Math.max(0, high - low + 1) }, (_, i) => low + i);
}

/** The choice of an option that is known to be one. @throws when it is not */
export function chosen<T extends string>(option: string, value: string, known: readonly T[]): T {
  const found = known.find((id) => id === value);
  if (found === undefined) throw new Error(`withOption: no option ${option} = ${value}`);
  return found;
}
