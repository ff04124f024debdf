import { Link, useLocation } from 'react-router';
import type { MapView } from '@same-song/core/route';
import { LinkButton } from '../controls/LinkButton.tsx';
import type { QuestionState } from '../question/useQuestion.ts';

/** `steps 200 100 … cents`, or what they all are. */
function stepsText(steps: readonly number[]): string {
  const [first] = steps;
  return steps.every((step) => step === first)
    ? `${steps.length} equal steps of ${first} cents`
    : `steps ${steps.join(' ')} cents`;
}

/** Under the question: the notes and what a teacher says about the key. */
export function KeyFactsLine({ state, view }: { state: QuestionState; view: MapView }) {
  const { facts } = view;
  const { search } = useLocation();
  const items = [
    ...view.instrumentFacts,
    `against major: ${facts.againstMajor}`,
    facts.signature,
    facts.mode,
    ...facts.between,
  ].filter((item) => item !== undefined);
  const a4 = state.chosen?.spec.a4 ?? 440;
  return (
    <div className="key-facts">
      <p>
        <b className="key-notes">{facts.notes.join(' ')}</b>
        {items.map((item) => (
          <span key={item} className="key-fact">
            {item}
          </span>
        ))}
        <span className="key-fact key-steps" title={facts.rule}>
          {stepsText(facts.steps)}
        </span>
        {a4 !== 440 && <span className="key-fact key-steps">{`A = ${a4} Hz`}</span>}
        <span className="key-fact">
          <Link className="link" to={`/keys/holds${search}`}>
            its chords
          </Link>
        </span>
      </p>
      {(facts.note || facts.simpler) && (
        <p>
          {facts.note}{' '}
          {facts.simpler && (
            <LinkButton onClick={() => state.change('spelling', { tonic: facts.simpler!.code })}>
              Spell it plainer, in {facts.simpler.text}
            </LinkButton>
          )}
        </p>
      )}
    </div>
  );
}
