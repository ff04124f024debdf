import { pitchClass } from '../../pitch/pitch.ts';
import { placed } from '../drillQuestion.ts';
import { byPitch, waysInKey } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const degreeWay: Drill = {
  id: 'degree-way',
  label: 'Where is this degree?',
  about: 'A degree of the key is given: show where it lies.',
  subjects: (context) => {
    const { ways, words, degreeOf, home } = waysInKey(context);
    return byPitch(ways.map((way) => ({ ...way, pitch: pitchClass(way.pitch) }))).map(([pc, own]) =>
      placed(`Where is degree ${degreeOf(pc)} of ${home}?`, own, { words }),
    );
  },
};
