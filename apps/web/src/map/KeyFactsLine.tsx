import type { MapView } from '@same-song/core';
import type { MapState } from './useMapState.ts';

/** Under the question: the notes and what a teacher says about the key. */
export function KeyFactsLine({ state, view }: { state: MapState; view: MapView }) {
  const { facts } = view;
  const items = [
    ...view.instrumentFacts,
    `against major: ${facts.againstMajor}`,
    facts.signature,
    facts.mode,
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
        <span className="key-fact" title={facts.rule}>
          steps {facts.steps.join(' ')} cents
        </span>
        {a4 !== 440 && <span className="key-fact">A = {a4} Hz</span>}
      </p>
      {(facts.note || facts.simpler) && (
        <p>
          {facts.note}{' '}
          {facts.simpler && (
            <button
              type="button"
              className="link"
              onClick={() => state.change('spelling', { tonic: facts.simpler!.code })}
            >
              Spell it plainer, in {facts.simpler.text}
            </button>
          )}
        </p>
      )}
    </div>
  );
}
