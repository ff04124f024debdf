import { wrap, type Remote } from 'comlink';
import type { InstrumentSpec } from '@same-song/core';
import type { FileAnswer, FilesWork, TextKind, TextRead } from '../compute/filesWorker.ts';

export type { TextKind };

/** Reads files and texts off the page; started with its first job, and anew after one that was stopped. */
let running: { readonly thread: Worker; readonly work: Remote<FilesWork> } | undefined;

function started(): NonNullable<typeof running> {
  if (running) return running;
  const thread = new Worker(new URL('../compute/filesWorker.ts', import.meta.url), { type: 'module' });
  running = { thread, work: wrap<FilesWork>(thread) };
  return running;
}

/** How long a job may take, in ms: a book of thousands of tunes takes some seconds. */
const LONGEST = { text: 10_000, file: 60_000 };
/** A job that nobody wants any more is left to end by itself if it does so within this time, in ms. */
const PATIENCE = 500;

/**
 * Has a job done in the worker, which is ended where it takes too long or the job is not wanted any more: a reader that
 * is busy cannot be told to stop otherwise.
 * @throws Error that says so, and an `AbortError` after `signal`
 */
export function inWorker<T>(
  job: (work: Remote<FilesWork>) => Promise<T>,
  longest: number,
  signal?: AbortSignal,
): Promise<T> {
  const mine = started();
  const stop = () => {
    mine.thread.terminate();
    if (running === mine) running = undefined;
  };
  return new Promise((resolve, reject) => {
    const tooLong = window.setTimeout(() => {
      stop();
      reject(new Error(`It takes longer than ${longest / 1000} seconds; nothing was read.`));
    }, longest);
    let giveUp: number | undefined;
    const abandon = () => {
      giveUp = window.setTimeout(stop, PATIENCE);
      reject(signal?.reason instanceof Error ? signal.reason : new DOMException('Stopped', 'AbortError'));
    };
    if (signal?.aborted) abandon();
    signal?.addEventListener('abort', abandon, { once: true });
    job(mine.work)
      .then(resolve, reject)
      .finally(() => {
        window.clearTimeout(tooLong);
        window.clearTimeout(giveUp);
        signal?.removeEventListener('abort', abandon);
      });
  });
}

/** A typed text as a song. @param signal aborted when the text is not wanted any more */
export function readText(
  kind: TextKind,
  text: string,
  spec: InstrumentSpec | undefined,
  dialect: string,
  signal?: AbortSignal,
) {
  return inWorker<TextRead>(async (work) => work.text(kind, text, spec, dialect), LONGEST.text, signal);
}

/** The songs of a file. @param signal aborted when they are not wanted any more */
export async function readSongFile(file: File, signal?: AbortSignal) {
  const bytes = new Uint8Array(await file.arrayBuffer());
  return inWorker<FileAnswer>(async (work) => work.file(file.name, bytes), LONGEST.file, signal);
}

const ABC_FIELD = /^\s*[XTKML]:/m;
/** Only what degrees are written with, or lines of their head. */
const DEGREES = /^(?:\s*(?:title|key|metre|meter|tempo)\s*:.*\n)*[\s|:()0-7b#♭♯,'’._~-]*$/iu;

/** What a typed text most likely is: ABC by its fields or letters, degrees by their digits, otherwise tab. */
export function kindOf(text: string): TextKind {
  if (ABC_FIELD.test(text)) return 'abc';
  if (DEGREES.test(text)) return 'degrees';
  // Letters of notes with ABC's lengths and bar lines, and no words.
  return /^[A-Ga-gzx\d\s|:,'/^_=[\](){}<>"~.-]*$/.test(text) && /[A-Ga-g]/.test(text) && /\|/.test(text)
    ? 'abc'
    : 'tab';
}
