import { inventoryLists, type InventoryList, type Technique } from '@same-song/core/instruments';
import type { MapView } from '@same-song/core/route';
import { tabLine } from './tabLine.ts';

interface InventoryTermsProps {
  readonly view: MapView;
  readonly techniques: readonly Technique[];
  /** Where what is in the scale and what is not possible yet is told already. */
  readonly without?: readonly InventoryList<unknown>['id'][];
}

/** The inventory in words, for paper: what is in the scale by technique, a risk, left out, not possible yet, missing. */
export function InventoryTerms({ view, techniques, without = [] }: InventoryTermsProps) {
  const lists = inventoryLists(techniques, view.ways).filter(({ id }) => !without.includes(id));
  return (
    <>
      {lists.map(({ id, title, groups }) => (
        <div key={id}>
          <dt>{title}</dt>
          <dd>
            {groups.map(({ technique, label, ways }, i) => (
              <span key={technique}>
                {i > 0 && ' · '}
                {groups.length > 1 && <i>{label}: </i>}
                {tabLine(ways, view.tabSeparator)}
              </span>
            ))}
          </dd>
        </div>
      ))}
      {view.missing.length > 0 && (
        <div>
          <dt>Missing</dt>
          <dd>{view.missing.map((m) => `${m.note} (${m.text})`).join(', ')}</dd>
        </div>
      )}
    </>
  );
}
