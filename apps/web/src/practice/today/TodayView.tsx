import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { counted } from '@same-song/core';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { lazyPart } from '../../frame/lazyPart.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import type { Practice } from '../usePracticeData.ts';
import { TodaySentence } from './TodaySentence.tsx';
import { usePlanOfDay } from './usePlanOfDay.ts';

/** Without a plan nobody drags its rows. */
const PlanRows = lazyPart('The plan', async () => (await import('./PlanRows.tsx')).PlanRows);

/** The plan of the day: what to play in the minutes at hand, and why; to be changed as one likes. */
export function TodayView({ practice }: { readonly practice: Practice }) {
  const plan = usePlanOfDay(practice);
  const { rows, minutes, total, itemsById } = plan;
  useShortcuts([{ key: 'Enter', label: 'Begin with the plan', group: 'Practice', run: plan.begin }]);
  return (
    <section className="today" aria-label="Today">
      <TodaySentence
        practice={practice}
        minutes={minutes}
        onMinutes={plan.setMinutes}
        onRoutine={plan.takeRoutine}
      />
      {itemsById.size === 0 ? (
        <Nothing />
      ) : rows.length === 0 ? (
        <p>
          Everything has been played today. Come again tomorrow, or choose from{' '}
          <Link to="/practice/items">everything</Link>.
        </p>
      ) : (
        <>
          <PlanRows plan={plan} cabinet={practice.cabinet} />
          <p className="today-begin row">
            <Button variant="contained" size="large" disabled={total === 0} onClick={plan.begin}>
              Begin: {counted(total, 'minute')}
            </Button>
            {plan.isChanged && <LinkButton onClick={plan.planAnew}>plan the day anew</LinkButton>}
          </p>
          <Margins free={plan.free} leftOut={plan.leftOut} nameOf={(id) => itemsById.get(id)?.name ?? ''} />
        </>
      )}
    </section>
  );
}

/** Fewer minutes that are left over are not worth a word. */
const WORTH_FILLING = 3;

/** What the day is too short for, and the minutes for which there is nothing. */
function Margins({
  free,
  leftOut,
  nameOf,
}: {
  readonly free: number;
  readonly leftOut: readonly string[];
  readonly nameOf: (id: string) => string;
}) {
  const [first] = leftOut;
  return (
    <>
      {first !== undefined && (
        <p>
          Set by your teacher, with no room today: {leftOut.map(nameOf).join(', ')}.{' '}
          {leftOut.length === 1 ? 'It comes' : 'They come'} first next time.
        </p>
      )}
      {free >= WORTH_FILLING && (
        <p>
          {counted(free, 'minute')} free: make something longer, or choose more from{' '}
          <Link to="/practice/items">everything</Link>.
        </p>
      )}
    </>
  );
}

function Nothing() {
  return (
    <div className="practice-empty">
      <p>Nothing to practise yet. Anything that can be played can be practised:</p>
      <ul>
        <li>
          a line of <Link to="/map">Map</Link>, with the key B;
        </li>
        <li>
          a <Link to="/songs">song</Link>, or a passage of it, with the key B;
        </li>
        <li>
          a drill or a progression, from <Link to="/practice/items">everything</Link>.
        </li>
      </ul>
    </div>
  );
}
