import { useCallback } from 'react';
import type { Link } from './useLink.ts';

/** Parameters of a place's own, such as the order of a table, each change a step that can be undone. */
export function useLinkParams({
  params,
  current,
  write,
}: Pick<Link, 'params' | 'current'> & {
  readonly write: (next: URLSearchParams, label: string) => void;
}) {
  /** Several in one step; an empty one is taken away. */
  const setParams = useCallback(
    (values: Readonly<Record<string, string>>, label: string) => {
      const next = current();
      for (const [name, value] of Object.entries(values))
        if (value === '') next.delete(name);
        else next.set(name, value);
      write(next, label);
    },
    [current, write],
  );
  const setParam = useCallback(
    (name: string, change: string | ((before: string) => string), label: string) => {
      const before = current().get(name) ?? '';
      setParams({ [name]: typeof change === 'string' ? change : change(before) }, label);
    },
    [current, setParams],
  );
  /** Puts an entry into a list, or takes it out. */
  const flipParam = useCallback(
    (name: string, entry: string, label: string) =>
      setParam(
        name,
        (before) => {
          const entries = before.split(',').filter((one) => one !== '');
          const isIn = entries.includes(entry);
          return (isIn ? entries.filter((one) => one !== entry) : [...entries, entry]).join(',');
        },
        label,
      ),
    [setParam],
  );
  return { param: (name: string) => params.get(name) ?? '', setParam, setParams, flipParam };
}
