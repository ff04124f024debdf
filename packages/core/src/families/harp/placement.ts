import { splitCarried, type CarriedPart } from '../carried.ts';
import type { Hold } from '../way.ts';
import { fingerOf, handOf, NATURAL, type Finger, type HandId } from './hand.ts';
import type { HarpWay } from './ways.ts';

/**
 * How hands lie on the strings along a line. Fingers are put down together on the strings of the notes to come: a placement.
 * Inside it notes may come in any order, each by its finger; where a note does not belong to it the hand is placed anew.
 * What is carried along is, for each hand that played last, the string under each finger from the thumb to the ring finger.
 * A hand that rests is placed at leisure. Source: placing as harp teachers write it.
 */
interface Placement {
  /** The string under each finger, from the thumb to the ring finger. */
  readonly strings: readonly (number | undefined)[];
  /** Finger that played last, 1 to 4; 0 where several did. */
  readonly last: number;
}

/** A note of one hand: its finger, 1 the thumb, and its string. */
interface HandNote {
  readonly finger: number;
  readonly string: number;
}

/** Fingers of a hand. */
const FINGERS = 4;
/** Strings are written as one character each. */
const WRITTEN_FROM = 'A'.charCodeAt(0);
const NO_STRING = '.';

/** What a line carries along. */
export interface Carried {
  /** How the levers stand. */
  readonly levers: string;
  /** How each hand lies; empty where it did not play one note alone in the last hold. */
  readonly L: string;
  readonly R: string;
  /** On two rows, where another could have been struck, the strings of the last hold and of the one before. */
  readonly struck: string;
}

/** Between the left hand, the right hand and what was struck. */
const HANDS_APART = '|';

/** The levers, and how the hands lie. */
export function readCarried(text: string): Carried {
  if (lastRead?.text !== text) {
    const [levers, hands] = splitCarried(text, 2) as [string, string];
    const [L = '', R = '', struck = ''] = hands.split(HANDS_APART);
    lastRead = { text, carried: { levers, L, R, struck } };
  }
  return lastRead.carried;
}

/** Several terms ask for the same line one after the other. */
let lastRead: { readonly text: string; readonly carried: Carried } | undefined;

function readPlacement(text: string): Placement {
  const strings = Array.from({ length: FINGERS }, (_, i) =>
    text === '' || text[i] === NO_STRING ? undefined : text.charCodeAt(i) - WRITTEN_FROM,
  );
  return { strings, last: Number(text[FINGERS] ?? 0) };
}

function writePlacement({ strings, last }: Placement): string {
  const written = strings.map((string) => (string === undefined ? NO_STRING : signOf(string)));
  return written.join('') + String(last);
}

const signOf = (string: number) => String.fromCharCode(WRITTEN_FROM + string);

/** Strings by which two fingers are off their natural distance, up to which the hand only stretches; judgement. */
const STRETCH = 2;
/** Strings that a finger reaches over the thumb or the thumb under a finger; farther the hand leaps; judgement. */
const CROSSING = 2;

/** What the hands do from hold to hold. */
export interface HandMoves {
  /** Placements begun. */
  readonly moves: number;
  /** Begun by a finger over the thumb or the thumb under a finger. */
  readonly crossed: number;
  /** Strings beyond a natural hand. */
  readonly stretch: number;
  /** One finger for two notes in a row; half on one string. */
  readonly again: number;
  /** Fingers put back on a string that they have plucked in the same placement. */
  readonly back: number;
}

/** What both hands together do from how they lie to a hold. */
export function handMoves({ L, R }: Carried, from: Hold<HarpWay>, to: Hold<HarpWay>): HandMoves {
  const before = partsOf(from);
  const own = partsOf(to);
  const left = movesOfHand(L || before.L.lies, own.L);
  const right = movesOfHand(R || before.R.lies, own.R);
  if (left === STILL) return right;
  if (right === STILL) return left;
  return {
    moves: left.moves + right.moves,
    crossed: left.crossed + right.crossed,
    stretch: left.stretch + right.stretch,
    again: left.again + right.again,
    back: left.back + right.back,
  };
}

