import { joinCarried, type CarriedPart } from '../families/carried.ts';
import type { Hold } from '../families/way.ts';

/** More than there are ever holds, or texts, in one table: so two numbers make one exact number. */
export const NUMBERS = 2 ** 20;

/** What lines leave behind, by number; 0 is nothing. */
export interface CarriedTexts {
  text(carried: number): string;
  /** What is left behind after a hold. @param number of the hold */
  after(before: number, number: number, hold: Hold): number;
  /** What of it matters to a hold. */
  heeded(carried: number, number: number, hold: Hold): number;
}

/**
 * Each part of what is carried is worked out for itself and remembered by its own text: lines differ in their levers and
 * play the same notes.
 * @param isRough what is fine is not minded
 */
export function carriedTexts(parts: readonly CarriedPart[], isRough: boolean): CarriedTexts {
  const tables = parts.map((part) => (part.fine && isRough ? NOT_MINDED : partTable(part)));
  const texts = [''];
  const numbersOf: (readonly number[])[] = [parts.map(() => 0)];
  /** From the number of some parts and that of the next to the number of both; the last stands for all. */
  const joined = parts.map(() => new Map<number, number>());
  let joins = 0;
  const joinedNumber = (numbers: readonly number[]): number => {
    let both = 0;
    for (let i = 0; i < numbers.length; i += 1) {
      const key = both * NUMBERS + numbers[i]!;
      if (key === 0) continue;
      const isLast = i === numbers.length - 1;
      let known = joined[i]!.get(key);
      if (known === undefined) {
        known = isLast
          ? texts.push(joinCarried(numbers.map((number, p) => tables[p]!.texts[number]!))) - 1
          : (joins += 1);
        if (isLast) numbersOf.push([...numbers]);
        joined[i]!.set(key, known);
      }
      both = known;
    }
    return both;
  };
  const scratch = parts.map(() => 0);
  const through = (kind: 'after' | 'heeded', carried: number, number: number, hold: Hold) => {
    const numbers = numbersOf[carried]!;
    for (let i = 0; i < tables.length; i += 1) scratch[i] = tables[i]![kind](numbers[i]!, number, hold);
    return joinedNumber(scratch);
  };
  return {
    text: (carried) => texts[carried]!,
    after: (before, number, hold) => through('after', before, number, hold),
    heeded: (carried, number, hold) => through('heeded', carried, number, hold),
  };
}

const NOT_MINDED: ReturnType<typeof partTable> = Object.freeze({
  texts: [''],
  after: () => 0,
  heeded: () => 0,
});

/** The texts of one part by number, and what follows from each with each hold. */
function partTable(part: CarriedPart) {
  const texts = [''];
  const numbers = new Map([['', 0]]);
  const numberOf = (text: string) => {
    const known = numbers.get(text) ?? texts.push(text) - 1;
    numbers.set(text, known);
    return known;
  };
  const remembered = (work: (text: string, hold: Hold) => string) => {
    const found = new Map<number, number>();
    return (carried: number, number: number, hold: Hold) => {
      const key = carried * NUMBERS + number;
      let known = found.get(key);
      if (known === undefined) found.set(key, (known = numberOf(work(texts[carried]!, hold))));
      return known;
    };
  };
  return {
    texts,
    after: remembered((text, hold) => part.carry(text, hold)),
    heeded: part.heeded ? remembered((text, hold) => part.heeded!(text, hold)) : (carried: number) => carried,
  };
}
