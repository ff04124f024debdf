import { asError } from '@same-song/core';
import { useEffect, useRef, useState } from 'react';
import type { Read } from '@same-song/formats';
import { songs } from '../../api/records.ts';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import { readSongFile } from '../editor/reading.ts';

/** A song found in a file, and whether it is to be kept. */
export interface FoundInFile {
  readonly file: string;
  readonly read: Read;
  readonly isWanted: boolean;
}

/** A file, or a tune of it, that could not be read, and why. */
interface RefusedFile {
  readonly file: string;
  readonly why: string;
}

/** How far the reading of files has come. */
interface Reading {
  readonly found: readonly FoundInFile[];
  readonly refused: readonly RefusedFile[];
  readonly done: number;
  readonly isStopped: boolean;
}

const NOTHING: Reading = Object.freeze({ found: [], refused: [], done: 0, isStopped: false });

/** Reads files one after the other; what is chosen of the songs in them is kept. @param onDone they are kept or left */
export function useSongImport(files: readonly File[], onDone: () => void) {
  const [reading, setReading] = useState(NOTHING);
  const [keeping, setKeeping] = useState<number | undefined>(undefined);
  const unwanted = useRef(new AbortController());
  const { keepAll } = useRecordActions(songs);
  useEffect(() => {
    const stop = new AbortController();
    unwanted.current = stop;
    const readAll = async () => {
      for (const file of files) {
        const { found, refused } = await readOne(file, stop.signal);
        if (stop.signal.aborted) return;
        setReading((before) => ({
          ...before,
          found: [...before.found, ...found],
          refused: [...before.refused, ...refused],
          done: before.done + 1,
        }));
      }
    };
    setReading(NOTHING);
    void readAll();
    return () => stop.abort();
  }, [files]);
  const { found, done, isStopped } = reading;
  const wanted = found.filter(({ isWanted }) => isWanted).map(({ read }) => read.song);
  const isReading = done < files.length && !isStopped;
  const label = wanted.length === 1 ? wanted[0]!.title : `${wanted.length} songs`;
  return {
    ...reading,
    isReading,
    wanted: wanted.length,
    /** Songs that are kept so far; undefined before that begins. */
    keeping,
    flip: (flipped: FoundInFile) =>
      setReading({
        ...reading,
        found: found.map((one) => (one === flipped ? { ...one, isWanted: !one.isWanted } : one)),
      }),
    keep: async () => {
      setKeeping(0);
      await keepAll(wanted, { label: `reading ${label}`, onProgress: setKeeping });
      onDone();
    },
    stop: () => {
      if (!isReading) return onDone();
      unwanted.current.abort();
      setReading({ ...reading, isStopped: true });
    },
  };
}

async function readOne(file: File, signal: AbortSignal): Promise<Pick<Reading, 'found' | 'refused'>> {
  const refusal = (why: string) => ({ found: [], refused: [{ file: file.name, why }] });
  try {
    const answer = await readSongFile(file, signal);
    if (!answer.ok) return refusal(answer.problems[0]!.message);
    return {
      found: answer.value.songs.map((read) => ({ file: file.name, read, isWanted: true })),
      refused: answer.value.refused.map(({ number, problems }) => ({
        file: `${file.name}, tune ${number}`,
        why: problems[0]!.message,
      })),
    };
  } catch (error) {
    return refusal(asError(error).message);
  }
}
