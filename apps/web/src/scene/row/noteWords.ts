import type { LineView } from '@same-song/core/route';

/**
 * A note of a line for a screen reader: its pitch and degree, how it is played, what else stands at it.
 * @param more what the row adds, in words
 */
export function noteWords(
  note: LineView,
  how: string | undefined,
  more: readonly (string | undefined)[],
): string {
  const played = note.missing === undefined ? (how ?? note.tab) : `not to be had, ${note.missing}`;
  return [
    `${note.note}, degree ${note.degree}: ${played ?? ''}`,
    note.fingering?.words,
    note.mark,
    note.pinned ? 'pinned' : undefined,
    ...more,
  ]
    .filter((text) => text)
    .join(', ');
}
