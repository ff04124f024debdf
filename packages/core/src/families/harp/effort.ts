import {
  EVEN_HAND,
  type Circumstances,
  type EffortTerm,
  type PlayingOption,
  type PreferencePreset,
} from '../effortTerm.ts';
import type { Hold, PlayedHold, Remark } from '../way.ts';
import { LEISURE } from '../../time/noteTiming.ts';
import { fingerOf, handOf, isSameString, naturalStrings, neighbours } from './hand.ts';
import type { HarpLayout } from './layout.ts';
import { leverChanges, leversSetBefore, leversToMove } from './levers.ts';
import { handMoves, wasStruckBefore, readCarried, type HandMoves } from './placement.ts';
import { NEAR_SPLIT, SPLIT, type HarpWay } from './ways.ts';

/** On two rows both hands lie on all strings; judgement. */
const ON_TWO_ROWS = 0.57;

/** What it counts that the other hand goes on where both lie side by side; judgement. */
const BETWEEN_ROWS = 0.375;

/** What a string counts as that was struck in the last note but one: it has rung for a while; judgement. */
const STRUCK_BEFORE = 0.1;

/** What the hands do from hold to hold; several terms ask it one after the other, so the last answer is kept. */
function movesBetween(from: Hold<HarpWay>, to: Hold<HarpWay>, carried: string): HandMoves {
  if (last?.from !== from || last.to !== to || last.carried !== carried)
    last = { from, to, carried, moves: handMoves(readCarried(carried), from, to) };
  return last.moves;
}

let last:
  | {
      readonly from: Hold<HarpWay>;
      readonly to: Hold<HarpWay>;
      readonly carried: string;
      readonly moves: HandMoves;
    }
  | undefined;

const handTerm = (kind: keyof HandMoves) => ({
  between: (from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }: Circumstances<HarpLayout>) =>
    movesBetween(from, to, carried)[kind],
});

export const terms: readonly EffortTerm<HarpLayout, HarpWay>[] = [
  {
    id: 'flips',
    label: 'levers to flip',
    about: 'Levers moved during the line.',
    tally: 'sum',
    weight: 3,
    between: (_from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) =>
      leversToMove(readCarried(carried).levers, to),
  },
  {
    id: 'before',
    label: 'levers set otherwise before',
    about: 'Levers that are set otherwise than for the key before the line begins.',
    tally: 'sum',
    weight: 0.2,
    atStart: (to: Hold<HarpWay>) => leversSetBefore('', to),
    between: (_from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) =>
      leversSetBefore(readCarried(carried).levers, to),
  },
  {
    id: 'hurry',
    label: 'hurried levers',
    about: 'Levers to flip with less than a beat of time.',
    tally: 'sum',
    weight: 4,
    haste: { within: LEISURE, atLeisure: 0, atOnce: 1 },
    between: (_from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) =>
      leversToMove(readCarried(carried).levers, to),
  },
  {
    id: 'moves',
    label: 'the hand placed anew',
    about: 'Fingers put down together on the strings of the notes to come.',
    tally: 'sum',
    weight: 0.6,
    ...handTerm('moves'),
  },
  {
    id: 'crossed',
    label: 'fingers crossed',
    about: 'A finger over the thumb or the thumb under a finger, where the hand is placed anew.',
    tally: 'sum',
    weight: 0.3,
    ...handTerm('crossed'),
  },
  {
    id: 'stretch',
    label: 'stretches',
    about:
      'Strings between fingers beyond a natural hand: a third between neighbours, a fourth to the thumb.',
    tally: 'sum',
    weight: 0.5,
    ...handTerm('stretch'),
    onHold: (hold: Hold<HarpWay>) =>
      neighbours(hold).reduce((sum, [low, high]) => {
        const strings = high.way.string - low.way.string;
        return sum + Math.max(0, strings - naturalStrings(low, high));
      }, 0),
  },
  {
    id: 'again',
    label: 'same finger again',
    about: 'One finger for two notes in a row.',
    tally: 'sum',
    weight: 1.4,
    haste: { within: 0.4, atLeisure: 1, atOnce: 2 },
    ...handTerm('again'),
  },
  {
    id: 'back',
    label: 'fingers put back',
    about: 'A finger put back on a string that it plucked before, while the hand lies as it is.',
    tally: 'sum',
    weight: 0.2,
    ...handTerm('back'),
  },
  {
    id: 'ring',
    label: 'on the ring finger',
    about: 'Notes of the weakest finger; it decides only between hands that lie alike.',
    tally: 'notes',
    weight: 0.04,
    onWay: (finger) => (fingerOf(finger) === 4 ? 1 : 0),
  },
  {
    id: 'handed',
    label: 'handed to the other hand',
    about: 'One hand goes on where only the other one played, on two rows less: there both lie side by side.',
    tally: 'sum',
    weight: 0.8,
    between(from: Hold<HarpWay>, to: Hold<HarpWay>) {
      const hands = from.map(handOf);
      if (to.some((finger) => hands.includes(handOf(finger)))) return 0;
      return to[0]?.way.row ? BETWEEN_ROWS : 1;
    },
  },
  {
    id: 'sides',
    label: 'on the other hand’s side',
    about: 'Notes above middle C in the left hand, or below it in the right; near it less.',
    tally: 'notes',
    weight: 0.7,
    onWay(finger, { options }) {
      const beyond = SPLIT - finger.way.pitch;
      const on = finger.way.row ? ON_TWO_ROWS : 1;
      if (handOf(finger) === 'L') return on * sideCost(1 - beyond);
      return options['hands'] === 'right' ? 0 : on * sideCost(beyond);
    },
  },
  {
    id: 'cut',
    label: 'strings cut short',
    about: 'A string struck again while it still rings.',
    tally: 'sum',
    weight: 0.8,
    between(from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) {
      let count = 0;
      for (const after of to) {
        if (from.some((before) => isSameString(before, after))) count += 1;
        else if (after.way.row && wasStruckBefore(readCarried(carried).struck, after)) count += STRUCK_BEFORE;
      }
      return count;
    },
  },
];

