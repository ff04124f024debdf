import Button from '@mui/material/Button';
import { Fragment, useState } from 'react';
import { Link } from 'react-router';
import { counted } from '@same-song/core';
import type { LineView } from '@same-song/core/route';
import { barName, barNumberIn, type SongView } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import type { SongRecord } from '../../api/records.ts';
import { Breaths } from './Breaths.tsx';
import { KeptArrangements } from './KeptArrangements.tsx';
import { NoteEdits } from './NoteEdits.tsx';
import { CabinetFits } from './CabinetFits.tsx';
import { scaleLink } from './scaleLink.ts';
import { fitWords } from './sentenceChoices.ts';
import { AddedHere, Accompaniment } from './Accompaniment.tsx';
import type { SongState } from './useSong.ts';
import { EffortBreakdown } from '../../controls/EffortBreakdown.tsx';
import { Ornaments, OrnamentsOfDance } from './Ornaments.tsx';
import { SettingList } from './SettingSheet.tsx';
import { TensionLimitFields } from './TensionLimitFields.tsx';
import { Tunings } from './Tunings.tsx';
import '../../controls/verdict.css';

/** The selected note, what cannot be had and its ways out, what it asks, and where it would be easier. */
export function SongVerdict({
  state,
  view,
  record,
}: {
  state: SongState;
  view: SongView;
  record: SongRecord;
}) {
  const { at } = state;
  const note = view.line.find(({ id }) => id === at);
  return (
    <aside className="verdict song-verdict" aria-label="Verdict">
      {note && <SelectedNote state={state} view={view} note={note} record={record} />}
      <Missing state={state} view={view} />
      <Easier state={state} />
      <Decided state={state} record={record} />
      <Accompaniment state={state} view={view} />
      <OrnamentsOfDance state={state} view={view} />
      <Breaths state={state} view={view} />
      <EffortBreakdown effort={view.effort} exact={view.exact} />
      <AgainstChords state={state} view={view} />
      <SettingList state={state} view={view} />
      <Remarks state={state} view={view} />
      <Tunings state={state} />
      <CabinetFits state={state} />
      <KeptArrangements state={state} />
      {view.cautions.map((caution) => (
        <p key={caution} className="verdict-caution">
          {caution}
        </p>
      ))}
    </aside>
  );
}

function SelectedNote({
  state,
  view,
  note,
  record,
}: {
  state: SongState;
  view: SongView;
  note: LineView;
  record: SongRecord;
}) {
  const { alternatives, pin, unpin } = state;
  const words = (id: string) => view.ways.find((way) => way.id === id);
  const lacking = view.missing.find(({ noteId }) => noteId === note.id);
  return (
    <section className="song-selected" aria-label="The note">
      <h2>
        {note.note}, degree {note.degree}
      </h2>
      {note.tab && (
        <p className="verdict-plain">
          {words(note.wayId!)?.words ?? note.tab}
          {note.fingering ? `, ${note.fingering.words}` : ''}
          {note.mark ? ` · ${note.mark}` : ''}
        </p>
      )}
      {lacking && <Ways state={state} view={view} lacking={lacking} />}
      {note.pinned && (
        <Button size="small" variant="outlined" onClick={() => unpin(note.id)}>
          Let it be chosen freely
        </Button>
      )}
      {alternatives.length > 0 && (
        <ul className="plain-list">
          {alternatives.slice(0, 6).map((other) => (
            <li key={other.wayId}>
              <LinkButton onClick={() => pin({ noteId: note.id, wayId: other.wayId })}>
                {words(other.wayId)?.words ?? other.wayId}
              </LinkButton>{' '}
              {other.changes.length > 0 ? other.changes.join(', ') : 'no harder'}
            </li>
          ))}
        </ul>
      )}
      <AddedHere state={state} view={view} note={note} />
      {note.wayId && <Ornaments state={state} noteId={note.id} />}
      <NoteEdits record={record} noteId={note.id} />
    </section>
  );
}

type Lacking = SongView['missing'][number];

