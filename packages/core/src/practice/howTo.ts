import * as v from 'valibot';
import { ok, type Result } from '../result.ts';
import { checkedBy, fields, number, oneOf, parse } from '../schema.ts';
import { GROOVES } from '../groove/grooves.ts';
import { KEY_ORDERS } from './keyOrder.ts';
import { TEMPO_LIMITS } from './ladder.ts';
import { ARTICULATIONS, readRhythm } from './rhythm.ts';

export const MINUTES_LIMIT = 90;

const { least, most } = TEMPO_LIMITS;
const TEMPO = number(least, most, `A tempo lies between ${least} and ${most} beats a minute.`);

export const HOW_TO_PRACTISE = fields({
  /** Counted beats a minute: where it begins, where it shall lead, and how much a step is. */
  tempo: v.exactOptional(TEMPO, 60),
  wanted: v.exactOptional(TEMPO, 96),
  step: v.exactOptional(number(1, 60, 'A step is 1 to 60 beats a minute.'), 6),
  articulation: v.exactOptional(oneOf(idsOf(ARTICULATIONS), 'There is no such articulation.'), 'plain'),
  /** Id of a rhythm, or lengths in beats. */
  rhythm: v.exactOptional(v.pipe(v.string('A rhythm is a text.'), checkedBy(checkRhythm)), 'even'),
  order: v.exactOptional(oneOf(idsOf(KEY_ORDERS), 'There is no such order of keys.'), 'one'),
  /** How long at a time. */
  minutes: v.exactOptional(number(1, MINUTES_LIMIT, `It takes 1 to ${MINUTES_LIMIT} minutes.`), 5),
  /** Id of a groove; empty for none. */
  groove: v.exactOptional(
    oneOf(['', ...GROOVES.map((groove): string => groove.id)], 'There is no such groove.'),
    '',
  ),
});

/** How something is practised. */
export interface HowToPractise extends v.InferOutput<typeof HOW_TO_PRACTISE> {}

export const USUAL_WAY: HowToPractise = Object.freeze(v.parse(HOW_TO_PRACTISE, {}));

/** Checks how an item is practised; what is left out is as usual. Problem fields are its own. */
export function checkHow(stored: unknown): Result<HowToPractise> {
  return parse(HOW_TO_PRACTISE, stored);
}

function checkRhythm(text: string): Result<string> {
  const read = readRhythm(text);
  return read.ok ? ok(text) : read;
}

function idsOf<const Id extends string>(list: readonly { readonly id: Id }[]): readonly Id[] {
  return list.map(({ id }) => id);
}
