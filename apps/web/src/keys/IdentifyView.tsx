import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { openInstrument, type Instrument } from '@same-song/core/instruments';
import {
  CHROMATIC_DEGREE_NAMES,
  commonNotes,
  fitsOf,
  noteCode,
  noteText,
  ownNamer,
  type Fit,
} from '@same-song/core/music';
import { readNotes } from '@same-song/core/route';
import { LinkButton } from '../controls/LinkButton.tsx';
import { specOf } from '../api/records.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { Check } from '../controls/Check.tsx';
import { pitchChip } from '../scene/pitchChip.ts';
import { SceneView } from '../scene/SceneView.tsx';
import { dialectOf } from '../api/settings.ts';
import type { KeysViewProps } from './keysView.ts';
import { mapLink } from './mapLink.ts';
import { TypedField, useTypedParam } from './TypedField.tsx';

const SHOWN = 14;

/** Notes that are typed or chosen, as the link keeps them, and the scales that hold them. */
function useNotesAsked(state: KeysViewProps['state']) {
  const { chosen, family, settings } = state;
  const typed = useTypedParam(state, 'notes', 'the notes');
  const { text, take } = typed;
  const dialect = dialectOf(settings, family);
  const instrument = useMemo(() => {
    const opened = chosen && openInstrument(chosen.spec);
    return opened?.ok ? opened.value : undefined;
  }, [chosen]);
  const read = useMemo(
    () => (text.trim() === '' ? undefined : readNotes(text, instrument, dialect)),
    [text, instrument, dialect],
  );
  const fits = useMemo(() => (read?.ok ? fitsOf(read.value) : []), [read]);
  const own = useMemo(
    () => [...new Set(instrument?.ways.filter((way) => way.able).map((way) => way.pitch % 12))],
    [instrument],
  );
  const takeAll = (pcs: readonly number[]) =>
    take(pcs.map(ownNamer(instrument?.home ?? 0, instrument?.ownScale).bare).join(' '));
  return {
    typed,
    instrument,
    read,
    fits,
    own,
    takeAll,
  };
}

/** From notes to the scales that hold them, and from several instruments to what they share. */
export function IdentifyView({ state }: KeysViewProps) {
  const { chosen } = state;
  const { typed, instrument, read, fits, own, takeAll } = useNotesAsked(state);
  return (
    <div className="split identify">
      <div>
        <label className="identify-notes">
          Notes, or a line of tab of {chosen?.spec.name}
          <TypedField typed={typed} placeholder="D F G A C" maxLength={2000} isWrong={read?.ok === false} />
        </label>
        {own.length < 12 && own.length > 0 && (
          <LinkButton onClick={() => takeAll(own)}>Take all notes of {chosen?.spec.name}</LinkButton>
        )}
        {read && !read.ok && (
          <ul className="editor-problems" role="alert">
            {read.problems.slice(0, 5).map((problem, i) => (
              <li key={i}>
                {problem.message}
                {problem.position !== undefined && ` It stands at character ${problem.position + 1}.`}
              </li>
            ))}
          </ul>
        )}
        {instrument && (
          <PickOnDrawing instrument={instrument} notes={read?.ok ? read.value : NONE} onNotes={takeAll} />
        )}
      </div>
      <div className="identify-fits" aria-live="polite">
        {read?.ok && (
          <>
            <h2>{fits.length === 0 ? 'No scale of the list comes near this set' : 'It fits, best first'}</h2>
            {fits.length === 0 && <p>Try fewer notes, or look what several of them share.</p>}
            <Table className="keys-list">
              <TableBody>
                {fits.slice(0, SHOWN).map((fit, i) => (
                  <FitRow key={i} fit={fit} reference={chosen!.ref} />
                ))}
              </TableBody>
            </Table>
          </>
        )}
        {typed.text.trim() === '' && (
          <p className="soft small">
            The scales that hold your notes will stand here, for each possible home.
          </p>
        )}
      </div>
      <CommonPart state={state} />
    </div>
  );
}

