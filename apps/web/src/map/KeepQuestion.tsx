import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useRef, useState } from 'react';
import { lazyPart } from '../frame/lazyPart.tsx';
import type { QuestionState } from '../question/useQuestion.ts';

const KeptQuestions = lazyPart(
  'What is kept',
  async () => (await import('./KeptQuestions.tsx')).KeptQuestions,
  {
    opening: 'Opening…',
  },
);

/** Keeps the question under a name, and opens those kept before. */
export function KeepQuestion({ state, title }: { state: QuestionState; title: string }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <Button ref={button} variant="text" onClick={() => setOpen(true)} aria-haspopup="dialog">
        Keep
      </Button>
      {open && (
        <Popover
          open
          anchorEl={() => button.current!}
          onClose={() => setOpen(false)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
          transitionDuration={0}
          slotProps={{ paper: { role: 'dialog', 'aria-label': 'Kept questions' } as object }}
        >
          <KeptQuestions state={state} title={title} onOpened={() => setOpen(false)} />
        </Popover>
      )}
    </>
  );
}
