import { EVEN_HAND, type EffortTerm, type PlayingOption, type PreferencePreset } from '../effortTerm.ts';
import type { Hold, PlayedHold, Remark } from '../way.ts';
import { LEISURE } from '../../time/noteTiming.ts';
import {
  HANDS,
  handOf,
  isSameString,
  naturalStrings,
  nearestStep,
  neighbours,
  type HandStep,
} from './hand.ts';
import type { HarpLayout } from './layout.ts';
import { leverChanges, leversSetBefore, leversToMove } from './levers.ts';
import { SPLIT, type HarpWay } from './ways.ts';

/** Strings by which two fingers are off their natural distance, up to which the hand only stretches; judgement. */
const STRETCH = 2;

/** Strings that a finger reaches over the thumb or the thumb under a finger; farther the hand is placed anew; judgement. */
const CROSSING = 2;

type HandMove = 'again' | 'crossed' | 'stretch' | 'moves';

/** What one hand does from hold to hold: the nearest two strings that it plays decide. */
function handMove({ sameString, strings, fingers, natural }: HandStep): readonly [HandMove, number] {
  if (fingers === 0) return ['again', sameString ? 0.5 : 1];
  if (strings === 0) return ['stretch', 0];
  if (Math.sign(strings) !== Math.sign(fingers))
    return [Math.abs(strings) <= CROSSING ? 'crossed' : 'moves', 1];
  // Fingers that lie on more strings than they are, up to a third and a fourth from thumb to index, are placed naturally.
  const off = Math.max(0, Math.abs(strings) - natural, Math.abs(fingers) - Math.abs(strings));
  return off <= STRETCH ? ['stretch', off] : ['moves', 1];
}

/** What the hands do from hold to hold; four terms ask it one after the other, so the last answer is kept. */
function handMoves(from: Hold<HarpWay>, to: Hold<HarpWay>): Readonly<Record<HandMove, number>> {
  if (last?.from !== from || last.to !== to) {
    const moves = { again: 0, crossed: 0, stretch: 0, moves: 0 };
    for (const hand of HANDS) {
      const step = nearestStep(hand, from, to);
      if (!step) continue;
      const [kind, cost] = handMove(step);
      moves[kind] += cost;
    }
    last = { from, to, moves };
  }
  return last.moves;
}

let last: { from: Hold<HarpWay>; to: Hold<HarpWay>; moves: Readonly<Record<HandMove, number>> } | undefined;

const handTerm = (kind: HandMove) => ({
  between: (from: Hold<HarpWay>, to: Hold<HarpWay>) => handMoves(from, to)[kind],
});

export const terms: readonly EffortTerm<HarpLayout, HarpWay>[] = [
  {
    id: 'flips',
    label: 'levers to flip',
    about: 'Levers moved during the line.',
    tally: 'sum',
    weight: 3,
    between: (_from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) => leversToMove(carried, to),
  },
  {
    id: 'before',
    label: 'levers set otherwise before',
    about: 'Levers that are set otherwise than for the key before the line begins.',
    tally: 'sum',
    weight: 0.2,
    atStart: (to: Hold<HarpWay>) => leversSetBefore('', to),
    between: (_from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) => leversSetBefore(carried, to),
  },
  {
    id: 'hurry',
    label: 'hurried levers',
    about: 'Levers to flip with less than a beat of time.',
    tally: 'sum',
    weight: 4,
    haste: { within: LEISURE, atLeisure: 0, atOnce: 1 },
    between: (_from: Hold<HarpWay>, to: Hold<HarpWay>, { carried }) => leversToMove(carried, to),
  },
  {
    id: 'moves',
    label: 'the hand placed anew',
    about: 'Leaps beyond what the hand spans from where it lies.',
    tally: 'sum',
    weight: 1,
    ...handTerm('moves'),
  },
  {
    id: 'crossed',
    label: 'fingers crossed',
    about: 'A finger over the thumb or the thumb under a finger.',
    tally: 'sum',
    weight: 0.6,
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
    id: 'sides',
    label: 'on the other hand’s side',
    about: 'Notes above middle C in the left hand, or below it in the right.',
    tally: 'notes',
    weight: 0.7,
    onWay(finger, { options }) {
      const isAbove = finger.way.pitch >= SPLIT;
      if (handOf(finger) === 'L') return isAbove ? 1 : 0;
      return isAbove || options['hands'] === 'right' ? 0 : 1;
    },
  },
  {
    id: 'cut',
    label: 'strings cut short',
    about: 'A string struck again while it still rings.',
    tally: 'sum',
    weight: 0.8,
    between(from: Hold<HarpWay>, to: Hold<HarpWay>) {
      let count = 0;
      for (const after of to) for (const before of from) if (isSameString(before, after)) count += 1;
      return count;
    },
  },
];

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
