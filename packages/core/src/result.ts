/** What was wrong with something a user typed or sent, said so that it can be put right. */
export interface Problem {
  /** Path of the field, e.g. `layout.draw.4`; empty when the input is one single text. */
  readonly field: string;
  /** Index of the first wrong character or list item, when the input is a text or a list. */
  readonly position?: number;
  /** What was found there. */
  readonly wrong: string;
  /** A sentence for the user that says what would be right. */
  readonly message: string;
}

/** Either a value or the problems that prevented it. User input is answered so; programmer errors throw. */
export type Result<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

export function fail(...problems: Problem[]): { readonly ok: false; readonly problems: readonly Problem[] } {
  if (problems.length === 0) throw new Error('fail() needs at least one problem');
  return { ok: false, problems };
}

/** The value of a result that the caller knows to be good. @throws Error naming the problems otherwise. */
export function expectOk<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(result.problems.map((p) => `${p.field || 'input'}: ${p.message}`).join('; '));
}

/** Puts a path in front of the fields of a nested check. */
export function under(prefix: string, problems: readonly Problem[]): Problem[] {
  return problems.map((p) => ({ ...p, field: p.field ? `${prefix}.${p.field}` : prefix }));
}

/** A short rendering of any value for messages, in words a user knows; never longer than 40 characters. */
export function shown(value: unknown): string {
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'number' && !Number.isFinite(value)) return 'no number';
  const text = typeof value === 'string' ? value : asJson(value);
  const letters = [...text];
  return letters.length > 40 ? `${letters.slice(0, 37).join('')}…` : text;
}

function asJson(value: unknown): string {
  try {
    return JSON.stringify(value) ?? typeof value;
  } catch {
    return typeof value;
  }
}

/** A list of whatever. */
export function isList(value: unknown): value is readonly unknown[] {
  return Array.isArray(value);
}

/** A list as it is, and anything else as an empty one. */
export function asList(value: unknown): readonly unknown[] {
  return isList(value) ? value : [];
}

/** What has fields as it is, and nothing else with none. */
export function asRecord(value: unknown): Readonly<Record<string, unknown>> {
  return isRecord(value) ? value : {};
}

/** A plain object, as JSON gives it (not null, not a list). */
export function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
