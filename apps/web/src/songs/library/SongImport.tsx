import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { counted } from '@same-song/core';
import type { Read } from '@same-song/formats';
import { songs } from '../../api/records.ts';
import { Check } from '../../controls/Check.tsx';
import { useKeeping } from '../../frame/useKeeping.ts';
import { readSongFile } from '../editor/reading.ts';

/** A song found in a file, and whether it is to be kept. */
interface Found {
  readonly file: string;
  readonly read: Read;
  readonly wanted: boolean;
}

/** Reads files one after the other, shows what is in them, and keeps what is chosen. */
export function SongImport({ files, onDone }: { files: readonly File[]; onDone: () => void }) {
  const [found, setFound] = useState<readonly Found[]>([]);
  const [refused, setRefused] = useState<readonly { readonly file: string; readonly why: string }[]>([]);
  const [done, setDone] = useState(0);
  const [keeping, setKeeping] = useState<number | undefined>(undefined);
  const [stopped, setStopped] = useState(false);
  const unwanted = useRef(new AbortController());
  const { keepAll } = useKeeping(songs);
  useEffect(() => {
    const stop = new AbortController();
    unwanted.current = stop;
    const { signal } = stop;
    const readAll = async () => {
      for (const [index, file] of files.entries()) {
        if (signal.aborted) return;
        const answer = await readSongFile(file, signal).catch((error: Error) => ({
          ok: false as const,
          problems: [{ field: '', wrong: '', message: error.message }],
        }));
        if (signal.aborted) return;
        if (answer.ok) {
          const { songs: read, refused: parts } = answer.value;
          setFound((before) => [
            ...before,
            ...read.map((one) => ({ file: file.name, read: one, wanted: true })),
          ]);
          setRefused((before) => [
            ...before,
            ...parts.map(({ number, problems }) => ({
              file: `${file.name}, tune ${number}`,
              why: problems[0]!.message,
            })),
          ]);
        } else setRefused((before) => [...before, { file: file.name, why: answer.problems[0]!.message }]);
        setDone(index + 1);
      }
    };
    setFound([]);
    setRefused([]);
    setDone(0);
    setStopped(false);
    void readAll();
    return () => stop.abort();
  }, [files]);
  const wanted = found.filter((one) => one.wanted);
  const reading = done < files.length && !stopped;
  const keep = async () => {
    setKeeping(0);
    await keepAll(
      wanted.map(({ read }) => read.song),
      {
        label: `reading ${wanted.length === 1 ? wanted[0]!.read.song.title : `${wanted.length} songs`}`,
        onProgress: setKeeping,
      },
    );
    onDone();
  };
  return (
    <section className="songs-import" aria-label="Files that are read">
      <h2>
        {reading
          ? `Reading ${done + 1} of ${files.length} files…`
          : `${counted(found.length, 'song')} in ${counted(stopped ? done : files.length, 'file')}`}
      </h2>
      <progress max={files.length} value={done} aria-label="Files read" />
      <ul className="plain-list">
        {found.map(({ file, read, wanted: checked }, i) => (
          <li key={i}>
            <Check
              label={read.song.title}
              name={`Keep ${read.song.title}`}
              checked={checked}
              onChange={() =>
                setFound(found.map((one, at) => (at === i ? { ...one, wanted: !one.wanted } : one)))
              }
            />{' '}
            <span className="songs-file">{file}</span>
            {read.remarks.length > 0 && (
              <details>
                <summary>
                  {read.remarks.length === 1 ? 'one remark' : `${read.remarks.length} remarks`}
                </summary>
                <ul className="plain-list">
                  {read.remarks.slice(0, 12).map((remark, at) => (
                    <li key={at}>
                      {remark.line ? `line ${remark.line}: ` : ''}
                      {remark.text}
                    </li>
                  ))}
                </ul>
              </details>
            )}
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
      <p className="songs-tools">
        <Button
          variant="contained"
          disabled={wanted.length === 0 || keeping !== undefined}
          onClick={() => void keep()}
        >
          {keeping === undefined ? `Keep ${wanted.length}` : `Keeping ${keeping} of ${wanted.length}…`}
        </Button>
        <Button
          variant="outlined"
          onClick={() => {
            if (!reading) return onDone();
            unwanted.current.abort();
            setStopped(true);
          }}
        >
          {reading ? 'Stop' : 'Leave them'}
        </Button>
      </p>
    </section>
  );
}
