import type { InstrumentSpec } from '@same-song/core/instruments';
import { StoredValues } from '../frame/stored.ts';

/** A saved text and its version. */
export interface Saved {
  readonly spec: InstrumentSpec;
  readonly version: number;
}

/** What was typed and not yet saved, and the saved text it was begun on. */
export interface Draft {
  readonly spec: InstrumentSpec;
  readonly base: Saved;
}

/** Drafts by instrument: they outlive leaving the page, closing the browser and a server that is away. */
export const drafts = new StoredValues<Draft>('draft.', (value) => (isDraft(value) ? value : undefined));
/** The newest saved text that this page knows of each instrument. */
const newest = new Map<string, Saved>();

export function draftOf(id: string): Draft | undefined {
  return drafts.get(id);
}

/** The saved text as this page last saw it, or as it is given where that is newer. */
export function savedOf(id: string, given: Saved): Saved {
  const known = newest.get(id);
  return known && known.version > given.version ? known : given;
}

/** A saved text was seen. */
export function noteSaved(id: string, seen: Saved): void {
  newest.set(id, savedOf(id, seen));
}

/** Keeps a changed text as the draft; there is none where it is the saved one again. */
export function changeDraft(id: string, spec: InstrumentSpec, given: Saved): void {
  const base = draftOf(id)?.base ?? savedOf(id, given);
  drafts.set(isSame(spec, base.spec) ? undefined : { spec, base }, id);
}

export function dropDraft(id: string): void {
  drafts.set(undefined, id);
}

/** A text was saved; what was typed since it was sent is now a draft on top of it. */
export function rebaseDraft(id: string, saved: Saved, sent: InstrumentSpec): void {
  newest.set(id, saved);
  const draft = draftOf(id);
  const isTyped = draft && !isSame(draft.spec, sent) && !isSame(draft.spec, saved.spec);
  drafts.set(isTyped ? { spec: draft.spec, base: saved } : undefined, id);
}

/** A text on top of what was saved elsewhere, in place of the draft. */
export function putOnTop(id: string, spec: InstrumentSpec, theirs: Saved): void {
  newest.set(id, theirs);
  drafts.set(isSame(spec, theirs.spec) ? undefined : { spec, base: theirs }, id);
}

/** Forgets the saved texts that were seen, as closing the page does. */
export function forgetSaved(): void {
  newest.clear();
}

function isDraft(value: unknown): value is Draft {
  const draft = value as Partial<Draft> | null;
  return (
    typeof draft?.spec?.family === 'string' &&
    typeof draft.base?.spec?.family === 'string' &&
    Number.isInteger(draft.base.version)
  );
}

function isSame(a: InstrumentSpec, b: InstrumentSpec): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
