import { useSyncExternalStore } from 'react';

/** A change that can be taken back and made again. */
export interface Change {
  /** Fits after “Undo: ”. */
  readonly label: string;
  /** @param anyway over what somebody else changed since; otherwise that throws {@link ChangedSince} */
  undo(anyway?: boolean): void | Promise<unknown>;
  redo(anyway?: boolean): void | Promise<unknown>;
}

/** Thrown where undo or redo would go over somebody else's newer change: it is asked about first. */
export class ChangedSince extends Error {
  override name = 'ChangedSince';
  /** The change that was to be taken back or made again. */
  of: Change | undefined;
}

interface History {
  readonly done: readonly Change[];
  readonly undone: readonly Change[];
}

const LIMIT = 200;
let history: History = { done: [], undone: [] };
const listeners = new Set<() => void>();

function set(next: History): void {
  history = next;
  listeners.forEach((listener) => listener());
}

/** Remembers a change that was just made. */
export function remember(change: Change): void {
  set({ done: [...history.done, change].slice(-LIMIT), undone: [] });
}

/** Forgets a change that was remembered before it was made, and could not be. */
export function forget(change: Change): void {
  const others = (list: readonly Change[]) => list.filter((known) => known !== change);
  set({ done: others(history.done), undone: others(history.undone) });
}

/** Which change, the last one when left out, and whether it may go over what somebody else changed since. */
export interface Wish {
  readonly of?: Change;
  readonly anyway?: boolean;
}

/** Takes back the last change and says which it was; one that fails stays where it was. */
export function undo(wish?: Wish): Promise<Change | undefined> {
  return inTurn(() => move('done', 'undone', wish));
}

/** Makes the last undone change again. */
export function redo(wish?: Wish): Promise<Change | undefined> {
  return inTurn(() => move('undone', 'done', wish));
}

let turn: Promise<unknown> = Promise.resolve();

/** One after the other, however fast they are asked for: two at once would both take the same change. */
function inTurn<T>(act: () => Promise<T>): Promise<T> {
  const next = turn.then(act);
  turn = next.catch(() => undefined);
  return next;
}

async function move(from: keyof History, to: keyof History, { of, anyway }: Wish = {}) {
  const change = history[from].findLast((known) => of === undefined || known === of);
  if (!change) return undefined;
  try {
    await (from === 'done' ? change.undo(anyway) : change.redo(anyway));
  } catch (error) {
    if (error instanceof ChangedSince) error.of = change;
    throw error;
  }
  // Others may have been remembered meanwhile: what goes is this one, wherever it now stands.
  const left = history[from].filter((known) => known !== change);
  set({ ...history, [from]: left, [to]: [...history[to], change] });
  return change;
}

export function useHistory(): History {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => history,
  );
}
