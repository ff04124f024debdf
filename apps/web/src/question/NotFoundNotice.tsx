import Button from '@mui/material/Button';
import { instruments } from '../api/records.ts';
import { notify } from '../frame/notice.ts';
import type { QuestionState } from './useQuestion.ts';

/** Says what became of the instrument, and what to do. */
export function NotFoundNotice({ id, state }: { id: string; state: QuestionState }) {
  const { data: bin, isPending } = instruments.useTitles('binned');
  const { mutate: restore, isPending: busy } = instruments.useRestore();
  if (isPending) return null;
  const binned = bin?.find((record) => record.id === id);
  const shown = state.chosen!.spec.name;
  return (
    <p className="lost-instrument row" role="status">
      {binned
        ? `The link names ${binned.title}, which lies in the bin. ${shown} is shown in its place.`
        : `The link names an instrument that is not in this cabinet. ${shown} is shown in its place.`}
      {binned && (
        <Button
          size="small"
          variant="outlined"
          disabled={busy}
          onClick={() => restore(id, { onError: (error) => notify(error.message, { kind: 'error' }) })}
        >
          Put it back
        </Button>
      )}
      <Button
        size="small"
        variant="text"
        onClick={() => state.changeInstrument(state.chosen!.ref, 'the instrument shown')}
      >
        Go on with this one
      </Button>
    </p>
  );
}
