import type { Family } from '@same-song/core/instruments';
import type { Choice } from './WordPicker.tsx';

/** The preferences of a family as choices of a sentence's word. @param current id of the one that holds */
export function preferenceChoices(
  { preferences }: Pick<Family, 'preferences'>,
  current: string,
): readonly Choice[] {
  return preferences.map(({ id, label, about }) => ({ id, label, about, current: id === current }));
}
