import Button from '@mui/material/Button';
import { useMemo, useRef, useState, useLayoutEffect } from 'react';
import { Link, useParams } from 'react-router';
import { barAt, barStarts, noteCode, noteText, QUARTER, type SongView } from '@same-song/core';
import type { SongRecord } from '../../api/records.ts';
import { dialectOf } from '../../api/settings.ts';
import { later } from '../../frame/later.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { usePrinting } from '../../frame/usePrinting.ts';
import { useTitle } from '../../frame/useTitle.ts';
import { TempoField } from '../../map/TempoField.tsx';
import { SceneView } from '../../scene/SceneView.tsx';
import { wayNames } from '../../scene/wayNames.ts';
import { HearMenu } from './HearMenu.tsx';
import { PaperNotes } from './PaperNotes.tsx';
import type { Paper } from './PrintMenu.tsx';
import { SongSentence } from './SongSentence.tsx';
import { PractiseSong } from './PractiseSong.tsx';
import { SongTags } from './SongTags.tsx';
import { SongVerdict } from './SongVerdict.tsx';
import { unbroken } from './unbroken.ts';
import { useSong, type SongState } from './useSong.ts';
import { HEARING, usualTempo, useSongPlayer } from './useSongPlayer.ts';
import '../songs.css';

const Systems = later('The staff', async () => (await import('../staff/Systems.tsx')).Systems, {
  opening: 'Engraving…',
});
const NewSong = later('The text of the song', async () => (await import('../editor/NewSong.tsx')).NewSong);
const SongMove = later('Moving the song', async () => (await import('./SongMove.tsx')).SongMove);
const PrintMenu = later('Print', async () => (await import('./PrintMenu.tsx')).PrintMenu, { quiet: true });
const SongFiles = later('Files', async () => (await import('./SongFiles.tsx')).SongFiles, { quiet: true });

/** A song on an instrument: staff and chips, the drawing, and what it asks. */
export function SongPage() {
  const { id = '' } = useParams();
  const state = useSong(id);
  const { record, error, view, chosen } = state;
  useTitle(record?.title, 'Songs');
  if (record === null)
    return (
      <div className="songs">
        <h1>There is no such song (any more)</h1>
        <p>
          It may lie in the bin. <Link to="/songs">All songs</Link>
        </p>
      </div>
    );
  return (
    <div className="song">
      <header className="song-head">
        <SongSentence state={state} />
        {view && record && <SongFacts view={view} record={record} on={chosen?.ref} />}
      </header>
      {view && chosen && record ? (
        <SongBody state={state} view={view} />
      ) : (
        <p className="loading">
          {error ? `This song cannot be shown: ${error.message}` : 'Opening the song…'}
        </p>
      )}
    </div>
  );
}

function SongFacts({ view, record, on }: { view: SongView; record: SongRecord; on: string | undefined }) {
  const { song, line, missing, instrumentFacts, compass } = view;
  const [metre] = song.metres;
  const had = line.length - missing.length;
  const facts = [
    metre ? `${metre.count}/${metre.unit}` : 'free time',
    `${song.bars.length} bars`,
    ...instrumentFacts.slice(0, 1),
    compass,
    had === line.length ? `all ${line.length} notes can be had` : `${had} of ${line.length} notes can be had`,
  ];
  return (
    <p className="song-facts" role="status">
      {facts.join(' · ')} ·{' '}
      <Link className="link" to={`/map?${scaleOf(view, on)}`}>
        its scale on Map
      </Link>
      {' · '}
      <SongTags record={record} />
    </p>
  );
}

function loopWords(
  { song, line }: SongView,
  { from, to }: { readonly from: string; readonly to: string },
): string {
  const starts = barStarts(song);
  const bars = [from, to].map((id) => {
    const note = line.find((one) => one.id === id);
    return barAt(starts, Math.round((note?.start ?? 0) * QUARTER)) + 1;
  });
  const [first, last] = [Math.min(...bars), Math.max(...bars)];
  return first === last ? `Bar ${first} again and again` : `Bars ${first} to ${last} again and again`;
}

function scaleOf({ song }: SongView, on: string | undefined): string {
  const [key] = song.keys;
  return new URLSearchParams({ ...(on && { on }), in: noteCode(key!.tonic), play: key!.scale }).toString();
}