const STILL: HandMoves = Object.freeze({ moves: 0, crossed: 0, stretch: 0, again: 0, back: 0 });

/** What a hand plays of a hold, as text, and how it lies if it was placed for that alone. */
interface Part {
  readonly notes: readonly HandNote[];
  readonly text: string;
  readonly lies: string;
}

/** The same holds are asked about again and again. */
const PARTS = new WeakMap<Hold<HarpWay>, Readonly<Record<HandId, Part>>>();

function partsOf(hold: Hold<HarpWay>): Readonly<Record<HandId, Part>> {
  let known = PARTS.get(hold);
  if (!known) {
    const partOf = (hand: HandId): Part => {
      const notes = hold
        .filter((finger) => handOf(finger) === hand && fingerOf(finger) > 0)
        .map((finger) => ({ finger: fingerOf(finger), string: finger.way.string }));
      const text = notes.map(({ finger, string }) => finger + signOf(string)).join('');
      return { notes, text, lies: notes.length === 0 ? '' : writePlacement(laidAnew(notes)) };
    };
    known = { L: partOf('L'), R: partOf('R') };
    PARTS.set(hold, known);
  }
  return known;
}

/** What a hand does depends on how it lies and on what it plays, not on the other one: it is worked out once for both. */
const MOVES = new Map<string, Map<string, HandMoves>>();
/** Most ways for a hand to lie that are remembered. */
const MOVES_LIMIT = 50_000;

function movesOfHand(lies: string, own: Part): HandMoves {
  if (lies === '' || own.text === '') return STILL;
  let known = MOVES.get(lies);
  if (!known) {
    if (MOVES.size >= MOVES_LIMIT) MOVES.clear();
    MOVES.set(lies, (known = new Map()));
  }
  let moves = known.get(own.text);
  if (!moves) known.set(own.text, (moves = movesFrom(readPlacement(lies), own.notes)));
  return moves;
}

function movesFrom(placement: Placement, own: readonly HandNote[]): HandMoves {
  const inside = joined(placement, own);
  if (inside) return { ...STILL, stretch: inside.stretch, again: inside.again, back: inside.back };
  const [before, next] = nearestPair(played(placement), own);
  const strings = next.string - before.string;
  const fingers = before.finger - next.finger;
  const isCrossed = Math.sign(strings) !== Math.sign(fingers) && Math.abs(strings) <= CROSSING;
  return { ...STILL, moves: 1, again: fingers === 0 ? 1 : 0, crossed: fingers !== 0 && isCrossed ? 1 : 0 };
}

/** What a hand played last: one note, or all strings that it lies on. */
function played({ strings, last }: Placement): readonly HandNote[] {
  return strings.flatMap((string, i) =>
    string === undefined || (last > 0 && last !== i + 1) ? [] : [{ finger: i + 1, string }],
  );
}

function nearestPair(from: readonly HandNote[], to: readonly HandNote[]): readonly [HandNote, HandNote] {
  const apart = ([before, after]: readonly [HandNote, HandNote]) => Math.abs(after.string - before.string);
  const pairs = to.flatMap((after) => from.map((before) => [before, after] as const));
  return pairs.reduce((best, pair) => (apart(pair) < apart(best) ? pair : best));
}

/**
 * How the hands lie along a line, and on two rows what was struck last. A chord is not remembered longer than to the next
 * hold, and no hand that stretches, so that the lines to choose among stay few.
 */
