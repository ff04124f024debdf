import type { TabDialect } from '../contract.ts';
import type { DulcimerWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'strings', label: 'string and fret: mel 3, bass 0', separator: ', ' },
  { id: 'columns', label: 'bass-middle-melody: --3 -2- 0--', separator: '  ' },
  { id: 'words', label: 'words: melody string fret 6½', separator: ', ' },
] as const satisfies readonly TabDialect[]);

/** Middle and melody share their first letter, so a single letter would not tell them apart. */
const SHORT = Object.freeze({ bass: 'bass', middle: 'mid', melody: 'mel' });

/** The ½ of a fret is never dropped. @throws on an unknown dialect */
export function tab(way: DulcimerWay, dialect: string): string {
  switch (dialect) {
    case 'strings':
      return `${SHORT[way.technique]} ${way.fret}`;
    case 'columns':
      return { bass: `${way.fret}--`, middle: `-${way.fret}-`, melody: `--${way.fret}` }[way.technique];
    case 'words':
      return way.words;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
}

export function brief({ fret }: DulcimerWay): string {
  return fret;
}
