import { holesWriter } from '../kernel/holes.ts';
import type { Spelling } from '../kernel/readLoosely.ts';
import { notePitchClass, noteText, parseNote, type NoteName } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { fail, ok, shown, type Result } from '../../result.ts';
import type { TabWriter } from '../contract.ts';
import { HOLES } from './layout.ts';
import type { DiatonicWay } from './ways.ts';

const AIR_TEXT = Object.freeze({
  words: { out: ' blow', in: ' draw', gap: ' ' },
  arrows: { out: '↑', in: '↓', gap: '' },
  letters: { out: 'b', in: 'd', gap: '' },
});

/** How the bend of a way is written: by marks, or by the name of its note. */
type WriteBend = (way: DiatonicWay, note: NoteName) => string;
const byMarks: WriteBend = ({ depth }) => bendMark(depth);
const byNote: WriteBend = ({ depth }, note) => (depth === 0 ? '' : noteText(note));

function isOver({ technique }: DiatonicWay): boolean {
  return technique === 'overblow' || technique === 'overdraw';
}

/** The air after the hole, in one of three ways. */
function airWriter(style: keyof typeof AIR_TEXT, bend: WriteBend) {
  const air = AIR_TEXT[style];
  return (way: DiatonicWay, note: NoteName): string => {
    if (style === 'words' && isOver(way)) return way.words;
    const tail = isOver(way) ? '°' : bend(way, note);
    return `${way.hole}${air[way.air]}${tail ? air.gap : ''}${tail}`;
  };
}

/** The air as a sign before the hole. */
function signWriter(bend: WriteBend) {
  return (way: DiatonicWay, note: NoteName): string =>
    `${way.air === 'out' ? '+' : '−'}${way.hole}${isOver(way) ? '°' : bend(way, note)}`;
}

/** How the air is written; each with bends as marks or as note names. */
export const dialects: readonly TabWriter<DiatonicWay>[] = Object.freeze([
  {
    id: 'words',
    label: 'words: 4 draw, 3 draw ″',
    separator: ', ',
    writeChord: holesWriter('words'),
    write: airWriter('words', byMarks),
  },
  {
    id: 'arrows',
    label: 'arrows: 4↓ 3↓″',
    separator: '  ',
    writeChord: holesWriter('arrows'),
    write: airWriter('arrows', byMarks),
  },
  {
    id: 'signs',
    label: 'signs: −4 −3″',
    separator: '  ',
    writeChord: holesWriter('signs'),
    write: signWriter(byMarks),
  },
  {
    id: 'letters',
    label: 'letters: 4d 3d″',
    separator: '  ',
    writeChord: holesWriter('letters'),
    write: airWriter('letters', byMarks),
  },
  {
    id: 'words-named',
    label: 'words, bends by note: 3 draw A',
    separator: ', ',
    writeChord: holesWriter('words'),
    write: airWriter('words', byNote),
  },
  {
    id: 'arrows-named',
    label: 'arrows, bends by note: 3↓A',
    separator: '  ',
    writeChord: holesWriter('arrows'),
    write: airWriter('arrows', byNote),
  },
  {
    id: 'signs-named',
    label: 'signs, bends by note: −3A',
    separator: '  ',
    writeChord: holesWriter('signs'),
    write: signWriter(byNote),
  },
  {
    id: 'letters-named',
    label: 'letters, bends by note: 3dA',
    separator: '  ',
    writeChord: holesWriter('letters'),
    write: airWriter('letters', byNote),
  },
]);

