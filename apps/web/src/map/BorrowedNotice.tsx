import Button from '@mui/material/Button';
import { instruments } from '../api/records.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { baseRef } from '../question/reference.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** An instrument on loan from the list can be put into the cabinet with one click. */
export function Borrowed({ state }: { state: QuestionState }) {
  const { keep, busy } = useRecordActions(instruments);
  const put = () =>
    keep(state.chosen!.spec, {
      label: (record) => `adding ${record.name}`,
      notice: (record) => `${record.name} is in the cabinet.`,
      onKept: (record) => state.changeInstrument(record.id, 'putting it into the cabinet'),
    });
  return (
    <p className="map-warning map-borrowed" role="note" aria-label="On loan">
      {state.cabinet.length === 0
        ? 'Your cabinet is empty, so this one is on loan.'
        : 'This one is on loan, not in your cabinet.'}
      <Button size="small" variant="outlined" onClick={put} disabled={busy}>
        Put it into the cabinet
      </Button>
    </p>
  );
}

/** An instrument set for the time being can be set so in the cabinet, or be taken as it stands. */
export function SetForNow({ state }: { state: QuestionState }) {
  const { record, todo, spec, ref } = state.chosen!;
  const { change, busy } = useRecordActions(instruments);
  const takeIt = () => state.changeInstrument(baseRef(ref), 'the instrument as it stands');
  return (
    <p className="map-warning map-borrowed" role="note" aria-label="To do first">
      First {todo.join(', ')}.
      {record && (
        <Button
          size="small"
          variant="outlined"
          disabled={busy}
          onClick={() =>
            change(record, {
              after: spec,
              label: `setting ${record.name}`,
              notice: `${record.name} is set so.`,
              onChanged: takeIt,
            })
          }
        >
          Set it so in the cabinet
        </Button>
      )}
      <Button size="small" variant="text" onClick={takeIt}>
        As it stands
      </Button>
    </p>
  );
}
