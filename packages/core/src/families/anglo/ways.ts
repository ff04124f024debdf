import { FINGERS, fingeringId, HAND_WORDS, type ButtonWay, type Finger } from '../kernel/buttons.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import type { Technique } from '../way.ts';
import { buttonNumber, IN_ROW, pairAt, places, sounding, type AngloLayout, type Place } from './layout.ts';
import type { RowName } from './tables.ts';

/** The rows are the classes: the two main rows are learnt first. */
export const techniques = Object.freeze([
  { id: 'main', label: 'buttons of the main rows', needs: 'a button of the main rows', safe: true },
  { id: 'accidental', label: 'buttons of the outside row', needs: 'the outside row', safe: true },
] as const satisfies readonly Technique[]);

export interface AngloWay extends ButtonWay {
  readonly technique: 'main' | 'accidental';
  readonly air: 'out' | 'in';
  readonly row: RowName;
  /** 1 to 5 from the left. */
  readonly column: number;
  /** As the player counts. */
  readonly number: number;
}

const ROW_LETTERS: Readonly<Record<RowName, string>> = Object.freeze({
  outside: 'o',
  middle: 'm',
  inside: 'i',
});

function buttonId({ hand, row, column }: Place): string {
  return `${hand}${ROW_LETTERS[row]}${column}`;
}

/** Every button pushed and pulled: `Lm3out`, `Lm3in`. */
export function ways(layout: AngloLayout, can: Can): readonly AngloWay[] {
  return places(layout.plan).flatMap((place) => {
    const button = buttonId(place);
    const number = buttonNumber(layout, place);
    return (['out', 'in'] as const).map((air, i): AngloWay => {
      const id = button + air;
      return {
        id,
        pitch: sounding(layout, pairAt(layout, place)[i]!),
        technique: place.row === 'outside' ? 'accidental' : 'main',
        place: button,
        air,
        words: `${HAND_WORDS[place.hand]} ${place.row} ${number} ${air === 'out' ? 'push' : 'pull'}`,
        able: can('buttons', button),
        redundantTo: undefined,
        hand: place.hand,
        button,
        fromThumb: placeFromThumb(place),
        row: place.row,
        column: place.column,
        number,
      };
    });
  });
}

export function capabilityGroups({ plan }: AngloLayout): readonly GroupOfPlaces[] {
  const buttons = places(plan).map(buttonId);
  return [
    {
      id: 'buttons',
      label: 'Buttons that work',
      about: 'L and R for the hand, o m i for the outside, middle and inside row, numbers from the left.',
      places: buttons,
    },
  ];
}

/**
 * Fingers that reach a button, by its place from the index finger. Four fingers share five buttons, so most have two to
 * choose from. Source: how players commonly lay four fingers on a row.
 */
const REACH: readonly (readonly Finger[])[] = Object.freeze([
  ['index'],
  ['index', 'middle'],
  ['middle', 'ring'],
  ['ring', 'little'],
  ['ring', 'little'],
]);

/** The first button of the outside row lies beside that of the middle row: the middle finger helps there. */
const REACH_FIRST_OUTSIDE: readonly Finger[] = Object.freeze(['index', 'middle']);

/** In a low chord ring and little finger both hold the last column, and the middle finger stretches to the one before. */
const REACH_FOURTH_IN_CHORD: readonly Finger[] = Object.freeze(['middle', 'ring', 'little']);

/** @param inChord whether other notes sound along */
export function fingeringsFor({ hand, fromThumb, row }: AngloWay, inChord: boolean): readonly string[] {
  const isFirstOutside = row === 'outside' && fromThumb === 1;
  const isStretch = inChord && fromThumb === 4;
  const reaching = isFirstOutside
    ? REACH_FIRST_OUTSIDE
    : isStretch
      ? REACH_FOURTH_IN_CHORD
      : REACH[fromThumb - 1]!;
  return FINGERS.filter((finger) => reaching.includes(finger)).map((finger) => fingeringId(hand, finger));
}

/** Columns are counted from the left of each hand; the left hand's thumb lies to their right. */
function placeFromThumb({ hand, column }: Place): number {
  return hand === 'L' ? IN_ROW + 1 - column : column;
}
