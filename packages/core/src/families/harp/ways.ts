import { pitchClass } from '../../pitch/pitch.ts';
import type { Letter } from '../../pitch/noteName.ts';
import type { ChosenOptions } from '../effortTerm.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import type { Fingering, Technique, Way } from '../way.ts';
import { isUp, nameAt, soundingName, type HarpLayout } from './layout.ts';
import { nameText, SHARPS_ORDER } from './tables.ts';

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
  /** Place of its lever among those of all strings, the right row behind the left. */
  readonly leverPlace: number;
  /** The row of a double-strung harp. */
  readonly row: 'L' | 'R' | undefined;
  /** The sounding note by the string's letter. */
  readonly name: string;
}

/** Every string with its lever down and, where one is fitted, up; in both rows of a double-strung harp: `L12up`. */
export function ways(layout: HarpLayout, can: Can): readonly HarpWay[] {
  const rows = layout.double ? (['L', 'R'] as const) : [undefined];
  const texts = textsOf(layout);
  // In the first row, since the rows are alike.
  const first = placesFirst(layout);
  const wayOf = (row: HarpWay['row'], string: number, lever: 'down' | 'up'): HarpWay => {
    const { letter, words, names } = texts[string]!;
    const pitch = layout.strings[string]!.pitch + (lever === 'up' ? 1 : 0);
    const set = isUp(layout, string) === (lever === 'up');
    const stringId = stringIdOf(row, string);
    const otherId = (other: Place | undefined) =>
      other && (other.string !== string || other.lever !== lever)
        ? stringIdOf(rows[0], other.string) + other.lever
        : undefined;
    return {
      id: stringId + lever,
      pitch,
      technique: set ? 'set' : 'flip',
      place: letter,
      air: undefined,
      words: (row ? ROW_WORDS[row] : '') + words[lever],
      able: set || can('flip', letter),
      redundantTo: otherId(
        set ? first.ownSet.get(pitch) : (first.set.get(pitch) ?? first.ownFlip.get(pitch)),
      ),
      string,
      leverPlace: string + (row === 'R' ? layout.strings.length : 0),
      lever,
      row,
      name: names[lever],
    };
  };
  return rows.flatMap((row) =>
    layout.strings.flatMap(({ lever }, string) => {
      const down = wayOf(row, string, 'down');
      return lever ? [down, wayOf(row, string, 'up')] : [down];
    }),
  );
}

/** A string with its lever. */
interface Place {
  readonly string: number;
  readonly lever: 'down' | 'up';
}

/**
 * Where pitches are taken first: on a string as it is set; and among several that are set, or several to flip, on the one
 * that has the letter by which the key calls it.
 */
function placesFirst(layout: HarpLayout) {
  const set = new Map<number, Place>();
  const ownSet = new Map<number, Place>();
  const ownFlip = new Map<number, Place>();
  for (const [string, { pitch: open, lever: hasLever }] of layout.strings.entries())
    for (const lever of hasLever ? (['down', 'up'] as const) : (['down'] as const)) {
      const pitch = open + (lever === 'up' ? 1 : 0);
      const isSet = isUp(layout, string) === (lever === 'up');
      if (isSet) set.set(pitch, { string, lever });
      if (layout.called?.get(pitchClass(pitch)) === nameAt(layout, string).letter)
        (isSet ? ownSet : ownFlip).set(pitch, { string, lever });
    }
  return { set: new Map([...set, ...ownSet]), ownSet, ownFlip };
}

interface StringTexts {
  readonly letter: Letter;
  readonly words: Readonly<Record<'down' | 'up', string>>;
  readonly names: Readonly<Record<'down' | 'up', string>>;
}

/** What the strings of a harp are called, however it is set: it is set for every key of a table. */
const TEXTS = new WeakMap<HarpLayout['strings'], readonly StringTexts[]>();

function textsOf(layout: HarpLayout): readonly StringTexts[] {
  const known = TEXTS.get(layout.strings);
  if (known) return known;
  const texts = layout.strings.map(({ pitch }, string): StringTexts => {
    const name = nameAt(layout, string);
    const words = `${nameText(name)} string, lever`;
    return {
      letter: name.letter,
      words: { down: `${words} down`, up: `${words} up` },
      names: { down: soundingName(layout, string, pitch), up: soundingName(layout, string, pitch + 1) },
    };
  });
  TEXTS.set(layout.strings, texts);
  return texts;
}

function stringIdOf(row: HarpWay['row'], string: number): string {
  return `${row ?? ''}${string + 1}`;
}

const ROW_WORDS = Object.freeze({ L: 'left row, ', R: 'right row, ' });

export function capabilityGroups(): readonly GroupOfPlaces[] {
  return [
    {
      id: 'flip',
      label: 'Levers flipped while playing',
      about: 'Letters whose levers the player flips in the middle of a tune.',
      places: SHARPS_ORDER,
    },
  ];
}

const FINGER_WORDS = Object.freeze(['thumb', 'index finger', 'middle finger', 'ring finger']);

/** Fingers 1 (thumb) to 4 (ring) of both hands. */
export const FINGERINGS: readonly Fingering[] = Object.freeze(
  (['L', 'R'] as const).flatMap((hand) =>
    FINGER_WORDS.map((finger, i) => ({
      id: `${hand}${i + 1}`,
      short: `${i + 1}`,
      words: `${hand === 'L' ? 'left' : 'right'} ${finger}`,
    })),
  ),
);

/** Middle C: below it the left hand plays when the hands share the strings. */
export const SPLIT = 60;

/** Semitones from the split up to which a hand may play on the other one’s side: the right one a fifth below, the left one a third above. */
export const NEAR_SPLIT = Object.freeze({ below: 7, above: 4 });

/** The melody keeps to its hand but near the split; in a chord the other hand may help. */
export function fingeringsFor(
  { row, pitch }: HarpWay,
  options: ChosenOptions,
  inChord: boolean,
): readonly string[] {
  const shared = options['hands'] !== 'right';
  const hand = row ?? (shared && pitch < SPLIT ? 'L' : 'R');
  const isNear = shared && pitch >= SPLIT - NEAR_SPLIT.below && pitch < SPLIT + NEAR_SPLIT.above;
  const both = row === undefined && (inChord || isNear);
  return FINGERINGS.filter(({ id }) => both || id.startsWith(hand)).map(({ id }) => id);
}
