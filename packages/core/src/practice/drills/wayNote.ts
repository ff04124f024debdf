import { chosen } from '../drillQuestion.ts';
import { waysInKey } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const wayNote: Drill = {
  id: 'way-note',
  label: 'Which note is this?',
  about: 'A place is shown: name its note.',
  subjects: (context) => {
    const { ways, name } = waysInKey(context);
    const names = [...new Set(ways.map(({ pitch }) => name.bare(pitch)))];
    return ways.map((way) => ({
      about: way.id,
      ask: (random) =>
        chosen(random, 'Which note is this?', name.bare(way.pitch), names, { shown: way.id, about: way.id }),
    }));
  },
};