export const HANDS_LYING: CarriedPart<HarpWay> = Object.freeze({
  fine: true,
  carry(before: string, hold: Hold<HarpWay>) {
    const struck = struckAfter(before, hold);
    if (hold.length !== 1) return withStruck('', '', struck);
    const hand = handOf(hold[0]!);
    const { notes, lies } = partsOf(hold)[hand];
    const lay = before.split(HANDS_APART)[hand === 'L' ? 0 : 1] ?? '';
    const inside = lay === '' ? undefined : joined(readPlacement(lay), notes);
    const own = inside?.stretch === 0 ? writePlacement(inside.placement) : lies;
    return hand === 'L' ? withStruck(own, '', struck) : withStruck('', own, struck);
  },
  heeded(carried: string, hold: Hold<HarpWay>) {
    const [L = '', R = '', struck = ''] = carried.split(HANDS_APART);
    const parts = partsOf(hold);
    const isAgain = hold.some((finger) => wasStruckBefore(struck, finger));
    return withStruck(parts.L.text && L, parts.R.text && R, isAgain ? struck : '');
  },
});

function withStruck(L: string, R: string, struck: string): string {
  return struck === '' ? (R === '' ? L : L + HANDS_APART + R) : [L, R, struck].join(HANDS_APART);
}

/** Between the strings of the last hold and those of the one before. */
const BEFORE = ',';

/** On two rows the strings that were struck last. */
function struckAfter(before: string, hold: Hold<HarpWay>): string {
  if (hold[0]?.way.row === undefined) return '';
  const [last = ''] = (before.split(HANDS_APART)[2] ?? '').split(BEFORE);
  return hold.map(({ way }) => signOf(way.leverPlace)).join('') + BEFORE + last;
}

/** Whether a string of two rows was struck in the last hold but one. */
export function wasStruckBefore(struck: string, { way }: Finger): boolean {
  const at = struck.indexOf(BEFORE);
  return at >= 0 && struck.includes(signOf(way.leverPlace), at);
}

interface Joined {
  readonly placement: Placement;
  readonly stretch: number;
  readonly again: number;
  readonly back: number;
}

/** A placement with the next notes of its hand; undefined where they do not belong to it. */
function joined(placement: Placement, own: readonly HandNote[]): Joined | undefined {
  const strings = [...placement.strings];
  let [stretch, again, back] = [0, 0, 0];
  for (const { finger, string } of own) {
    const at = finger - 1;
    if (strings[at] === string) {
      if (placement.last === finger) again += 0.5;
      else back += 1;
      continue;
    }
    const holder = strings.indexOf(string);
    // Fingers follow one another on a string only where it is struck again at once.
    if (strings[at] !== undefined || (holder >= 0 && holder !== placement.last - 1)) return undefined;
    if (holder >= 0) strings[holder] = undefined;
    const off = offNatural(strings, at, string);
    if (off === undefined) return undefined;
    stretch += off;
    strings[at] = string;
  }
  return { placement: { strings, last: lastOf(own) }, stretch, again, back };
}

function laidAnew(own: readonly HandNote[]): Placement {
  const strings: (number | undefined)[] = new Array<undefined>(FINGERS).fill(undefined);
  for (const { finger, string } of own) strings[finger - 1] = string;
  return { strings, last: lastOf(own) };
}

const lastOf = (own: readonly HandNote[]) => (own.length === 1 ? own[0]!.finger : 0);

/** Strings by which a finger lies off its natural distance to its neighbours; undefined where it cannot lie there at all. */
function offNatural(strings: Placement['strings'], at: number, string: number): number | undefined {
  let off = 0;
  for (const towards of [-1, 1]) {
    let natural = 0;
    for (let other = at + towards; other >= 0 && other < FINGERS; other += towards) {
      natural += NATURAL[Math.max(other, other - towards)]!;
      const next = strings[other];
      if (next === undefined) continue;
      const apart = (string - next) * towards;
      if (apart <= 0) return undefined;
      off += Math.max(0, apart - natural, Math.abs(other - at) - apart);
      break;
    }
  }
  return off > STRETCH ? undefined : off;
}
