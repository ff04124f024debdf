import { Link } from 'react-router';
import { families, FAMILY_IDS, familyById } from '@same-song/core';
import { usePresetsFor } from '../compute/compute.ts';
import { presetRef } from '../map/useMapState.ts';
import { asksText, hardText, octavesText } from './cellWords.ts';
import type { KeysViewProps } from './KeysPage.tsx';
import { mapLink } from './mapLink.ts';

/** Which instrument of a kind to pick up, or to buy, for a key. */
export function WhichView({ state }: KeysViewProps) {
  const { ask, family, param, setParam } = state;
  const kind = FAMILY_IDS.find((id) => id === param('kind')) ?? family.id;
  const { data, error } = usePresetsFor(kind, { scale: ask.scale, tonic: ask.tonic });
  const shown = familyById(kind)!;
  return (
    <>
      <div className="keys-tools">
        <label>
          Kind of instrument{' '}
          <select value={kind} onChange={(event) => setParam('kind', event.target.value, 'the kind')}>
            {FAMILY_IDS.map((id) => (
              <option key={id} value={id}>
                {families[id].label}
              </option>
            ))}
          </select>
        </label>
      </div>
      {error && <p role="alert">This cannot be worked out: {error.message}</p>}
      {!data && !error && <p className="loading">Trying every one…</p>}
      <table className="keys-list">
        <thead>
          <tr>
            <th scope="col">Take</th>
            <th scope="col">It is then</th>
            <th scope="col">It gives</th>
            <th scope="col">The best octave asks</th>
            <th scope="col">
              <span className="unseen">Open</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {data?.map(({ preset, label, cell, todo }) => (
            <tr key={preset} className={cell.best === undefined ? 'keys-poor' : ''}>
              <th scope="row">{label}</th>
              <td>{[...cell.facts.slice(0, 1), ...todo].join(', ')}</td>
              <td>
                <b>{octavesText(cell)}</b>
                <span>
                  {cell.have} of {cell.of} notes
                  {hardText(cell, shown) && `, hangs on ${hardText(cell, shown)}`}
                </span>
              </td>
              <td>{asksText(cell)}</td>
              <td>
                <Link className="link" to={mapLink(presetRef(kind, preset), cell)}>
                  Map
                </Link>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
