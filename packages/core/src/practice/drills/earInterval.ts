import { pitchClass } from '../../pitch/pitch.ts';
import { chosen, heardEvenly, type Subject } from '../drillQuestion.ts';
import { audible } from './drillContext.ts';
import type { Drill } from './drill.ts';

const INTERVALS: readonly string[] = Object.freeze([
  'unison',
  ...['minor second', 'major second', 'minor third', 'major third', 'fourth', 'tritone'],
  ...['fifth', 'minor sixth', 'major sixth', 'minor seventh', 'major seventh'],
]);

export const earInterval: Drill = {
  id: 'ear-interval',
  label: 'How far apart?',
  about: 'Two notes are heard: say the interval.',
  subjects: (context) => {
    const { key, hz, low } = audible(context);
    const steps = [
      ...new Set(key.scale.semitones.flatMap((a) => key.scale.semitones.map((b) => pitchClass(b - a)))),
    ]
      .filter((step) => step > 0)
      .sort((a, b) => a - b);
    return steps.map((step): Subject => {
      const starts = key.scale.semitones.filter((a) => key.scale.semitones.includes(pitchClass(a + step)));
      return {
        about: INTERVALS[step]!,
        ask: (random) => {
          const from = low + random.of(starts);
          return {
            ...chosen(
              random,
              'How far apart?',
              INTERVALS[step]!,
              steps.map((one) => INTERVALS[one]!),
              { about: INTERVALS[step]! },
            ),
            heard: heardEvenly(hz(from), hz(from + step)),
          };
        },
      };
    });
  },
};
