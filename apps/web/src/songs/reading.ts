import { wrap, type Remote } from 'comlink';
import type { InstrumentSpec } from '@same-song/core';
import type { FilesWork, TextKind } from '../compute/filesWorker.ts';

export type { TextKind };

/** Reads files and texts off the page; started with its first job. */
let worker: Remote<FilesWork> | undefined;
function work(): Remote<FilesWork> {
  worker ??= wrap<FilesWork>(
    new Worker(new URL('../compute/filesWorker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

/** A typed text as a song. */
export function readText(kind: TextKind, text: string, spec: InstrumentSpec | undefined, dialect: string) {
  return work().text(kind, text, spec, dialect);
}

/** The songs of a file. */
export async function readSongFile(file: File) {
  return work().file(file.name, new Uint8Array(await file.arrayBuffer()));
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
