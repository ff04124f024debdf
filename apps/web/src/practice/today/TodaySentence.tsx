import { counted } from '@same-song/core';
import { people } from '../../api/records.ts';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import { answering } from '../../question/KeyWords.tsx';
import { among, useSentence } from '../../question/useSentence.ts';
import { WordPicker } from '../../question/WordPicker.tsx';
import type { Practice } from '../usePracticeData.ts';

const MINUTES = [5, 10, 15, 20, 30, 45, 60, 90] as const;
const SOMEBODY_NEW = 'new';

const WORDS = {
  who: { key: 'w', name: 'who', label: 'Who practises' },
  minutes: { key: 'm', name: 'minutes', label: 'How many minutes' },
  what: { key: 'r', name: 'what', label: 'A routine, or the plan' },
};

interface TodaySentenceProps {
  readonly practice: Practice;
  readonly minutes: number;
  readonly onMinutes: (minutes: number) => void;
  readonly onRoutine: (id: string) => void;
}

/** For whom, how long, and of what: each word is chosen. */
export function TodaySentence({ practice, minutes, onMinutes, onRoutine }: TodaySentenceProps) {
  const { persons, person, who, routines, choosePerson } = practice;
  const picker = useSentence(WORDS, 'Practice');
  const { keep } = useRecordActions(people);
  return (
    <h1 className="question-line">
      For{' '}
      <WordPicker
        {...picker('who')}
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
        {...picker('minutes')}
        word={`${minutes} minutes`}
        placeholder="Minutes …"
        search={among(
          MINUTES.map((one) => ({ id: String(one), label: `${one} minutes`, current: one === minutes })),
        )}
        onChoose={(id) => onMinutes(Number(id))}
      />{' '}
      of{' '}
      <WordPicker
        {...picker('what')}
        word="what is due"
        placeholder="A routine …"
        search={among([
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
