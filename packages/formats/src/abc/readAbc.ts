import { fail, type Result } from '@same-song/core';
import type { Read } from '../draft.ts';
import { tunesOf } from './book.ts';
import { readTune } from './readTune.ts';

/** The first tune of ABC text, and how many there are: none of the others is read. */
export function readFirstTune(text: string): { readonly read: Result<Read>; readonly tunes: number } {
  const tunes = tunesOf(text);
  const [first] = tunes;
  return { read: first ? readTune(first) : nothingIn(), tunes: tunes.length };
}

function nothingIn(): Result<Read> {
  return fail({ field: '', wrong: '', message: 'There is nothing in it.' });
}

/** The tunes of ABC text, each by itself: one that cannot be read takes no other with it. */
export function readAbc(text: string): readonly Result<Read>[] {
  const tunes = tunesOf(text);
  return tunes.length === 0 ? [nothingIn()] : tunes.map(readTune);
}
