import Button from '@mui/material/Button';
import { useShortcuts } from '../frame/shortcuts.ts';
import type { Gathering } from './heard.ts';

interface ForgetNotesProps {
  readonly gathering: Gathering;
  /** What forgetting all of them is called. */
  readonly all?: string;
}

/** Takes back what was heard: the last note, or all of them. */
export function ForgetNotes({ gathering, all = 'Forget them all' }: ForgetNotesProps) {
  const { gathered, clear, dropLast } = gathering;
  useShortcuts([{ key: 'Backspace', label: 'Forget the last note', group: 'Listening', run: dropLast }]);
  if (gathered.length === 0) return null;
  return (
    <>
      <Button variant="text" onClick={dropLast}>
        Forget the last note
      </Button>
      <Button variant="text" onClick={clear}>
        {all}
      </Button>
    </>
  );
}
