import {
  keyOf,
  namer,
  noteText,
  parseNote,
  patternById,
  pitchText,
  scaleById,
  type Direction,
  type Key,
  type Span,
  type StoredAsk,
} from '@same-song/core';

const NUMBERS = ['no', 'one', 'two', 'three', 'four'];

/** The key of a question; undefined where its words name none. */
export function keyIn({ scale: id, tonic }: Pick<StoredAsk, 'scale' | 'tonic'>): Key | undefined {
  const scale = scaleById(id);
  const note = parseNote(tonic);
  return scale.ok && note.ok ? keyOf(scale.value, note.value) : undefined;
}

/** Names pitches with their octave as the key of a question does. */
export function callIn(ask: Pick<StoredAsk, 'scale' | 'tonic'>): (pitch: number) => string {
  const key = keyIn(ask);
  return key ? namer(key).withOctave : (pitch) => pitchText(pitch);
}

/** @param ask whose key names the ends */
export function spanWords(span: Span, ask: Pick<StoredAsk, 'scale' | 'tonic'>): string {
  if (span.kind === 'reach') return 'the whole reach';
  if (span.kind === 'between') {
    const call = callIn(ask);
    return `from ${call(span.low)} to ${call(span.high)}`;
  }
  return `${NUMBERS[span.octaves]} octave${span.octaves === 1 ? '' : 's'}`;
}

export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  up: 'up',
  down: 'down',
  both: 'up and down',
};

/** Direction, and the pattern where it is not the straight one: `up in groups of three`. */
export function courseWords(ask: StoredAsk): string {
  const pattern = ask.pattern === 'straight' ? '' : ` ${patternById(ask.pattern).label}`;
  return DIRECTION_WORDS[ask.direction] + pattern;
}

/** The layer before the scale's name: `five notes of`; nothing for the whole scale. */
export function layerWords(ask: StoredAsk): string {
  if (ask.layer === 'scale') return '';
  return {
    home: 'home alone in',
    chord: 'the chord’s tones in',
    five: 'five notes of',
    colour: 'colour notes with',
  }[ask.layer];
}

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
  const layer = layerWords(ask);
  const scale = layer ? `${layer} ${scaleWords(ask)}` : scaleWords(ask);
  return `Play ${scale} in ${tonicWords(ask)} on ${instrument}, ${spanWords(ask.span, ask)} ${courseWords(ask)}, with ${preference}.`;
}
