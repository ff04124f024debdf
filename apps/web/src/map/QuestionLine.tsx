import { useState } from 'react';
import {
  DIRECTIONS,
  OCTAVES,
  PATTERNS,
  parsePitch,
  pitchText,
  scaleById,
  type MapView,
  type PatternId,
  type LineRange,
  type Place,
  type StoredQuestion,
} from '@same-song/core';
import { useShortcuts } from '../frame/shortcuts.ts';
import {
  chordsWords,
  courseWords,
  DIRECTION_WORDS,
  layerWords,
  rangeWords,
  readChords,
} from '../question/questionWords.ts';
import { answering, InstrumentWord, ScaleWord, TonicWord } from '../question/KeyWords.tsx';
import { PreferenceWeights } from './PreferenceWeights.tsx';
import { type QuestionState } from '../question/useQuestion.ts';
import { WordPicker, type Choice } from '../question/WordPicker.tsx';

/** Words of the sentence and the key that opens each. */
const WORDS = {
  scale: 's',
  tonic: 'k',
  instrument: 'i',
  range: 'r',
  direction: 'd',
  preference: 'w',
  chord: 'c',
} as const;
type Word = keyof typeof WORDS;
const WORD_NAMES: Readonly<Record<Word, string>> = {
  scale: 'scale',
  tonic: 'key',
  instrument: 'instrument',
  range: 'range',
  direction: 'direction',
  preference: 'preference',
  chord: 'chord',
};

/** The whole state as one sentence whose words are the controls. */
export function QuestionLine({ state, view }: { state: QuestionState; view: MapView | undefined }) {
  const [open, setOpen] = useState<Word | undefined>(undefined);
  const { question, family } = state;
  useShortcuts(
    (Object.keys(WORDS) as Word[]).map((word) => ({
      key: WORDS[word],
      label: `Change the ${WORD_NAMES[word]}`,
      group: 'The question',
      run: () => setOpen(word),
    })),
  );
  const picker = (word: Word) => ({
    name: WORD_NAMES[word],
    shortcut: WORDS[word],
    open: open === word,
    onOpen: (now: boolean) => setOpen(now ? word : undefined),
  });
  const preset = family.preferences.find((p) => p.id === question.preferences.preset)!;
  const changed = Object.keys(question.preferences.weights).length > 0;
  return (
    <h1 className="question-line">
      Play {question.layer !== 'scale' && <span className="question-layer">{layerWords(question)} </span>}
      <ScaleWord picker={picker('scale')} state={state} /> in{' '}
      <TonicWord picker={picker('tonic')} state={state} /> on{' '}
      <span className="question-unbroken">
        <InstrumentWord picker={picker('instrument')} state={state} />,
      </span>{' '}
      <WordPicker
        {...picker('range')}
        word={rangeWords(question.range, question)}
        placeholder="Two octaves, or C4 to A5 …"
        search={(text) => rangeChoices(text, question, view)}
        onChoose={(id) => state.change('range', { range: JSON.parse(id) as LineRange })}
      />{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('direction')}
          word={courseWords(question)}
          placeholder="Up, down, in thirds …"
          search={(text) => ({ choices: answering(courseChoices(question), text) })}
          onChoose={(id) => chooseCourse(state, id)}
        />
        ,
      </span>{' '}
      over{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('chord')}
          word={chordsWords(question)}
          placeholder="I, IV7, ♭VII … or several"
          search={(text) => chordChoices(text, question, view)}
          onChoose={(id) => state.change('chords', { chords: id.split(' ') })}
        />
        ,
      </span>{' '}
      with{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('preference')}
          word={changed ? `${preset.label}, adjusted` : preset.label}
          placeholder="Smoothest air, no bends …"
          search={(text) => ({
            choices: answering(
              family.preferences.map((p) => ({
                id: p.id,
                label: p.label,
                about: p.about,
                current: p.id === preset.id,
              })),
              text,
            ),
          })}
          onChoose={(id) => choosePreference(state, id)}
          footer={<PreferenceWeights state={state} />}
        />
        .
      </span>
    </h1>
  );
}

