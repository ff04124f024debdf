import { pitchText } from '../../pitch/noteName.ts';
import type { TabWriter } from '../contract.ts';
import type { CustomWay } from './ways.ts';

export const dialects: readonly TabWriter<CustomWay>[] = Object.freeze([
  { id: 'names', label: 'names: 1 4 7', separator: '  ', write: ({ name }) => name },
  {
    id: 'notes',
    label: 'name and note: 4 (F4)',
    separator: '  ',
    write: ({ name, pitch }, note) => `${name} (${pitchText(pitch, note)})`,
  },
]);
