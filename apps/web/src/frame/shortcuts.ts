import { useLayoutEffect, useRef, useSyncExternalStore } from 'react';

/** A key and what it does; listed on the sheet that `?` opens. */
export interface Shortcut {
  /** As `KeyboardEvent.key`; letters in lower case. */
  readonly key: string;
  /** With Ctrl or ⌘. */
  readonly ctrl?: boolean;
  readonly shift?: boolean;
  /** Again and again while the key is held: for walking only. */
  readonly repeats?: boolean;
  /** Also while something is typed, where the browser's own meaning is worth less. */
  readonly inFields?: boolean;
  readonly label: string;
  /** Where on the sheet it is listed. */
  readonly group: string;
  run(): void;
}

let active: readonly (readonly Shortcut[])[] = [];
const listeners = new Set<() => void>();

function set(next: typeof active): void {
  active = next;
  listeners.forEach((listener) => listener());
}

/** Fields that take letters; a checkbox takes none. */
const TYPED_IN =
  'input:not([type="checkbox"], [type="radio"], [type="button"], [type="file"]), textarea, select, [contenteditable]';
/** Parts that have a meaning of their own for a key. */
const TAKEN: Readonly<Record<string, string>> = {
  ' ': 'button, a, input, summary, [role="tab"]',
  Enter: 'button, a, input, summary, [role="tab"]',
  ArrowUp: '[type="radio"]',
  ArrowDown: '[type="radio"]',
  ArrowLeft: '[type="radio"], [role="tab"]',
  ArrowRight: '[type="radio"], [role="tab"]',
};

function isIn(target: EventTarget | null, selector: string | undefined): boolean {
  return selector !== undefined && target instanceof Element && target.closest(selector) !== null;
}

/** Whether single characters are shortcuts: some press them unawares, by voice or with an unsteady hand. */
let single = true;

export function useSingleKeys(on: boolean): void {
  useLayoutEffect(() => {
    single = on;
  }, [on]);
}

function isSingle({ key, ctrl }: Shortcut): boolean {
  return key.length === 1 && key !== ' ' && !ctrl;
}

window.addEventListener('keydown', (event) => {
  if (event.defaultPrevented || event.altKey) return;
  const withCtrl = event.ctrlKey || event.metaKey;
  const typing = isIn(event.target, TYPED_IN);
  if (isIn(event.target, '[role="dialog"]') || (!withCtrl && isIn(event.target, TAKEN[event.key]))) return;
  const matches = (s: Shortcut) =>
    s.key === (event.key.length === 1 ? event.key.toLowerCase() : event.key) &&
    (s.ctrl ?? false) === withCtrl &&
    (s.shift === undefined || s.shift === event.shiftKey) &&
    (single || !isSingle(s)) &&
    (!typing || s.inFields === true);
  const shortcut = active.flat().findLast(matches);
  if (!shortcut) return;
  event.preventDefault();
  if (!event.repeat || shortcut.repeats) shortcut.run();
});

/** Keys in force while the caller is on screen; those of the innermost caller win. */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const latest = useRef(shortcuts);
  // Before the page is shown: the next key may come at once, and must mean what is then on screen.
  useLayoutEffect(() => {
    latest.current = shortcuts;
  });
  const keys = shortcuts.map((s) => `${s.ctrl ? '^' : ''}${s.key}${s.label}`).join();
  useLayoutEffect(() => {
    const own = shortcuts.map((s, index): Shortcut => ({ ...s, run: () => latest.current[index]!.run() }));
    set([...active, own]);
    return () => set(active.filter((group) => group !== own));
    // Only the keys and their names decide; what they do is read when they are pressed.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [keys]);
}

export function useAllShortcuts(): readonly Shortcut[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => active,
  ).flat();
}

/** The key as printed on a keyboard. */
export function keyText({ key, ctrl, shift }: Shortcut): string {
  const names: Record<string, string> = {
    ' ': 'Space',
    ArrowLeft: '←',
    ArrowRight: '→',
    ArrowUp: '↑',
    ArrowDown: '↓',
  };
  return `${ctrl ? 'Ctrl ' : ''}${shift ? 'Shift ' : ''}${names[key] ?? (key.length === 1 ? key.toUpperCase() : key)}`;
}
