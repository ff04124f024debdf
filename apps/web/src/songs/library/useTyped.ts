import { useEffect, useState } from 'react';
import { useDebouncedCallback } from 'use-debounce';

/** After typing stops, in ms. */
const PAUSE = 300;

/**
 * What stands in a field: as it is typed, and as the link has it when that changes by other means.
 * @param write puts what was typed into the link, once its writer pauses
 */
export function useTyped(linked: string, write: (typed: string) => void) {
  const [typed, setTyped] = useState(linked);
  const [seen, setSeen] = useState(linked);
  /** What went from here into the link; meanwhile more may have been typed. */
  const [written, setWritten] = useState(linked);
  if (linked !== seen) {
    setSeen(linked);
    if (linked !== written) setTyped(linked);
  }
  const writeLater = useDebouncedCallback((text: string) => {
    setWritten(text);
    write(text);
  }, PAUSE);
  useEffect(() => {
    if (typed === linked) writeLater.cancel();
    else writeLater(typed);
  }, [typed, linked, writeLater]);
  return [typed, setTyped] as const;
}
