import type { MapView } from '@same-song/core/route';
import './verdict.css';

/** What a line asks of its player, part by part, each against the costliest. */
export function EffortBreakdown({ effort, exact }: Pick<MapView, 'effort' | 'exact'>) {
  const terms = effort.terms.filter(({ count }) => count > 0);
  const most = Math.max(...terms.map(({ cost }) => cost), 1e-9);
  return (
    <section>
      <h2>What it asks of you</h2>
      {terms.length === 0 && <p className="verdict-plain">Next to nothing.</p>}
      <dl className="effort">
        {terms.map((term) => (
          <div key={term.id} title={term.about}>
            <dt>{term.label}</dt>
            <dd>
              <span className="effort-bar" aria-hidden="true">
                <span style={{ width: `${Math.round((100 * term.cost) / most)}%` }} />
              </span>
              <b>{term.count}</b>
            </dd>
          </div>
        ))}
      </dl>
      {!exact && (
        <p className="verdict-plain">
          So much could be set differently along this line that not everything was tried: there may be a
          slightly better way.
        </p>
      )}
    </section>
  );
}
