import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useRef, useState, type DragEvent } from 'react';
import { Loading } from '../../controls/Loading.tsx';
import { songs } from '../../api/records.ts';
import { lazyPart } from '../../frame/lazyPart.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { useTitle } from '../../frame/useTitle.ts';
import { Library } from './Library.tsx';
import { SongFinder } from './SongFinder.tsx';
import { SongImport } from './SongImport.tsx';
import { unfinishedSong } from '../editor/unfinished.ts';
import { useLibrary } from './useLibrary.ts';
import '../songs.css';

const Tags = lazyPart('The tags', async () => (await import('./Tags.tsx')).Tags);
const NewSong = lazyPart(
  'The box for a new song',
  async () => (await import('../editor/NewSong.tsx')).NewSong,
);

/** Every song, found by any of its words; new ones by text, by file, or dropped onto the page. */
export function SongsPage() {
  useTitle('Songs');
  const { data: list, error, isPending } = songs.useTitles('kept');
  const library = useLibrary(list);
  const { text, setText } = library;
  const [tagging, setTagging] = useState(false);
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
      <header className="songs-head row">
        <h1>Songs</h1>
        <div className="songs-tools row">
          <label className="songs-search">
            <span className="unseen">Find a song</span>
            <OutlinedInput
              size="small"
              type="search"
              placeholder="A title, a tag, or 5 1 2 3 …"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
          <Button variant="contained" onClick={() => setWriting(!writing)} aria-expanded={writing}>
            {!writing && unfinishedSong().text !== '' ? 'Go on writing' : 'Write one'}
          </Button>
          <Button variant="text" onClick={() => setTagging(!tagging)} aria-expanded={tagging}>
            Tags
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
      {tagging && list && <Tags list={list} onTag={setText} />}
      {writing && <NewSong onDone={() => setWriting(false)} onBook={(book) => setFiles([book])} />}
      {files.length > 0 && <SongImport files={files} onDone={() => setFiles([])} />}
      {error && <p role="alert">The songs cannot be read: {error.message}</p>}
      {isPending && <Loading>Opening the songs…</Loading>}
      {list && list.length > 0 && <SongFinder library={library} />}
      {list && <Library library={library} onWrite={() => setWriting(true)} />}
    </div>
  );
}
