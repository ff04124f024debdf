import type { OpenLayout } from '../families/contract.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { isRecord, shown, type Problem } from '../result.ts';

/** What a tuner showed for one way. */
export interface Measurement {
  /** Pitch that was meant. */
  readonly pitch: Pitch;
  /** Deviation from it. */
  readonly cents: number;
}

/** Measurements by way id. */
export type Measured = Readonly<Record<string, Measurement>>;

/** Cents that a measurement may be off; more is another pitch. */
export const CENTS_RANGE = Object.freeze({ lowest: -80, highest: 80 });

/** Measurements of ways that are there and still sound the pitch they were measured at. */
export function stillMeasured(opened: OpenLayout, measured: Measured): Measured {
  const pitches = new Map(opened.ways.map((way) => [way.id, way.pitch]));
  return Object.fromEntries(Object.entries(measured).filter(([id, { pitch }]) => pitches.get(id) === pitch));
}

/** Problems with what was measured and chosen. Fields: `measured.3d2`, `choices`. */
export function personalProblems(opened: OpenLayout, measured: unknown, choices: unknown): Problem[] {
  const problems: Problem[] = [];
  if (!isRecord(measured))
    problems.push({
      field: 'measured',
      wrong: shown(measured),
      message: 'Measurements must be cents by way.',
    });
  else {
    for (const [id, measurement] of Object.entries(measured)) {
      const { lowest, highest } = CENTS_RANGE;
      const { pitch, cents } = isRecord(measurement) ? measurement : {};
      const sound = typeof cents === 'number' && cents >= lowest && cents <= highest;
      if (sound && Number.isInteger(pitch)) continue;
      const message = sound
        ? 'A measurement must name the pitch that was meant.'
        : `Cents must be a number from ${lowest} to ${highest}.`;
      problems.push({ field: `measured.${id}`, wrong: shown(sound ? pitch : cents), message });
    }
  }
  if (!Array.isArray(choices) || !choices.every((id) => typeof id === 'string')) {
    problems.push({ field: 'choices', wrong: shown(choices), message: 'Choices must be a list of ways.' });
    return problems;
  }
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
