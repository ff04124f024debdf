import type { Pin } from '@same-song/core/route';
import type { QuestionState } from '../question/useQuestion.ts';

/** Ways that are wanted at notes of the line, as the link has them. */
export function usePins({ current, change }: Pick<QuestionState, 'current' | 'change'>) {
  const others = (noteId: string) => current().question.pins.filter((pin) => pin.noteId !== noteId);
  return {
    pin: (wanted: Pin) => change('pin', { pins: [...others(wanted.noteId), wanted] }),
    unpin: (noteId: string) => change('pin', { pins: others(noteId) }),
  };
}
