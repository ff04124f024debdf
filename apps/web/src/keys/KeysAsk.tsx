import { useState } from 'react';
import { useShortcuts } from '../frame/shortcuts.ts';
import { chooseScale, instrumentChoices, scaleChoices, tonicChoices } from '../map/AskLine.tsx';
import { scaleWords, tonicWords } from '../map/askWords.ts';
import type { MapState } from '../map/useMapState.ts';
import { WordPicker } from '../map/WordPicker.tsx';

type Word = 'scale' | 'key' | 'instrument';
const KEYS: Readonly<Record<Word, string>> = { scale: 's', key: 'k', instrument: 'i' };

/** Scale, key and instrument of every question about keys, as one sentence. */
export function KeysAsk({ state }: { state: MapState }) {
  const [open, setOpen] = useState<Word | undefined>(undefined);
  const { ask, chosen } = state;
  useShortcuts(
    (Object.keys(KEYS) as Word[]).map((word) => ({
      key: KEYS[word],
      label: `Change the ${word}`,
      group: 'The question',
      run: () => setOpen(word),
    })),
  );
  const picker = (word: Word) => ({
    name: word,
    shortcut: KEYS[word],
    open: open === word,
    onOpen: (now: boolean) => setOpen(now ? word : undefined),
  });
  return (
    <h1 className="ask-line">
      How does{' '}
      <WordPicker
        {...picker('scale')}
        word={scaleWords(ask)}
        placeholder="eb dor, blues, 1 2 ♭3 4 5 …"
        search={(text) => scaleChoices(text, ask.scale)}
        onChoose={(id, typed) => chooseScale(state, id, typed)}
      />{' '}
      in{' '}
      <WordPicker
        {...picker('key')}
        word={tonicWords(ask)}
        placeholder="A letter, with b or # …"
        search={(text) => tonicChoices(text, state)}
        onChoose={(id) => state.change(`key ${id}`, { tonic: id })}
      />{' '}
      lie on{' '}
      <WordPicker
        {...picker('instrument')}
        word={chosen?.spec.name ?? '…'}
        placeholder="A name, a key …"
        search={(text) => instrumentChoices(text, state)}
        onChoose={(id) => state.changeInstrument(id, 'another instrument')}
      />
      ?
    </h1>
  );
}
