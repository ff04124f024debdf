import { wrap, type Remote } from 'comlink';
import type { InstrumentSpec } from '@same-song/core/instruments';
import type { FileAnswer, FilesWork, TextKind, TextRead } from '../../compute/filesWorker.ts';

export type { TextKind };

interface Reader {
  readonly thread: Worker;
  readonly work: Remote<FilesWork>;
}

/** Reads files and texts off the page; started with its first job, and anew after one that was stopped. */
let reader: Reader | undefined;
/** Jobs that are not done, by what begins them anew where their reader was ended for another. */
const underWay = new Set<() => void>();

function startedReader(): Reader {
  if (reader) return reader;
  const thread = new Worker(new URL('../../compute/filesWorker.ts', import.meta.url), { type: 'module' });
  reader = { thread, work: wrap<FilesWork>(thread) };
  return reader;
}

/** How long a job may take, in ms: a book of thousands of tunes takes some seconds. */
const LONGEST = { text: 10_000, file: 60_000 };
/** A job that nobody wants any more is left to end by itself if it does so within this time, in ms. */
const PATIENCE = 500;

/**
 * Has a job done in the worker, which is ended where it takes too long or the job is not wanted any more: a reader that
 * is busy cannot be told to stop otherwise. Other jobs that it had are begun anew.
 * @throws Error that says so, and an `AbortError` after `signal`
 */
export function inWorker<T>(
  job: (work: Remote<FilesWork>) => Promise<T>,
  longest: number,
  signal?: AbortSignal,
): Promise<T> {
  return new Promise((resolve, reject) => {
    let mine: Reader;
    const begin = () => {
      const by = startedReader();
      mine = by;
      job(by.work).then(
        (value) => by === mine && done(() => resolve(value)),
        (error: unknown) => by === mine && done(() => reject(error)),
      );
    };
    const done = (settle: () => void) => {
      underWay.delete(begin);
      window.clearTimeout(tooLong);
      window.clearTimeout(giveUp);
      signal?.removeEventListener('abort', abandon);
      settle();
    };
    const stop = () => {
      underWay.delete(begin);
      mine.thread.terminate();
      if (reader !== mine) return;
      reader = undefined;
      underWay.forEach((beginAnew) => beginAnew());
    };
    const tooLong = window.setTimeout(() => {
      stop();
      done(() => reject(new Error(`It takes longer than ${longest / 1000} seconds; nothing was read.`)));
    }, longest);
    let giveUp: number | undefined;
    const abandon = () => {
      giveUp = window.setTimeout(stop, PATIENCE);
      reject(new DOMException('Stopped', 'AbortError'));
    };
    underWay.add(begin);
    begin();
    if (signal?.aborted) abandon();
    signal?.addEventListener('abort', abandon, { once: true });
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

/** The reading that explains most of a text. @param specs of the instruments whose tab it may be */
export function guessText(text: string, specs: readonly InstrumentSpec[], signal?: AbortSignal) {
  return inWorker(async (work) => work.guess(text, [...specs]), LONGEST.text, signal);
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
