import { familyById, families, FAMILY_IDS } from '../families/index.ts';
import type { NamingStyle } from '../pitch/noteName.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { checkTensionLimits, TENSION_LIMITS, type TensionLimits } from '../tension/tension.ts';

/** `system`: as the device has it; `paper`: light; `stage`: dark. */
export const THEMES = Object.freeze(['system', 'paper', 'stage'] as const);
export type ThemeChoice = (typeof THEMES)[number];

export const NAMINGS: readonly NamingStyle[] = Object.freeze(['key', 'simple', 'sharps'] as const);

/** The user's own habits, the same for every question. */
export interface Settings {
  readonly theme: ThemeChoice;
  readonly naming: NamingStyle;
  /** Whether the staff stands above the line. */
  readonly staff: boolean;
  /** Tab dialect by family id; every family has one. */
  readonly dialects: Readonly<Record<string, string>>;
  /** Id of the instrument that Map opens with; empty before one was chosen. */
  readonly lastInstrument: string;
  /** Whether the words for a first visit have been read and put away. */
  readonly welcomed: boolean;
  /** Whether single letters, digits and signs are shortcuts. */
  readonly singleKeys: boolean;
  /** Id of the person who practises; empty where nobody is named. */
  readonly person: string;
  /** When a note against its chord grates. */
  readonly tension: TensionLimits;
}

export const DEFAULT_SETTINGS: Settings = Object.freeze({
  theme: 'system',
  naming: 'key',
  staff: false,
  dialects: Object.freeze(Object.fromEntries(FAMILY_IDS.map((id) => [id, families[id].dialects[0]!.id]))),
  lastInstrument: '',
  welcomed: false,
  singleKeys: true,
  person: '',
  tension: TENSION_LIMITS,
});

const LAST_LIMIT = 100;

/** Checks stored or sent settings; what is left out takes its default. Problem fields: `theme`, `dialects.diatonic` … */
export function checkSettings(stored: unknown): Result<Settings> {
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'Settings must be an object.' });
  const problems: Problem[] = [];
  const wrong = (field: string, value: unknown, message: string) =>
    problems.push({ field, wrong: shown(value), message });
  for (const field of Object.keys(stored)) {
    if (!Object.hasOwn(DEFAULT_SETTINGS, field))
      wrong(field, field, `There is no setting “${shown(field)}”.`);
  }
  const { theme, naming, staff, dialects, lastInstrument, welcomed, singleKeys, person, tension } = {
    ...DEFAULT_SETTINGS,
    ...stored,
  } as Record<string, unknown>;
  if (!THEMES.some((t) => t === theme)) wrong('theme', theme, `The theme is one of ${THEMES.join(', ')}.`);
  if (!NAMINGS.some((n) => n === naming))
    wrong('naming', naming, `Note names are one of ${NAMINGS.join(', ')}.`);
  if (typeof staff !== 'boolean') wrong('staff', staff, 'The staff is shown or not: true or false.');
  if (typeof lastInstrument !== 'string' || lastInstrument.length > LAST_LIMIT)
    wrong('lastInstrument', lastInstrument, 'The last instrument must be the id of one.');
  if (typeof person !== 'string' || person.length > LAST_LIMIT)
    wrong('person', person, 'Who practises is named by an id.');
  if (typeof welcomed !== 'boolean')
    wrong('welcomed', welcomed, 'The first visit is over or not: true or false.');
  if (typeof singleKeys !== 'boolean')
    wrong('singleKeys', singleKeys, 'Single keys are shortcuts or not: true or false.');
  const limits = checkTensionLimits(tension);
  if (!limits.ok) problems.push(...under('tension', limits.problems));
  if (isRecord(dialects)) problems.push(...dialectProblems(dialects));
  else wrong('dialects', dialects, 'Tab dialects must be named by family.');
  if (problems.length > 0) return fail(...problems);
  return ok({
    theme,
    naming,
    staff,
    lastInstrument,
    welcomed,
    singleKeys,
    person,
    tension,
    dialects: { ...DEFAULT_SETTINGS.dialects, ...(dialects as Record<string, string>) },
  } as Settings);
}

function dialectProblems(dialects: Record<string, unknown>): Problem[] {
  return Object.entries(dialects).flatMap(([id, dialect]): Problem[] => {
    const field = `dialects.${id}`;
    const family = familyById(id);
    if (!family) return [{ field, wrong: shown(id), message: `There is no family “${shown(id)}”.` }];
    if (family.dialects.some((d) => d.id === dialect)) return [];
    return [{ field, wrong: shown(dialect), message: `There is no tab dialect “${shown(dialect)}”.` }];
  });
}
