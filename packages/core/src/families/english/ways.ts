import type { ChosenOptions } from '../effortTerm.ts';
import { FINGERS, fingeringId, HANDS, HAND_WORDS, type ButtonWay, type Finger } from '../kernel/buttons.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import type { Technique } from '../way.ts';
import type { EnglishLayout } from './layout.ts';
import { COLUMNS, type Column } from './tables.ts';

export const techniques = Object.freeze([
  { id: 'button', label: 'buttons', needs: 'a button', safe: true },
] as const satisfies readonly Technique[]);

export interface EnglishWay extends ButtonWay {
  readonly technique: 'button';
  readonly column: Column;
  /** 1 the lowest of its column. */
  readonly row: number;
}

/** Every button is one way, whichever way the bellows go: `L2.3`. A stuck button is marked in the capabilities. */
export function ways({ buttons }: EnglishLayout, can: Can): readonly EnglishWay[] {
  return HANDS.flatMap((hand) =>
    COLUMNS.flatMap((column) =>
      buttons[hand][column].map((pitch, index): EnglishWay => {
        const id = `${hand}${column}.${index + 1}`;
        return {
          id,
          pitch,
          technique: 'button',
          place: id,
          air: undefined,
          words: `${HAND_WORDS[hand]}, column ${column}, button ${index + 1}`,
          able: can('buttons', id),
          redundantTo: undefined,
          hand,
          button: id,
          fromThumb: column,
          column,
          row: index + 1,
        };
      }),
    ),
  );
}

export function capabilityGroups(layout: EnglishLayout): readonly GroupOfPlaces[] {
  const places = ways(layout, () => true).map((way) => way.place);
  return [
    {
      id: 'buttons',
      label: 'Buttons that work',
      about: 'Take out a button that sticks or a reed that is silent.',
      places,
    },
  ];
}

/** Fingers by column in each school. Source: how teachers of two, three and four fingers assign them. */
export const SCHOOLS: Readonly<Record<string, Readonly<Record<Column, readonly Finger[]>>>> = Object.freeze({
  three: { 1: ['index'], 2: ['index', 'middle'], 3: ['middle', 'ring'], 4: ['ring'] },
  two: { 1: ['index'], 2: ['index'], 3: ['middle'], 4: ['middle'] },
  four: { 1: ['index'], 2: ['index', 'middle'], 3: ['middle', 'ring'], 4: ['ring', 'little'] },
});

export function fingeringsFor(
  { hand, column }: EnglishWay,
  playingOptions: ChosenOptions,
): readonly string[] {
  const school = SCHOOLS[playingOptions['fingers'] ?? 'three']!;
  return FINGERS.filter((finger) => school[column].includes(finger)).map((finger) =>
    fingeringId(hand, finger),
  );
}
