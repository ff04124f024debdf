import { pitchText, type NoteName } from '../../pitch/noteName.ts';
import type { TabDialect } from '../contract.ts';
import type { CustomWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'names', label: 'names: 1 4 7', separator: '  ' },
  { id: 'notes', label: 'name and note: 4 (F4)', separator: '  ' },
] as const satisfies readonly TabDialect[]);

/** @param called the name of its note @throws on an unknown dialect */
export function tab({ name, pitch }: CustomWay, dialect: string, called: NoteName): string {
  if (dialect === 'names') return name;
  if (dialect === 'notes') return `${name} (${pitchText(pitch, called)})`;
  throw new Error(`tab: no dialect ${dialect}`);
}
