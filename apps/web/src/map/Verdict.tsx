import Button from '@mui/material/Button';
import { counted } from '@same-song/core';
import { inventoryLists, type Family, type Side } from '@same-song/core/instruments';
import type { AlternativeView, LineView, MapView, Pin, WayView } from '@same-song/core/route';
import { LinkButton } from '../controls/LinkButton.tsx';
import { useRoving } from '../frame/roving.ts';
import { FactTables, Remarks } from './FactTables.tsx';
import { pinAsItIs } from './pinAsItIs.ts';
import { SameTabPart } from './SameTabPart.tsx';
import type { Selection } from './selection.ts';
import type { SameTabs } from './useSameTab.ts';
import { EffortBreakdown } from '../controls/EffortBreakdown.tsx';
import '../controls/verdict.css';

/** `IV`, `IV and V7`, `IV, V7 and ii`. */
const LISTED = new Intl.ListFormat('en-GB');

interface VerdictProps {
  readonly view: MapView;
  readonly selection: Selection;
  readonly family: Family;
  /** Other ways of the selected note; empty until they are worked out. */
  readonly alternatives: readonly AlternativeView[];
  readonly onPin: (pin: Pin) => void;
  readonly onUnpin: (noteId: string) => void;
  readonly onSelectWay: (id: string) => void;
  readonly onSelectNote: (noteId: string) => void;
  readonly onPlay: (hz: number) => void;
  readonly sameTab: SameTabs;
}

/** Reach, what is missing, what it asks, the selected note's other ways, and the inventory. */
export function Verdict(props: VerdictProps) {
  const { view, selection } = props;
  return (
    <aside className="verdict" aria-label="Verdict">
      <CoveragePart view={view} />
      {selection.note || selection.way ? <SelectedPart {...props} /> : null}
      <EffortBreakdown effort={view.effort} exact={view.exact} />
      <AirPart view={view} />
      <Remarks remarks={view.remarks} line={view.line} onSelect={props.onSelectNote} />
      <MissingPart view={view} />
      <SameTabPart {...props.sameTab} />
      <FactTables tables={view.tables} selected={selection.way?.id} />
      <InventoryPart view={view} family={props.family} onSelectWay={props.onSelectWay} />
      {view.cautions.map((caution) => (
        <p key={caution} className="verdict-caution">
          {caution}
        </p>
      ))}
    </aside>
  );
}

function CoveragePart({ view }: { view: MapView }) {
  const { coverage } = view;
  const octaves = coverage.octavesFrom.length;
  return (
    <section aria-label="Reach">
      <p className="verdict-reach">
        <b>
          {coverage.have} of {coverage.of}
        </b>{' '}
        notes can be had
      </p>
      <p className="verdict-plain">
        {octaves === 0
          ? 'No complete octave on this instrument.'
          : `${counted(octaves, 'complete octave')} on the whole instrument.`}
        {coverage.hard.map(
          (part) => ` ${counted(part.pitches, 'note comes', 'notes come')} only by ${part.label}.`,
        )}
      </p>
    </section>
  );
}

/** Where the bellows run out. */
function AirPart({ view }: { view: MapView }) {
  const { helps, capacity } = view.air;
  if (helps.length === 0) return null;
  const notes = view.line.flatMap((note) => (helps.includes(note.id) ? [note.index + 1] : [])).join(', ');
  return (
    <section>
      <h2>Air</h2>
      <p className="verdict-plain">
        With {capacity} beats in the bellows, the air button must help before note {notes}.
      </p>
    </section>
  );
}

function MissingPart({ view }: { view: MapView }) {
  if (view.missing.length === 0) return null;
  return (
    <section>
      <h2>Missing on this instrument</h2>
      <ul className="plain-list">
        {view.missing.map((m) => (
          <li key={m.pitch}>
            <b>
              {m.degree} {m.note}
            </b>{' '}
            {m.text}
          </li>
        ))}
      </ul>
    </section>
  );
}

const SIDES: readonly Side[] = ['above', 'level', 'below'];

interface InventoryPartProps {
  readonly view: MapView;
  readonly family: Family;
  readonly onSelectWay: (id: string) => void;
}

/** What is in the scale, a risk, to be left out and not possible yet: by technique, the sides apart. */
function InventoryPart({ view, family, onSelectWay }: InventoryPartProps) {
  const roving = useRoving<HTMLDivElement>('button');
  const lists = inventoryLists(family.techniques, view.ways);
  return (
    <div {...roving}>
      {lists.map(({ id, title, about, groups }) => (
        <section key={id}>
          <h2>{title}</h2>
          {id !== 'in' && <p className="verdict-plain">{about}</p>}
          {groups.map(({ technique, label, ways }) => (
            <div key={technique} className="advice-group">
              {family.techniques.length > 1 && <h3>{label}</h3>}
              {SIDES.map((side) => ({ side, own: ways.filter((way) => way.side === side) }))
                .filter(({ own }) => own.length > 0)
                .map(({ side, own }) => (
                  <p key={side} className="advice row">
                    <span className="advice-air soft small">{family.sides[side]}</span>
                    {own.map((way) => (
                      <button
                        key={way.id}
                        type="button"
                        onClick={() => onSelectWay(way.id)}
                        title={adviceText(way)}
                        tabIndex={-1}
                      >
                        {way.brief.replace('\n', ' ')}
                      </button>
                    ))}
                  </p>
                ))}
            </div>
          ))}
        </section>
      ))}
    </div>
  );
}

