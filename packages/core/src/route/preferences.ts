import type { Family } from '../families/contract.ts';
import type { HabitChoice } from '../families/effortPart.ts';
import { fail, isRecord, ok, shown, type Problem, type Result } from '../result.ts';

/** How a route is chosen: a named preset, with what the user changed about it. */
export interface Preferences {
  readonly preset: string;
  /** Weights that differ from the preset's, by part. */
  readonly weights: Readonly<Record<string, number>>;
  readonly habits: HabitChoice;
}

/** A weight of 0 takes a part out of account; 10 outweighs all others. */
export const WEIGHT_RANGE = Object.freeze({ lowest: 0, highest: 10 });

/** Preferences as the solver needs them. */
export interface ResolvedPreferences {
  /** In the order of the family's parts. */
  readonly weights: readonly number[];
  readonly avoid: ReadonlySet<string>;
  readonly habits: HabitChoice;
}

export function defaultPreferences(family: Family): Preferences {
  return { preset: family.preferences[0]!.id, weights: {}, habits: {} };
}

/** @throws when the preset is not the family's: preferences are checked where they come in */
export function resolvePreferences(family: Family, preferences: Preferences): ResolvedPreferences {
  const preset = family.preferences.find((p) => p.id === preferences.preset);
  if (!preset) throw new Error(`resolvePreferences: ${family.id} has no preset ${preferences.preset}`);
  const weights = family.parts.map(
    (part) => preferences.weights[part.id] ?? preset.weights[part.id] ?? part.weight ?? 0,
  );
  const byDefault = Object.fromEntries(family.habits.map((habit) => [habit.id, habit.options[0]!.id]));
  return {
    weights,
    avoid: new Set(preset.avoid),
    habits: { ...byDefault, ...preset.habits, ...preferences.habits },
  };
}

/** Checks stored or linked preferences against a family. Problem fields: `preset`, `weights.turns`, `habits.twin`. */
export function checkPreferences(family: Family, stored: unknown): Result<Preferences> {
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'Preferences need a preset.' });
  const { preset, weights = {}, habits = {} } = stored;
  const problems: Problem[] = [];
  if (!family.preferences.some((p) => p.id === preset)) {
    problems.push({
      field: 'preset',
      wrong: shown(preset),
      message: `There is no preference “${shown(preset)}”.`,
    });
  }
  if (!isRecord(weights))
    problems.push({ field: 'weights', wrong: shown(weights), message: 'Weights must be numbers by part.' });
  else problems.push(...weightProblems(family, weights));
  if (!isRecord(habits))
    problems.push({ field: 'habits', wrong: shown(habits), message: 'Habits must be choices by name.' });
  else problems.push(...habitProblems(family, habits));
  if (problems.length > 0) return fail(...problems);
  return ok({ preset, weights, habits } as unknown as Preferences);
}

function weightProblems(family: Family, weights: Record<string, unknown>): Problem[] {
  const { lowest, highest } = WEIGHT_RANGE;
  return Object.entries(weights).flatMap(([id, weight]): Problem[] => {
    const part = family.parts.find((p) => p.id === id);
    if (!part)
      return [
        { field: `weights.${id}`, wrong: shown(id), message: `There is no effort called “${shown(id)}”.` },
      ];
    if (typeof weight === 'number' && weight >= lowest && weight <= highest) return [];
    const message = `The weight of ${part.label} must be from ${lowest} to ${highest}.`;
    return [{ field: `weights.${id}`, wrong: shown(weight), message }];
  });
}

function habitProblems(family: Family, habits: Record<string, unknown>): Problem[] {
  return Object.entries(habits).flatMap(([id, choice]): Problem[] => {
    const habit = family.habits.find((h) => h.id === id);
    if (habit?.options.some((o) => o.id === choice)) return [];
    return [
      {
        field: `habits.${id}`,
        wrong: shown(choice),
        message: `There is no such habit: “${shown(id)} ${shown(choice)}”.`,
      },
    ];
  });
}