/** The triads of the scale, and whatever chords are typed: one, or several apart by spaces. */
function chordChoices(text: string, question: StoredQuestion, view: MapView | undefined) {
  const typed = text.split(/[\s,]+/).filter((word) => word !== '');
  const own = (view?.chords ?? []).map(({ written, name, symbol }): Choice => {
    const current = question.chords.join() === written;
    return { id: written, label: `the ${name} chord`, about: symbol, current };
  });
  const found = answering(own, text);
  const scale = scaleById(question.scale);
  if (typed.length === 0 || !scale.ok) return { choices: own };
  const chords = readChords(typed, question);
  if (typeof chords === 'string')
    return found.length > 0 ? { choices: found } : { choices: [], error: chords };
  const [plain] = own.filter(({ id }) => id === chords.join(' '));
  const asked = plain ?? { id: chords.join(' '), label: chordsWords({ ...question, chords }) };
  return { choices: [asked, ...found.filter(({ id }) => id !== asked.id)] };
}

/** Directions and patterns in one list; each leaves the other as it is. */
function courseChoices(question: QuestionState['question']): Choice[] {
  return [
    ...DIRECTIONS.map((d) => ({
      id: d,
      label: DIRECTION_WORDS[d],
      group: 'Direction',
      current: d === question.direction,
    })),
    ...PATTERNS.map(({ id, label, about }) => ({
      id,
      label,
      about,
      group: 'Pattern',
      current: id === question.pattern,
    })),
  ];
}

function chooseCourse(state: QuestionState, id: string): void {
  const direction = DIRECTIONS.find((d) => d === id);
  if (direction) state.change('direction', { direction });
  else state.change('pattern', { pattern: id as PatternId });
}

/** Octaves where they lie best, by height, and from every home; then the whole reach and whatever two notes are typed. */
function rangeChoices(text: string, question: StoredQuestion, view: MapView | undefined) {
  const current = question.range;
  const choiceOf = (range: LineRange, group?: string): Choice => ({
    id: JSON.stringify(range),
    label: rangeWords(range, question),
    ...(group === undefined ? {} : { group }),
    current: JSON.stringify(range) === JSON.stringify(current),
  });
  const octaves = (from: Place | number, count = 1): LineRange => ({ kind: 'octaves', octaves: count, from });
  const counts = Array.from({ length: OCTAVES.most }, (_, i) => i + 1);
  const homes = view?.homes ?? [];
  const top = homes[homes.length - 1] ?? 0;
  const choices = [
    ...counts.map((count) => choiceOf(octaves('best', count), 'Where the scale lies best')),
    ...HEIGHTS.map((from) => choiceOf(octaves(from), 'By height')),
    choiceOf({ kind: 'whole' }, 'By height'),
    ...(current.kind === 'between' ? [choiceOf(current, 'By height')] : []),
    ...homes.flatMap((home) =>
      counts
        .filter((count) => home + 12 * count <= top)
        .map((count) => choiceOf(octaves(home, count), 'From one home')),
    ),
  ];
  const found = answering(choices, text);
  const ends = text
    .trim()
    .split(/\s*(?:to|-|–|\s)\s*/i)
    .filter((end) => end !== '' && end.toLowerCase() !== 'from');
  const isTyped = /\d/.test(text) && ends.length > 0 && found.length === 0;
  return isTyped ? betweenChoice(ends, choiceOf) : { choices: found };
}

const HEIGHTS: readonly Place[] = ['low', 'middle', 'high'];

function betweenChoice(ends: readonly string[], choiceOf: (range: LineRange) => Choice) {
  const [low, high] = ends.map((end) => parsePitch(end));
  if (low && !low.ok) return { choices: [], error: low.problems[0]!.message };
  if (!high)
    return {
      choices: [],
      error: `Say where it ends, for example ${pitchText(low!.ok ? low!.value + 12 : 72)}.`,
    };
  if (!high.ok) return { choices: [], error: high.problems[0]!.message };
  if (ends.length > 2)
    return { choices: [], error: 'Two notes are enough: where it starts and where it ends.' };
  const pitches = [low!.ok ? low!.value : 0, high.value];
  if (pitches.some((pitch) => pitch < 24 || pitch > 120))
    return { choices: [], error: 'Stay between C1 and C9.' };
  return { choices: [choiceOf({ kind: 'between', low: Math.min(...pitches), high: Math.max(...pitches) })] };
}

/** A preset about everything the instrument has is asked over its whole range. */
function choosePreference(state: QuestionState, id: string): void {
  const preset = state.family.preferences.find((p) => p.id === id)!;
  const preferences = { ...state.question.preferences, preset: id, weights: {} };
  state.change(preset.label, { preferences, ...(preset.wholeRange ? { range: { kind: 'whole' } } : {}) });
}
