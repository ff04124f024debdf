import { fail, type Problem, type Result } from '@same-song/core';
import {
  alterOf,
  letterAbove,
  MAJOR_STEPS,
  notePitchClass,
  parseNote,
  pitchClass,
  QUARTER,
  searchScales,
  spellAs,
  spelledAt,
  type NoteName,
  type SpelledPitch,
  type Ticks,
} from '@same-song/core/music';
import { emptyDraft, finish, type Draft, type DraftVoice, type Read } from '../draft.ts';

/** How degrees are written; shown where they are typed. */
export const DEGREES_HELP = Object.freeze([
  '1 to 7 are degrees of the key, a beat each; 0 is a rest, | a bar line, |: and :| a repeat.',
  'b3 and #4 are a semitone lower and higher; 5, is an octave lower, 1’ an octave higher.',
  '- holds the note before for another beat, 3. adds half of it, 2_ is half a beat and 2__ a quarter of one.',
  '(1 2 3) shares one beat among what stands in it.',
  'Lines before it may say title: …, key: Em, metre: 3/4 and tempo: 96.',
]);

const NOTE = /^([b♭#♯]{0,2})([0-7])((?:,|'|’)*)(_*)(\.{0,2})(~?)$/u;
const HEAD = /^\s*(title|key|metre|meter|tempo)\s*:\s*(.*)$/i;

interface Reading {
  readonly draft: Draft;
  readonly voice: DraftVoice;
  readonly problems: Problem[];
  tonic: NoteName;
  /** Semitones of the scale's seven degrees; the major ones where it has another number of notes. */
  steps: readonly number[];
  beat: Ticks;
  at: Ticks;
  /** Inside brackets: notes share a beat. */
  group: { readonly from: number; readonly at: Ticks } | undefined;
}

/** A melody in degrees with its rhythm. Problems carry the character at which the wrong piece begins. */
export function readDegrees(text: string): Result<Read> {
  const voice: DraftVoice = { id: '1', notes: [], tuplets: [] };
  const reading: Reading = {
    draft: emptyDraft(''),
    voice,
    problems: [],
    tonic: { letter: 'C', accidental: 0 },
    steps: MAJOR_STEPS,
    beat: QUARTER,
    at: 0,
    group: undefined,
  };
  const { draft } = reading;
  draft.parts.push({ id: '1', name: '', percussion: false, voices: [voice] });
  draft.keys.push({ bar: 0, at: 0, tonic: reading.tonic, scale: 'major' });
  draft.metres.push({ bar: 0, at: 0, count: 4, unit: 4 });
  let offset = 0;
  for (const line of text.split('\n')) {
    const head = HEAD.exec(line);
    if (head) takeHead(reading, head[1]!.toLowerCase(), head[2]!.trim(), offset);
    else takeMusic(reading, line, offset);
    offset += line.length + 1;
  }
  closeBar(reading);
  if (reading.problems.length > 0) return fail(...reading.problems);
  return finish(draft, []);
}

function wrong(reading: Reading, position: number, piece: string, message: string): void {
  reading.problems.push({ field: '', position, wrong: piece.slice(0, 40), message });
}

function takeHead(reading: Reading, what: string, value: string, position: number): void {
  const { draft } = reading;
  if (what === 'title') draft.title = value;
  else if (what === 'tempo') {
    const perMinute = Number(value);
    if (perMinute >= 5 && perMinute <= 600)
      draft.tempos.push({ bar: 0, at: 0, beat: reading.beat, perMinute });
    else wrong(reading, position, value, 'A tempo is a number of beats from 5 to 600 a minute.');
  } else if (what === 'key') takeKey(reading, value, position);
  else {
    const [count, unit] = value.split('/').map(Number);
    if (!count || !unit || ![2, 4, 8, 16].includes(unit) || count > 32)
      return wrong(reading, position, value, 'A metre is written like 3/4 or 6/8.');
    draft.metres[0] = { bar: 0, at: 0, count, unit };
    reading.beat = (4 * QUARTER) / unit;
  }
}

function takeKey(reading: Reading, value: string, position: number): void {
  const note = parseNote(value);
  const { tonic, scales } = note.ok ? { tonic: note.value, scales: [] } : searchScales(value);
  if (!tonic) return wrong(reading, position, value, 'A key is written like G, Em or D dorian.');
  const scale = scales[0];
  reading.tonic = tonic;
  if (scale?.semitones.length === 7) reading.steps = scale.semitones;
  reading.draft.keys[0] = { bar: 0, at: 0, tonic, scale: scale?.id ?? 'major' };
}

function takeMusic(reading: Reading, line: string, offset: number): void {
  for (const match of line.matchAll(/\|:|:\||\|+|\(|\)|[^\s|()]+/g)) {
    const [piece] = match;
    const position = offset + match.index;
    if (piece.includes('|')) takeBar(reading, piece);
    else if (piece === '(') {
      nextBar(reading);
      reading.group = { from: reading.voice.notes.length, at: reading.at };
    } else if (piece === ')') closeGroup(reading);
    else takeNote(reading, piece, position);
  }
}

function takeBar(reading: Reading, piece: string): void {
  const { draft } = reading;
  closeBar(reading);
  if (piece === ':|' && draft.bars.length > 0) draft.bars.at(-1)!.repeatEnd = 2;
  if (piece === '|:') nextBar(reading).repeatStart = true;
}

/** The bar that is being written; made when something falls into it. */
function nextBar({ draft, at }: Reading): Draft['bars'][number] {
  if (at === 0 && (draft.bars.length === 0 || draft.bars.at(-1)!.length > 0)) draft.bars.push({ length: 0 });
  return draft.bars.at(-1)!;
}

function closeBar(reading: Reading): void {
  if (reading.at > 0) reading.draft.bars.at(-1)!.length = reading.at;
  reading.at = 0;
}

function takeNote(reading: Reading, piece: string, position: number): void {
  const { draft, voice } = reading;
  if (piece === '-') return hold(reading, position);
  const found = NOTE.exec(piece);
  if (!found)
    return wrong(
      reading,
      position,
      piece,
      `“${piece.slice(0, 20)}” is no degree: write 1 to 7, 0 for a rest, - to hold.`,
    );
  const [, signs = '', digit = '', marks = '', halves = '', dots = '', tie = ''] = found;
  nextBar(reading);
  const length = Math.round((reading.beat / 2 ** halves.length) * (2 - 0.5 ** dots.length));
  if (digit !== '0')
    voice.notes.push({
      bar: draft.bars.length - 1,
      at: reading.at,
      length,
      pitch: pitchOf(reading, signs, Number(digit), marks),
      ...(tie && { tied: true }),
    });
  reading.at += length;
}

function pitchOf({ tonic, steps }: Reading, signs: string, degree: number, marks: string): SpelledPitch {
  const alter = alterOf(signs);
  const octaves = [...marks].reduce((sum, mark) => sum + (mark === ',' ? -1 : 1), 0);
  const base = 60 + notePitchClass(tonic);
  // The degree of a sign is that of the major scale, as formulas have it; a bare one is the scale's own.
  const above = alter === 0 ? steps[degree - 1]! : MAJOR_STEPS[degree - 1]! + alter;
  const pitch = base + above + 12 * octaves;
  const name = spellAs(letterAbove(tonic.letter, degree - 1), pitchClass(pitch));
  return spelledAt(pitch, name);
}

/** `-`: the note before lasts another beat, over a bar line too. */
function hold(reading: Reading, position: number): void {
  const { voice, draft, beat } = reading;
  const last = voice.notes.at(-1);
  if (!last) return wrong(reading, position, '-', '“-” holds a note, and there is none before it.');
  nextBar(reading);
  const bar = draft.bars.length - 1;
  if (last.bar === bar && last.at + last.length === reading.at)
    voice.notes[voice.notes.length - 1] = { ...last, length: last.length + beat };
  else {
    voice.notes[voice.notes.length - 1] = { ...last, tied: true };
    voice.notes.push({ bar, at: reading.at, length: beat, pitch: last.pitch });
  }
  reading.at += beat;
}

/** What stands in brackets is set anew within one beat, in proportion. */
function closeGroup(reading: Reading): void {
  const { group, voice, draft, beat } = reading;
  reading.group = undefined;
  if (!group || reading.at <= group.at) return;
  const bar = draft.bars.length - 1;
  const written = reading.at - group.at;
  const place = (at: Ticks) => group.at + Math.round(((at - group.at) * beat) / written);
  const notes = voice.notes.splice(group.from);
  for (const note of notes) {
    const at = place(note.at);
    voice.notes.push({ ...note, at, length: place(note.at + note.length) - at });
  }
  const actual = written / Math.min(written, ...notes.map(({ length }) => length));
  const normal = 2 ** Math.floor(Math.log2(actual));
  if (Number.isInteger(actual) && normal !== actual)
    voice.tuplets.push({ bar, at: group.at, length: beat, actual, normal });
  reading.at = group.at + beat;
}
