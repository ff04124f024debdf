import { useState } from 'react';
import { useShortcuts } from '../frame/shortcuts.ts';
import { answering } from './KeyWords.tsx';
import type { Choice } from './WordPicker.tsx';

/** A word of a sentence: the key that opens it, what it is called, and what the sheet of shortcuts says. */
export interface SentenceWord {
  readonly key: string;
  readonly name: string;
  /** `Change the …` when left out. */
  readonly label?: string;
}

/** Which word of a sentence is open, and the keys that open one. @param words by ids of the sentence's own */
export function useSentence<Word extends string>(words: Readonly<Record<Word, SentenceWord>>, group: string) {
  const [open, setOpen] = useState<Word | undefined>(undefined);
  useShortcuts(
    (Object.entries(words) as [Word, SentenceWord][]).map(([word, { key, name, label }]) => ({
      key,
      label: label ?? `Change the ${name}`,
      group,
      run: () => setOpen(word),
    })),
  );
  /** What the picker of a word is given. */
  const picker = (word: Word) => ({
    name: words[word].name,
    shortcut: words[word].key,
    open: open === word,
    onOpen: (isOpen: boolean) => setOpen(isOpen ? word : undefined),
  });
  return picker;
}

/** The search of a picker with fixed choices: those that answer what is typed. */
export function among(choices: readonly Choice[]) {
  return (text: string) => ({ choices: answering(choices, text) });
}
