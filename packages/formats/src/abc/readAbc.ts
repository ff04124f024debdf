import { fail, type Result } from '@same-song/core';
import type { Read } from '../draft.ts';
import { tunesOf } from './book.ts';
import { readTune } from './readTune.ts';

/** The tunes of ABC text, each by itself: one that cannot be read takes no other with it. */
export function readAbc(text: string): readonly Result<Read>[] {
  const tunes = tunesOf(text);
  if (tunes.length === 0) return [fail({ field: '', wrong: '', message: 'There is nothing in it.' })];
  return tunes.map(readTune);
}
