import { CHROMATIC_DEGREE_NAMES } from '../../scale/degree.ts';
import { chosen, heardEvenly, type Subject } from '../drillQuestion.ts';
import { audible } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const earDegree: Drill = {
  id: 'ear-degree',
  label: 'Which degree is it?',
  about: 'Home is heard, then a note: say its degree.',
  subjects: (context) => {
    const { key, hz, names, low } = audible(context);
    return key.scale.semitones.map((semitone): Subject => ({
      about: CHROMATIC_DEGREE_NAMES[semitone]!,
      ask: (random) => ({
        ...chosen(random, 'Home, then which degree?', CHROMATIC_DEGREE_NAMES[semitone]!, names, {
          about: CHROMATIC_DEGREE_NAMES[semitone]!,
        }),
        heard: heardEvenly(hz(low), hz(low + semitone)),
        degrees: true,
      }),
    }));
  },
};
