import { degreeRead, parsePitch, pitchText } from '@same-song/core/music';
import {
  OCTAVES,
  type LineRange,
  type MapView,
  type Place,
  type StoredQuestion,
} from '@same-song/core/route';
import { answering } from '../question/KeyWords.tsx';
import { keyIn, rangeWords } from '../question/questionWords.ts';
import type { Choice } from '../question/WordPicker.tsx';

/** Octaves where they lie best, by height, and from every home; then the whole reach and whatever two notes are typed. */
export function rangeChoices(text: string, question: StoredQuestion, view: MapView | undefined) {
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
  const others = (keyIn(question)?.scale.semitones ?? []).filter((step) => step > 0);
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
    ...others.map((start) =>
      choiceOf({ kind: 'octaves', octaves: 1, from: 'best', start }, 'Starting elsewhere'),
    ),
  ];
  const found = answering(choices, text);
  const ends = text
    .trim()
    .split(/\s*(?:to|-|–|\s)\s*/i)
    .filter((end) => end !== '' && end.toLowerCase() !== 'from');
  const steps = ends.map(degreeRead);
  if (ends.length > 0 && ends.length <= 2 && steps.every((step) => step !== undefined))
    return { choices: stepChoices(steps, counts, choiceOf) };
  const isTyped = /\d/.test(text) && ends.length > 0 && found.length === 0;
  return isTyped ? betweenChoice(ends, choiceOf) : { choices: found };
}

/** From one degree to another, over as many octaves as wanted. */
function stepChoices(
  [start, turn]: readonly number[],
  counts: readonly number[],
  choiceOf: (range: LineRange) => Choice,
): Choice[] {
  return counts.map((octaves) =>
    choiceOf({
      kind: 'octaves',
      octaves,
      from: 'best',
      start: start!,
      ...(turn !== undefined && { turn }),
    }),
  );
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
