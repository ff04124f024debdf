import { found, withArticle } from '@same-song/core';
import { families, FAMILY_IDS, familyById } from '@same-song/core/instruments';
import {
  formulaText,
  noteCode,
  notePitchClass,
  noteText,
  parseNote,
  scaleById,
  scaleGroupName,
  SCALES,
  searchScales,
  USUAL_KEYS,
  usualTonic,
} from '@same-song/core/music';
import type { StoredQuestion } from '@same-song/core/route';
import { scaleWords, tonicWords } from './questionWords.ts';
import { presetRef, baseRef } from './reference.ts';
import type { QuestionState } from './useQuestion.ts';
import { WordPicker, type Choice } from './WordPicker.tsx';

/** What opens and closes one word of a sentence. */
export interface WordProps {
  readonly picker: {
    readonly name: string;
    readonly shortcut: string;
    readonly open: boolean;
    readonly onOpen: (open: boolean) => void;
  };
  readonly state: QuestionState;
}

export function ScaleWord({ picker, state }: WordProps) {
  return (
    <WordPicker
      {...picker}
      word={scaleWords(state.question)}
      placeholder="eb dor, blues, 1 2 ♭3 4 5 …"
      search={(text) => scaleChoices(text, state.question.scale)}
      onChoose={(id, typed) => state.change('scale', withScale(id, typed))}
      onConsider={(id, typed) => state.consider(withScale(id, typed))}
    />
  );
}

export function TonicWord({ picker, state }: WordProps) {
  return (
    <WordPicker
      {...picker}
      word={tonicWords(state.question)}
      placeholder="A letter, with b or # …"
      search={(text) => tonicChoices(text, state)}
      onChoose={(id) => state.change(`key ${id}`, { tonic: id })}
      onConsider={(id) => state.consider({ tonic: id })}
    />
  );
}

export function InstrumentWord({ picker, state }: WordProps) {
  return (
    <WordPicker
      {...picker}
      word={state.chosen?.spec.name ?? '…'}
      placeholder="A name, a key …"
      search={(text) => instrumentChoices(text, state)}
      onChoose={(id) => state.changeInstrument(id, 'another instrument')}
      onConsider={state.considerInstrument}
    />
  );
}

/** Choices that answer a typed text, the best first; those of one group stay together. */
export function answering(choices: readonly Choice[], text: string): readonly Choice[] {
  const best = found(choices, text, ({ label, about = '', group = '' }) => [
    label,
    `${label} ${about} ${group}`,
  ]);
  const groups = [...new Set(best.map(({ group }) => group))];
  return groups.flatMap((group) => best.filter((choice) => choice.group === group));
}

/** Scales that fit a typed text, a formula typed in full included. */
export function scaleChoices(text: string, current: string) {
  const fitting =
    text.trim() === '' ? { scales: SCALES, tonic: undefined, problem: undefined } : searchScales(text);
  const own = scaleById(current);
  const extra = text.trim() === '' && own.ok && own.value.group === 'custom' ? [own.value] : [];
  const choices = [...extra, ...fitting.scales].map((scale): Choice => ({
    id: scale.id,
    label: fitting.tonic ? `${noteText(fitting.tonic)} ${scale.name}` : scale.name,
    about: scale.note ? `${formulaText(scale.degrees)} · ${scale.note}` : formulaText(scale.degrees),
    group: scaleGroupName(scale),
    current: scale.id === current,
  }));
  return { choices, error: fitting.problem?.message };
}

/** What a chosen scale changes: a tonic typed with it is taken too. */
function withScale(id: string, typed: string): Partial<StoredQuestion> {
  const { tonic } = searchScales(typed);
  return { scale: id, ...(tonic ? { tonic: noteCode(tonic) } : {}) };
}

/** Keys as the scale is usually spelled, or what was typed and its twin. */
function tonicChoices(text: string, { question }: QuestionState) {
  const scale = scaleById(question.scale);
  const usual = scale.ok ? USUAL_KEYS.map((key) => usualTonic(scale.value, notePitchClass(key))) : USUAL_KEYS;
  const choiceOf = (note: (typeof usual)[number]): Choice => ({
    id: noteCode(note),
    label: noteText(note),
    current: noteCode(note) === question.tonic,
  });
  if (text.trim() === '') {
    const current = parseNote(question.tonic);
    const other = current.ok && !usual.some((n) => noteCode(n) === question.tonic) ? [current.value] : [];
    return { choices: [...other, ...usual].map(choiceOf) };
  }
  const typed = parseNote(text);
  if (!typed.ok) return { choices: [], error: typed.problems[0]!.message };
  const same = usual.filter(
    (note) => note.letter === typed.value.letter && noteCode(note) !== noteCode(typed.value),
  );
  const twin = usual.filter(
    (note) => notePitchClass(note) === notePitchClass(typed.value) && note.letter !== typed.value.letter,
  );
  return { choices: [typed.value, ...twin, ...same].map(choiceOf) };
}

/** Instruments of the cabinet, then presets on loan, that fit a typed text. */
export function instrumentChoices(text: string, { cabinet, chosen }: QuestionState) {
  const standing = chosen && baseRef(chosen.ref);
  const own = cabinet.map((record): Choice => {
    const family = familyById(record.family);
    const opened = family?.open(record.layout, {});
    return {
      id: record.id,
      label: record.name,
      about: opened?.ok ? opened.value.description : '',
      group: 'In the cabinet',
      current: record.id === standing,
    };
  });
  const presets = FAMILY_IDS.flatMap((id) =>
    families[id].presets.map((preset): Choice => {
      const ref = presetRef(id, preset.id);
      return {
        id: ref,
        label: withArticle(`${preset.label} ${families[id].label}`),
        group: 'Try one that is not in the cabinet',
        current: ref === standing,
      };
    }),
  );
  return { choices: answering([...own, ...presets], text) };
}
