import Button from '@mui/material/Button';
import { counted } from '@same-song/core';
import type { Remark } from '@same-song/formats';
import { Check } from '../../controls/Check.tsx';
import { Disclosure } from '../../controls/Disclosure.tsx';
import { useSongImport } from './useSongImport.ts';

/** Shows what is in files while they are read, and keeps what is chosen. */
export function SongImport({ files, onDone }: { files: readonly File[]; onDone: () => void }) {
  const { found, refused, done, isReading, isStopped, wanted, keeping, flip, keep, stop } = useSongImport(
    files,
    onDone,
  );
  return (
    <section className="songs-import card" aria-label="Files that are read">
      <h2>
        {isReading
          ? `Reading ${done + 1} of ${files.length} files…`
          : `${counted(found.length, 'song')} in ${counted(isStopped ? done : files.length, 'file')}`}
      </h2>
      <progress max={files.length} value={done} aria-label="Files read" />
      <ul className="plain-list">
        {found.map((one, i) => (
          <li key={i}>
            <Check
              label={one.read.song.title}
              name={`Keep ${one.read.song.title}`}
              checked={one.isWanted}
              onChange={() => flip(one)}
            />{' '}
            <span className="soft">{one.file}</span>
            <Remarks remarks={one.read.remarks} />
          </li>
        ))}
      </ul>
      {refused.length > 0 && (
        <ul className="plain-list" role="alert">
          {refused.map(({ file, why }, i) => (
            <li key={i}>
              <b>{file}</b>: {why}
            </li>
          ))}
        </ul>
      )}
      <p className="songs-tools row">
        <Button
          variant="contained"
          disabled={wanted === 0 || keeping !== undefined}
          onClick={() => void keep()}
        >
          {keeping === undefined ? `Keep ${wanted}` : `Keeping ${keeping} of ${wanted}…`}
        </Button>
        <Button variant="outlined" onClick={stop}>
          {isReading ? 'Stop' : 'Leave them'}
        </Button>
      </p>
    </section>
  );
}

/** Remarks of one song that are shown. */
const REMARKS = 12;

function Remarks({ remarks }: { readonly remarks: readonly Remark[] }) {
  if (remarks.length === 0) return null;
  return (
    <Disclosure summary={remarks.length === 1 ? 'one remark' : `${remarks.length} remarks`}>
      <ul className="plain-list">
        {remarks.slice(0, REMARKS).map(({ line, text }, i) => (
          <li key={i}>
            {line ? `line ${line}: ` : ''}
            {text}
          </li>
        ))}
      </ul>
    </Disclosure>
  );
}
