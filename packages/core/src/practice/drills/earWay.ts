import { aboveHome } from '../../scale/scale.ts';
import { heardEvenly, placed, type Subject } from '../drillQuestion.ts';
import { audible, byPitch, waysInKey } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const earWay: Drill = {
  id: 'ear-way',
  label: 'Find what you hear',
  about: 'Home is heard, then a note: show where it lies.',
  subjects: (context) => {
    const { ways, words, home } = waysInKey(context);
    const { hz } = audible(context);
    const lowest = Math.min(
      ...ways.filter(({ pitch }) => aboveHome(context.key, pitch) === 0).map(({ pitch }) => pitch),
    );
    if (!Number.isFinite(lowest)) return [];
    return byPitch(ways).map(([pitch, own]): Subject => {
      const subject = placed(`After ${home}: where is the second note?`, own, { words });
      return {
        ...subject,
        ask: (random) => ({ ...subject.ask(random), heard: heardEvenly(hz(lowest), hz(pitch)) }),
      };
    });
  },
};