function SongBody({ state, view }: { state: SongState; view: SongView }) {
  const { chosen, family, at, select, record, second, loop, setLoop } = state;
  const [perMinute, setPerMinute] = useState<number>(usualTempo(view));
  const [hearing, setHearing] = useState(HEARING);
  const a4 = chosen!.spec.a4;
  const player = useSongPlayer({ view, family, a4, perMinute, hearing, passage: loop });
  const main = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const [drawing, setDrawing] = useState(false);
  const [writing, setWriting] = useState(false);
  const [moving, setMoving] = useState(state.isBeside);
  const [paper, setPaper] = useState<Paper>('both');
  const [onPaper, setOnPaper] = useState(true);
  const printing = usePrinting();
  useLayoutEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    watch.observe(main.current!);
    return () => watch.disconnect();
  }, []);
  const order = view.line.map(({ id }) => id);
  const step = (by: number) => {
    const index = order.indexOf(at ?? '');
    const next = order[Math.max(0, Math.min(order.length - 1, index < 0 ? 0 : index + by))];
    if (next !== undefined && next !== at) select(next);
  };
  const markLoop = (end: 'from' | 'to') => {
    if (at === undefined) return;
    const fresh = end === 'from' ? { from: at, to: order.at(-1)! } : { from: order[0]!, to: at };
    setLoop({ ...(loop ?? fresh), [end]: at });
  };
  useShortcuts([
    { key: ' ', label: 'Play or stop', group: 'The song', run: player.toggle },
    { key: 'ArrowRight', label: 'Next note', group: 'The song', run: () => step(1) },
    {
      key: 'x',
      label: 'Move it: beside, same tab, every key',
      group: 'The song',
      run: () => setMoving(!moving),
    },
    { key: '[', label: 'Again and again from this note', group: 'The song', run: () => markLoop('from') },
    { key: ']', label: 'Again and again to this note', group: 'The song', run: () => markLoop('to') },
    { key: '\\', label: 'The whole song again', group: 'The song', run: () => setLoop(undefined) },
    { key: 'd', label: 'Show the instrument', group: 'The song', run: () => setDrawing(!drawing) },
    { key: 'ArrowLeft', label: 'Note before', group: 'The song', run: () => step(-1) },
  ]);
  const chosenNote = view.line.find(({ id }) => id === (player.sounding ?? at));
  const used = useMemo(() => new Set(view.line.flatMap(({ wayId }) => (wayId ? [wayId] : []))), [view]);
  const names = useMemo(() => wayNames(view.ways), [view]);
  const dialect = dialectOf(state.settings, family);
  const related = useMemo(() => new Set<string>(), []);
  return (
    <div className={`song-screen paper-${paper}`}>
      <div className="song-main">
        <div className="song-tools">
          <Button variant="contained" onClick={player.toggle}>
            {player.playing ? 'Stop' : 'Play'}
          </Button>
          <TempoField tempo={perMinute} onTempo={setPerMinute} />
          <HearMenu song={view.song} hearing={hearing} onHearing={setHearing} />
          <Button
            variant="text"
            aria-pressed={drawing}
            title="The instrument, with the note that is chosen or sounds (D)"
            onClick={() => setDrawing(!drawing)}
          >
            {drawing ? 'Hide the drawing' : 'Drawing'}
          </Button>
          <SongFiles state={state} view={view} />
          <Button variant="text" aria-expanded={writing} onClick={() => setWriting(!writing)}>
            Change
          </Button>
          <Button
            variant="text"
            aria-expanded={moving}
            title="Beside another, the same tab elsewhere, every key (X)"
            onClick={() => setMoving(!moving)}
          >
            Move
          </Button>
          <PractiseSong state={state} view={view} perMinute={perMinute} />
          <PrintMenu onPaper={setPaper} drawing={onPaper} onDrawing={setOnPaper} />
          {loop && (
            <Button variant="outlined" size="small" onClick={() => setLoop(undefined)}>
              {loopWords(view, loop)} ✕
            </Button>
          )}
        </div>
        {writing && record && <NewSong record={record} onDone={() => setWriting(false)} />}
        {moving && record && <SongMove state={state} view={view} />}
        <div className="song-paper-head">
          <h2>{view.song.title}</h2>
          <p>
            {[view.song.composer, `in ${noteText(view.song.keys[0]!.tonic)}`, chosen!.spec.name]
              .filter((t) => t)
              .join(' · ')}
          </p>
        </div>
        {(printing ? onPaper : drawing) && (
          <div className="song-drawing">
            <SceneView
              scene={view.scene}
              label={`${chosen!.spec.name}: the ways of the song`}
              names={names}
              selected={chosenNote?.wayId}
              related={related}
              used={used}
            />
          </div>
        )}
        <div ref={main}>
          {width > 0 && (
            <Systems
              view={view}
              width={width}
              sides={family.sides}
              air={family.air}
              called={`${chosen!.spec.name}, in ${noteText(view.song.keys[0]!.tonic)}`}
              second={second}
              loop={loop}
              marked={at}
              sounding={player.sounding}
              onSelect={select}
            />
          )}
        </div>
        <section className="song-tab" aria-label="Tab">
          <pre>{unbroken(view.tabText, family, dialect)}</pre>
        </section>
        {printing && <PaperNotes state={state} view={view} />}
      </div>
      <SongVerdict state={state} view={view} record={record!} />
    </div>
  );
}
