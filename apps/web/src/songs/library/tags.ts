/** A tag as the library has it. */
export interface TagInUse {
  readonly name: string;
  /** What it means, where somebody wrote it down. */
  readonly about: string;
  /** Songs that bear it. */
  readonly songs: number;
}

/** Tags that songs bear and tags that are kept, by name. */
export function tagsInUse(
  songs: readonly { readonly tags?: readonly string[] }[],
  kept: readonly { readonly title: string; readonly about?: string }[],
): readonly TagInUse[] {
  const counts = new Map<string, number>(kept.map(({ title }) => [title, 0]));
  for (const { tags = [] } of songs)
    for (const tag of new Set(tags)) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  const about = new Map(kept.map((tag) => [tag.title, tag.about ?? '']));
  return [...counts]
    .map(([name, count]) => ({ name, about: about.get(name) ?? '', songs: count }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** What was typed as tags, each once, apart by commas. */
export function readTags(text: string): readonly string[] {
  const words = text.split(',').map((word) => word.trim().replace(/\s+/g, ' '));
  return [...new Set(words.filter((word) => word !== ''))];
}

/** Tags with one of them called otherwise, or taken off. */
export function renamed(tags: readonly string[], from: string, to: string | undefined): readonly string[] {
  return [...new Set(tags.flatMap((tag) => (tag === from ? (to === undefined ? [] : [to]) : [tag])))];
}
