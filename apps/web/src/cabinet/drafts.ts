import type { InstrumentSpec } from '@same-song/core';

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
const drafts = new Map<string, Draft | undefined>();
/** The newest saved text that this page knows of each instrument. */
const newest = new Map<string, Saved>();
const listeners = new Set<() => void>();

const nameOf = (id: string) => `same-song.draft.${id}`;

export function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function draftOf(id: string): Draft | undefined {
  if (!drafts.has(id)) drafts.set(id, read(id));
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
  put(id, isSame(spec, base.spec) ? undefined : { spec, base });
}

export function dropDraft(id: string): void {
  put(id, undefined);
}

/** A text was saved; what was typed since it was sent is now a draft on top of it. */
export function rebaseDraft(id: string, saved: Saved, sent: InstrumentSpec): void {
  newest.set(id, saved);
  const draft = draftOf(id);
  const isTyped = draft && !isSame(draft.spec, sent) && !isSame(draft.spec, saved.spec);
  put(id, isTyped ? { spec: draft.spec, base: saved } : undefined);
}

/** A text on top of what was saved elsewhere, in place of the draft. */
export function putOnTop(id: string, spec: InstrumentSpec, theirs: Saved): void {
  newest.set(id, theirs);
  put(id, isSame(spec, theirs.spec) ? undefined : { spec, base: theirs });
}

/** Forgets what is known of all instruments, as closing the page does. */
export function forgetDrafts(): void {
  drafts.clear();
  newest.clear();
}

function put(id: string, draft: Draft | undefined): void {
  drafts.set(id, draft);
  try {
    if (draft) localStorage.setItem(nameOf(id), JSON.stringify(draft));
    else localStorage.removeItem(nameOf(id));
  } catch {
    // A browser without storage keeps the draft as long as the page is open.
  }
  listeners.forEach((listener) => listener());
}

function read(id: string): Draft | undefined {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(nameOf(id)) ?? 'null');
    return isDraft(stored) ? stored : undefined;
  } catch {
    return undefined;
  }
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
