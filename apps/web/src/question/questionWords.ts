import {
  CHROMATIC_DEGREE_NAMES,
  keyOf,
  namer,
  noteText,
  parseChord,
  parseNote,
  pitchText,
  scaleById,
  type Key,
} from '@same-song/core/music';
import {
  chordOver,
  CHORDS_LIMIT,
  patternById,
  type Direction,
  type LineRange,
  type StoredQuestion,
} from '@same-song/core/route';

const NUMBERS = ['no', 'one', 'two', 'three', 'four'];

/** The key of a question; undefined where its words name none. */
export function keyIn({ scale: id, tonic }: Pick<StoredQuestion, 'scale' | 'tonic'>): Key | undefined {
  const scale = scaleById(id);
  const note = parseNote(tonic);
  return scale.ok && note.ok ? keyOf(scale.value, note.value) : undefined;
}

/** Names pitches with their octave as the key of a question does. */
export function callIn(question: Pick<StoredQuestion, 'scale' | 'tonic'>): (pitch: number) => string {
  const key = keyIn(question);
  return key ? namer(key).withOctave : (pitch) => pitchText(pitch);
}

/** @param question whose key names the ends */
export function rangeWords(range: LineRange, question: Pick<StoredQuestion, 'scale' | 'tonic'>): string {
  if (range.kind === 'whole') return 'the whole reach';
  if (range.kind === 'between') {
    const call = callIn(question);
    return `from ${call(range.low)} to ${call(range.high)}`;
  }
  const { octaves } = range;
  const words = `${NUMBERS[octaves]} octave${octaves === 1 ? '' : 's'}`;
  if (range.start !== undefined || range.turn !== undefined)
    return `${fromWords(range, question, words)} ${endsWords(range)}`;
  return fromWords(range, question, words);
}

/** `starting on 5, turning on ♭3`. */
function endsWords({ start = 0, turn }: LineRange & { readonly kind: 'octaves' }): string {
  const starts = `starting on ${CHROMATIC_DEGREE_NAMES[start]}`;
  return turn === undefined ? starts : `${starts}, turning on ${CHROMATIC_DEGREE_NAMES[turn]}`;
}

function fromWords(
  { octaves, from }: LineRange & { readonly kind: 'octaves' },
  question: Pick<StoredQuestion, 'scale' | 'tonic'>,
  words: string,
): string {
  if (typeof from === 'number') return `${words} from ${callIn(question)(from)}`;
  if (from === 'best') return words;
  return octaves === 1 ? `the ${from} octave` : `the ${words} at the ${ENDS[from]}`;
}

const ENDS = { low: 'bottom', middle: 'middle', high: 'top' };

export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  up: 'up',
  down: 'down',
  both: 'up and down',
  'down-up': 'down and up',
};

/** The notes to which an anchored pattern can come back. */
export const ANCHOR_WORDS: readonly string[] = ['the lowest note', 'the second note', 'the third note'];

/** Direction, and the pattern where it is not the straight one: `up in groups of three`. */
export function courseWords(question: StoredQuestion): string {
  const { label, anchored } = patternById(question.pattern);
  const pattern = question.pattern === 'straight' ? '' : ` ${label}`;
  const anchor = anchored && question.anchor > 0 ? `, ${ANCHOR_WORDS[question.anchor]}` : '';
  return DIRECTION_WORDS[question.direction] + pattern + anchor;
}

/** The chords beneath: `the I chord`, `the I, IV7 and V chords`. */
export function chordsWords({ scale: id, chords }: Pick<StoredQuestion, 'scale' | 'chords'>): string {
  const scale = scaleById(id);
  const names = chords.map((written) => {
    const chord = scale.ok ? chordOver(scale.value, written) : undefined;
    return chord?.ok ? chord.value.name : written;
  });
  const last = names.at(-1)!;
  if (names.length === 1) return `the ${last} chord`;
  return `the ${names.slice(0, -1).join(', ')} and ${last} chords`;
}

/** Chords typed by degree or by name, as a question keeps them; or what is wrong with them. */
export function readChords(typed: readonly string[], question: StoredQuestion): readonly string[] | string {
  const key = keyIn(question);
  if (typed.length > CHORDS_LIMIT) return `At most ${CHORDS_LIMIT} chords can be asked over at once.`;
  const chords: string[] = [];
  for (const text of typed) {
    const own = key && chordOver(key.scale, text);
    const chord = own?.ok ? own : parseChord(text, key?.tonic);
    if (!chord.ok) return chord.problems[0]!.message;
    chords.push(/^[b♭#♯]?[1-7]$/.test(text) ? text : chord.value.name);
  }
  return chords;
}

/** The layer before the scale's name: `five notes of`; nothing for the whole scale. */
export function layerWords(question: StoredQuestion): string {
  if (question.layer === 'scale') return '';
  return {
    home: 'home alone in',
    chord: 'the chord’s tones in',
    five: 'five notes of',
    colour: 'colour notes with',
  }[question.layer];
}

export function tonicWords(question: Pick<StoredQuestion, 'tonic'>): string {
  const note = parseNote(question.tonic);
  return note.ok ? noteText(note.value) : question.tonic;
}

export function scaleWords(question: Pick<StoredQuestion, 'scale'>): string {
  const scale = scaleById(question.scale);
  return scale.ok ? scale.value.name : question.scale;
}

/** The whole question as a sentence, for titles and paper. */
export function sentence(question: StoredQuestion, instrument: string, preference: string): string {
  const layer = layerWords(question);
  const scale = layer ? `${layer} ${scaleWords(question)}` : scaleWords(question);
  return `Play ${scale} in ${tonicWords(question)} on ${instrument}, ${rangeWords(question.range, question)} ${courseWords(question)}, with ${preference}.`;
}