function Ways({ state, view, lacking }: { state: SongState; view: SongView; lacking: Lacking }) {
  const alike = view.missing.filter(({ note }) => note === lacking.note);
  const whole = (state.keys ?? [])
    .filter(({ missing, transpose }) => missing === 0 && transpose !== state.by)
    .slice(0, KEYS_OFFERED);
  return (
    <>
      <p className="verdict-plain">{lacking.reason}</p>
      <ul className="plain-list song-offers bare">
        {lacking.offers.map(({ text, decisions }) => (
          <li key={text}>
            <LinkButton onClick={() => state.decide(decisions)}>{text}</LinkButton>
            {alike.length > 1 && decisions.length === 1 && (
              <LinkButton
                label={`${text}, all ${alike.length} of them`}
                onClick={() => state.decide(alike.map(({ noteId }) => ({ ...decisions[0]!, noteId })))}
              >
                all {alike.length}
              </LinkButton>
            )}
          </li>
        ))}
        {whole.map((fit) => (
          <li key={fit.transpose}>
            <LinkButton onClick={() => state.move(fit.transpose)}>
              {['the whole song in ' + fit.keyName, fit.facts[0]].filter((text) => text).join(', ')}
            </LinkButton>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Keys offered in place of this one for a note that is missing. */
const KEYS_OFFERED = 2;

function Missing({ state, view }: { state: SongState; view: SongView }) {
  if (view.missing.length === 0) return null;
  const notes = [...new Map(view.missing.map((lacking) => [lacking.note, lacking])).values()];
  return (
    <section>
      <h2>Not on this instrument</h2>
      {view.octaves.slice(0, OCTAVES_OFFERED).map(({ by, saves }) => (
        <Button key={by} size="small" variant="outlined" onClick={() => state.move(state.by + by)}>
          The whole tune {movedWords(by)}: {counted(saves, 'note more', 'notes more')}
        </Button>
      ))}
      <ul className="plain-list">
        {notes.map(({ note, reason }) => (
          <li key={note}>
            <b>{note}</b> {reason}: bar{' '}
            {firstsByBar(view.missing.filter((lacking) => lacking.note === note))
              .slice(0, BARS_TOLD)
              .map(({ noteId, bar }) => (
                <LinkButton key={noteId} onClick={() => state.select(noteId)}>
                  {bar}
                </LinkButton>
              ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Of the notes that are missing in one bar the first. */
function firstsByBar(missing: readonly Lacking[]): readonly Lacking[] {
  return missing.filter(({ bar }, i) => missing.findIndex((other) => other.bar === bar) === i);
}

/** Octaves that are offered for a whole tune. */
const OCTAVES_OFFERED = 2;
/** Bars named for one note; those behind them show it too. */
const BARS_TOLD = 12;

/** Notes that are played otherwise than they are written. */
function Decided({ state, record }: { state: SongState; record: SongRecord }) {
  const { decisions } = state.plan;
  if (decisions.length === 0) return null;
  const barOf = (noteId: string) => {
    const onset =
      record.parts
        .flatMap(({ voices }) => voices.flatMap(({ notes }) => notes))
        .find(({ id }) => id === noteId)?.onset ?? 0;
    return barName(barNumberIn(record)(onset));
  };
  return (
    <section>
      <h2>Played otherwise than written</h2>
      <ul className="plain-list">
        {decisions.map((decision) => (
          <li key={decision.noteId}>
            {barOf(decision.noteId)}: {decision.kind === 'leave' ? 'left out' : movedWords(decision.by)}{' '}
            <LinkButton onClick={() => state.undecide(decision.noteId)}>play what is written</LinkButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

function movedWords(by: number): string {
  const octaves = Math.abs(by) / 12;
  const size = Number.isInteger(octaves)
    ? octaves === 1
      ? 'an octave'
      : `${octaves} octaves`
    : `${Math.abs(by)} semitones`;
  return `${size} ${by > 0 ? 'higher' : 'lower'}`;
}

function Remarks({ state, view }: { state: SongState; view: SongView }) {
  if (view.remarks.length === 0) return null;
  return (
    <section>
      <h2>On the way</h2>
      <ul className="plain-list">
        {view.remarks.slice(0, 8).map((remark) => (
          <li key={remark.noteId + remark.text}>
            <LinkButton onClick={() => state.select(remark.noteId)}>{remark.text}</LinkButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

const KIND_WORDS = {
  held: 'held, it grates',
  open: 'left without a step',
  resolved: 'passing, resolved by a step',
} as const;

/** Chords that are led to; a song has seldom more. */
const CHORDS_LED_TO = 12;

/** From each of its chords to how it is held on the instrument. */
function ChordLinks({ state, view }: { state: SongState; view: SongView }) {
  const symbols = [...new Set(view.tension.chords.map(({ symbol }) => symbol))];
  const link = scaleLink(view, state.chosen?.ref);
  return (
    <p className="verdict-plain">
      How to hold:{' '}
      {symbols.slice(0, CHORDS_LED_TO).map((symbol) => (
        <Fragment key={symbol}>
          <Link className="link" to={`/keys/holds?${link}&chord=${encodeURIComponent(symbol)}`}>
            {symbol}
          </Link>{' '}
        </Fragment>
      ))}
    </p>
  );
}

/** Where the melody rubs against the chords, what is held first. */
function AgainstChords({ state, view }: { state: SongState; view: SongView }) {
  const { guessed, chords, tensions } = view.tension;
  const [all, setAll] = useState(false);
  const loud = tensions.filter(({ kind }) => kind !== 'resolved');
  const shown = all ? tensions : loud.slice(0, 8);
  if (guessed && chords.length === 0) return null;
  return (
    <section>
      <h2>Against the chords</h2>
      {guessed && (
        <p className="verdict-plain">
          The song has none; these are a guess:{' '}
          {chords
            .slice(0, 12)
            .map(({ symbol }) => symbol)
            .join(' ')}
          {chords.length > 12 ? ' …' : ''}
        </p>
      )}
      <ChordLinks state={state} view={view} />
      {loud.length === 0 && <p className="verdict-plain">Nothing grates.</p>}
      <ul className="plain-list">
        {shown.map(({ noteId, bar, note, chord, why, kind }) => (
          <li key={`${noteId} ${chord}`}>
            <LinkButton onClick={() => state.select(noteId)}>{barName(bar)}</LinkButton>
            {note} over {chord}, {why}: <b>{KIND_WORDS[kind]}</b>
          </li>
        ))}
      </ul>
      <TensionLimitFields />
      {tensions.length > shown.length && (
        <LinkButton onClick={() => setAll(true)}>
          {counted(tensions.length - shown.length, 'more note rubs', 'more notes rub')}
        </LinkButton>
      )}
    </section>
  );
}

/** The best keys for this song on this instrument. */
function Easier({ state }: { state: SongState }) {
  const { keys, by, move } = state;
  if (!keys) return null;
  return (
    <section>
      <h2>Easier where?</h2>
      <ul className="song-keys" aria-label="Keys">
        {keys.slice(0, 6).map((fit) => (
          <li key={fit.transpose}>
            <LinkButton current={fit.transpose === by} onClick={() => move(fit.transpose)}>
              {fit.keyName}
              {fit.transpose === by ? ' (here)' : ''}
            </LinkButton>{' '}
            <span className="below">{[fit.facts[0], fitWords(fit)].filter((text) => text).join(' · ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