/** @param beyond semitones from the nearest note of a hand's own side; 0 or less on its side */
function sideCost(beyond: number): number {
  return Math.min(1, Math.max(0, beyond) / NEAR_SPLIT.below);
}

/** For how many notes more a string is taken to ring on; judgement. */
const RINGS = 8;

/**
 * Which lever must go where before which note; the route has followed them string by string from the setting. A lever whose
 * string was not played yet is set before beginning, and told at the first note. Levers are worked by the left hand; a
 * string that still sounds would slide, so it is damped first.
 */
export function remarks(layout: HarpLayout, line: readonly PlayedHold<HarpWay>[]): readonly Remark[] {
  const first = line[0]?.noteIds[0];
  const indexOf = new Map(line.flatMap(({ noteIds }, i) => noteIds.map((id) => [id, i] as const)));
  const told = leverChanges(layout, line).map(({ row, to, noteId, from }): Remark => {
    const flip = `Flip the ${row} lever ${to}`;
    if (from === undefined)
      return { noteId: first!, mark: `${row} ${to}`, text: `${flip} before you begin.`, isChange: true };
    const i = indexOf.get(noteId)!;
    const { hold, noteIds, timing } = line[i]!;
    const finger = hold[noteIds.indexOf(noteId)]!;
    const isLeftBusy = [...hold, ...(line[i - 1]?.hold ?? [])].some((one) => handOf(one) === 'L');
    const isRinging = line
      .slice(Math.max(0, i - RINGS), i)
      .some(({ hold: past }) => past.some((one) => isSameString(one, finger)));
    const time = timing.since < LEISURE ? 'in less than a beat' : 'before this note';
    const damp = isRinging ? ' Damp the string first, it still sounds.' : '';
    const free = isLeftBusy ? 'The left hand must leave its string for it.' : 'The left hand is free for it.';
    const mark = `${row.replace(/\d+$/u, '').replace(/^[LR](?=[A-G])/u, '')} ${to}`;
    return { noteId, mark, text: `${flip} ${time}.${damp} ${free}`, isChange: true };
  });
  return [...told.filter(({ noteId }) => noteId === first), ...told.filter(({ noteId }) => noteId !== first)];
}

export const playingOptions: readonly PlayingOption[] = Object.freeze([
  {
    id: 'hands',
    label: 'Hands',
    options: [
      { id: 'split', label: 'left hand below middle C, right above' },
      { id: 'right', label: 'melody in the right hand' },
    ],
  },
]);

export const preferences: readonly PreferencePreset[] = [
  EVEN_HAND,
  {
    id: 'ringing',
    label: 'everything ringing on',
    about: 'No string cut short: on two rows repeats go to the other row.',
    weights: { cut: 6 },
    avoid: [],
  },
  {
    id: 'placed',
    label: 'a hand well placed',
    about: 'As few new placings of the hand as the notes allow.',
    weights: { moves: 4, stretch: 0.2 },
    avoid: [],
  },
  {
    id: 'no-flips',
    label: 'no lever touched',
    about: 'Only strings as they are set for the key.',
    weights: {},
    avoid: ['flip'],
  },
];
