import {
  noteText,
  parseNote,
  pitchText,
  scaleById,
  type Direction,
  type Span,
  type StoredAsk,
} from '@same-song/core';

const NUMBERS = ['no', 'one', 'two', 'three', 'four'];

export function spanWords(span: Span): string {
  if (span.kind === 'reach') return 'the whole reach';
  if (span.kind === 'between') return `from ${pitchText(span.low)} to ${pitchText(span.high)}`;
  return `${NUMBERS[span.octaves]} octave${span.octaves === 1 ? '' : 's'}`;
}

export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  up: 'up',
  down: 'down',
  both: 'up and down',
};

export function tonicWords(ask: StoredAsk): string {
  const note = parseNote(ask.tonic);
  return note.ok ? noteText(note.value) : ask.tonic;
}

export function scaleWords(ask: StoredAsk): string {
  const scale = scaleById(ask.scale);
  return scale.ok ? scale.value.name : ask.scale;
}

/** The whole question as a sentence, for titles and paper. */
export function sentence(ask: StoredAsk, instrument: string, preference: string): string {
  return `Play ${scaleWords(ask)} in ${tonicWords(ask)} on ${instrument}, ${spanWords(ask.span)} ${DIRECTION_WORDS[ask.direction]}, with ${preference}.`;
}
