import * as v from 'valibot';
import { families, FAMILY_IDS } from '../families/index.ts';
import type { NamingStyle } from '../pitch/noteName.ts';
import { fail, isRecord, shown, type Result } from '../result.ts';
import { fields, oneOf, parse, text, yesOrNo } from '../schema.ts';
import { TENSION_LIMITS_SCHEMA } from '../tension/tension.ts';

/** `system`: as the device has it; `paper`: light; `stage`: dark. */
export const THEMES = Object.freeze(['system', 'paper', 'stage'] as const);
export type ThemeChoice = (typeof THEMES)[number];

export const NAMINGS: readonly NamingStyle[] = Object.freeze(['key', 'simple', 'sharps'] as const);

const LAST_LIMIT = 100;

/** A dialect of tab for each family; where nothing is said, its first. */
const DIALECTS = fields(
  Object.fromEntries(
    FAMILY_IDS.map((id) => {
      const dialects = families[id].dialects.map((dialect) => dialect.id);
      return [id, v.exactOptional(oneOf(dialects), dialects[0]!)];
    }),
  ),
);

const SETTINGS = fields({
  theme: v.exactOptional(oneOf(THEMES), 'system'),
  naming: v.exactOptional(oneOf(NAMINGS), 'key'),
  /** Whether the staff stands above the line. */
  staff: v.exactOptional(yesOrNo(), false),
  /** Tab dialect by family id; every family has one. */
  dialects: v.exactOptional(DIALECTS, {}),
  /** Id of the instrument that Map opens with; empty before one was chosen. */
  lastInstrument: v.exactOptional(text(LAST_LIMIT), ''),
  /** Whether the words for a first visit have been read and put away. */
  welcomed: v.exactOptional(yesOrNo(), false),
  /** Whether single letters, digits and signs are shortcuts. */
  singleKeys: v.exactOptional(yesOrNo(), true),
  /** Id of the person who practises; empty where nobody is named. */
  person: v.exactOptional(text(LAST_LIMIT), ''),
  /** When a note against its chord grates. */
  tension: v.exactOptional(TENSION_LIMITS_SCHEMA, {}),
});

/** The user's own habits, the same for every question. */
export interface Settings extends v.InferOutput<typeof SETTINGS> {}

export const DEFAULT_SETTINGS: Settings = Object.freeze(v.parse(SETTINGS, {}));

/** Checks stored or sent settings; what is left out takes its default. Problem fields: `theme`, `dialects.diatonic` … */
export function checkSettings(stored: unknown): Result<Settings> {
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'Settings must be an object.' });
  return parse(SETTINGS, stored);
}
