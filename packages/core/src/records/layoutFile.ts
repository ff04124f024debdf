import { familyById, FAMILY_IDS } from '../families/index.ts';
import { NAME_LIMIT, textProblems } from '../instrument/instrument.ts';
import { fail, isRecord, ok, shown, under, type Result } from '../result.ts';
import { fileSchema } from './recordKind.ts';

export const LAYOUT_FORMAT = 'same-song-layout';
export const LAYOUT_VERSION = 1;

/** A layout by itself, to hand on. */
export interface LayoutFile {
  readonly format: typeof LAYOUT_FORMAT;
  readonly version: number;
  readonly family: string;
  readonly name: string;
  readonly layout: unknown;
}

export function layoutFile(family: string, name: string, layout: unknown): LayoutFile {
  return { format: LAYOUT_FORMAT, version: LAYOUT_VERSION, family, name, layout };
}

/** Problem fields: `format`, `version`, `family`, `name`, `layout.draw.4` … */
export function checkLayoutFile(file: unknown): Result<LayoutFile> {
  const { format, version, family, name, layout } = isRecord(file) ? file : {};
  if (format !== LAYOUT_FORMAT)
    return fail({
      field: 'format',
      wrong: shown(format),
      message: 'This file holds no layout from Same Song.',
    });
  if (version !== LAYOUT_VERSION) {
    const newer = typeof version === 'number' && version > LAYOUT_VERSION;
    const message = newer
      ? 'This layout was written by a newer Same Song. Update this one, then import again.'
      : `The version must be ${LAYOUT_VERSION}.`;
    return fail({ field: 'version', wrong: shown(version), message });
  }
  const checked = checkSavedLayout({ family, name, layout });
  return checked.ok
    ? ok(layoutFile(checked.value.family, checked.value.name, checked.value.layout))
    : checked;
}

/** JSON Schema of a layout by itself. */
export function layoutFileSchema(): object {
  const properties = {
    format: { const: LAYOUT_FORMAT },
    version: { const: LAYOUT_VERSION },
    family: { enum: FAMILY_IDS },
    name: { type: 'string', minLength: 1, maxLength: NAME_LIMIT },
    layout: { type: 'object' },
  };
  return fileSchema('Same Song layout', properties, Object.keys(properties));
}

/** A layout kept to begin new instruments with. */
export interface SavedLayout {
  readonly family: string;
  readonly name: string;
  readonly layout: unknown;
}

/** Problem fields: `family`, `name`, `layout.draw.4` … */
export function checkSavedLayout(stored: unknown): Result<SavedLayout> {
  const { family, name, layout } = isRecord(stored) ? stored : {};
  const known = typeof family === 'string' ? familyById(family) : undefined;
  if (!known) {
    const message = `There is no family “${shown(family)}”. Known: ${FAMILY_IDS.join(', ')}.`;
    return fail({ field: 'family', wrong: shown(family), message });
  }
  const problems = textProblems('name', name, 1, NAME_LIMIT, 'A name');
  const opened = known.open(layout, {});
  if (!opened.ok) problems.push(...under('layout', opened.problems));
  if (problems.length > 0 || !opened.ok) return fail(...problems);
  return ok({ family: known.id, name: (name as string).trim(), layout: opened.value.layout });
}
