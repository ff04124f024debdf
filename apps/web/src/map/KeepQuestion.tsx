import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { lazy, Suspense, useRef, useState } from 'react';
import type { QuestionState } from '../question/useQuestion.ts';

const KeptQuestions = lazy(async () => ({ default: (await import('./KeptQuestions.tsx')).KeptQuestions }));

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
          <Suspense fallback={<p className="kept">Opening…</p>}>
            <KeptQuestions state={state} title={title} onOpened={() => setOpen(false)} />
          </Suspense>
        </Popover>
      )}
    </>
  );
}
