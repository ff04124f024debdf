import type { Family } from '../families/contract.ts';
import type { ChosenOptions } from '../families/effortTerm.ts';
import { fail, isRecord, ok, shown, type Problem, type Result } from '../result.ts';

/** How a route is chosen: a named preset, with what the user changed about it. */
export interface Preferences {
  readonly preset: string;
  /** Weights that differ from the preset's, by term. */
  readonly weights: Readonly<Record<string, number>>;
  readonly playingOptions: ChosenOptions;
}

/** A weight of 0 takes a term out of account; 10 outweighs all others. */
export const WEIGHT_RANGE = Object.freeze({ lowest: 0, highest: 10 });

/** Preferences as the solver needs them. */
export interface ResolvedPreferences {
  /** In the order of the family's terms. */
  readonly weights: readonly number[];
  readonly avoid: ReadonlySet<string>;
  readonly options: ChosenOptions;
}

export function defaultPreferences(family: Family): Preferences {
  return { preset: family.preferences[0]!.id, weights: {}, playingOptions: {} };
}

/** @throws when the preset is not the family's: preferences are checked where they come in */
export function resolvePreferences(family: Family, preferences: Preferences): ResolvedPreferences {
  const preset = family.preferences.find((p) => p.id === preferences.preset);
  if (!preset) throw new Error(`resolvePreferences: ${family.id} has no preset ${preferences.preset}`);
  const weights = family.terms.map(
    (term) => preferences.weights[term.id] ?? preset.weights[term.id] ?? term.weight,
  );
  const byDefault = Object.fromEntries(
    family.playingOptions.map((habit) => [habit.id, habit.options[0]!.id]),
  );
  return {
    weights,
    avoid: new Set(preset.avoid),
    options: { ...byDefault, ...preset.playingOptions, ...preferences.playingOptions },
  };
}

/** Checks stored or linked preferences against a family. Problem fields: `preset`, `weights.turns`, `habits.twin`. */
export function checkPreferences(family: Family, stored: unknown): Result<Preferences> {
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'Preferences need a preset.' });
  const { preset, weights = {}, playingOptions = {} } = stored;
  const problems: Problem[] = [];
  if (!family.preferences.some((p) => p.id === preset)) {
    problems.push({
      field: 'preset',
      wrong: shown(preset),
      message: `There is no preference “${shown(preset)}”.`,
    });
  }
  if (!isRecord(weights))
    problems.push({ field: 'weights', wrong: shown(weights), message: 'Weights must be numbers by term.' });
  else problems.push(...weightProblems(family, weights));
  if (!isRecord(playingOptions))
    problems.push({
      field: 'playingOptions',
      wrong: shown(playingOptions),
      message: 'Playing options must be choices by name.',
    });
  else problems.push(...optionProblems(family, playingOptions));
  if (problems.length > 0) return fail(...problems);
  return ok({ preset, weights, playingOptions } as unknown as Preferences);
}

function weightProblems(family: Family, weights: Record<string, unknown>): Problem[] {
  const { lowest, highest } = WEIGHT_RANGE;
  return Object.entries(weights).flatMap(([id, weight]): Problem[] => {
    const term = family.terms.find((t) => t.id === id);
    if (!term)
      return [
        { field: `weights.${id}`, wrong: shown(id), message: `There is no effort called “${shown(id)}”.` },
      ];
    if (typeof weight === 'number' && weight >= lowest && weight <= highest) return [];
    const message = `The weight of ${term.label} must be from ${lowest} to ${highest}.`;
    return [{ field: `weights.${id}`, wrong: shown(weight), message }];
  });
}

function optionProblems(family: Family, playingOptions: Record<string, unknown>): Problem[] {
  return Object.entries(playingOptions).flatMap(([id, choice]): Problem[] => {
    const habit = family.playingOptions.find((h) => h.id === id);
    if (habit?.options.some((o) => o.id === choice)) return [];
    return [
      {
        field: `playingOptions.${id}`,
        wrong: shown(choice),
        message: `There is no such option: “${shown(id)} ${shown(choice)}”.`,
      },
    ];
  });
}
