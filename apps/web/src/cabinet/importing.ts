import type { ExchangeFile, RecordKindId } from '@same-song/core';
import { request } from '../api/client.ts';

export interface KindReport {
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly same: number;
}
export type ImportReport = Readonly<Record<RecordKindId, KindReport>> & {
  readonly settings: 'changed' | 'same';
  /** By this the import is taken back; left out where it changed nothing. */
  readonly change?: string;
};

/** Says what a file would change. */
export function tryImport(file: unknown): Promise<ImportReport> {
  return request('POST', '/data/import?apply=false', file);
}

/** Imports a file, all or nothing. */
export function importFile(file: ExchangeFile): Promise<ImportReport> {
  return request('POST', '/data/import?apply=true', file);
}
