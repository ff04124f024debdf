import { fifthsOf, signsText } from '../../pitch/keySignature.ts';
import { noteText } from '../../pitch/noteName.ts';
import { USUAL_KEYS } from '../../scale/scale.ts';
import { chosen, type Subject } from '../drillQuestion.ts';
import type { Drill } from './drill.ts';

export const signature: Drill = {
  id: 'signature',
  label: 'How many signs?',
  about: 'A major key and its sharps or flats.',
  subjects: () => {
    const all = USUAL_KEYS.map((tonic) => ({ tonic: noteText(tonic), signs: signsText(fifthsOf(tonic)) }));
    const tonics = all.map(({ tonic }) => tonic);
    const signs = [...new Set(all.map((one) => one.signs))];
    return all.map(({ tonic, signs: own }): Subject => ({
      about: tonic,
      ask: (random) =>
        random.below(2) === 0
          ? chosen(random, `Signs of ${tonic} major?`, own, signs, { about: tonic })
          : chosen(
              random,
              `Which major key has ${own}?`,
              tonic,
              tonics.filter(
                (one) => one === tonic || !all.some((key) => key.tonic === one && key.signs === own),
              ),
              { about: tonic },
            ),
    }));
  },
};
