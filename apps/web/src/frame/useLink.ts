import { useCallback, useLayoutEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { remember } from './undo.ts';

/** The state of a place as its link has it: read as it is drawn, and changed as it was last written. */
export interface Link {
  /** As the page is drawn. */
  readonly params: URLSearchParams;
  /** The same as text, equal as long as the link is. */
  readonly search: string;
  /** As it was last written, drawn or not yet drawn; a copy of one's own. */
  readonly current: () => URLSearchParams;
  /** Writes it as a step of the browser's history and of undo; nothing where it stays the same. */
  readonly write: (next: URLSearchParams, label: string) => void;
  /** Writes it without a step of its own. */
  readonly replace: (next: URLSearchParams) => void;
}

/**
 * The link of a place. Changes are made on what was last written, not on what was last drawn: two that come before the page
 * is drawn again both hold.
 */
export function useLink(): Link {
  const [params, setSearchParams] = useSearchParams();
  const search = params.toString();
  const now = useRef(search);
  const underWay = useRef<string[]>([]);
  useLayoutEffect(() => {
    // One of our own links may be drawn after the next one was written: then the newest stands.
    const drawn = underWay.current.indexOf(search);
    underWay.current = drawn < 0 ? [] : underWay.current.slice(drawn + 1);
    if (underWay.current.length === 0) now.current = search;
  }, [search]);
  // The router hands out another setter with every link; what hangs on it shall not be drawn again for that.
  const latestSet = useRef(setSearchParams);
  useLayoutEffect(() => {
    latestSet.current = setSearchParams;
  }, [setSearchParams]);
  const go = useCallback((link: URLSearchParams, options?: { replace: boolean }) => {
    const next = link.toString();
    if (next === now.current) return;
    now.current = next;
    underWay.current.push(next);
    latestSet.current(link, { ...options, flushSync: true });
  }, []);
  const current = useCallback(() => new URLSearchParams(now.current), []);
  const write = useCallback(
    (next: URLSearchParams, label: string) => {
      const before = new URLSearchParams(now.current);
      if (next.toString() === before.toString()) return;
      go(next);
      remember({ label, undo: () => go(before), redo: () => go(next) });
    },
    [go],
  );
  const replace = useCallback((next: URLSearchParams) => go(next, { replace: true }), [go]);
  return { params, search, current, write, replace };
}
