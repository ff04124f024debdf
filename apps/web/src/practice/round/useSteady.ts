import { useState } from 'react';

/** The same object as long as its content is. */
export function useSteady<T extends object>(value: T): T {
  const [kept, setKept] = useState(value);
  if (JSON.stringify(kept) === JSON.stringify(value)) return kept;
  setKept(value);
  return value;
}
