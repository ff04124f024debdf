import Button from '@mui/material/Button';
import { useNavigate } from 'react-router';
import { counted } from '@same-song/core';
import type { KeyCell, OctaveInFull } from '@same-song/core/route';
import { LinkButton } from '../controls/LinkButton.tsx';
import { dialectOf } from '../api/settings.ts';
import { useKeyOctaves } from '../compute/compute.ts';
import { notify } from '../frame/notice.ts';
import type { QuestionState } from '../question/useQuestion.ts';
import {
  demandsText,
  hardText,
  almostText,
  octavesText,
  partsText,
  scaleName,
  tonicText,
  whereText,
} from './cellWords.ts';
import { callIn } from '../question/questionWords.ts';
import { withEntries } from './handout.ts';
import { mapLink } from './mapLink.ts';

interface CellDetailProps {
  readonly cell: KeyCell;
  readonly state: QuestionState;
  /** The cells of its key, and those of its scale. */
  readonly row: readonly KeyCell[];
  readonly column: readonly KeyCell[];
}

/** One cell explained: where it is whole, what is missing, how each octave is played and what it asks. */
export function CellDetail({ cell, state, row, column }: CellDetailProps) {
  const { chosen, family, question, settings, setParam } = state;
  const navigate = useNavigate();
  const call = callIn(cell);
  const hard = hardText(cell, family);
  const { data, isPlaceholderData } = useKeyOctaves(
    chosen!,
    { scale: cell.scale, tonic: cell.tonic },
    question.preferences,
    dialectOf(settings, family),
  );
  const handOut = (cells: readonly KeyCell[]) => {
    const entries = cells.map(({ scale, tonic }) => ({ scale, tonic, ref: chosen!.ref }));
    setParam('pages', (before) => withEntries(before, entries), 'the hand-out');
    notify(`${counted(entries.length, 'entry', 'entries')} put on the hand-out.`);
  };
  const octaves = isPlaceholderData ? undefined : data;
  const best = cell.best === undefined ? undefined : octaves?.[cell.best];
  const others = octaves?.filter((octave) => octave !== best) ?? [];
  return (
    <>
      <h2>
        {tonicText(cell.tonic)} {scaleName(cell.scale)}
      </h2>
      <p>{cell.facts.join(' · ')}</p>
      <p aria-live="polite">
        <b className="keys-figure">{octavesText(cell)}</b> {almostText(cell)}
        {cell.octaves.length > 0 && <> {whereText(cell)}</>}
      </p>
      <p>
        {cell.have} of {cell.of} notes over the whole instrument.
        {cell.missing.length > 0 && ` Missing: ${cell.missing.map(call).join(' ')}.`}
      </p>
      {cell.best !== undefined && (
        <>
          <h3>The best octave, from {call(cell.octaves[cell.best]!.from)}</h3>
          <Tab octave={best} />
          <p>It demands: {demandsText(cell)}.</p>
          <p>{hard ? `It cannot do without ${hard}.` : 'Nothing in it is hard.'}</p>
        </>
      )}
      <Button variant="contained" onClick={() => void navigate(mapLink(chosen!.ref, cell))}>
        Open in Map (M)
      </Button>
      <p className="cell-handout">
        Put on the hand-out: <LinkButton onClick={() => handOut([cell])}>this cell</LinkButton>
        {', '}
        <LinkButton onClick={() => handOut(row)}>its row</LinkButton>
        {', '}
        <LinkButton onClick={() => handOut(column)}>its column</LinkButton>
      </p>
      {others.length > 0 && (
        <>
          <h3>{others.length === 1 ? 'The other octave' : 'The other octaves'}</h3>
          {others.map((octave) => (
            <section key={octave.from} className="keys-octave">
              <b>from {call(octave.from)}</b>
              <Tab octave={octave} />
              <p>{partsText(octave.demands)}</p>
            </section>
          ))}
        </>
      )}
    </>
  );
}

/** Notes from home up to home in tab; an empty line of the same height until it is known. */
function Tab({ octave }: { readonly octave: OctaveInFull | undefined }) {
  return (
    <p className="keys-tab" role="group" aria-label="Tab of the octave">
      {octave?.tab.map((text, i) => <span key={i}>{text}</span>) ?? <span>…</span>}
    </p>
  );
}
