import Button from '@mui/material/Button';
import type { MapView } from '@same-song/core';
import { instruments, specOf } from '../api/records.ts';
import { useKeeping } from '../frame/useKeeping.ts';
import { LostInstrument } from '../question/LostInstrument.tsx';
import { refStanding } from '../question/reference.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** Under the question: what could not be taken from the link, and an instrument that is not as the cabinet has it. */
export function MapWarnings({ state, view }: { state: QuestionState; view: MapView | undefined }) {
  const texts = [
    ...state.problems.map((problem) => `From the link: ${problem.message}`),
    ...(view && view.brokenPins.length > 0 ? ['Some pins do not fit this line and are left out.'] : []),
    ...(state.error && state.cabinet.length === 0
      ? ['The cabinet cannot be read right now, so a borrowed instrument is shown.']
      : []),
  ];
  return (
    <>
      <Welcome state={state} />
      {texts.map((text) => (
        <p key={text} className="map-warning" role="status">
          {text}
        </p>
      ))}
      <LostInstrument state={state} />
      {state.chosen && !state.chosen.record && !state.error && <Borrowed state={state} />}
      {state.chosen && state.chosen.todo.length > 0 && <SetForNow state={state} />}
    </>
  );
}

/** What the page is, on a first visit; gone for good when it is put away. */
function Welcome({ state: { settings, settingsLoaded, changeSettings } }: { state: QuestionState }) {
  if (!settingsLoaded || settings.welcomed) return null;
  return (
    <p className="map-warning map-welcome">
      <span>
        This page shows where a scale lies on an instrument, and the easiest way to play it.
        <br />
        Every underlined word can be changed: click it. Press ? for all shortcuts.
      </span>
      <Button size="small" variant="outlined" onClick={() => changeSettings({ welcomed: true })}>
        Got it
      </Button>
    </p>
  );
}

/** An instrument on loan from the list can be put into the cabinet with one click. */
function Borrowed({ state }: { state: QuestionState }) {
  const { keep, busy } = useKeeping(instruments);
  const put = () =>
    keep(state.chosen!.spec, {
      label: (record) => `adding ${record.name}`,
      notice: (record) => `${record.name} is in the cabinet.`,
      onKept: (record) => state.changeInstrument(record.id, 'putting it into the cabinet'),
    });
  return (
    <p className="map-warning map-borrowed">
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
function SetForNow({ state }: { state: QuestionState }) {
  const { record, todo, spec, ref } = state.chosen!;
  const { change, busy } = useKeeping(instruments);
  const takeIt = () => state.changeInstrument(refStanding(ref), 'the instrument as it stands');
  return (
    <p className="map-warning map-borrowed">
      First {todo.join(', ')}.
      {record && (
        <Button
          size="small"
          variant="outlined"
          disabled={busy}
          onClick={() =>
            change(record, {
              before: specOf(record),
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
