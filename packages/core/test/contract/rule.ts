/** What a rule of the family contract is, and how one looks at the instruments of a family. */
import type { Family } from '../../src/families/contract.ts';
import type { ChosenOptions } from '../../src/families/effortTerm.ts';
import type { Hold } from '../../src/families/way.ts';
import type { Instrument } from '../../src/instrument/instrument.ts';
import { ableInstrument } from '../instruments.ts';

/** Takes a sentence that says what is wrong, and with what. */
export type Report = (sentence: string) => void;

/** What every family must keep. */
export interface Rule {
  readonly title: string;
  /** What a family has wrong, a sentence each; at most twelve. */
  problemsOf(this: void, family: Family): readonly string[];
}

/** A rule about the family as a whole. */
export function ofFamily(title: string, check: (family: Family, wrong: Report) => void): Rule {
  return {
    title,
    problemsOf: (family) => sentencesOf((wrong) => check(family, wrong)),
  };
}

/** A rule about each of a family's instruments, played by somebody who can do everything; each sentence begins with the preset that it is about. */
export function ofInstruments(title: string, check: (instrument: Instrument, wrong: Report) => void): Rule {
  return ofFamily(title, (family, wrong) => {
    for (const preset of somePresets(family))
      for (const sentence of sentencesOf((report) => check(ableInstrument(family.id, preset), report)))
        wrong(`${preset}: ${sentence}`);
  });
}

/** Sentences of a check, the last of them what it threw. */
function sentencesOf(check: (wrong: Report) => void): readonly string[] {
  const sentences: string[] = [];
  try {
    check((sentence) => sentences.push(sentence));
  } catch (error) {
    sentences.push(`it throws: ${error instanceof Error ? error.message : String(error)}`);
  }
  return sentences.slice(0, 12);
}

/** First, middle and last preset: enough variety where presets only transpose. */
function somePresets({ presets }: Family): readonly string[] {
  return [0, Math.floor(presets.length / 2), presets.length - 1].map((i) => presets[i]!.id);
}

/** No playing option chosen, and each choice of each by itself. */
export function optionChoices(family: Family): readonly ChosenOptions[] {
  return [
    {},
    ...family.playingOptions.flatMap((option) =>
      option.options.map((choice) => ({ [option.id]: choice.id })),
    ),
  ];
}

/** The ways of a hold by their ids, `L2.3/Li + R1.4`. */
export function namesOf(hold: Hold): string {
  return hold.map(({ way, fingering }) => way.id + (fingering ? `/${fingering}` : '')).join(' + ');
}

/** Every nth of a list. */
export function every<T>(list: readonly T[], n: number): readonly T[] {
  return list.filter((_, i) => i % n === 0);
}
