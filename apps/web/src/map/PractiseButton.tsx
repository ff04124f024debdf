import Button from '@mui/material/Button';
import { useShortcuts } from '../frame/shortcuts.ts';
import { usePractise } from '../practice/usePractise.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** The line as something to practise. */
export function PractiseButton({ state, title }: { readonly state: QuestionState; readonly title: string }) {
  const practise = usePractise();
  const run = () =>
    practise({
      name: title,
      instrumentId: state.chosen?.record?.id,
      what: { kind: 'line', question: state.question },
    });
  useShortcuts([{ key: 'b', label: 'Practise this line', group: 'The line', run }]);
  return (
    <Button variant="text" title="Among what is practised (B)" onClick={run}>
      Practise
    </Button>
  );
}