const NONE: ReadonlySet<number> = new Set();

interface PickOnDrawingProps {
  readonly instrument: Instrument;
  readonly notes: ReadonlySet<number>;
  readonly onNotes: (pcs: readonly number[]) => void;
}

/** Notes chosen on the instrument itself: each click takes a note in or out. */
function PickOnDrawing({ instrument, notes, onNotes }: PickOnDrawingProps) {
  const scene = useMemo(
    () =>
      instrument.scene((way) => ({
        role: notes.has(way.pitch % 12) ? 'chord' : 'scale',
        ...pitchChip(instrument, way),
        usable: way.able,
      })),
    [instrument, notes],
  );
  const flip = (id: string) => {
    const pc = instrument.ways.find((way) => way.id === id)!.pitch % 12;
    onNotes(notes.has(pc) ? [...notes].filter((n) => n !== pc) : [...notes, pc]);
  };
  return (
    <section>
      <h2>Or choose on the drawing</h2>
      <figure className="figure">
        <div className="lesson-drawing">
          <SceneView scene={scene} label={`${instrument.spec.name}: choose notes`} onSelect={flip} walked />
        </div>
        <FigureTools title={`These notes on ${instrument.spec.name}`} />
      </figure>
    </section>
  );
}

function FitRow({ fit, reference }: { fit: Fit; reference: string }) {
  const degrees = (semitones: readonly number[]) => semitones.map((s) => CHROMATIC_DEGREE_NAMES[s]).join(' ');
  const exact = fit.lacking.length + fit.strange.length === 0;
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {noteText(fit.tonic)} {fit.scale.name}
      </TableCell>
      <TableCell>
        {exact
          ? 'exactly'
          : [
              fit.lacking.length > 0 ? `without ${degrees(fit.lacking)}` : '',
              fit.strange.length > 0 ? `and ${degrees(fit.strange)} besides` : '',
            ]
              .filter((part) => part !== '')
              .join(', ')}
      </TableCell>
      <TableCell>
        <Link className="link" to={mapLink(reference, { tonic: noteCode(fit.tonic), scale: fit.scale.id })}>
          Map
        </Link>
      </TableCell>
    </TableRow>
  );
}

/** What several instruments of the cabinet share, and the drones that suit all. */
function CommonPart({ state }: KeysViewProps) {
  const { cabinet, param, flipParam } = state;
  const ids = param('together')
    .split(',')
    .filter((id) => cabinet.some((record) => record.id === id));
  const toggle = (id: string) => flipParam('together', id, 'the instruments');
  const chosen = cabinet
    .filter((record) => ids.includes(record.id))
    .flatMap((record) => {
      const opened = openInstrument(specOf(record));
      return opened.ok ? [opened.value] : [];
    });
  const sets = chosen.map(
    ({ ways, family }) =>
      new Set(
        ways.filter((w) => w.able && w.technique === family.techniques[0]!.id).map((w) => w.pitch % 12),
      ),
  );
  const { notes, drones } = commonNotes(sets);
  const names = (pcs: readonly number[]) =>
    pcs.map(ownNamer(chosen[0]?.home ?? 0, chosen[0]?.ownScale).bare).join(' ');
  if (cabinet.length < 2) return null;
  return (
    <section>
      <h2>What several instruments share</h2>
      <p>Counting what each of them plays plainly: no bends, no half-holes, strings as they are.</p>
      <div className="keys-tools row">
        {cabinet.map((record) => (
          <Check
            key={record.id}
            label={record.name}
            checked={ids.includes(record.id)}
            onChange={() => toggle(record.id)}
          />
        ))}
      </div>
      {sets.length > 1 && (
        <p role="status">
          {notes.length === 0 ? (
            'These have no note in common.'
          ) : (
            <>
              In common: <b>{names(notes)}</b>. Best drones: <b>{names(drones.slice(0, 3))}</b>.
            </>
          )}
        </p>
      )}
    </section>
  );
}
