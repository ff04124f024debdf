import { toJsonSchema } from '@valibot/to-json-schema';
import * as v from 'valibot';
import { isId } from './isId.ts';
import { fail, ok, shown, type Problem, type Result } from './result.ts';

/**
 * Fields of what is stored, sent and linked, each declared once: from a schema follow its TypeScript type
 * (`v.InferOutput`), its checks with their sentences, its defaults and the JSON Schema that is published.
 */
export type Schema<Output = unknown> = v.GenericSchema<unknown, Output>;

/** More problems than these of one content are not told. */
const PROBLEMS_LIMIT = 20;

/** A text of some characters, kept as it is. */
export function text(
  most: number,
  least = 0,
  message = `A text of ${least > 0 ? `${least} to` : 'at most'} ${most} characters belongs here.`,
) {
  return v.pipe(v.string(message), v.minLength(least, message), v.maxLength(most, message));
}

/**
 * A text that somebody typed; spaces at its ends are taken off, and characters are counted as a reader counts them.
 * @param what as a message begins: `A name`
 */
export function typedText(what: string, most: number, least = 0) {
  const characters = (typed: string) => [...typed].length;
  return v.pipe(
    v.string(`${what} must be text.`),
    v.trim(),
    v.check((typed) => characters(typed) >= least, `${what} is missing.`),
    v.check(
      (typed) => characters(typed) <= most,
      ({ input }) => `${what} may have ${most} characters at most; this has ${characters(input)}.`,
    ),
    v.metadata(least > 0 ? { minLength: least, maxLength: most } : { maxLength: most }),
  );
}

export function number(
  least: number,
  most: number,
  message = `A number from ${least} to ${most} belongs here.`,
) {
  return v.pipe(v.number(message), v.minValue(least, message), v.maxValue(most, message));
}

export function whole(
  least: number,
  most: number,
  message = `A whole number from ${least} to ${most} belongs here.`,
) {
  return v.pipe(v.number(message), v.integer(message), v.minValue(least, message), v.maxValue(most, message));
}

export function yesOrNo(message = 'Only true or false belongs here.') {
  return v.boolean(message);
}

export function oneOf<const T extends readonly (string | number)[]>(
  values: T,
  message: v.ErrorMessage<v.PicklistIssue> = `One of ${values.join(', ')} belongs here.`,
) {
  return v.picklist(values, message);
}

/** The id of a record. */
export function id(message = 'A record is named by its id.') {
  return v.pipe(
    v.string(message),
    v.check((value) => isId(value), message),
    v.metadata({ format: 'uuid' }),
  );
}

/** The id of a record, or an empty text for none. */
export function idOrNone(message = 'A record is named by its id.') {
  return v.pipe(
    v.string(message),
    v.check((value) => value === '' || isId(value), message),
  );
}

/** A time in ISO 8601, put into UTC. */
export function isoTime(message: string) {
  return v.pipe(
    v.string(message),
    v.check((at) => /^\d{4}-\d\d-\d\dT/.test(at) && Number.isFinite(Date.parse(at)), message),
    v.transform((at) => new Date(at).toISOString()),
    v.metadata({ format: 'date-time' }),
  );
}

export function list<Item extends Schema>(
  item: Item,
  most: number,
  least = 0,
  message = `A list of ${least > 0 ? `${least} to` : 'at most'} ${most} belongs here.`,
) {
  return v.pipe(
    v.array(item, message),
    v.minLength(least, message),
    v.maxLength(most, message),
    v.readonly(),
  );
}

/** Values by id. */
export function byId<Value extends Schema>(value: Value, most: number, message: string, least = 0) {
  return v.pipe(
    v.record(v.string(), value, message),
    v.minEntries(least, message),
    v.maxEntries(most, message),
    v.readonly(),
  );
}

/** An object of just these fields; `v.exactOptional` marks those that may be left out. */
export function fields<const Entries extends v.ObjectEntries>(entries: Entries) {
  return v.pipe(v.strictObject(entries, fieldMessage), v.readonly());
}

function fieldMessage({ expected, path }: v.StrictObjectIssue): string {
  const name = shown(path?.at(-1)?.key);
  if (expected === 'never') return `There is no field “${name}”.`;
  return path && expected !== 'Object'
    ? `The field “${name}” is missing.`
    : 'An object with fields belongs here.';
}

/** A value that is checked elsewhere, by what else is known. @param published its JSON Schema */
export function checkedElsewhere(published: Readonly<Record<string, unknown>> = { type: 'object' }) {
  return v.pipe(v.unknown(), v.metadata({ ...published }));
}

/** Checks and opens a value by a function, such as a question of a family; its problems keep their fields. */
export function checkedBy<Input, Output>(check: (value: Input) => Result<Output>) {
  return v.rawTransform<Input, Output>(({ dataset: { value }, addIssue, NEVER }) => {
    const checked = check(value);
    if (checked.ok) return checked.value;
    for (const { field, wrong, message } of checked.problems)
      addIssue({ message, input: wrong, ...(field !== '' && { path: pathOf(field) }) });
    return NEVER;
  });
}

function pathOf(field: string): [v.UnknownPathItem, ...v.UnknownPathItem[]] {
  const [first, ...rest] = field.split('.').map((key): v.UnknownPathItem => ({
    type: 'unknown',
    origin: 'value',
    input: undefined,
    key,
    value: undefined,
  }));
  return [first!, ...rest];
}

/** A value as its schema has it, defaults filled in, or what of it is wrong; fields are paths such as `bars.3.length`. */
export function parse<S extends Schema>(schema: S, value: unknown): Result<v.InferOutput<S>> {
  const parsed = v.safeParse(schema, value, { abortPipeEarly: true });
  if (parsed.success) return ok(parsed.output);
  return fail(...parsed.issues.slice(0, PROBLEMS_LIMIT).map(problemOf));
}

/** What of a value is not as its schema has it. */
export function problemsOf(schema: Schema, value: unknown): readonly Problem[] {
  const parsed = parse(schema, value);
  return parsed.ok ? [] : parsed.problems;
}

function problemOf({ path, input, message }: v.BaseIssue<unknown>): Problem {
  return { field: path?.map(({ key }) => String(key)).join('.') ?? '', wrong: shown(input), message };
}

/** JSON Schema of what is put in. */
export function jsonSchemaOf(schema: Schema): Readonly<Record<string, unknown>> {
  // What only code can check, such as trimming, is left out of the published schema.
  const { $schema: _, ...published } = toJsonSchema(schema, { typeMode: 'input', errorMode: 'ignore' });
  return published;
}

/** What is published of an object's fields. */
export interface ObjectJsonSchema {
  readonly properties: Readonly<Record<string, { readonly type?: string }>>;
  readonly required: readonly string[];
}

/** JSON Schema of an object of `fields`. */
export function objectJsonSchemaOf(schema: Schema<object>): ObjectJsonSchema {
  const { properties, required } = jsonSchemaOf(schema);
  return { properties, required } as ObjectJsonSchema;
}