/** Bends by half steps (`-3bb`), overblows (`6ob`), the air behind as a sign (`4+ 4-`), marks before the air (`3''d`). */
export const spellings: readonly Spelling[] = Object.freeze([
  [/^\+?(\d+)ob$/, '$1 overblow'],
  [/^[-−–]?(\d+)od$/, '$1 overdraw'],
  [/^[-−–]?(\d+)b$/, "$1d'"],
  [/^[-−–]?(\d+)bb$/, "$1d''"],
  [/^[-−–]?(\d+)bbb$/, "$1d'''"],
  [/^\+?(\d+)b$/, "$1b'"],
  [/^\+?(\d+)bb$/, "$1b''"],
  [/^(\d+)\s*\+$/, '$1b'],
  [/^(\d+)\s*[-−–]$/, '$1d'],
  [/^(\d+)(['"′″‴]+)\s*([bd↑↓])$/, '$1$3$2'],
]);

/** Hole and mark: `3″`, `6°`. */
export function brief(way: DiatonicWay): string {
  return `${way.hole}${way.depth > 0 ? bendMark(way.depth) : way.technique === 'plain' ? '' : '°'}`;
}

/** ′ ″ ‴ and four marks for tunings that bend so far. */
export function bendMark(depth: number): string {
  return ['', '′', '″', '‴'][depth] ?? '′'.repeat(depth);
}

const SIGN = '(?<sign>[-−–+])?';
const HOLE = '(?<hole>\\d+)?';
const AIR = '(?<air>blow|draw|overblow|overdraw|[bd]|↑|↓)?';
const GRAMMAR = new RegExp(`^${SIGN}${HOLE}\\s*${AIR}\\s*(?<tail>.*)$`, 'u');

/**
 * Reads one note in any of the dialects; a bare number is a blow note only where signs are written.
 * Typewriter marks are taken too: ' and " for bends, - for −, o for °, "bent 2" in words.
 */
export function parseTab(ways: readonly DiatonicWay[], text: string, dialect: string): Result<DiatonicWay> {
  const trimmed = text.trim();
  const offset = text.indexOf(trimmed);
  const groups = GRAMMAR.exec(trimmed)?.groups ?? {};
  const { sign, hole: holeText, air: airText, tail = '' } = groups;
  const wrong = (position: number, found: string, message: string) =>
    fail({ field: '', position: offset + position, wrong: shown(found), message });
  const holeAt = sign ? 1 : 0;
  if (!holeText) return wrong(holeAt, trimmed.slice(holeAt), 'A note starts with its hole: 1 to 10.');
  const hole = Number(holeText);
  if (hole < 1 || hole > HOLES)
    return wrong(holeAt, holeText, `There is no hole ${shown(holeText)}: holes are 1 to ${HOLES}.`);
  const air = airOf(sign, airText, dialect);
  const airAt = holeAt + holeText.length;
  if (!air) return wrong(airAt, trimmed.slice(airAt), `Say how hole ${hole} sounds: blow or draw.`);
  const sounds = ways.filter((w) => w.hole === hole && w.air === air);
  const tailAt = trimmed.length - tail.length;
  const way = findByTail(sounds, airText?.startsWith('over') ? '°' : tail.trim());
  if (way) return ok(way);
  const can = sounds.map((w) => w.words).join(', ');
  return wrong(
    tailAt,
    tail || trimmed,
    `“${shown(trimmed)}” is not on this harmonica. Hole ${hole} has: ${can}.`,
  );
}

function airOf(sign: string | undefined, air: string | undefined, dialect: string): 'out' | 'in' | undefined {
  if (air !== undefined) {
    if (sign !== undefined) return undefined;
    return ['blow', 'b', '↑', 'overblow'].includes(air) ? 'out' : 'in';
  }
  if (sign !== undefined) return sign === '+' ? 'out' : 'in';
  return dialect.startsWith('signs') ? 'out' : undefined;
}

function findByTail(sounds: readonly DiatonicWay[], tail: string): DiatonicWay | undefined {
  if (tail === '') return sounds.find((w) => w.technique === 'plain');
  if (tail === '°' || tail === 'o') return sounds.find(isOver);
  const bent = /^bent (\d)$/.exec(tail);
  const marks = tail.replaceAll('"', '″').replaceAll("'", '′').replaceAll('‴', '′′′').replaceAll('″', '′′');
  const depth = bent ? Number(bent[1]) : /^′+$/.test(marks) ? marks.length : 0;
  if (depth > 0) return sounds.find((w) => w.depth === depth);
  const note = parseNote(tail);
  if (!note.ok) return undefined;
  return sounds.find((w) => w.depth > 0 && pitchClass(w.pitch) === notePitchClass(note.value));
}
