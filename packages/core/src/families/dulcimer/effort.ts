import type { ChosenOptions, EffortTerm, PlayingOption, PreferencePreset } from '../effortTerm.ts';
import type { NoteTiming } from '../../time/noteTiming.ts';
import type { FingeredWay, Hold, PlayedHold, Remark } from '../way.ts';
import { fretted, handPlace, stretch } from './hand.ts';
import type { DulcimerLayout } from './layout.ts';
import { STRINGS } from './tables.ts';
import type { DulcimerWay } from './ways.ts';

/** Even pulses are picked out, odd ones in; some pick all out. */
export function pickIsOut({ offPulse }: Pick<NoteTiming, 'offPulse'>, options: ChosenOptions): boolean {
  return options['pick'] === 'out' || !offPulse;
}

const stringOf = ({ way }: FingeredWay<DulcimerWay>) => STRINGS.indexOf(way.technique);

/** Strings from one hold to the next, towards the player above 0; 0 where they share a string or lie across one another. */
function crossing(from: Hold<DulcimerWay>, to: Hold<DulcimerWay>): number {
  if (from.length === 1 && to.length === 1) return stringOf(to[0]!) - stringOf(from[0]!);
  const before = from.map(stringOf);
  const after = to.map(stringOf);
  const inwards = Math.min(...after) - Math.max(...before);
  const outwards = Math.min(...before) - Math.max(...after);
  return inwards > 0 ? inwards : outwards > 0 ? -outwards : 0;
}

/** A finger that goes on by half a fret on its string, as from 6½ to 7: it slides, and need not be lifted. */
function slidesOn(before: FingeredWay<DulcimerWay>, after: FingeredWay<DulcimerWay>): boolean {
  return (
    before.fingering !== undefined &&
    before.fingering === after.fingering &&
    before.way.technique === after.way.technique &&
    Math.abs(after.way.along - before.way.along) === 0.5
  );
}

/** Id of the noter among the fingerings. */
const NOTER = 'n';

/** What the fingers that fret in both holds do: stay, slide on, go along their string, or go across to another. */
function fingersAgain(from: Hold<DulcimerWay>, to: Hold<DulcimerWay>): { used: boolean; cost: number } {
  const again = { used: false, cost: 0 };
  for (const after of to)
    for (const before of from) {
      if (before.fingering === undefined || before.fingering !== after.fingering) continue;
      again.used = true;
      // A noter is there to slide.
      if (slidesOn(before, after) || after.fingering === NOTER) continue;
      if (before.way.fret !== after.way.fret) again.cost += 1;
      else if (before.way.technique !== after.way.technique) again.cost += 0.5;
    }
  return again;
}

/** Places by which the hand moves from where the line left it; undefined where it need not be anywhere. */
function handMove(carried: string, to: Hold<DulcimerWay>): number | undefined {
  const place = handPlace(to);
  return place === undefined || carried === '' ? undefined : place - Number(carried);
}

/** Within a place the hand only stretches, unless a finger goes along. */
const isStretch = (move: number, from: Hold<DulcimerWay>, to: Hold<DulcimerWay>) =>
  Math.abs(move) <= 1 && !fingersAgain(from, to).used;

