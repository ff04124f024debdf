import { LinkButton } from '../controls/LinkButton.tsx';
import type { SameTabs } from './useSameTab.ts';

/** Which key comes out when the same tab is played on another instrument. */
export function SameTabPart({ there, more, take }: SameTabs) {
  if (there.length === 0) return null;
  return (
    <section>
      <h2>Same tab elsewhere gives (O)</h2>
      <ul className="same-tab">
        {there.map(({ ref, name, comes, kept, of }) => (
          <li key={ref}>
            <LinkButton onClick={() => take(ref)}>{name}</LinkButton>
            <b>
              {comes}
              {kept < of && ` (${kept} of ${of} the same)`}
            </b>
          </li>
        ))}
      </ul>
      {more > 0 && <p className="verdict-plain">O goes through {more} more.</p>}
    </section>
  );
}
