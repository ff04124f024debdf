import { RECORD_KIND_IDS, type ExchangeFile, type RecordKindId, type Settings } from '@same-song/core';
import { request } from '../api/client.ts';
import { contentsOf, type Kept } from '../api/records.ts';
import { ChangedSince, type Change } from '../frame/undo.ts';

export interface KindReport {
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly same: number;
}
export type ImportReport = Readonly<Record<RecordKindId, KindReport>> & {
  readonly settings: 'changed' | 'same';
};

/** A record as it stands on the server, in the bin or not. */
type Standing = Kept & Readonly<Record<string, unknown>>;

/** What an import did to one record. */
interface Touched {
  readonly kind: RecordKindId;
  readonly id: string;
  /** What it held before; undefined where it was not there. */
  readonly before: Standing | undefined;
  readonly wasBinned: boolean;
  /** The version in which this page left it. */
  version: number;
}

/** Says what a file would change. */
export function tryImport(file: unknown): Promise<ImportReport> {
  return request('POST', '/data/import?apply=false', file);
}

/**
 * Imports a file, all or nothing. What comes back takes away again just what the import did, record by record, and asks
 * before it goes over what somebody else changed since.
 */
export async function importFile(file: ExchangeFile): Promise<Pick<Change, 'undo' | 'redo'>> {
  const kept = await request<ExchangeFile>('GET', '/data/export');
  const before = await standing(file);
  const { settings } = await request<ImportReport>('POST', '/data/import?apply=true', file);
  const touched = await touchedBy(file, before, kept);
  const entries = entriesAdded(file, before);
  return {
    async undo(anyway = false) {
      await settleVersions(touched, anyway);
      await entries.tell(true);
      // What is referred to comes back first, and what refers to others goes first.
      for (const record of touched) if (record.before) await putBefore(record, record.before);
      for (const record of [...touched].reverse())
        if (!record.before || record.wasBinned) await binAgain(record);
      if (settings === 'changed') await putSettings(kept.settings);
    },
    async redo(anyway = false) {
      await settleVersions(touched, anyway);
      await request('POST', '/data/import?apply=true', file);
      await settleVersions(touched, true);
      await entries.tell(false);
    },
  };
}

/**
 * Log entries that a file adds. The log is only ever added to, so that they are put away, and come back, by a later
 * revision of each.
 */
function entriesAdded(file: ExchangeFile, before: ReadonlyMap<string, Standing>) {
  const newest = new Map<string, ExchangeFile['log'][number]>();
  for (const entry of file.log ?? []) {
    if (before.has(entry.id)) continue;
    const known = newest.get(entry.entry);
    if (!known || entry.revision > known.revision) newest.set(entry.entry, entry);
  }
  let later = 0;
  return {
    async tell(gone: boolean): Promise<void> {
      later += 1;
      for (const { id: _, gone: wasGone, ...entry } of newest.values()) {
        const revision = entry.revision + later;
        await request('POST', '/log', { ...entry, revision, gone: gone || wasGone === true });
      }
    },
  };
}

/** Kinds whose records can be changed and binned. */
const CHANGEABLE = RECORD_KIND_IDS.filter((kind) => kind !== 'log');

/** Records of a file as they stand, by id. */
async function standing(file: ExchangeFile): Promise<ReadonlyMap<string, Standing>> {
  const found = new Map<string, Standing>();
  for (const kind of RECORD_KIND_IDS)
    for (const record of await contentsOf<Standing>(kind, file[kind] ?? [])) found.set(record.id, record);
  return found;
}

/** What an import changed, in the order in which records refer to each other. */
async function touchedBy(
  file: ExchangeFile,
  before: ReadonlyMap<string, Standing>,
  kept: ExchangeFile,
): Promise<readonly Touched[]> {
  const touched: Touched[] = [];
  for (const kind of CHANGEABLE) {
    const wasKept = new Set(kept[kind].map(({ id }) => id));
    for (const { id, version } of await contentsOf(kind, file[kind] ?? [])) {
      const old = before.get(id);
      if (old?.version === version) continue;
      touched.push({ kind, id, before: old, wasBinned: old !== undefined && !wasKept.has(id), version });
    }
  }
  return touched;
}

/** Takes the versions that stand now; unless told otherwise, only where nobody else made them. */
async function settleVersions(touched: readonly Touched[], anyway: boolean): Promise<void> {
  for (const kind of CHANGEABLE) {
    const ours = touched.filter((record) => record.kind === kind);
    const now = new Map((await contentsOf(kind, ours)).map(({ id, version }) => [id, version]));
    const changed = ours.filter(({ id, version }) => now.get(id) !== version);
    if (!anyway && changed.length > 0)
      throw new ChangedSince(
        changed.length === 1
          ? 'One of its records was changed since.'
          : `${changed.length} of its records were changed since.`,
      );
    for (const record of changed) record.version = now.get(record.id) ?? record.version;
  }
}

async function putBefore(record: Touched, { id, version: _, ...content }: Standing): Promise<void> {
  await request('POST', `/${record.kind}/${id}/restore`);
  const [now] = await contentsOf(record.kind, [record]);
  const body = { ...content, version: now!.version };
  record.version = (await request<Kept>('PUT', `/${record.kind}/${id}`, body)).version;
}

async function binAgain(record: Touched): Promise<void> {
  const { kind, id, version } = record;
  record.version = (await request<Kept>('DELETE', `/${kind}/${id}?version=${version}`)).version;
}

async function putSettings(value: Settings): Promise<void> {
  const { version } = await request<{ version: number }>('GET', '/settings');
  await request('PUT', '/settings', { value, version });
}
