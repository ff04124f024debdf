import { scaleById } from '@same-song/core/music';
import {
  ANCHORS,
  DIRECTIONS,
  patternById,
  PATTERNS,
  withPattern,
  type MapView,
  type PatternId,
  type LineRange,
  type StoredQuestion,
} from '@same-song/core/route';
import {
  ANCHOR_WORDS,
  chordsWords,
  courseWords,
  DIRECTION_WORDS,
  layerWords,
  rangeWords,
  readChords,
} from '../question/questionWords.ts';
import { answering, InstrumentWord, ScaleWord, TonicWord } from '../question/KeyWords.tsx';
import { lazyPart } from '../frame/lazyPart.tsx';
import { rangeChoices } from './rangeChoices.ts';
import { preferenceChoices } from '../question/preferenceChoices.ts';
import { among, useSentence } from '../question/useSentence.ts';
import type { QuestionState } from '../question/useQuestion.ts';
import { WordPicker, type Choice } from '../question/WordPicker.tsx';

const PreferenceWeights = lazyPart(
  'The weights',
  async () => (await import('./PreferenceWeights.tsx')).PreferenceWeights,
);

/** Words of the sentence and the key that opens each. */
const WORDS = {
  scale: { key: 's', name: 'scale' },
  tonic: { key: 'k', name: 'key' },
  instrument: { key: 'i', name: 'instrument' },
  range: { key: 'r', name: 'range' },
  direction: { key: 'd', name: 'direction' },
  preference: { key: 'w', name: 'preference' },
  chord: { key: 'c', name: 'chord' },
};

/** The whole state as one sentence whose words are the controls. */
export function QuestionLine({ state, view }: { state: QuestionState; view: MapView | undefined }) {
  const { question, family } = state;
  const picker = useSentence(WORDS, 'The question');
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
          search={among(courseChoices(question))}
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
          search={among(preferenceChoices(family, preset.id))}
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

/** Directions, patterns and, where the pattern has one, anchors in one list; each leaves the others as they are. */
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
    ...(patternById(question.pattern).anchored
      ? ANCHORS.map((anchor) => ({
          id: `anchor ${anchor}`,
          label: `anchored on ${ANCHOR_WORDS[anchor]}`,
          group: 'Anchor',
          current: anchor === question.anchor,
        }))
      : []),
  ];
}

function chooseCourse(state: QuestionState, id: string): void {
  const direction = DIRECTIONS.find((d) => d === id);
  if (direction) state.change('direction', { direction });
  else if (id.startsWith('anchor ')) state.change('anchor', { anchor: Number(id.slice(-1)) });
  else state.change('pattern', withPattern(state.question, id as PatternId));
}

/** A preset about everything the instrument has is asked over its whole range. */
function choosePreference(state: QuestionState, id: string): void {
  const preset = state.family.preferences.find((p) => p.id === id)!;
  const preferences = { ...state.question.preferences, preset: id, weights: {} };
  state.change(preset.label, { preferences, ...(preset.wholeRange ? { range: { kind: 'whole' } } : {}) });
}
