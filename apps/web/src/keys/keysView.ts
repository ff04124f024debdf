import type { QuestionState } from '../question/useQuestion.ts';

/** What every view of Keys gets: the same question that Map asks. */
export interface KeysViewProps {
  readonly state: QuestionState;
}
