import {
  expectOk,
  keyOf,
  openInstrument,
  parseNote,
  scaleById,
  type Instrument,
  type Key,
  type StoredQuestion,
} from '@same-song/core';
import type { ChosenInstrument } from '../../question/reference.ts';

/** An instrument in the key of a question, to ask and to play over. */
export function playingContext(
  { spec }: ChosenInstrument,
  question: Pick<StoredQuestion, 'scale' | 'tonic'>,
): { readonly key: Key; readonly instrument: Instrument } {
  const key = keyOf(expectOk(scaleById(question.scale)), expectOk(parseNote(question.tonic)));
  return { key, instrument: expectOk(openInstrument(spec)).forKey(key) };
}
