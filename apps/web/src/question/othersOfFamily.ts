import { familyById, type InstrumentSpec } from '@same-song/core/instruments';
import type { InstrumentRecord } from '../api/records.ts';
import { subjectOf } from '../compute/subject.ts';
import { borrowedInstrument, presetRef, baseRef } from './reference.ts';

/** Another instrument of a family, as a link names it. */
export interface OneOfFamily {
  readonly ref: string;
  readonly key: string;
  readonly spec: InstrumentSpec;
}

/**
 * All of a family in the cabinet, the chosen one among them where it is one of them; where there is no other, those that
 * can be borrowed.
 */
export function allOfFamily(
  familyId: string | undefined,
  chosen: string | undefined,
  cabinet: readonly InstrumentRecord[],
): readonly OneOfFamily[] {
  const own = cabinet
    .filter(({ family }) => family === familyId)
    .map((record): OneOfFamily => ({ ref: record.id, ...subjectOf(record) }));
  const presets = familyId === undefined ? [] : (familyById(familyId)?.presets ?? []);
  const isOther = own.some(({ ref }) => ref !== chosen && ref !== baseRef(chosen ?? ''));
  if (isOther) return own;
  return presets.map(({ id }): OneOfFamily => {
    const ref = presetRef(familyId!, id);
    return { ref, ...borrowedInstrument(ref)! };
  });
}
