import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { familyById, keepIds, type Problem, type Song } from '@same-song/core';
import { DEGREES_HELP, losses, writeAbc, type Read } from '@same-song/formats';
import { instruments, songOf, songs, specOf, type SongRecord } from '../../api/records.ts';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import { useKeeping } from '../../frame/useKeeping.ts';
import { drawSystem, engraverReady, systemsOf } from '../staff/engrave.ts';
import { kindOf, readText, type TextKind } from './reading.ts';
import { StepEntry } from './StepEntry.tsx';
import { Tapping } from './Tapping.tsx';
import { keepUnfinished, unfinishedSong } from './unfinished.ts';

const KIND_WORDS: Readonly<Record<TextKind, string>> = { abc: 'ABC', degrees: 'degrees', tab: 'tab' };
const EXAMPLE = 'T:My tune\nM:3/4\nL:1/4\nK:G\nD | G2 B | A2 D | G3- | G2 |]';

/** After typing stops, in ms. */
const PAUSE = 250;

/** What became of a text; `of` is the text itself, which may have been typed on since. */
type Reading = { readonly of: string } & (
  | { readonly read: Read; readonly tunes: number; readonly problems?: undefined }
  | { readonly read?: undefined; readonly problems: readonly Problem[] }
);

interface NewSongProps {
  readonly onDone: () => void;
  /** A text of several tunes is to be read as a file is. */
  readonly onBook?: (book: File) => void;
  /** A song that is there and is to be written otherwise. */
  readonly record?: SongRecord;
}

