/** What the contract suites share. */
import { families, type FamilyId } from '../src/families/index.ts';
import type { Instrument } from '../src/instrument/instrument.ts';
import { ableInstrument } from './instruments.ts';

/** What a check found wrong, a sentence each. */
export function problemsOf(check: (wrong: (sentence: string) => void) => void): string[] {
  const problems: string[] = [];
  check((sentence) => problems.push(sentence));
  return problems.slice(0, 12);
}

/** First, middle and last preset: enough variety where presets only transpose. */
function somePresets(id: FamilyId): string[] {
  const { presets } = families[id];
  return [0, Math.floor(presets.length / 2), presets.length - 1].map((i) => presets[i]!.id);
}

/** Checks instruments of a family; each sentence begins with the preset that it is about. */
export function checkPresets(
  id: FamilyId,
  check: (instrument: Instrument, wrong: (sentence: string) => void) => void,
): void {
  for (const preset of somePresets(id)) {
    const instrument = ableInstrument(id, preset);
    const problems = problemsOf((wrong) => check(instrument, (sentence) => wrong(`${preset}: ${sentence}`)));
    expect(problems).toEqual([]);
  }
}
