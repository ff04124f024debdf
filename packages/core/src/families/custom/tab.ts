import { flatName, noteText } from '../../pitch/noteName.ts';
import { octaveOf } from '../../pitch/pitch.ts';
import type { TabDialect } from '../contract.ts';
import type { CustomWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'names', label: 'names: 1 4 7', separator: '  ' },
  { id: 'notes', label: 'name and note: 4 (F4)', separator: '  ' },
] as const satisfies readonly TabDialect[]);

/** @throws on an unknown dialect */
export function tab({ name, pitch }: CustomWay, dialect: string): string {
  if (dialect === 'names') return name;
  if (dialect === 'notes') return `${name} (${noteText(flatName(pitch))}${octaveOf(pitch)})`;
  throw new Error(`tab: no dialect ${dialect}`);
}
