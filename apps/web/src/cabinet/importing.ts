import type { ExchangeFile, ImportReport } from '@same-song/core/records';
import { request } from '../api/client.ts';

/** Says what a file would change. */
export function tryImport(file: unknown): Promise<ImportReport> {
  return request('POST', '/data/import?apply=false', file);
}

/** Imports a file, all or nothing. */
export function importFile(file: ExchangeFile): Promise<ImportReport> {
  return request('POST', '/data/import?apply=true', file);
}
