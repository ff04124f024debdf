import type { Family } from '../families/contract.ts';
import { familyById } from '../families/index.ts';
import { isRecord, shown, type Problem } from '../result.ts';
import type { Referred } from './recordKind.ts';

/** The family of an instrument that a record names; undefined where the instrument is gone. */
export function familyReferred(instrumentId: string, referred: Referred): Family | undefined {
  const instrument = referred('instruments', instrumentId);
  return isRecord(instrument) ? familyById(String(instrument['family'])) : undefined;
}

/** The problem of a record that names another which is gone. @param what as in `The instrument of this question` */
export function lost(field: string, id: string | undefined, what: string): Problem {
  return { field, wrong: shown(id), message: `The ${what} is not there.` };
}
