/** What the contract suites share. */
import { families, type FamilyId } from '../src/families/index.ts';

/** What a check found wrong, a sentence each. */
export function problemsOf(check: (wrong: (sentence: string) => void) => void): string[] {
  const problems: string[] = [];
  check((sentence) => problems.push(sentence));
  return problems.slice(0, 12);
}

/** First, middle and last preset: enough variety where presets only transpose. */
export function somePresets(id: FamilyId): string[] {
  const { presets } = families[id];
  return [0, Math.floor(presets.length / 2), presets.length - 1].map((i) => presets[i]!.id);
}
