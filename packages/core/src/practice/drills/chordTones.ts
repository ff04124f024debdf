import { chordSymbol } from '../../harmony/chord.ts';
import { triadsOf } from '../../harmony/scaleChords.ts';
import { aboveHome } from '../../scale/scale.ts';
import { placed } from '../drillQuestion.ts';
import { waysInKey } from './drillContext.ts';
import type { Drill } from './drill.ts';

export const chordTones: Drill = {
  id: 'chord-tones',
  label: 'Which notes are in the chord?',
  about: 'A chord is given: show one of its notes.',
  subjects: (context) => {
    const { ways, words, key } = waysInKey(context);
    return triadsOf(key.scale).flatMap((chord) => {
      const own = ways.filter(({ pitch }) => chord.tones.includes(aboveHome(key, pitch)));
      const prompt = `Show a note of ${chordSymbol(chord, key.tonic)}.`;
      return own.length > 0 && own.length < ways.length
        ? [placed(prompt, own, { words, about: chord.name })]
        : [];
    });
  },
};
