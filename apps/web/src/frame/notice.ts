import { useSyncExternalStore } from 'react';

/** A short message at the foot of the screen. */
export interface Notice {
  readonly id: number;
  readonly text: string;
  /** `error` stays until it is closed. */
  readonly kind: 'done' | 'error';
  readonly action?: { readonly label: string; run(): void };
}

let current: Notice | undefined;
let nextId = 1;
const listeners = new Set<() => void>();

function set(notice: Notice | undefined): void {
  current = notice;
  listeners.forEach((listener) => listener());
}

export function notify(text: string, options: Partial<Pick<Notice, 'kind' | 'action'>> = {}): void {
  set({ id: nextId++, kind: 'done', text, ...options });
}

export function closeNotice(): void {
  set(undefined);
}

export function useNotice(): Notice | undefined {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
  );
}
