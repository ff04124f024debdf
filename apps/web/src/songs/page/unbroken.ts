import type { Family } from '@same-song/core/instruments';

/** Tab whose lines break between notes only, where a note has several words: `4 draw`, never `4` and then `draw`. */
export function unbroken(tab: string, { dialects }: Family, dialect: string): string {
  const separator = dialects.find(({ id }) => id === dialect)?.separator ?? ' ';
  return separator.trim() === '' ? tab : tab.replace(/(?<![,;|]) (?!\|)/g, '\u00a0');
}