export const terms: readonly EffortTerm<DulcimerLayout, DulcimerWay>[] = [
  {
    id: 'crossings',
    label: 'strings crossed',
    about: 'Strings between one note and the next.',
    tally: 'sum',
    weight: 0.5,
    between: (from: Hold<DulcimerWay>, to: Hold<DulcimerWay>) => Math.abs(crossing(from, to)),
  },
  {
    id: 'shifts',
    label: 'shifts of the hand',
    about: 'Frets by which the left hand moves along.',
    tally: 'sum',
    weight: 0.35,
    haste: { within: 0.4, atLeisure: 1, atOnce: 2 },
    between(from: Hold<DulcimerWay>, to: Hold<DulcimerWay>, { carried }) {
      const move = handMove(carried, to) ?? 0;
      return isStretch(move, from, to) ? 0 : Math.abs(move);
    },
  },
  {
    id: 'spans',
    label: 'spans',
    about: 'Stretches between fingers beyond a fret each.',
    tally: 'sum',
    weight: 0.5,
    between(from: Hold<DulcimerWay>, to: Hold<DulcimerWay>, { carried }) {
      const move = handMove(carried, to) ?? 0;
      return isStretch(move, from, to) ? Math.abs(move) : 0;
    },
    onHold(hold: Hold<DulcimerWay>) {
      const pressed = [...fretted(hold)].sort((a, b) => a.way.along - b.way.along);
      return pressed.slice(1).reduce((sum, high, i) => sum + stretch(pressed[i]!, high), 0);
    },
  },
  {
    id: 'slides',
    label: 'same finger again',
    about:
      'One finger going from fret to fret, or across to another string, which counts half; sliding on by half a fret is free.',
    tally: 'sum',
    weight: 0.7,
    between: (from: Hold<DulcimerWay>, to: Hold<DulcimerWay>) => fingersAgain(from, to).cost,
  },
  {
    id: 'thumb',
    label: 'thumb',
    about: 'Notes that the thumb frets.',
    tally: 'notes',
    weight: 0.8,
    onWay: ({ fingering }) => (fingering === 't' ? 1 : 0),
  },
  {
    id: 'pick',
    label: 'pick against the strings',
    about: 'The pick going out towards a string that lies in, or in towards one that lies out.',
    tally: 'sum',
    weight: 0.3,
    feels: ['offPulse'],
    between(from: Hold<DulcimerWay>, to: Hold<DulcimerWay>, { timing, options }) {
      // The melody string lies nearest the player: out goes from it towards the bass.
      const inwards = crossing(from, to);
      return inwards === 0 || inwards < 0 === pickIsOut(timing, options) ? 0 : 1;
    },
  },
  {
    id: 'off-melody',
    label: 'off the melody string',
    about: 'Notes of the tune on the middle and bass string, which then do not drone.',
    tally: 'notes',
    weight: 0.2,
    // What is played along lies below the tune.
    onHold: (hold: Hold<DulcimerWay>) => (hold.at(-1)!.way.technique === 'melody' ? 0 : 1),
  },
];

/** The pick's direction at every note, and where the hand must move. */
export function remarks(line: readonly PlayedHold<DulcimerWay>[], options: ChosenOptions): readonly Remark[] {
  return line.flatMap(({ noteIds, hold, timing, carried }, i): Remark[] => {
    const noteId = noteIds.at(-1)!;
    const direction = pickIsOut(timing, options) ? 'out' : 'in';
    const pick = { noteId, mark: direction, text: `pick ${direction}`, routine: true };
    const move = handMove(carried, hold) ?? 0;
    const slid = hold.find((after) => line[i - 1]?.hold.some((before) => slidesOn(before, after)));
    if (slid && slid.fingering !== NOTER)
      return [pick, { noteId, mark: 'sl', text: `Slide the finger on to fret ${slid.way.fret}.` }];
    const noter = hold.some(({ fingering }) => fingering === NOTER);
    if (noter || Math.abs(move) <= 1) return [pick];
    const where = `${move > 0 ? 'up' : 'down'} to fret ${fretted(hold)[0]!.way.fret}`;
    return [pick, { noteId, mark: 'shift', text: `Move the hand ${where}.` }];
  });
}

export const playingOptions: readonly PlayingOption[] = Object.freeze([
  {
    id: 'hand',
    label: 'Left hand',
    options: [
      { id: 'fingers', label: 'fingers' },
      { id: 'noter', label: 'noter' },
    ],
  },
  {
    id: 'pick',
    label: 'Picking',
    options: [
      { id: 'turns', label: 'out and in by turns' },
      { id: 'out', label: 'all out' },
    ],
  },
]);

export const preferences: readonly PreferencePreset[] = [
  {
    id: 'across',
    label: 'all three strings',
    about: 'Flat-picked across the strings, whatever the hand finds nearest.',
    weights: {},
    avoid: [],
  },
  {
    id: 'noter',
    label: 'noter and drones',
    about: 'The melody string alone, the others drone.',
    weights: { shifts: 0.2 },
    avoid: ['middle', 'bass'],
    playingOptions: { hand: 'noter' },
  },
  {
    id: 'melody',
    label: 'fingers on the melody string',
    about: 'The melody string first; the others where it has not got the note.',
    weights: { 'off-melody': 6 },
    avoid: [],
  },
  {
    id: 'chord',
    label: 'chords beneath the melody',
    about:
      'The tune stays on top, on the melody string, and the hand so still that chords can be put beneath it.',
    weights: { shifts: 1.2, 'off-melody': 6 },
    avoid: [],
  },
  ...STRINGS.map((string): PreferencePreset => ({
    id: `${string}-string`,
    label: `the ${string} string alone`,
    about: `Fingers on the ${string} string and on no other.`,
    weights: {},
    avoid: STRINGS.filter((other) => other !== string),
  })),
];
