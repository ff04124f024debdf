import { Link } from 'react-router';
import { families, FAMILY_IDS, familyById, type Family, type presetsFor } from '@same-song/core';
import { usePresetsFor } from '../compute/compute.ts';
import { presetRef } from '../question/reference.ts';
import { demandsText, notesText, octavesText } from './cellWords.ts';
import type { KeysViewProps } from './keysView.ts';
import { mapLink } from './mapLink.ts';

/** Which instrument of a kind to pick up, or to buy, for a key. */
export function WhichView({ state }: KeysViewProps) {
  const { question, family, param, setParam } = state;
  const kind = FAMILY_IDS.find((id) => id === param('kind')) ?? family.id;
  const { data, error } = usePresetsFor(kind, { scale: question.scale, tonic: question.tonic });
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
        <span className="keys-soft">Each opens on Map.</span>
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
          </tr>
        </thead>
        <tbody>
          {data &&
            merged(data, shown).map((row) => <ChoiceRow key={row.ones[0]!.preset} row={row} kind={kind} />)}
        </tbody>
      </table>
    </>
  );
}

type One = ReturnType<typeof presetsFor>[number];

/** Instruments of which the same is told, such as a low and a high one of a key. */
interface Row {
  readonly ones: readonly One[];
  readonly position: string;
  readonly octaves: string;
  readonly notes: string;
  readonly demands: string;
}

/** One row for all of which the same is told, in the order of the best of them. */
function merged(ones: readonly One[], family: Family): readonly Row[] {
  const rows = new Map<string, Row>();
  for (const one of ones) {
    const { cell, todo } = one;
    const told = {
      position: [...cell.facts.slice(0, 1), ...todo].join(', '),
      octaves: octavesText(cell),
      notes: notesText(cell, family),
      demands: demandsText(cell),
    };
    const id = JSON.stringify(told);
    rows.set(id, { ...told, ones: [...(rows.get(id)?.ones ?? []), one] });
  }
  return [...rows.values()];
}

function ChoiceRow({ row, kind }: { row: Row; kind: string }) {
  const { ones, position, octaves, notes, demands } = row;
  return (
    <tr className={ones[0]!.cell.best === undefined ? 'keys-poor' : ''}>
      <th scope="row" className="keys-ones">
        {ones.map(({ preset, label, cell }) => (
          <Link key={preset} className="link" to={mapLink(presetRef(kind, preset), cell)} title="Open in Map">
            {label}
          </Link>
        ))}
      </th>
      <td>{position}</td>
      <td>
        <b>{octaves}</b>
        <span>{notes}</span>
      </td>
      <td>{demands}</td>
    </tr>
  );
}
