/** Ids of parts that stand in a list, counted from 1: `spots.3`. They are the fields of their problems too. */
export function elementId(list: string, index: number): string {
  return `${list}.${index + 1}`;
}

/** Where in its list a part stands. @throws for an id that names none */
export function elementIndex(list: string, parts: readonly unknown[], element: string): number {
  const index = parts.findIndex((_, i) => elementId(list, i) === element);
  if (index < 0) throw new Error(`withElement: there is no ${element} among ${parts.length}`);
  return index;
}
