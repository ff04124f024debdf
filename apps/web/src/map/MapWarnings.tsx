import Button from '@mui/material/Button';
import type { MapView } from '@same-song/core/route';
import { lazyPart } from '../frame/lazyPart.tsx';
import { MissingInstrument } from '../question/MissingInstrument.tsx';
import type { QuestionState } from '../question/useQuestion.ts';

const Borrowed = lazyPart('What is on loan', async () => (await import('./BorrowedNotice.tsx')).Borrowed);
const SetForNow = lazyPart('What is set', async () => (await import('./BorrowedNotice.tsx')).SetForNow);

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
      <MissingInstrument state={state} />
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
