import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { Link } from 'react-router';
import { families, FAMILY_IDS, familyById, type Family } from '@same-song/core/instruments';
import type { presetsFor } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import { usePresetsFor } from '../compute/compute.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { presetRef } from '../question/reference.ts';
import { almostText, demandsText, notesText, octavesText } from './cellWords.ts';
import type { KeysViewProps } from './keysView.ts';
import { mapLink } from './mapLink.ts';
import { TableHeads } from '../controls/TableHeads.tsx';

/** Which instrument of a kind to pick up, or to buy, for a key. */
export function WhichView({ state }: KeysViewProps) {
  const { question, family, param, setParam } = state;
  const kind = FAMILY_IDS.find((id) => id === param('kind')) ?? family.id;
  const { data, error } = usePresetsFor(kind, { scale: question.scale, tonic: question.tonic });
  const shown = familyById(kind)!;
  return (
    <>
      <div className="keys-tools row">
        <Picklist
          label="Kind of instrument"
          value={kind}
          choices={FAMILY_IDS.map((id) => families[id])}
          onChange={(id) => setParam('kind', id, 'the kind')}
        />
        <span className="soft small">Each opens on Map.</span>
      </div>
      {error && <p role="alert">This cannot be worked out: {error.message}</p>}
      {!data && !error && <Loading>Trying every one…</Loading>}
      <figure className="figure">
        <Table className="keys-list">
          <TableHeads columns={['Take', 'It is then', 'It gives', 'The best octave asks']} />
          <TableBody>
            {data &&
              merged(data, shown).map((row) => <ChoiceRow key={row.ones[0]!.preset} row={row} kind={kind} />)}
          </TableBody>
        </Table>
        {data && (
          <FigureTools
            title={`Which ${shown.label} to take for ${tonicWords(question)} ${scaleWords(question)}`}
          />
        )}
      </figure>
    </>
  );
}

type One = ReturnType<typeof presetsFor>[number];

/** Instruments of which the same is told, such as a low and a high one of a key. */
interface Row {
  readonly ones: readonly One[];
  readonly position: string;
  readonly octaves: string;
  readonly almost: string;
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
      almost: almostText(cell),
      notes: notesText(cell, family),
      demands: demandsText(cell),
    };
    const id = JSON.stringify(told);
    rows.set(id, { ...told, ones: [...(rows.get(id)?.ones ?? []), one] });
  }
  return [...rows.values()];
}

function ChoiceRow({ row, kind }: { row: Row; kind: string }) {
  const { ones, position, octaves, almost, notes, demands } = row;
  return (
    <TableRow className={!ones[0]!.cell.lies ? 'keys-poor' : ''}>
      <TableCell component="th" scope="row" className="keys-ones">
        {ones.map(({ preset, label, cell }) => (
          <Link key={preset} className="link" to={mapLink(presetRef(kind, preset), cell)} title="Open in Map">
            {label}
          </Link>
        ))}
      </TableCell>
      <TableCell className="keys-position">{position}</TableCell>
      <TableCell>
        <b>{octaves}</b> {almost}
        <span className="below">{notes}</span>
      </TableCell>
      <TableCell>{demands}</TableCell>
    </TableRow>
  );
}
