import { noteText } from '../../pitch/noteName.ts';
import { keyOf, USUAL_KEYS } from '../../scale/scale.ts';
import { CHOICES, chosen } from '../drillQuestion.ts';
import type { Drill } from './drill.ts';

export const keyFact: Drill = {
  id: 'key-fact',
  label: 'What is this key here?',
  about: 'A key is given: say what it is on this instrument.',
  subjects: ({ instrument, key }) => {
    const facts = USUAL_KEYS.map((tonic) => ({
      tonic: noteText(tonic),
      fact: instrument.facts(keyOf(key.scale, tonic))[0] ?? '',
    }));
    const known = facts.filter(({ fact }) => fact !== '');
    const all = [...new Set(known.map(({ fact }) => fact))];
    if (all.length < CHOICES) return [];
    return known.map(({ tonic, fact }) => ({
      about: tonic,
      ask: (random) =>
        chosen(random, `What is ${tonic} ${key.scale.name} here?`, fact, all, { about: tonic }),
    }));
  },
};
