import * as v from 'valibot';
import { familyById } from '../families/index.ts';
import { FAMILY, NAME } from '../instrument/instrument.ts';
import { fail, isRecord, ok, shown, under, type Result } from '../result.ts';
import { checkedElsewhere, fields, objectJsonSchemaOf, parse } from '../schema.ts';
import { fileSchema } from './recordKind.ts';

export const LAYOUT_FORMAT = 'same-song-layout';
export const LAYOUT_VERSION = 1;

const LAYOUT = { family: FAMILY, name: NAME, layout: checkedElsewhere() };

/** A layout kept to begin new instruments with. */
export const SAVED_LAYOUT = fields(LAYOUT);
export interface SavedLayout extends v.InferOutput<typeof SAVED_LAYOUT> {}

const FILE = v.strictObject({
  format: v.literal(LAYOUT_FORMAT),
  version: v.literal(LAYOUT_VERSION),
  ...LAYOUT,
});

/** A layout by itself, to hand on. */
export interface LayoutFile extends Readonly<v.InferOutput<typeof FILE>> {}

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
  const parsed = parse(SAVED_LAYOUT, { family, name, layout });
  const opened = parsed.ok ? openLayout(parsed.value) : parsed;
  return opened.ok ? ok({ format, version, ...opened.value }) : opened;
}

/** Opens a kept layout by its family. Problem fields: `layout.draw.4` … */
export function openLayout(saved: SavedLayout): Result<SavedLayout> {
  const opened = familyById(saved.family)!.open(saved.layout, {});
  return opened.ok
    ? ok({ ...saved, layout: opened.value.layout })
    : fail(...under('layout', opened.problems));
}

/** JSON Schema of a layout by itself. */
export function layoutFileSchema(): object {
  const { properties, required } = objectJsonSchemaOf(FILE);
  return fileSchema('Same Song layout', properties, required);
}
