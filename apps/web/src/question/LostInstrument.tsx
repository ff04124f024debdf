import { lazyPart } from '../frame/lazyPart.tsx';
import type { QuestionState } from './useQuestion.ts';

const Lost = lazyPart(
  'What the link names',
  async () => (await import('./NotFoundNotice.tsx')).NotFoundNotice,
);

/** The link names an instrument that lies in the bin, or that is not known here. */
export function LostInstrument({ state }: { state: QuestionState }) {
  return state.lost === undefined || state.error ? null : <Lost id={state.lost} state={state} />;
}
