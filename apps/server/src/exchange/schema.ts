import {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  LAYOUT_FORMAT,
  LAYOUT_VERSION,
  FAMILY_IDS,
  NAME_LIMIT,
  NOTES_LIMIT,
  RECORD_LIMIT,
} from '@same-song/core';

const id = { type: 'string', format: 'uuid' };
const name = { type: 'string', minLength: 1, maxLength: NAME_LIMIT };
const closed = (properties: Record<string, object>, optional: readonly string[] = []) => ({
  type: 'object',
  properties,
  required: Object.keys(properties).filter((key) => !optional.includes(key)),
  additionalProperties: false,
});

/** The published shape of an exported file. Layouts are checked further by the family they belong to. */
export const EXCHANGE_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Same Song data',
  ...closed({
    format: { const: EXCHANGE_FORMAT },
    version: { const: EXCHANGE_VERSION },
    instruments: {
      type: 'array',
      maxItems: RECORD_LIMIT,
      items: closed({
        id,
        family: { enum: FAMILY_IDS },
        name,
        layout: { type: 'object' },
        capability: {
          type: 'object',
          additionalProperties: { type: 'array', items: { type: 'string' } },
        },
        a4: { type: 'number', description: 'Hz of A4' },
        notes: { type: 'string', maxLength: NOTES_LIMIT },
        measured: {
          type: 'object',
          additionalProperties: closed({
            pitch: { type: 'integer' },
            cents: { type: 'number' },
          }),
        },
        choices: { type: 'array', items: { type: 'string' } },
      }),
    },
    questions: {
      type: 'array',
      maxItems: RECORD_LIMIT,
      items: closed({ id, name, instrumentId: id, question: { type: 'object' } }),
    },
    progressions: {
      type: 'array',
      maxItems: RECORD_LIMIT,
      items: closed({
        id,
        name,
        text: { type: 'string' },
        beats: { type: 'integer', minimum: 2, maximum: 12 },
      }),
    },
    layouts: {
      type: 'array',
      maxItems: RECORD_LIMIT,
      items: closed({ id, family: { enum: FAMILY_IDS }, name, layout: { type: 'object' } }),
    },
    settings: { type: 'object' },
  }),
};

/** The published shape of a layout handed on by itself. */
export const LAYOUT_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Same Song layout',
  ...closed({
    format: { const: LAYOUT_FORMAT },
    version: { const: LAYOUT_VERSION },
    family: { enum: FAMILY_IDS },
    name,
    layout: { type: 'object' },
  }),
};
