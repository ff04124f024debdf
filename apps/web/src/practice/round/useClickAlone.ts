import { useEffect, useRef } from 'react';
import type { Mix } from './roundScore.ts';

const SILENT: Omit<Mix, 'click'> = Object.freeze({ line: 0, bass: 0, chords: 0, drums: 0 });

/**
 * While it is listened along only the click sounds, which no ear takes for a note: all else that the page plays would be
 * heard for the player's. Who wears headphones may turn it up meanwhile. After that all is as it was.
 */
export function useClickAlone(listens: boolean, mix: Mix, setMix: (mix: Mix) => void): void {
  const latest = useRef({ mix, setMix });
  useEffect(() => {
    latest.current = { mix, setMix };
  });
  useEffect(() => {
    if (!listens) return undefined;
    const before = latest.current.mix;
    latest.current.setMix({ ...before, ...SILENT });
    return () => {
      const { mix: now, setMix: change } = latest.current;
      change({ ...before, click: now.click });
    };
  }, [listens]);
}
