import { placed } from '../drillQuestion.ts';
import { byPitch, waysInKey } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const noteWay: Drill = {
  id: 'note-way',
  label: 'Where is this note?',
  about: 'A name is given: show where it lies.',
  subjects: (context) => {
    const { ways, name, words } = waysInKey(context);
    return byPitch(ways).map(([pitch, own]) => placed(`Where is ${name.withOctave(pitch)}?`, own, { words }));
  },
};
