import type { MapView } from '@same-song/core/route';

/** What each way says to a screen reader: how it is played, its note, its degree. */
export function wayNames(
  ways: readonly Pick<MapView['ways'][number], 'id' | 'words' | 'note' | 'degree'>[],
): ReadonlyMap<string, string> {
  return new Map(ways.map(({ id, words, note, degree }) => [id, `${words}, ${note}, degree ${degree}`]));
}
