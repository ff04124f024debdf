import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { seededRandom } from '../seededRandom.ts';

/** Orders in which a pattern goes through the keys. Source: how teachers set scales for months of daily work. */
export const KEY_ORDERS = Object.freeze([
  { id: 'one', label: 'in its own key', step: 0 },
  { id: 'semitones', label: 'up by semitones', step: 1 },
  { id: 'fifths', label: 'by fifths', step: 7 },
  { id: 'fourths', label: 'by fourths', step: 5 },
  { id: 'chance', label: 'by chance', step: undefined },
] as const);
export type KeyOrderId = (typeof KEY_ORDERS)[number]['id'];

/**
 * The keys in an order, each of the twelve once, the given one first; only that one where it stays in its own key.
 * @param seed the same seed gives the same order by chance
 */
export function keysInOrder(order: KeyOrderId, first: PitchClass, seed = 1): readonly PitchClass[] {
  const { step } = KEY_ORDERS.find(({ id }) => id === order)!;
  if (step === 0) return [first];
  if (step !== undefined) return Array.from({ length: 12 }, (_, i) => pitchClass(first + i * step));
  const others = Array.from({ length: 11 }, (_, i) => pitchClass(first + i + 1));
  return [first, ...seededRandom(seed).shuffled(others)];
}
