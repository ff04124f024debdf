import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useDeferredValue, useMemo, useRef, useState, type DragEvent } from 'react';
import { Link } from 'react-router';
import { found, noteText, type Song } from '@same-song/core';
import { arrangements, songs, type Kept } from '../api/records.ts';
import { later } from '../frame/later.tsx';
import { useKeeping } from '../frame/useKeeping.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useTitle } from '../frame/useTitle.ts';
import { SongImport } from './SongImport.tsx';
import './songs.css';

const NewSong = later('The box for a new song', async () => (await import('./NewSong.tsx')).NewSong);

type Listed = Kept & { readonly title: string } & Partial<
    Pick<Song, 'composer' | 'tags' | 'keys' | 'metres'>
  >;

/** Every song, found by any of its words; new ones by text, by file, or dropped onto the page. */
export function SongsPage() {
  useTitle('Songs');
  const { data: list, error, isPending } = songs.useTitles('kept');
  const [text, setText] = useState('');
  const [writing, setWriting] = useState(false);
  const [files, setFiles] = useState<readonly File[]>([]);
  const [over, setOver] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  useShortcuts([{ key: 'a', label: 'Add a song', group: 'Songs', run: () => setWriting(true) }]);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    setFiles([...event.dataTransfer.files]);
  };
  return (
    <div
      className={over ? 'songs dropping' : 'songs'}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <header className="songs-head">
        <h1>Songs</h1>
        <div className="songs-tools">
          <label className="songs-search">
            <span className="unseen">Find a song</span>
            <OutlinedInput
              size="small"
              type="search"
              placeholder="A title, a tag, a key, who made it …"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
          <Button variant="contained" onClick={() => setWriting(!writing)} aria-expanded={writing}>
            Write one
          </Button>
          <Button variant="outlined" onClick={() => picker.current?.click()}>
            Read files
          </Button>
          <input
            ref={picker}
            type="file"
            multiple
            tabIndex={-1}
            className="unseen"
            aria-label="Files to read"
            accept=".abc,.musicxml,.xml,.mxl,.mid,.midi,.json"
            onChange={(event) => {
              setFiles([...(event.target.files ?? [])]);
              event.target.value = '';
            }}
          />
        </div>
      </header>
      {writing && <NewSong onDone={() => setWriting(false)} />}
      {files.length > 0 && <SongImport files={files} onDone={() => setFiles([])} />}
      {error && <p role="alert">The songs cannot be read: {error.message}</p>}
      {isPending && <p className="loading">Opening the songs…</p>}
      {list && <Library list={list} text={text} onWrite={() => setWriting(true)} />}
    </div>
  );
}

function Library({ list, text, onWrite }: { list: readonly Listed[]; text: string; onWrite: () => void }) {
  const wanted = useDeferredValue(text);
  const shown = useMemo(
    () => (wanted.trim() === '' ? list : found(list, wanted, (song) => [song.title, wordsOf(song)])),
    [list, wanted],
  );
  const { data: kept = [] } = arrangements.useTitles('kept');
  if (list.length === 0)
    return (
      <div className="songs-empty">
        <p>No songs yet. Bring one in whatever form you have it:</p>
        <ul>
          <li>
            <button type="button" className="link" onClick={onWrite}>
              Write or paste it
            </button>{' '}
            as ABC, as degrees, or as tab of any instrument.
          </li>
          <li>Read ABC, MusicXML or MIDI files, or drop them onto this page.</li>
        </ul>
      </div>
    );
  if (shown.length === 0)
    return <p className="songs-empty">No song has “{wanted}” in its title, tags or key.</p>;
  return (
    <table className="songs-list">
      <thead>
        <tr>
          <th scope="col">Title</th>
          <th scope="col">Key</th>
          <th scope="col">Metre</th>
          <th scope="col" className="songs-more">
            Tags
          </th>
          <th scope="col" className="songs-more">
            By
          </th>
          <th scope="col" className="songs-more">
            Arranged
          </th>
          <th scope="col">
            <span className="unseen">Put away</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {shown.slice(0, ROWS_LIMIT).map((song) => (
          <Row key={song.id} song={song} arranged={kept.filter(({ songId }) => songId === song.id).length} />
        ))}
      </tbody>
    </table>
  );
}

/** More rows than anybody reads; the search finds the others. */
const ROWS_LIMIT = 300;

function Row({ song, arranged }: { song: Listed; arranged: number }) {
  const { putAway } = useKeeping(songs);
  const { id, title, keys, metres, tags = [], composer = '' } = song;
  return (
    <tr>
      <th scope="row">
        <Link to={`/songs/${id}`} dir="auto">
          {title}
        </Link>
      </th>
      <td>{keyWords(keys)}</td>
      <td>{metres?.[0] ? `${metres[0].count}/${metres[0].unit}` : 'free'}</td>
      <td className="songs-more">{tags.join(', ')}</td>
      <td className="songs-more" dir="auto">
        {composer}
      </td>
      <td className="songs-more">{arranged > 0 ? arranged : ''}</td>
      <td>
        <button
          type="button"
          className="link"
          aria-label={`Put ${title} into the bin`}
          onClick={() => putAway(song as unknown as Parameters<typeof putAway>[0])}
        >
          bin
        </button>
      </td>
    </tr>
  );
}

const SCALE_WORDS: Readonly<Record<string, string>> = { major: '', 'natural-minor': 'm' };

function keyWords(keys: Song['keys'] | undefined): string {
  const [key] = keys ?? [];
  if (!key) return '';
  const mode = SCALE_WORDS[key.scale];
  return noteText(key.tonic) + (mode ?? ` ${key.scale.replaceAll('-', ' ')}`);
}

function wordsOf({ title, tags = [], composer = '', keys, metres }: Listed): string {
  const metre = metres?.[0] ? `${metres[0].count}/${metres[0].unit}` : '';
  return [title, ...tags, composer, keyWords(keys), metre].join(' ');
}
