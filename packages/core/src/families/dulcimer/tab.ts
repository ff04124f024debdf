import type { ChordSpelling, Spelling } from '../kernel/readLoosely.ts';
import type { TabWriter } from '../contract.ts';
import { STRINGS } from './tables.ts';
import type { DulcimerWay } from './ways.ts';

/** Middle and melody share their first letter, so a single letter would not tell them apart. */
const SHORT = Object.freeze({ bass: 'bass', middle: 'mid', melody: 'mel' });

/** `0-0-2`, from the bass; a string that is not played is x. */
function fretsWritten(ways: readonly DulcimerWay[]): string {
  return STRINGS.map((string) => ways.find(({ technique }) => technique === string)?.fret ?? 'x').join('-');
}

/** The ½ of a fret is never dropped. */
export const dialects: readonly TabWriter<DulcimerWay>[] = Object.freeze([
  {
    id: 'strings',
    label: 'string and fret: mel 3, bass 0',
    separator: ', ',
    write: (way) => `${SHORT[way.technique]} ${way.fret}`,
    writeChord: (ways) => (ways.length === STRINGS.length ? fretsWritten(ways) : undefined),
  },
  {
    id: 'columns',
    label: 'bass-middle-melody: --3 -2- 0--',
    separator: '  ',
    write: ({ fret, technique }) =>
      ({ bass: `${fret}--`, middle: `-${fret}-`, melody: `--${fret}` })[technique],
    writeChord: fretsWritten,
  },
  { id: 'words', label: 'words: melody string fret 6½', separator: ', ', write: (way) => way.words },
]);

/** 6+ for 6½; a number alone is the melody string’s. */
export const spellings: readonly Spelling[] = Object.freeze([
  [/^(\d+½?)$/, 'mel $1'],
  [/^(\d+)(?:\+|\.5)$/, 'mel $1½'],
  [/^(bass|mid|mel) (\d+)\+$/, '$1 $2½'],
  [/^(-{0,2})(\d+)\+(-{0,2})$/, '$1$2½$3'],
]);

/** Bass, middle, melody: `0-0-2`; a string that is not played is x. */
export const chordSpellings: readonly ChordSpelling[] = Object.freeze([
  {
    typed: /^(\d+[½+]?|x)-(\d+[½+]?|x)-(\d+[½+]?|x)$/,
    notes: (frets) =>
      frets.flatMap((fret, i) =>
        fret === 'x' ? [] : [`${['bass', 'mid', 'mel'][i]!} ${fret.replace('+', '½')}`],
      ),
  },
]);

export function briefAlone({ technique, fret }: DulcimerWay): string {
  return `${SHORT[technique]} ${fret}`;
}

export function brief({ fret }: DulcimerWay): string {
  return fret;
}
