import { useShortcuts } from '../frame/shortcuts.ts';
import { useAddToPractice } from '../practice/useAddToPractice.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** Makes the line something to practise, by its key too. */
export function usePractiseLine({ chosen, question }: QuestionState, title: string): () => void {
  const practise = useAddToPractice();
  const run = () =>
    practise({ name: title, instrumentId: chosen?.record?.id, what: { kind: 'line', question } });
  useShortcuts([{ key: 'b', label: 'Practise this line', group: 'The line', run }]);
  return run;
}
