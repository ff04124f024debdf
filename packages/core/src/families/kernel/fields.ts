import { PITCH_RANGE, type Pitch } from '../../pitch/pitch.ts';
import { fail, isRecord, ok, shown, type Problem, type Result } from '../../result.ts';

/** Reads a stored layout field by field and gathers every problem with its path. */
export class Fields {
  readonly problems: Problem[] = [];
  readonly #record: Record<string, unknown>;

  /** @param what said when it is no record at all, e.g. `A whistle’s layout needs a lowest note.` */
  constructor(stored: unknown, what: string) {
    this.#record = isRecord(stored) ? stored : {};
    if (!isRecord(stored)) this.report('', stored, what);
  }

  report(field: string, wrong: unknown, message: string): void {
    this.problems.push({ field, wrong: shown(wrong), message: message[0]!.toUpperCase() + message.slice(1) });
  }

  /** Whether a problem was found at a field. */
  isWrong(field: string): boolean {
    return this.problems.some((problem) => problem.field === field);
  }

  raw(field: string): unknown {
    return this.#record[field];
  }

  /** A whole number in a range; the lowest stands in where it is wrong. */
  whole(field: string, lowest: number, highest: number, message: string, byDefault?: number): number {
    const value = this.#record[field] ?? byDefault;
    if (isWhole(value) && value >= lowest && value <= highest) return value;
    this.report(field, value, message);
    return lowest;
  }

  choice<T extends string>(field: string, choices: readonly T[], what: string, byDefault?: T): T {
    const value = this.#record[field] ?? byDefault;
    const found = choices.find((choice) => choice === value);
    if (found === undefined)
      this.report(field, value, `There is no ${what} “${shown(value)}”. Known: ${choices.join(', ')}.`);
    return found ?? choices[0]!;
  }

  flag(field: string, byDefault?: boolean): boolean {
    const value = this.#record[field] ?? byDefault;
    if (typeof value === 'boolean') return value;
    this.report(field, value, `“${field}” must be true or false.`);
    return false;
  }

  /** A list of a given length, each item read by its own reader under `field.1`, `field.2` … */
  list<T>(
    field: string,
    least: number,
    most: number,
    what: string,
    read: (item: unknown, path: string, index: number) => T,
  ): T[] {
    const value = this.#record[field];
    if (!Array.isArray(value)) {
      this.report(field, value, `${what} must be a list.`);
      return [];
    }
    if (value.length < least || value.length > most) {
      const range = least === most ? `${least}` : `${least} to ${most}`;
      this.report(field, value.length, `There must be ${range} ${what.toLowerCase()}, not ${value.length}.`);
      return [];
    }
    return value.map((item: unknown, index) => read(item, `${field}.${index + 1}`, index));
  }

  /** A pitch within what any instrument has. */
  pitch(value: unknown, path: string, what: string): Pitch {
    const { lowest, highest } = PITCH_RANGE;
    if (isWhole(value) && value >= lowest && value <= highest) return value;
    this.report(
      path,
      value,
      isWhole(value)
        ? `${what} is out of range: from C1 to C9.`
        : `${what} must be a whole number of semitones.`,
    );
    return lowest;
  }

  /** A number in a range, not necessarily whole. */
  number(value: unknown, path: string, lowest: number, highest: number, what: string): number {
    if (typeof value === 'number' && value >= lowest && value <= highest) return value;
    this.report(path, value, `${what} must be a number from ${lowest} to ${highest}.`);
    return lowest;
  }

  done<T>(layout: () => T): Result<T> {
    return this.problems.length > 0 ? fail(...this.problems) : ok(layout());
  }
}

export function isWhole(value: unknown): value is number {
  return Number.isInteger(value);
}
