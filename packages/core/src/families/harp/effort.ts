import { loader, type EffortPart, type Habit, type Loads, type PreferencePreset } from '../effortPart.ts';
import type { Moment, Play, PlayedNote, Remark } from '../way.ts';
import { isUp, nameAt, type HarpLayout } from './layout.ts';
import type { HarpWay } from './ways.ts';

export const parts = Object.freeze([
  {
    id: 'flips',
    label: 'levers to flip',
    tally: 'notes',
    about: 'Notes that need a lever flipped, and back.',
  },
  {
    id: 'hurry',
    label: 'hurried levers',
    tally: 'sum',
    about: 'Levers to flip with less than a beat of time.',
  },
  {
    id: 'moves',
    label: 'the hand placed anew',
    tally: 'sum',
    about: 'Strings that the hand must move to reach.',
  },
  {
    id: 'crossed',
    label: 'fingers crossed',
    tally: 'sum',
    about: 'A finger over the thumb or the thumb under a finger.',
  },
  { id: 'stretch', label: 'stretches', tally: 'sum', about: 'Strings between fingers beyond one each.' },
  { id: 'again', label: 'same finger again', tally: 'sum', about: 'One finger for two notes in a row.' },
  {
    id: 'cut',
    label: 'strings cut short',
    tally: 'sum',
    about: 'A string struck again while it still rings.',
  },
] as const satisfies readonly EffortPart[]);

const loads = loader(parts);

export function wayLoads({ way }: Play<HarpWay>, { since }: Moment): Loads {
  const flip = way.technique === 'flip';
  return loads({ flips: flip ? 1 : 0, hurry: flip ? Math.max(0, 1 - since) : 0 });
}

const fingerOf = (grip: string | undefined) => Number(grip?.slice(1) ?? 0);
const handOf = (grip: string | undefined) => grip?.[0];

/** The thumb plucks the highest string of a placed hand, the ring finger the lowest. */
export function stepLoads(from: Play<HarpWay>, to: Play<HarpWay>): Loads {
  const strings = to.way.string - from.way.string;
  const sameString = strings === 0 && from.way.row === to.way.row;
  const cut = sameString ? 1 : 0;
  if (handOf(from.grip) !== handOf(to.grip)) return loads({ cut });
  const fingers = fingerOf(from.grip) - fingerOf(to.grip);
  if (fingers === 0) return loads({ cut, again: sameString ? 0.5 : 1 });
  if (strings === 0) return loads({ cut });
  if (Math.sign(strings) !== Math.sign(fingers)) return loads({ cut, crossed: 1 });
  const off = Math.abs(Math.abs(strings) - Math.abs(fingers));
  return loads(off <= 2 ? { cut, stretch: off } : { cut, moves: 1 });
}

/** Which lever must go where before which note, followed string by string from the setting for the key. */
export function remarks(layout: HarpLayout, line: readonly PlayedNote<HarpWay>[]): readonly Remark[] {
  const position = new Map<number, 'down' | 'up'>();
  return line.flatMap((note, i): Remark[] => {
    const { string, lever } = note.way;
    const now = position.get(string) ?? (isUp(layout, string) ? 'up' : 'down');
    position.set(string, lever);
    if (now === lever) return [];
    const { letter, octave } = nameAt(layout, string);
    const before = line[i - 1];
    const beats = before ? note.start - before.start : undefined;
    const time =
      beats === undefined
        ? 'before you begin'
        : `in the ${beats} ${beats === 1 ? 'beat' : 'beats'} before it`;
    const other = handOf(note.grip) === 'R' ? 'left' : 'right';
    const free = before && handOf(before.grip) === handOf(note.grip);
    const hand = free ? ` The ${other} hand is free for it.` : '';
    return [
      {
        index: note.index,
        mark: `${letter} ${lever}`,
        text: `Flip the ${letter}${octave} lever ${lever} ${time}.${hand}`,
      },
    ];
  });
}

export const habits: readonly Habit[] = Object.freeze([
  {
    id: 'hands',
    label: 'Hands',
    options: [
      { id: 'right', label: 'melody in the right hand' },
      { id: 'split', label: 'left hand below middle C' },
    ],
  },
]);

const EVEN = Object.freeze({
  flips: 3,
  hurry: 4,
  moves: 1,
  crossed: 0.6,
  stretch: 0.5,
  again: 1.4,
  cut: 0.4,
});

export const preferences: readonly PreferencePreset[] = Object.freeze([
  { id: 'even', label: 'an even hand', about: 'Everything counts a little.', weights: EVEN, avoid: [] },
  {
    id: 'ringing',
    label: 'everything ringing on',
    about: 'No string cut short: on two rows repeats go to the other row.',
    weights: { ...EVEN, cut: 6 },
    avoid: [],
  },
  {
    id: 'placed',
    label: 'a hand well placed',
    about: 'As few new placings of the hand as the notes allow.',
    weights: { ...EVEN, moves: 4, stretch: 0.2 },
    avoid: [],
  },
  {
    id: 'no-flips',
    label: 'no lever touched',
    about: 'Only strings as they are set for the key.',
    weights: EVEN,
    avoid: ['flip'],
  },
]);
