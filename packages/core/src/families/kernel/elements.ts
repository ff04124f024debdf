import { counted } from '../../words.ts';
import type { LayoutElement } from '../layoutPart.ts';

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

/** How many parts differ from their plan, to stand at the end of a description: `, 2 reeds changed`; nothing for none. */
export function changedText(changed: number, one: string): string {
  return changed === 0 ? '' : `, ${counted(changed, one)} changed`;
}

export function changedCount(elements: readonly LayoutElement[]): number {
  return elements.filter((element) => element.changed).length;
}