/** One box for a song in ABC, degrees or tab, with the staff of what is understood beneath it. */
export function NewSong({ onDone, onBook, record }: NewSongProps) {
  const [begun] = useState(unfinishedSong);
  const [text, setText] = useState(() => (record ? writeAbc(songOf(record)) : begun.text));
  const [told, setTold] = useState<TextKind | undefined>(record && 'abc');
  const [title, setTitle] = useState(record?.title ?? begun.title);
  const [reading, setReading] = useState<Reading | undefined>(undefined);
  const { data: cabinet = [] } = instruments.useList();
  const { settings } = useSettings();
  const [on, setOn] = useState<string | undefined>(undefined);
  const instrument = cabinet.find(({ id }) => id === (on ?? settings.lastInstrument)) ?? cabinet[0];
  const family = instrument && familyById(instrument.family);
  const [dialect, setDialect] = useState<string | undefined>(undefined);
  const usedDialect =
    family?.dialects.find(({ id }) => id === dialect)?.id ?? (family ? dialectOf(settings, family) : '');
  const kind = told ?? kindOf(text);
  const navigate = useNavigate();
  const { keep, change, busy } = useKeeping(songs);
  useEffect(() => {
    if (text.trim() === '') {
      setReading(undefined);
      return undefined;
    }
    const unwanted = new AbortController();
    const { signal } = unwanted;
    const timer = window.setTimeout(() => {
      const spec = instrument && specOf(instrument);
      void readText(kind, text, spec, usedDialect, signal).then(
        (answer) =>
          !signal.aborted &&
          setReading({
            of: text,
            ...(answer.ok ? { read: answer.value, tunes: answer.tunes } : { problems: answer.problems }),
          }),
        (error: Error) =>
          !signal.aborted &&
          setReading({ of: text, problems: [{ field: '', wrong: '', message: error.message }] }),
      );
    }, PAUSE);
    return () => {
      unwanted.abort();
      window.clearTimeout(timer);
    };
  }, [text, kind, instrument, usedDialect]);
  const [stepping, setStepping] = useState(false);
  /** What was tapped to a text, and the text it was tapped to. */
  const [tapped, setTapped] = useState<{ readonly of: string; readonly song: Song } | undefined>(undefined);
  const song = useMemo((): Song | undefined => {
    const read = tapped && tapped.of === reading?.of ? tapped.song : reading?.read?.song;
    return read && { ...read, title: title.trim() || read.title };
  }, [reading, title, tapped]);
  const isEven = reading?.read !== undefined && kind !== 'abc' && !record && isEvenIn(reading.read.song);
  useEffect(() => {
    if (!record) keepUnfinished({ text, title });
  }, [record, text, title]);
  const done = () => {
    if (!record) {
      setText('');
      setTitle('');
      keepUnfinished();
    }
    onDone();
  };
  const save = () => {
    if (!song) return;
    if (record) {
      const before = songOf(record);
      change(record, {
        after: keepIds(before, { ...song, licence: before.licence }),
        label: `changing ${song.title}`,
        notice: `${song.title} is changed.`,
        onChanged: onDone,
      });
      return;
    }
    keep(song, {
      label: () => `adding ${song.title}`,
      notice: () => `${song.title} is among the songs.`,
      // What the server does not take stays in the box.
      onKept: ({ id }) => {
        done();
        void navigate(`/songs/${id}`);
      },
    });
  };
  return (
    <section className="new-song" aria-label={record ? `${record.title} as ABC` : 'A new song'}>
      <div className="new-song-text">
        <label className="new-song-writing">
          <span>ABC, degrees or tab</span>
          <OutlinedInput
            size="small"
            className="new-song-box"
            multiline
            minRows={7}
            maxRows={16}
            autoFocus
            spellCheck={false}
            placeholder={EXAMPLE}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <div className="songs-tools">
          <label className="labelled">
            <span>Title</span>
            <OutlinedInput
              size="small"
              value={title}
              placeholder={song?.title ?? ''}
              onChange={(event) => setTitle(event.target.value)}
            />
          </label>
          {!record && instrument && (
            <Button
              variant="text"
              aria-expanded={stepping}
              onClick={() => {
                setStepping(!stepping);
                if (!stepping) setTold('degrees');
              }}
            >
              Note by note
            </Button>
          )}
          <Picklist
            label="Taken for"
            value={kind}
            choices={(Object.keys(KIND_WORDS) as TextKind[]).map((id) => ({ id, label: KIND_WORDS[id] }))}
            onChange={setTold}
          />
          {kind === 'tab' && instrument && family && (
            <>
              <Picklist
                label="of"
                value={instrument.id}
                choices={cabinet.map(({ id, name }) => ({ id, label: name }))}
                onChange={setOn}
              />
              <Picklist
                label="written in"
                value={usedDialect}
                choices={family.dialects.map(({ id, label }) => ({ id, label }))}
                onChange={setDialect}
              />
            </>
          )}
        </div>
        {stepping && instrument && kind === 'degrees' && (
          <>
            <Picklist
              label="On"
              value={instrument.id}
              choices={cabinet.map(({ id, name }) => ({ id, label: name }))}
              onChange={setOn}
            />
            <StepEntry text={text} onText={setText} spec={specOf(instrument)} />
          </>
        )}
        {kind === 'degrees' && !stepping && (
          <ul className="plain-list new-song-help">
            {DEGREES_HELP.map((help) => (
              <li key={help}>{help}</li>
            ))}
          </ul>
        )}
      </div>
      <div className="new-song-shown">
        {reading?.problems && (
          <ul className="plain-list" role="alert">
            {reading.problems.slice(0, 6).map((problem, i) => (
              <li key={i}>
                {placeWords(text, problem)}
                {problem.message}
              </li>
            ))}
          </ul>
        )}
        {record &&
          losses(songOf(record), 'abc').map((lost) => (
            <p key={lost} className="new-song-remark">
              {lost}
            </p>
          ))}
        {reading?.read && reading.tunes > 1 && onBook && (
          <p className="new-song-remark" role="status">
            This is a book of {reading.tunes} tunes; the first of them is shown.{' '}
            <LinkButton onClick={() => onBook(new File([text], 'pasted.abc'))}>
              Read all {reading.tunes}
            </LinkButton>
          </p>
        )}
        {reading?.read?.remarks.slice(0, 6).map((remark, i) => (
          <p key={i} className="new-song-remark">
            {remark.line ? `Line ${remark.line}, column ${remark.column ?? 1}: ` : ''}
            {remark.text}
          </p>
        ))}
        {isEven && reading.of === text && (
          <Tapping
            key={text}
            song={reading.read.song}
            onTapped={(made) => setTapped({ of: text, song: made })}
          />
        )}
        {song ? (
          <Preview song={song} />
        ) : (
          !reading && <p className="songs-empty">What you write is shown here as notes.</p>
        )}
        <p className="songs-tools">
          <Button variant="contained" disabled={!song || busy || reading?.of !== text} onClick={save}>
            Keep it
          </Button>
          <Button variant="outlined" onClick={done}>
            Leave it
          </Button>
        </p>
      </div>
    </section>
  );
}

/** Whether all notes are of one length, as those are that were typed without a rhythm. */
function isEvenIn({ parts }: Song): boolean {
  const lengths = parts.flatMap(({ voices }) =>
    voices.flatMap(({ notes }) => notes.map(({ length }) => length)),
  );
  return lengths.length > 1 && new Set(lengths).size === 1;
}

/** `Line 2, column 5: ` of a place in the text. */
function placeWords(text: string, { position }: Problem): string {
  if (position === undefined) return '';
  const before = text.slice(0, position).split('\n');
  return `Line ${before.length}, column ${before.at(-1)!.length + 1}: `;
}

/** Systems of a preview; the whole song stands on its own page. */
const PREVIEW_SYSTEMS = 4;
const PREVIEW_WIDTH = 520;

function Preview({ song }: { song: Song }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    void engraverReady().then(() => {
      if (gone || !box.current) return;
      box.current.replaceChildren();
      const systems = systemsOf(song, PREVIEW_WIDTH);
      systems.slice(0, PREVIEW_SYSTEMS).forEach((_, system) => {
        const target = document.createElement('div');
        box.current!.append(target);
        drawSystem(target, song, { systems, system, width: PREVIEW_WIDTH });
      });
    });
    return () => {
      gone = true;
    };
  }, [song]);
  return <div ref={box} className="new-song-staff" />;
}
