import { expectOk } from '@same-song/core';
import { openInstrument, type Instrument } from '@same-song/core/instruments';
import { keyOf, parseNote, scaleById, type Key } from '@same-song/core/music';
import type { StoredQuestion } from '@same-song/core/route';
import type { ChosenInstrument } from '../../question/reference.ts';

/** An instrument in the key of a question, to ask and to play over. */
export function playingContext(
  { spec }: ChosenInstrument,
  question: Pick<StoredQuestion, 'scale' | 'tonic'>,
): { readonly key: Key; readonly instrument: Instrument } {
  const key = keyOf(expectOk(scaleById(question.scale)), expectOk(parseNote(question.tonic)));
  return { key, instrument: expectOk(openInstrument(spec)).forKey(key) };
}
