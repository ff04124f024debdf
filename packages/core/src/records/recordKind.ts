import { shown, type Problem, type Result } from '../result.ts';

/** What a kept record has beside its content. */
export interface Kept {
  readonly id: string;
  /** Raised by every change; a write on any other version than the one that stands is refused. */
  readonly version: number;
}

/** Finds the content of the record that a field names; undefined where there is none. */
export type Referred = (kind: string, id: string) => unknown;

/**
 * One kind of record. Routes, bin, export and import, the published schema, the client and the panel of data follow
 * from the list of kinds; a new kind is one entry there and its page.
 */
export interface RecordKind<Content extends object = object> {
  /** JSON Schema of every field of the content; what is none of them is refused. */
  readonly fields: Readonly<Record<keyof Content & string, object>>;
  /** Fields that may be left out, which `check` then fills in. */
  readonly optional?: readonly (keyof Content & string)[];
  /** Fields that hold the id of a record of another kind, if they are there, which must stand before this one in the list. */
  readonly refersTo?: Readonly<Record<string, string>>;
  /** Fields with entries of their own, such as measurements by place or notes by id, which two may change side by side. */
  readonly apart?: readonly (keyof Content & string)[];
  /** Fields that lists show beside the title, since they are small. */
  readonly listed: readonly (keyof Content & string)[];
  /**
   * What lists show of a content that is too long for them, such as how a melody begins; worked out whenever a record is
   * written, and listed as `sketch`.
   */
  readonly sketch?: (content: Content) => object;
  /** Written once and never changed, such as a log; `at` gives the time a record belongs to, by which it is asked for. */
  readonly appendOnly?: { at(content: Content): string };
  /** Checks a content of known fields. Problem fields are the content's own. */
  check(content: Readonly<Record<string, unknown>>, referred: Referred): Result<Content>;
}

/** What a kind and its records are called. */
export interface KindNames {
  /** One of them, as a message begins: `This instrument`. */
  readonly one: string;
  /** All of them: `Instruments`. */
  readonly many: string;
  title(content: object): string;
}

/** A field by the name that a kind does not have. */
export function unknownFields(
  kind: Pick<RecordKind, 'fields'>,
  content: Readonly<Record<string, unknown>>,
): Problem[] {
  return Object.keys(content)
    .filter((field) => !Object.hasOwn(kind.fields, field))
    .map((field) => ({ field, wrong: shown(field), message: `There is no field “${shown(field)}”.` }));
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
