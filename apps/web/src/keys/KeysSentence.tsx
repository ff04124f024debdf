import { useState, type ReactNode } from 'react';
import { useShortcuts } from '../frame/shortcuts.ts';
import { InstrumentWord, ScaleWord, TonicWord } from '../question/KeyWords.tsx';
import type { QuestionState } from '../question/useQuestion.ts';

type Word = 'scale' | 'key' | 'instrument';
const KEYS: Readonly<Record<Word, string>> = { scale: 's', key: 'k', instrument: 'i' };

/** Every question about keys as a sentence with its words in it: {scale}, {key}, {instrument}. */
const QUESTIONS = {
  table: 'How does {scale} in {key} lie on {instrument}?',
  cabinet: 'What of all I have plays {scale} in {key} best?',
  which: 'Which one should I take for {scale} in {key}?',
  circle: 'Where on the circle is {scale} in {key}, seen from {instrument}?',
  lesson: 'How do I learn {scale} in {key} on {instrument}?',
  handout: 'Which pages to hand out, beginning with {scale} in {key} on {instrument}?',
  chords: 'Over which chords does {scale} in {key} suit, on {instrument}?',
  holds: 'How do I hold a chord of {scale} in {key} on {instrument}?',
  identify: 'What do these notes make on {instrument}?',
  switch: 'What changes after {scale} in {key} on {instrument}?',
} as const;
type KeysQuestion = keyof typeof QUESTIONS;

/** Scale, key and instrument of a question about keys, as far as it hangs on them. */
export function KeysSentence({ state, question }: { state: QuestionState; question: KeysQuestion }) {
  const [open, setOpen] = useState<Word | undefined>(undefined);
  const pieces = QUESTIONS[question].split(/\{(\w+)\}/);
  const asked = pieces.filter((piece): piece is Word => Object.hasOwn(KEYS, piece));
  useShortcuts(
    asked.map((word) => ({
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
  const words: Readonly<Record<Word, ReactNode>> = {
    scale: <ScaleWord key="scale" picker={picker('scale')} state={state} />,
    key: <TonicWord key="key" picker={picker('key')} state={state} />,
    instrument: <InstrumentWord key="instrument" picker={picker('instrument')} state={state} />,
  };
  return (
    <h1 className="question-line">
      {pieces.map((piece) => (Object.hasOwn(words, piece) ? words[piece as Word] : piece))}
    </h1>
  );
}
