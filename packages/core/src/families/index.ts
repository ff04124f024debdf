import { keysOf } from '../objects.ts';
import { anglo } from './anglo/index.ts';
import { chromatic } from './chromatic/index.ts';
import type { Family } from './contract.ts';
import { custom } from './custom/index.ts';
import { diatonic } from './diatonic/index.ts';
import { drum } from './drum/index.ts';
import { dulcimer } from './dulcimer/index.ts';
import { english } from './english/index.ts';
import { harp } from './harp/index.ts';
import { whistle } from './whistle/index.ts';

/** Every family served, in the order shown. A new one is a folder beside this file and a line here. */
export const families = {
  diatonic,
  chromatic,
  whistle,
  english,
  anglo,
  dulcimer,
  harp,
  drum,
  custom,
} as const satisfies Record<string, Family>;

export type FamilyId = keyof typeof families;

export const FAMILY_IDS = Object.freeze(keysOf(families));

/** The family of a stored id, or undefined when it is none of ours. */
export function familyById(id: string): Family | undefined {
  return Object.hasOwn(families, id) ? families[id as FamilyId] : undefined;
}
