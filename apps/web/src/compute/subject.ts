import type { InstrumentSpec } from '@same-song/core/instruments';
import { specOf, type InstrumentRecord } from '../api/records.ts';

/** An instrument that something is asked about. */
export interface Subject {
  /** Another one for every change of the instrument, so that what is known of it goes by this alone. */
  readonly key: string;
  readonly spec: InstrumentSpec;
}

/** A record of the cabinet, by its id and version. */
export function subjectOf(record: InstrumentRecord): Subject {
  return { key: `${record.id}@${record.version}`, spec: specOf(record) };
}

/** An instrument that is being edited: it has no version, so its content is its key. */
export function draftSubject(spec: InstrumentSpec): Subject {
  const { family, layout, capability, measured, choices } = spec;
  return { key: JSON.stringify([family, layout, capability, measured, choices]), spec };
}
