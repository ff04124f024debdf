import Button from '@mui/material/Button';
import { useMemo, useRef, useState, useLayoutEffect } from 'react';
import { Link, useParams } from 'react-router';
import { noteCode, noteText, type SongView } from '@same-song/core';
import { later } from '../frame/later.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useTitle } from '../frame/useTitle.ts';
import { TEMPO, TempoField } from '../map/TempoField.tsx';
import { usePlayer } from '../map/usePlayer.ts';
import { SceneView } from '../scene/SceneView.tsx';
import type { Paper } from './PrintMenu.tsx';
import { SongSentence } from './SongSentence.tsx';
import { SongVerdict } from './SongVerdict.tsx';
import { useSong, type SongState } from './useSong.ts';
import './songs.css';

const Systems = later('The staff', async () => (await import('./Systems.tsx')).Systems, {
  opening: 'Engraving…',
});
const NewSong = later('The text of the song', async () => (await import('./NewSong.tsx')).NewSong);
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
        {view && record && <SongFacts view={view} on={chosen?.ref} />}
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

function SongFacts({ view, on }: { view: SongView; on: string | undefined }) {
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
    </p>
  );
}

function scaleOf({ song }: SongView, on: string | undefined): string {
  const [key] = song.keys;
  return new URLSearchParams({ ...(on && { on }), in: noteCode(key!.tonic), play: key!.scale }).toString();
}

function SongBody({ state, view }: { state: SongState; view: SongView }) {
  const { chosen, family, at, select, record } = state;
  const usual = view.song.tempos[0]?.perMinute;
  const [tempo, setTempo] = useState<number>(Math.round(usual ?? TEMPO.usual));
  const beat = (view.song.tempos[0]?.beat ?? 5040) / 5040;
  const voice = useMemo(() => ({ timbre: family.timbre, drones: [] }), [family]);
  const player = usePlayer(view.line, tempo * beat, voice);
  const main = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const [drawing, setDrawing] = useState(false);
  const [writing, setWriting] = useState(false);
  const [paper, setPaper] = useState<Paper>('both');
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
  useShortcuts([
    { key: ' ', label: 'Play or stop', group: 'The song', run: player.toggle },
    { key: 'ArrowRight', label: 'Next note', group: 'The song', run: () => step(1) },
    { key: 'd', label: 'Show the instrument', group: 'The song', run: () => setDrawing(!drawing) },
    { key: 'ArrowLeft', label: 'Note before', group: 'The song', run: () => step(-1) },
  ]);
  const chosenNote = view.line.find(({ id }) => id === (player.sounding ?? at));
  const used = useMemo(() => new Set(view.line.flatMap(({ wayId }) => (wayId ? [wayId] : []))), [view]);
  const names = useMemo(
    () => new Map(view.ways.map((w) => [w.id, `${w.words}, ${w.note}, degree ${w.degree}`])),
    [view],
  );
  const related = useMemo(() => new Set<string>(), []);
  return (
    <div className={`song-screen paper-${paper}`}>
      <div className="song-main">
        <div className="song-tools">
          <Button variant="contained" onClick={player.toggle}>
            {player.playing ? 'Stop' : 'Play'}
          </Button>
          <TempoField tempo={tempo} onTempo={setTempo} />
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
          <PrintMenu onPaper={setPaper} />
        </div>
        {writing && record && <NewSong record={record} onDone={() => setWriting(false)} />}
        {drawing && (
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
        <div className="song-paper-head">
          <h2>{view.song.title}</h2>
          <p>
            {[view.song.composer, `in ${noteText(view.song.keys[0]!.tonic)}`, chosen!.spec.name]
              .filter((t) => t)
              .join(' · ')}
          </p>
        </div>
        <div ref={main}>
          {width > 0 && (
            <Systems
              view={view}
              width={width}
              sides={family.sides}
              air={family.air}
              marked={at}
              sounding={player.sounding}
              onSelect={select}
            />
          )}
        </div>
        <section className="song-tab" aria-label="Tab">
          <pre>{view.tabText}</pre>
        </section>
      </div>
      <SongVerdict state={state} view={view} record={record!} />
    </div>
  );
}
