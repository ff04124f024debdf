import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { familyById } from '@same-song/core/instruments';
import type { Suggestion } from '@same-song/core/route';
import type { InstrumentRecord } from '../api/records.ts';
import { useEverything, type CabinetSuggestion } from '../compute/compute.ts';
import { subjectOf } from '../compute/subject.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { refWith } from '../question/reference.ts';
import { almostText, demandsText, notesText, octavesText } from './cellWords.ts';
import type { KeysViewProps } from './keysView.ts';
import { mapLink } from './mapLink.ts';
import { TableHeads } from '../controls/TableHeads.tsx';

/** One key on everything in the cabinet, with what must be done first. */
export function EverythingView({ state }: KeysViewProps) {
  const { cabinet, question } = state;
  const [progress, setProgress] = useState(0);
  const subjects = useMemo(() => cabinet.map(subjectOf), [cabinet]);
  const { data, isFetching, error } = useEverything(
    subjects,
    { scale: question.scale, tonic: question.tonic },
    setProgress,
  );
  if (cabinet.length === 0)
    return (
      <div className="keys-empty">
        <p>The cabinet is empty, so there is nothing to choose from yet.</p>
        <Button variant="contained" component={Link} to="/cabinet/new">
          Add an instrument
        </Button>
      </div>
    );
  if (error && !data) return <p role="alert">The cabinet cannot be compared: {error.message}</p>;
  return (
    <>
      {isFetching && (
        <p className="keys-progress" role="status">
          Trying the cabinet… <progress value={progress} max={1} />
        </p>
      )}
      <figure className="figure">
        <Table className="keys-list">
          <TableHeads
            columns={['Take', 'Do first', 'It gives', 'The best octave asks', { unseen: 'Open' }]}
          />
          <TableBody>
            {data?.map((suggestion, i) => (
              <SuggestionRow key={i} suggestion={suggestion} reference={refOf(suggestion, cabinet)} />
            ))}
          </TableBody>
        </Table>
        {data && <FigureTools title={`All I have for ${tonicWords(question)} ${scaleWords(question)}`} />}
      </figure>
    </>
  );
}

/** The instrument of the cabinet a suggestion is about, set as it says: what takes no workshop can be tried on Map. */
function refOf({ of, settings }: CabinetSuggestion, cabinet: readonly InstrumentRecord[]): string {
  return refWith(cabinet[of]?.id ?? '', settings);
}

function SuggestionRow({ suggestion, reference }: { suggestion: Suggestion; reference: string }) {
  const { spec, todo, cell } = suggestion;
  return (
    <TableRow className={!cell.lies ? 'keys-poor' : ''}>
      <TableCell component="th" scope="row" dir="auto">
        {spec.name}
        <span className="below">{cell.facts[0]}</span>
      </TableCell>
      <TableCell>{todo.length > 0 ? todo.join(', ') : 'nothing'}</TableCell>
      <TableCell>
        <b>{octavesText(cell)}</b> {almostText(cell)}
        <span className="below">{notesText(cell, familyById(spec.family)!)}</span>
      </TableCell>
      <TableCell>{demandsText(cell)}</TableCell>
      <TableCell>
        <Link className="link" to={mapLink(reference, cell)}>
          Map
        </Link>
      </TableCell>
    </TableRow>
  );
}
