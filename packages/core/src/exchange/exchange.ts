import { isId } from '../isId.ts';
import { checkContent, contentSchema, recordKind, type ContentOf } from '../records/kinds.ts';
import { RECORD_KIND_IDS, type RecordKindId } from '../records/kindNames.ts';
import { fileSchema } from '../records/recordKind.ts';
import { fail, asList, isRecord, ok, type Problem, type Result, shown, under } from '../result.ts';
import { checkSettings, type Settings } from '../settings/settings.ts';

export const EXCHANGE_FORMAT = 'same-song-data';
/** Raised when older programs could not read what newer ones write. */
export const EXCHANGE_VERSION = 2;
/** Most records of one kind in a file: more than twenty years of a school's log, so that what is exported can be imported. */
export const RECORD_LIMIT = 1_000_000;

/** A record as it stands in a file. */
export type Exchanged<K extends RecordKindId = RecordKindId> = ContentOf<K> & { readonly id: string };

/** Everything that is kept, as one file. */
export type ExchangeFile = {
  readonly format: typeof EXCHANGE_FORMAT;
  readonly version: number;
  readonly settings: Settings;
} & { readonly [K in RecordKindId]: readonly Exchanged<K>[] };

/**
 * What makes a file of one version into one of the next, by the version it comes from. Files of version 1 were never
 * handed out.
 */
const UPGRADES: Readonly<Record<number, (file: Record<string, unknown>) => Record<string, unknown>>> =
  Object.freeze({});

/** Checks a whole file; nothing of it is taken unless all of it is sound. Problem fields: `instruments.0.layout.draw.4` … */
export function checkExchange(given: unknown): Result<ExchangeFile> {
  const steps = checkExchangeStepwise(given);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** The same, a record at a time, for who must not be held up by a long file. */
export function* checkExchangeStepwise(
  given: unknown,
): Generator<undefined, Result<ExchangeFile>, undefined> {
  const head = headProblem(given);
  if (head) return fail(head);
  const file = upgraded(given as Record<string, unknown>);
  const problems: Problem[] = [
    ...strangeKeys(file),
    ...RECORD_KIND_IDS.flatMap((id) => listProblems(id, file[id])),
  ];
  if (problems.length > 0) return fail(...problems);
  const seen = new Map<string, object>();
  const referred = (kind: string, id: string) => seen.get(`${kind} ${id}`);
  const ids = new Set<string>();
  const lists: [RecordKindId, object[]][] = [];
  for (const kind of RECORD_KIND_IDS) {
    const records: object[] = [];
    for (const [index, record] of asList(file[kind]).entries()) {
      const path = `${kind}.${index}`;
      const { id, ...content } = isRecord(record) ? record : {};
      const wrongId = idProblem(id, ids);
      if (wrongId) problems.push({ field: `${path}.id`, wrong: shown(id), message: wrongId });
      ids.add(String(id));
      const checked = checkContent(kind, content, referred);
      if (checked.ok) {
        seen.set(`${kind} ${String(id)}`, checked.value);
        records.push({ id: String(id), ...checked.value });
      } else problems.push(...under(path, checked.problems));
      yield;
    }
    lists.push([kind, records]);
  }
  const settings = checkSettings(file['settings'] ?? {});
  if (!settings.ok) problems.push(...under('settings', settings.problems));
  if (problems.length > 0 || !settings.ok) return fail(...problems);
  // Every record was checked by its kind.
  const sound = Object.fromEntries(lists) as unknown as { [K in RecordKindId]: readonly Exchanged<K>[] };
  return ok({ format: EXCHANGE_FORMAT, version: EXCHANGE_VERSION, ...sound, settings: settings.value });
}

/** JSON Schema of the file. Layouts and questions are checked further by the family they belong to. */
export function exchangeSchema(): object {
  const id = { type: 'string', format: 'uuid' };
  const lists = RECORD_KIND_IDS.map((kind) => [
    kind,
    { type: 'array', maxItems: RECORD_LIMIT, items: contentSchema(kind, { id }) },
  ]);
  const properties: Record<string, object> = {
    format: { const: EXCHANGE_FORMAT },
    version: { const: EXCHANGE_VERSION },
    ...Object.fromEntries(lists),
    settings: { type: 'object' },
  };
  return fileSchema('Same Song data', properties, ['format', 'version']);
}

function headProblem(file: unknown): Problem | undefined {
  const { format, version } = isRecord(file) ? file : {};
  if (format !== EXCHANGE_FORMAT)
    return { field: 'format', wrong: shown(format), message: 'This file was not exported from Same Song.' };
  if (typeof version === 'number' && version > EXCHANGE_VERSION) {
    const message = 'This file was written by a newer Same Song. Update this one, then import again.';
    return { field: 'version', wrong: shown(version), message };
  }
  if (version === EXCHANGE_VERSION || (typeof version === 'number' && UPGRADES[version])) return undefined;
  return { field: 'version', wrong: shown(version), message: `The version must be ${EXCHANGE_VERSION}.` };
}

function upgraded(file: Record<string, unknown>): Record<string, unknown> {
  const step = UPGRADES[file['version'] as number];
  return step ? upgraded(step(file)) : file;
}

function strangeKeys(file: Record<string, unknown>): Problem[] {
  const known = new Set<string>(['format', 'version', 'settings', ...RECORD_KIND_IDS]);
  return Object.keys(file)
    .filter((key) => !known.has(key))
    .map((key) => ({
      field: key,
      wrong: shown(key),
      message: `There is nothing called “${shown(key)}” in such a file.`,
    }));
}

function listProblems(kind: RecordKindId, list: unknown): Problem[] {
  const { many } = recordKind(kind);
  if (list === undefined) return [];
  if (!Array.isArray(list)) return [{ field: kind, wrong: shown(list), message: `${many} must be a list.` }];
  if (list.length <= RECORD_LIMIT) return [];
  const message = `A file may hold ${RECORD_LIMIT} ${many.toLowerCase()} at most; this one has ${list.length}.`;
  return [{ field: kind, wrong: String(list.length), message }];
}

function idProblem(id: unknown, seen: ReadonlySet<string>): string | undefined {
  if (!isId(id)) return 'Every record needs an id of its own (a UUID).';
  return seen.has(id) ? 'Two records have this id.' : undefined;
}
