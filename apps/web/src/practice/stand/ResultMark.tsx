import type { ShownResult } from '../round/heardRound.ts';

/** How a note went, by a shape and a word. */
const RESULTS: Readonly<Record<ShownResult, { readonly shape: string; readonly word: string }>> = {
  hit: { shape: 'M2 7L6 11L13 3', word: 'hit' },
  early: { shape: 'M11 2L4 7L11 12', word: 'early' },
  late: { shape: 'M4 2L11 7L4 12', word: 'late' },
  flat: { shape: 'M2 4L7.5 11L13 4', word: 'flat' },
  sharp: { shape: 'M2 10L7.5 3L13 10', word: 'sharp' },
  another: { shape: 'M2 5H13M2 9H13M10 2L5 12', word: 'another' },
  missed: { shape: 'M3 3L12 11M12 3L3 11', word: 'not heard' },
};

/** Beside a note that was followed. What was hit needs no word. */
export function ResultMark({ result }: { readonly result: ShownResult }) {
  const { shape, word } = RESULTS[result];
  return (
    <span role="img" aria-label={word} className={`note-result note-result-${result}`}>
      <svg viewBox="0 0 15 14" aria-hidden="true">
        <path d={shape} />
      </svg>
      {result !== 'hit' && word}
    </span>
  );
}
