import type * as v from 'valibot';
import type { Result } from '../result.ts';
import { objectJsonSchemaOf, parse, type ObjectJsonSchema, type Schema } from '../schema.ts';
import type { RecordKindId } from './kindNames.ts';

/** What a kept record has beside its content. */
export interface Kept {
  readonly id: string;
  /** Raised by every change; a write on any other version than the one that stands is refused. */
  readonly version: number;
}

/** Finds the content of the record that a field names; undefined where there is none. */
export type Referred = (kind: RecordKindId, id: string) => unknown;

/**
 * One kind of record. Routes, bin, export and import, the published schema, the client and the panel of data follow
 * from the list of kinds; a new kind is one entry there and its page.
 */
export interface RecordKind<Content extends object = object, Field extends string = string> {
  /** JSON Schema of the content, of which nothing else is taken. */
  readonly schema: ObjectJsonSchema;
  /** Fields that hold the id of a record of another kind, if they are there, which must stand before this one in the list. */
  readonly refersTo?: Readonly<Partial<Record<Field, RecordKindId>>>;
  /** Fields with entries of their own, such as measurements by place or notes by id, which two may change side by side. */
  readonly apart?: readonly Field[];
  /** Fields that lists show beside the title, since they are small. */
  readonly listed: readonly Field[];
  /**
   * What lists show of a content that is too long for them, such as how a melody begins; worked out whenever a record is
   * written, and listed as `sketch`.
   */
  sketch?(content: Content): object;
  /** Written once and never changed, such as a log; `at` gives the time a record belongs to, by which it is asked for. */
  readonly appendOnly?: { at(content: Content): string };
  /** Checks a whole content. Problem fields are its own. */
  check(content: unknown, referred: Referred): Result<Content>;
}

/** Names of the fields of what a schema describes. */
type FieldOf<S extends Schema> = keyof v.InferOutput<S> & string;

type WithoutCheck<Content extends object, Field extends string> = Omit<
  RecordKind<Content, Field>,
  'schema' | 'check'
>;

/**
 * A kind whose contents have a schema.
 * @param open checks what only other records, or the whole content, can tell, once the fields are sound
 */
export function defineKind<S extends Schema<object>, Content extends object = v.InferOutput<S>>(
  schema: S,
  kind: WithoutCheck<Content, FieldOf<S>>,
  open?: (content: v.InferOutput<S>, referred: Referred) => Result<Content>,
): RecordKind<Content>;
export function defineKind(
  schema: Schema<object>,
  kind: WithoutCheck<object, string>,
  open?: (content: object, referred: Referred) => Result<object>,
): RecordKind {
  return {
    ...kind,
    schema: objectJsonSchemaOf(schema),
    check(content, referred) {
      const parsed = parse(schema, content);
      return parsed.ok && open ? open(parsed.value, referred) : parsed;
    },
  };
}

/** What a kind and its records are called. */
export interface KindNames {
  /** One of them, as a message begins: `This instrument`. */
  readonly one: string;
  /** All of them: `Instruments`. */
  readonly many: string;
  title(content: object): string;
}

/** JSON Schema of a file of ours with just these properties. */
export function fileSchema(
  title: string,
  properties: Readonly<Record<string, object>>,
  required: readonly string[],
): object {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title,
    type: 'object',
    properties,
    required,
    additionalProperties: false,
  };
}
