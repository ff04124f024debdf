import { useState } from 'react';
import { counted } from '@same-song/core';
import { people } from '../../api/records.ts';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { useKeeping } from '../../frame/useKeeping.ts';
import { answering } from '../../question/KeyWords.tsx';
import { WordPicker, type Choice } from '../../question/WordPicker.tsx';
import type { Practice } from '../usePractice.ts';

const MINUTES = [5, 10, 15, 20, 30, 45, 60, 90] as const;
const SOMEBODY_NEW = 'new';

interface TodaySentenceProps {
  readonly practice: Practice;
  readonly minutes: number;
  readonly onMinutes: (minutes: number) => void;
  readonly onRoutine: (id: string) => void;
}

/** For whom, how long, and of what: each word is chosen. */
export function TodaySentence({ practice, minutes, onMinutes, onRoutine }: TodaySentenceProps) {
  const { persons, person, who, routines, choosePerson } = practice;
  const [open, setOpen] = useState<'who' | 'minutes' | 'what' | undefined>(undefined);
  const { keep } = useKeeping(people);
  const picker = (name: NonNullable<typeof open>, shortcut: string) => ({
    name,
    shortcut,
    open: open === name,
    onOpen: (now: boolean) => setOpen(now ? name : undefined),
  });
  const filter = (choices: readonly Choice[]) => (text: string) => ({ choices: answering(choices, text) });
  useShortcuts([
    { key: 'w', label: 'Who practises', group: 'Practice', run: () => setOpen('who') },
    { key: 'm', label: 'How many minutes', group: 'Practice', run: () => setOpen('minutes') },
    { key: 'r', label: 'A routine, or the plan', group: 'Practice', run: () => setOpen('what') },
  ]);
  return (
    <h1 className="question-line">
      For{' '}
      <WordPicker
        {...picker('who', 'w')}
        word={person?.name ?? 'me'}
        placeholder="A name; one that is not there is added …"
        search={(text) => {
          const known = answering(
            [
              { id: '', label: 'me', current: who === '' },
              ...persons.map(({ id, name }) => ({ id, label: name, current: id === who })),
            ],
            text,
          );
          const typed = text.trim();
          const isNew =
            typed !== '' && !persons.some(({ name }) => name.toLowerCase() === typed.toLowerCase());
          return { choices: isNew ? [...known, { id: SOMEBODY_NEW, label: `add ${typed}` }] : known };
        }}
        onChoose={(id, typed) => {
          if (id !== SOMEBODY_NEW) return choosePerson(id);
          keep(
            { name: typed.trim(), notes: '' },
            {
              label: () => `adding ${typed}`,
              notice: () => `${typed} is there.`,
              onKept: (made) => choosePerson(made.id),
            },
          );
        }}
      />{' '}
      today:{' '}
      <WordPicker
        {...picker('minutes', 'm')}
        word={`${minutes} minutes`}
        placeholder="Minutes …"
        search={filter(
          MINUTES.map((one) => ({ id: String(one), label: `${one} minutes`, current: one === minutes })),
        )}
        onChoose={(id) => onMinutes(Number(id))}
      />{' '}
      of{' '}
      <WordPicker
        {...picker('what', 'r')}
        word="what is due"
        placeholder="A routine …"
        search={filter([
          { id: '', label: 'what is due', about: 'set, waiting, new, a song' },
          ...routines.map(({ id, name, steps }) => ({
            id,
            label: name,
            about: counted(steps.length, 'step'),
          })),
        ])}
        onChoose={onRoutine}
      />
      .
    </h1>
  );
}
