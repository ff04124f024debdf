import { chordSymbol } from '../../harmony/chord.ts';
import { notesOver } from '../../harmony/suitability.ts';
import { triadsOf } from '../../harmony/scaleChords.ts';
import { CHROMATIC_DEGREE_NAMES } from '../../scale/degree.ts';
import { chosen, type Subject } from '../drillQuestion.ts';
import type { Drill } from './drill.ts';

export const leaveOut: Drill = {
  id: 'leave-out',
  label: 'What to leave out?',
  about: 'A chord is given: say which note of the scale rubs.',
  subjects: ({ key }) =>
    triadsOf(key.scale).flatMap((chord): Subject[] => {
      const notes = notesOver(key.scale, chord);
      const rubs = notes
        .filter(({ fit }) => fit === 'clash')
        .map(({ semitone }) => CHROMATIC_DEGREE_NAMES[semitone]!);
      const good = notes
        .filter(({ fit }) => fit !== 'clash')
        .map(({ semitone }) => CHROMATIC_DEGREE_NAMES[semitone]!);
      if (rubs.length === 0 || good.length < 2) return [];
      const prompt = `Over ${chordSymbol(chord, key.tonic)}, what rubs when it is held?`;
      return [
        {
          about: chord.name,
          ask: (random) => ({
            ...chosen(random, prompt, random.of(rubs), good, { about: chord.name }),
            answer: rubs.join(' or '),
            degrees: true,
          }),
        },
      ];
    }),
};