function adviceText(way: WayView): string {
  const chords = way.chords.length > 0 ? `, in ${way.chords.join(', ')}` : '';
  const repeats = !way.redundant ? '' : ', only repeats an easier note';
  return `${way.words}: ${way.degree}, ${way.note}${chords}${repeats}${way.usable ? '' : ', not marked as possible'}`;
}

function SelectedPart(props: VerdictProps) {
  const { view, selection, alternatives, onPlay } = props;
  const { note, way } = selection;
  const sound = way ?? note!;
  const others = view.ways.filter((other) => other.pitch === sound.pitch && other.id !== way?.id);
  return (
    <section className="selected" aria-label="The note" aria-live="polite">
      <h2>
        {sound.note}, degree {sound.degree}
        <button type="button" className="link hear" onClick={() => onPlay(sound.hz)} title="Hear it (N)">
          hear
        </button>
      </h2>
      {way && (
        <p className="selected-way">
          <b>{way.words}</b>
          {way.chords.length > 0 && <> · in {LISTED.format(way.chords)}</>}
          {note?.fingering && <> · {note.fingering.words}</>}
          {way.cents !== 0 && <> · {centsText(way.cents)}</>}
          {note?.pinned && <> · pinned</>}
        </p>
      )}
      {way?.between && <p className="verdict-plain">{way.between}</p>}
      {note?.missing && <p className="selected-way">Not to be had: {note.missing}.</p>}
      {note && <WhyPart note={note} view={view} alternatives={alternatives} />}
      {others.length === 0 ? (
        <p className="verdict-plain">No other way on this instrument.</p>
      ) : (
        <ul className="selected-others bare">
          {others.map((other) => (
            <OtherWay key={other.id} other={other} {...props} />
          ))}
        </ul>
      )}
      {note && way && <PinButton note={note} wayId={way.id} {...props} />}
    </section>
  );
}

function centsText(cents: number): string {
  return `${Math.abs(cents)} cents ${cents > 0 ? 'sharp' : 'flat'}`;
}

/** The best other way is the reason for the choice. */
function isToldAbove(note: LineView, alternatives: readonly AlternativeView[], wayId: string): boolean {
  return !note.pinned && alternatives[0]?.wayId === wayId;
}

interface WhyPartProps {
  readonly note: LineView;
  readonly view: MapView;
  readonly alternatives: readonly AlternativeView[];
}

function WhyPart({ note, view, alternatives }: WhyPartProps) {
  const [best] = alternatives;
  if (!best || !isToldAbove(note, alternatives, best.wayId)) return null;
  const other = view.ways.find((way) => way.id === best.wayId)?.words;
  if (best.redundant)
    return <p className="verdict-plain">Chosen because {other} only repeats it with a harder technique.</p>;
  if (best.changes.length === 0) return <p className="verdict-plain">As good as {other}.</p>;
  return (
    <p className="verdict-plain">
      Chosen because {other} would mean {best.changes.join(', ')}.
    </p>
  );
}

function OtherWay({ other, selection, alternatives, onPin, onSelectWay }: VerdictProps & { other: WayView }) {
  const { note } = selection;
  const alternative = alternatives.find((a) => a.wayId === other.id);
  const told = otherText(other, note, alternatives);
  return (
    <li>
      <LinkButton onClick={() => onSelectWay(other.id)}>{other.words}</LinkButton>
      {note && alternative && (
        <Button size="small" variant="outlined" onClick={() => onPin({ noteId: note.id, wayId: other.id })}>
          Pin this
        </Button>
      )}
      {told && <p>{told}</p>}
    </li>
  );
}

/** What another way would change, the other notes of the line included; what the reason above says is not said again. */
function otherText(
  other: WayView,
  note: LineView | undefined,
  alternatives: readonly AlternativeView[],
): string {
  const alternative = alternatives.find((a) => a.wayId === other.id);
  if (!alternative) return other.usable ? '' : 'not marked as possible';
  const also = alternative.alsoChanges.length;
  const others = also > 0 ? `changes ${counted(also, 'other note')} too` : '';
  if (note && isToldAbove(note, alternatives, other.id)) return others;
  return [
    alternative.redundant ? 'only repeats the note with a harder technique' : '',
    alternative.changes.join(', ') || 'costs the same',
    others,
  ]
    .filter((text) => text !== '')
    .join('; ');
}

function PinButton({ note, wayId, onPin, onUnpin }: VerdictProps & { note: LineView; wayId: string }) {
  return note.pinned ? (
    <Button size="small" variant="outlined" onClick={() => onUnpin(note.id)}>
      Let it choose freely (P)
    </Button>
  ) : (
    <Button size="small" variant="outlined" onClick={() => onPin(pinAsItIs(note, wayId))}>
      Pin as it is (P)
    </Button>
  );
}
