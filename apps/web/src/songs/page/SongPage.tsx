import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { noteText } from '@same-song/core/music';
import { counted } from '@same-song/core';
import { barNumbers, type SongView } from '@same-song/core/song';
import { Loading } from '../../controls/Loading.tsx';
import type { SongRecord } from '../../api/records.ts';
import { dialectOf } from '../../api/settings.ts';
import { lazyPart } from '../../frame/lazyPart.tsx';
import { usePrinting } from '../../frame/usePrinting.ts';
import { useTitle } from '../../frame/useTitle.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { wayNames } from '../../scene/wayNames.ts';
import { PaperNotes } from './PaperNotes.tsx';
import { SongSentence } from './SongSentence.tsx';
import { scaleLink } from './scaleLink.ts';
import { SettingSheet } from './SettingSheet.tsx';
import { SongTags } from './SongTags.tsx';
import { SongTools } from './SongTools.tsx';
import { SongVerdict } from './SongVerdict.tsx';
import { unbroken } from './unbroken.ts';
import { useSong, type SongState } from './useSong.ts';
import { useSongScreen } from './useSongScreen.ts';
import '../songs.css';

const Systems = lazyPart('The staff', async () => (await import('../staff/Systems.tsx')).Systems, {
  opening: 'Engraving…',
});
const NewSong = lazyPart('The text of the song', async () => (await import('../editor/NewSong.tsx')).NewSong);
const SongMove = lazyPart('Moving the song', async () => (await import('./SongMove.tsx')).SongMove);

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
      ) : error ? (
        <p role="alert">{`This song cannot be shown: ${error.message}`}</p>
      ) : (
        <Loading>Opening the song…</Loading>
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
    counted(barNumbers(song).at(-1) ?? 0, 'bar'),
    ...instrumentFacts.slice(0, 1),
    compass,
    had === line.length ? `all ${line.length} notes can be had` : `${had} of ${line.length} notes can be had`,
  ];
  return (
    <p className="song-facts" role="status" aria-label="Facts">
      {facts.join(' · ')} ·{' '}
      <Link className="link" to={`/map?${scaleLink(view, on)}`}>
        its scale on Map
      </Link>
      {' · '}
      <SongTags record={record} />
    </p>
  );
}

function SongBody({ state, view }: { state: SongState; view: SongView }) {
  const { chosen, family, at, select, record, second, loop } = state;
  const screen = useSongScreen(state, view);
  const { player, isDrawn, isWriting, isMoving, measured, width } = screen;
  const { name } = chosen!.spec;
  const tonic = noteText(view.song.keys[0]!.tonic);
  const dialect = dialectOf(state.settings, family);
  const printing = usePrinting();
  return (
    <div className={`song-screen paper-${screen.paper}`}>
      <div className="song-main">
        {record && <SongTools state={state} view={view} record={record} screen={screen} />}
        {isWriting && record && <NewSong record={record} onDone={() => screen.setIsWriting(false)} />}
        {isMoving && record && <SongMove state={state} view={view} />}
        <div className="song-paper-head">
          <h2>{view.song.title}</h2>
          <p>{[view.song.composer, `in ${tonic}`, name].filter((text) => text).join(' · ')}</p>
        </div>
        {(printing ? screen.isDrawnOnPaper : isDrawn) && (
          <SongDrawing view={view} label={`${name}: the ways of the song`} noteId={player.sounding ?? at} />
        )}
        <div ref={measured}>
          {width > 0 && (
            <Systems
              view={view}
              width={width}
              sides={family.sides}
              air={family.air}
              called={`${name}, in ${tonic}`}
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
        <SettingSheet state={state} view={view} />
        {printing && <PaperNotes state={state} view={view} />}
      </div>
      <SongVerdict state={state} view={view} record={record!} />
    </div>
  );
}

interface SongDrawingProps {
  readonly view: SongView;
  readonly label: string;
  /** The note that is chosen or sounds. */
  readonly noteId: string | undefined;
}

/** The instrument with the ways that the song uses. */
function SongDrawing({ view, label, noteId }: SongDrawingProps) {
  const used = useMemo(() => new Set(view.line.flatMap(({ wayId }) => (wayId ? [wayId] : []))), [view]);
  const names = useMemo(() => wayNames(view.ways), [view]);
  return (
    <div className="song-drawing">
      <SceneView
        scene={view.scene}
        label={label}
        names={names}
        selected={view.line.find(({ id }) => id === noteId)?.wayId}
        related={NONE_RELATED}
        used={used}
      />
    </div>
  );
}

const NONE_RELATED: ReadonlySet<string> = new Set();
