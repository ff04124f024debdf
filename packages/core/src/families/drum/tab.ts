import { pitchText } from '../../pitch/noteName.ts';
import type { TabWriter } from '../contract.ts';
import type { SpotWay } from '../kernel/fixedPitches.ts';

export const dialects: readonly TabWriter<SpotWay>[] = Object.freeze([
  { id: 'numbers', label: 'numbers: 1 4 7', separator: '  ', write: (way) => String(way.number) },
  {
    id: 'notes',
    label: 'number and note: 4 (F4)',
    separator: '  ',
    write: (way, note) => `${way.number} (${pitchText(way.pitch, note)})`,
  },
  { id: 'words', label: 'words: tongue 4', separator: ', ', write: (way) => way.words },
]);
