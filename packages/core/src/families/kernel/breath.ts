import { usesTogether, type AirStore } from '../air.ts';
import type { ChosenOptions, PlayingOption } from '../effortTerm.ts';

/** How long somebody's breath lasts beside a grown player's. Source: what teachers expect of pupils. */
const BREATHS = Object.freeze({ grown: 1, child: 0.5, trained: 1.5 });

/** The limits of air are a person's own. */
export const BREATH_OPTION: PlayingOption = Object.freeze({
  id: 'breath',
  label: 'Breath',
  options: [
    { id: 'grown', label: 'a grown player’s' },
    { id: 'child', label: 'a child’s: half as long' },
    { id: 'trained', label: 'a long one: half as long again' },
  ],
});

/** How many times a grown player's breath. */
export function breathLength(options: ChosenOptions): number {
  return BREATHS[(options[BREATH_OPTION.id] ?? 'grown') as keyof typeof BREATHS];
}

/** Seconds for which a grown harmonica player blows or draws before the lungs are empty or full. Source: players. */
const LUNGS = Object.freeze({ seconds: 8, each: 0.25 });

/** The lungs of a harmonica's player; several holes take more. */
export function lungs(options: ChosenOptions): AirStore {
  const seconds = LUNGS.seconds * breathLength(options);
  return { seconds, comfortable: seconds, uses: usesTogether(LUNGS.each) };
}
