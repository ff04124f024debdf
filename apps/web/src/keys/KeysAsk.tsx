import { useState } from 'react';
import { useShortcuts } from '../frame/shortcuts.ts';
import { InstrumentWord, ScaleWord, TonicWord } from '../map/KeyWords.tsx';
import type { MapState } from '../map/useMapState.ts';

type Word = 'scale' | 'key' | 'instrument';
const KEYS: Readonly<Record<Word, string>> = { scale: 's', key: 'k', instrument: 'i' };

/** Scale, key and instrument of every question about keys, as one sentence. */
export function KeysAsk({ state }: { state: MapState }) {
  const [open, setOpen] = useState<Word | undefined>(undefined);
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
      How does <ScaleWord picker={picker('scale')} state={state} /> in{' '}
      <TonicWord picker={picker('key')} state={state} /> lie on{' '}
      <InstrumentWord picker={picker('instrument')} state={state} />?
    </h1>
  );
}
