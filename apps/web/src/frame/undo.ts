import { useSyncExternalStore } from 'react';

/** A change that can be taken back and made again. */
export interface Change {
  /** Fits after “Undo: ”. */
  readonly label: string;
  undo(): void | Promise<unknown>;
  redo(): void | Promise<unknown>;
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

/** Takes back the last change and says which it was; one that fails stays where it was. */
export async function undo(): Promise<string | undefined> {
  const change = history.done[history.done.length - 1];
  if (!change) return undefined;
  await change.undo();
  set({ done: history.done.slice(0, -1), undone: [...history.undone, change] });
  return change.label;
}

/** Makes the last undone change again. */
export async function redo(): Promise<string | undefined> {
  const change = history.undone[history.undone.length - 1];
  if (!change) return undefined;
  await change.redo();
  set({ done: [...history.done, change], undone: history.undone.slice(0, -1) });
  return change.label;
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
