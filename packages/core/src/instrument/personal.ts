import type { OpenLayout } from '../families/contract.ts';
import { personalLoads } from '../families/personal.ts';
import type { Way } from '../families/way.ts';
import { isRecord, shown, type Problem } from '../result.ts';

/** Cents that a measurement may be off; more is another pitch. */
export const CENTS_RANGE = Object.freeze({ lowest: -80, highest: 80 });

/** A layout whose ways also bear what was measured and chosen on one instrument. */
export function withPersonalLoads(
  opened: OpenLayout,
  centsOf: (way: Way) => number,
  choices: readonly string[],
): OpenLayout {
  if (choices.length === 0 && opened.ways.every((way) => centsOf(way) === 0)) return opened;
  const chosen = new Set(choices);
  const chosenFor = new Map(
    opened.ways.filter((way) => chosen.has(way.id)).map((way) => [way.pitch, way.id] as const),
  );
  const own = new Map(
    opened.ways.map((way) => {
      const choice = chosenFor.get(way.pitch);
      return [way.id, personalLoads(centsOf(way), choice !== undefined && choice !== way.id)] as const;
    }),
  );
  return {
    ...opened,
    wayLoads: (play, moment, habits) => opened.wayLoads(play, moment, habits).concat(own.get(play.way.id)!),
  };
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
    for (const [id, cents] of Object.entries(measured)) {
      const { lowest, highest } = CENTS_RANGE;
      if (typeof cents === 'number' && cents >= lowest && cents <= highest) continue;
      const message = `Cents must be a number from ${lowest} to ${highest}.`;
      problems.push({ field: `measured.${id}`, wrong: shown(cents), message });
    }
  }
  if (!Array.isArray(choices) || !choices.every((id) => typeof id === 'string')) {
    problems.push({ field: 'choices', wrong: shown(choices), message: 'Choices must be a list of ways.' });
    return problems;
  }
  const pitches = new Set<number>();
  for (const id of choices as string[]) {
    const pitch = opened.ways.find((way) => way.id === id)?.pitch;
    if (pitch === undefined) continue;
    if (pitches.has(pitch))
      problems.push({ field: 'choices', wrong: id, message: 'Only one way can be chosen for a pitch.' });
    pitches.add(pitch);
  }
  return problems;
}
