import type { TabDialect } from '../families/contract.ts';
import type { Family } from '../families/contract.ts';
import type { NamingStyle } from '../pitch/noteName.ts';

/** How things are written; the user's own choice, no part of the question. */
export interface NotationOptions {
  readonly naming: NamingStyle;
  readonly dialect: string;
}

/** @throws when the family has no such dialect */
export function dialectOf(family: Family, dialect: string): TabDialect {
  const known = family.dialects.find((d) => d.id === dialect);
  if (!known) throw new Error(`dialectOf: ${family.id} has no tab dialect ${dialect}`);
  return known;
}
