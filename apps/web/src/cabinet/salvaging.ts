import type { Problem } from '@same-song/core';
import {
  RECORD_KIND_IDS,
  type ExchangeFile,
  type RecordKindId,
  type ImportReport,
} from '@same-song/core/records';
import { RequestError } from '../api/client.ts';
import { tryImport } from './importing.ts';

/** A file without the records that are refused, what it would change, and how those left out are called. */
export interface Rest {
  readonly file: ExchangeFile;
  readonly report: ImportReport;
  readonly left: readonly string[];
}

/** A record that a problem is about: `instruments.3.layout.draw` is about the fourth instrument. */
const AT_RECORD = /^([a-z]+)\.(\d+)(?:\.|$)/;

/** Whether every problem is about single records, so that the rest could be taken without them. */
export function canTakeRest(problems: readonly Problem[]): boolean {
  return problems.length > 0 && problems.every(({ field }) => placeOf(field) !== undefined);
}

/**
 * Leaves out what is refused, and what refers to that, until the rest would be taken; nothing is changed yet.
 * @throws RequestError where more than single records is wrong
 */
export async function takeRest(file: object, problems: readonly Problem[]): Promise<Rest> {
  const { rest, left } = without(file, problems);
  try {
    return { file: rest as ExchangeFile, report: await tryImport(rest), left };
  } catch (error) {
    const more = error instanceof RequestError ? error.body.problems : [];
    if (!canTakeRest(more)) throw error;
    const next = await takeRest(rest, more);
    return { ...next, left: [...left, ...next.left] };
  }
}

function placeOf(field: string): { kind: RecordKindId; index: number } | undefined {
  const [, name, index] = AT_RECORD.exec(field) ?? [];
  const kind = RECORD_KIND_IDS.find((id) => id === name);
  return kind && { kind, index: Number(index) };
}

function without(file: object, problems: readonly Problem[]): { rest: object; left: string[] } {
  const rest: Record<string, unknown> = { ...file };
  const left: string[] = [];
  for (const kind of RECORD_KIND_IDS) {
    const records = rest[kind];
    if (!Array.isArray(records)) continue;
    const refused = new Set(
      problems.flatMap(({ field }) => {
        const at = placeOf(field);
        return at?.kind === kind ? [at.index] : [];
      }),
    );
    left.push(...[...refused].sort((a, b) => a - b).map((index) => nameOf(records[index], kind, index)));
    rest[kind] = records.filter((_, index) => !refused.has(index));
  }
  return { rest, left };
}

function nameOf(record: unknown, kind: RecordKindId, index: number): string {
  const name = (record as { name?: unknown } | null)?.name;
  return typeof name === 'string' && name.trim() !== '' ? name : `${kind} ${index + 1}`;
}
