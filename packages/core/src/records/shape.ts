import { isRecord, shown, type Problem } from '../result.ts';

/** The part of JSON Schema in which our larger contents are published, and by which they are checked. */
export type Shape =
  | { readonly enum: readonly (string | number | boolean)[] }
  | { readonly type: 'boolean' }
  | { readonly type: 'string'; readonly minLength?: number; readonly maxLength: number }
  | { readonly type: 'integer' | 'number'; readonly minimum: number; readonly maximum: number }
  | { readonly type: 'array'; readonly items: Shape; readonly maxItems: number; readonly minItems?: number }
  | ObjectShape
  | { readonly anyOf: readonly [Shape, { readonly type: 'null' }] };

export interface ObjectShape {
  readonly type: 'object';
  readonly properties: Readonly<Record<string, Shape>>;
  readonly required: readonly string[];
  readonly additionalProperties: false;
}

/** An object of just these fields. @param optional those that may be left out */
export function objectOf(
  properties: Readonly<Record<string, Shape>>,
  optional: readonly string[] = [],
): ObjectShape {
  const required = Object.keys(properties).filter((name) => !optional.includes(name));
  return { type: 'object', properties, required, additionalProperties: false };
}

/** More problems than these of one content are not told. */
const PROBLEMS_LIMIT = 20;

/** What of a value is not as its shape says; fields are paths such as `bars.3.length`. */
export function shapeProblems(shape: Shape, value: unknown, field = ''): readonly Problem[] {
  const problems: Problem[] = [];
  visit(shape, value, field, problems);
  return problems;
}

function visit(shape: Shape, value: unknown, field: string, problems: Problem[]): void {
  if (problems.length >= PROBLEMS_LIMIT) return;
  const wrong = (message: string) => void problems.push({ field, wrong: shown(value), message });
  if ('enum' in shape) {
    if (!shape.enum.includes(value as string)) wrong(`One of ${shape.enum.join(', ')} belongs here.`);
  } else if ('anyOf' in shape) {
    if (value !== null) visit(shape.anyOf[0], value, field, problems);
  } else if (shape.type === 'boolean') {
    if (typeof value !== 'boolean') wrong('Only true or false belongs here.');
  } else if (shape.type === 'string') {
    const { minLength = 0, maxLength } = shape;
    if (typeof value !== 'string' || value.length < minLength || value.length > maxLength)
      wrong(
        `A text of ${minLength > 0 ? `${minLength} to` : 'at most'} ${maxLength} characters belongs here.`,
      );
  } else if (shape.type === 'array') {
    const { items, maxItems, minItems = 0 } = shape;
    if (!Array.isArray(value) || value.length > maxItems || value.length < minItems)
      return wrong(`A list of ${minItems > 0 ? `${minItems} to` : 'at most'} ${maxItems} belongs here.`);
    value.forEach((item, i) => visit(items, item, join(field, i), problems));
  } else if (shape.type === 'object') {
    if (!isRecord(value)) return wrong('An object with fields belongs here.');
    for (const name of Object.keys(value))
      if (!Object.hasOwn(shape.properties, name))
        problems.push({
          field: join(field, name),
          wrong: shown(name),
          message: `There is no field “${shown(name)}”.`,
        });
    for (const [name, of] of Object.entries(shape.properties)) {
      if (Object.hasOwn(value, name)) visit(of, value[name], join(field, name), problems);
      else if (shape.required.includes(name))
        problems.push({
          field: join(field, name),
          wrong: 'nothing',
          message: `The field “${name}” is missing.`,
        });
    }
  } else {
    const { type, minimum, maximum } = shape;
    const fits = typeof value === 'number' && value >= minimum && value <= maximum;
    if (!fits || (type === 'integer' && !Number.isInteger(value)))
      wrong(
        `${type === 'integer' ? 'A whole number' : 'A number'} from ${minimum} to ${maximum} belongs here.`,
      );
  }
}

function join(field: string, name: string | number): string {
  return field === '' ? String(name) : `${field}.${name}`;
}
