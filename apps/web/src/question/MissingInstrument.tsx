import { lazyPart } from '../frame/lazyPart.tsx';
import type { QuestionState } from './useQuestion.ts';

const Notice = lazyPart(
  'What the link names',
  async () => (await import('./NotFoundNotice.tsx')).NotFoundNotice,
);

/** The link names an instrument that lies in the bin, or that is not known here. */
export function MissingInstrument({ state }: { state: QuestionState }) {
  return state.lost === undefined || state.error ? null : <Notice id={state.lost} state={state} />;
}
