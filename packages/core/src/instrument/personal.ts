import * as v from 'valibot';
import type { OpenLayout } from '../families/contract.ts';
import { A4_RANGE } from '../pitch/pitch.ts';
import type { Problem } from '../result.ts';
import { byId, fields, number } from '../schema.ts';

/** Pitch standard: Hz of A4. */
export const A4 = number(
  A4_RANGE.lowest,
  A4_RANGE.highest,
  `The pitch of A must be from ${A4_RANGE.lowest} to ${A4_RANGE.highest} Hz.`,
);

/** Cents that a measurement may be off; more is another pitch. */
export const CENTS_RANGE = Object.freeze({ lowest: -80, highest: 80 });

const { lowest, highest } = CENTS_RANGE;

const MEASUREMENT = fields({
  /** Pitch that was meant. */
  pitch: v.pipe(
    v.number('A measurement must name the pitch that was meant.'),
    v.integer('A measurement must name the pitch that was meant.'),
  ),
  /** Deviation from it. */
  cents: number(lowest, highest, `Cents must be a number from ${lowest} to ${highest}.`),
});

/** Measurements by way id. */
export const MEASURED = byId(MEASUREMENT, 1_000, 'Measurements must be cents by way.');

/** What a tuner showed for one way. */
export interface Measurement extends v.InferOutput<typeof MEASUREMENT> {}
export type Measured = v.InferOutput<typeof MEASURED>;

/** Measurements of ways that are there and still sound the pitch they were measured at. */
export function stillMeasured(opened: OpenLayout, measured: Measured): Measured {
  const pitches = new Map(opened.ways.map((way) => [way.id, way.pitch]));
  return Object.fromEntries(Object.entries(measured).filter(([id, { pitch }]) => pitches.get(id) === pitch));
}

/** Problems with the ways that were chosen. Field: `choices`. */
export function choiceProblems(opened: OpenLayout, choices: readonly string[]): Problem[] {
  const problems: Problem[] = [];
  const pitches = new Set<number>();
  for (const id of choices) {
    const pitch = opened.ways.find((way) => way.id === id)?.pitch;
    if (pitch === undefined) continue;
    if (pitches.has(pitch))
      problems.push({ field: 'choices', wrong: id, message: 'Only one way can be chosen for a pitch.' });
    pitches.add(pitch);
  }
  return problems;
}
