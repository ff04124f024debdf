import { FIGURE_SIGNS, type FigureSign } from '../families/figure.ts';
import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { dialectOf } from '../map/notation.ts';
import { parsePitch, pitchText, type NoteName } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { chordHolds } from '../route/holds.ts';
import { expectOk, fail, ok, type Problem, type Result } from '../result.ts';

/** What stands in a line of tab. */
export type TabItem =
  | { readonly kind: 'way'; readonly way: Way }
  /** A way that is only touched before the note that follows, in braces: `{5}`. */
  | { readonly kind: 'touched'; readonly way: Way }
  /** An ornament of the note that follows, by its sign in braces: `{roll}`. */
  | { readonly kind: 'figure'; readonly sign: FigureSign }
  /** A note that cannot be had, by name in brackets: `(F♯4)`. */
  | { readonly kind: 'missing'; readonly pitch: Pitch }
  | { readonly kind: 'rest' }
  /** The notes before and after it sound together. */
  | { readonly kind: 'with' }
  | { readonly kind: 'bar' };

const BAR = '|';
const REST = 'r';
const WITH = '+';
const BRACES = 'Braces enclose one note that is only touched.';

/**
 * Writes a line of tab: notes apart by the dialect's separator, `r` for a rest, `|` for a bar line, `+` between notes that
 * sound together and that the dialect does not write as one, `{ }` round what is only touched.
 * @param called names a pitch; as the instrument's own key has it when left out
 */
export function writeTabLine(
  instrument: Instrument,
  all: readonly TabItem[],
  dialect: string,
  called?: (pitch: Pitch) => NoteName,
): string {
  const { separator } = dialectOf(instrument.family, dialect);
  const items = withChords(instrument, all, dialect);
  const written = items.map((item) => {
    if (item.kind === 'chord') return item.text;
    if (item.kind === 'bar') return BAR;
    if (item.kind === 'rest') return REST;
    if (item.kind === 'with') return WITH;
    if (item.kind === 'figure') return `{${item.sign}}`;
    if (item.kind === 'missing') return `(${pitchText(item.pitch, called?.(item.pitch))})`;
    const tab = instrument.tab(item.way, dialect, called?.(item.way.pitch));
    return item.kind === 'touched' ? `{${tab}}` : tab;
  });
  return written.reduce((line, text, i) => {
    if (i === 0) return text;
    const [kind, before] = [items[i]!.kind, items[i - 1]!.kind];
    const beside = kind === 'bar' || before === 'bar' || kind === 'with' || before === 'with';
    return line + (beside ? ' ' : separator) + text;
  }, '');
}

/** Notes that sound together and are written as one. */
interface WrittenChord {
  readonly kind: 'chord';
  readonly text: string;
}

function withChords(
  instrument: Instrument,
  items: readonly TabItem[],
  dialect: string,
): readonly (TabItem | WrittenChord)[] {
  const found: (TabItem | WrittenChord)[] = [];
  for (let at = 0; at < items.length; at += 1) {
    const ways: Way[] = [];
    let end = at;
    for (let item = items[end]; item?.kind === 'way'; item = items[end]) {
      ways.push(item.way);
      end += 1;
      if (items[end]?.kind !== 'with' || items[end + 1]?.kind !== 'way') break;
      end += 1;
    }
    const text = ways.length > 1 ? instrument.chordTab(ways, dialect) : undefined;
    const last = Math.max(at, end - 1);
    found.push(...(text === undefined ? items.slice(at, last + 1) : [{ kind: 'chord' as const, text }]));
    at = last;
  }
  return found;
}

/**
 * Reads a line of tab in a dialect: apart by its separator, by bar lines or by line breaks, and where notes are written
 * without commas by any space. Problems carry the character at which the wrong note begins.
 */
export function readTabLine(
  instrument: Instrument,
  text: string,
  dialect: string,
): Result<readonly TabItem[]> {
  const { separator } = dialectOf(instrument.family, dialect);
  const readItem = (token: string): Result<TabItem> => {
    const braced = /^\{([^{}]*)\}$/u.exec(token);
    const sign = FIGURE_SIGNS.find((one) => one === braced?.[1]!.trim());
    if (sign) return ok({ kind: 'figure', sign });
    const way = instrument.parseTab(braced ? braced[1]!.trim() : token, dialect);
    if (way.ok && braced) return ok({ kind: 'touched', way: way.value });
    // Braces within are those of another note.
    if (/[{}]/u.test(token)) return way.ok ? fail({ field: '', wrong: token, message: BRACES }) : way;
    if (way.ok) return ok({ kind: 'way', way: way.value });
    if (token === REST) return ok({ kind: 'rest' });
    if (token === WITH) return ok({ kind: 'with' });
    const bracketed = /^\((.*)\)$/u.exec(token);
    const pitch = bracketed && parsePitch(bracketed[1]!);
    return pitch?.ok ? ok({ kind: 'missing', pitch: pitch.value }) : way;
  };
  const read = readLine(text, separator, (token, at): Result<ReadItem> => {
    const item = readItem(token);
    if (item.ok) return ok({ items: [item.value], at });
    const notes = instrument.chordTyped(token)?.map(readItem);
    if (!notes?.every((note) => note.ok)) return item;
    const items = notes.flatMap((note, i): TabItem[] => [...(i > 0 ? [WITH_ITEM] : []), expectOk(note)]);
    return ok({ items, at });
  });
  if (!read.ok) return read;
  const items = read.value.map((item) => ('kind' in item ? { items: [item], at: 0 } : item));
  const clash = firstClash(instrument, items);
  return clash ? fail(clash) : ok(items.flatMap((item) => item.items));
}

/** What was read at one place: a note, or the notes of a chord. */
interface ReadItem {
  readonly items: readonly TabItem[];
  readonly at: number;
}

const WITH_ITEM: TabItem = Object.freeze({ kind: 'with' });

/** The first chord whose ways cannot sound together, as a problem at its first note. */
function firstClash(instrument: Instrument, read: readonly ReadItem[]): Problem | undefined {
  let chord: Way[] = [];
  let [at, joined] = [0, false];
  for (const { items, at: here } of [...read, { items: [REST_ITEM], at: 0 }])
    for (const item of items) {
      if (item.kind === 'with') {
        joined = true;
        continue;
      }
      if (!joined) {
        const why = clashOf(instrument, chord);
        if (why)
          return {
            field: '',
            position: at,
            wrong: chord.map(({ words }) => words).join(' + '),
            message: why,
          };
        [chord, at] = [[], here];
      }
      joined = false;
      if (item.kind === 'way') chord.push(item.way);
    }
  return undefined;
}

const REST_ITEM: TabItem = Object.freeze({ kind: 'rest' });

/** Why ways cannot sound together, as a sentence in the family's words; undefined where they can. */
function clashOf(instrument: Instrument, ways: readonly Way[]): string | undefined {
  if (ways.length < 2) return undefined;
  const notes = [...ways]
    .sort((a, b) => a.pitch - b.pitch)
    .map((way) => ({ pitch: way.pitch, open: instrument.fingeredWaysOf(way, {}, true) }));
  const [left] = chordHolds(
    instrument,
    notes,
    notes.map(({ pitch }) => pitch),
  ).left;
  if (!left) return undefined;
  const { text } = left.clash;
  return `${text[0]!.toUpperCase()}${text.slice(1)}.`;
}

/** Most words that one note is written with: `left, column 2, button 3`. */
const WORDS = 6;

/**
 * Reads whatever stands in a line one after the other. A note may have several words: the longest run of words that can
 * be read is taken.
 * @param separator what stands between two notes; only space where it is blank, and commas are then space too
 * @param read one note, and where it stands; its problem's position counts from the note's own beginning
 */
export function readLine<T>(
  text: string,
  separator: string,
  read: (note: string, at: number) => Result<T>,
): Result<readonly (T | { readonly kind: 'bar' })[]> {
  const mark = separator.trim();
  const between = mark === '' ? '\\s,;' : `\\s${mark}`;
  const words = [...text.matchAll(new RegExp(`[|\\n${mark}]|[^|${between}]+`, 'gu'))];
  const endsNote = ({ 0: word }: RegExpExecArray) => word === BAR || word === '\n' || word === mark;
  const items: (T | { kind: 'bar' })[] = [];
  const problems: Problem[] = [];
  for (let at = 0; at < words.length;) {
    const first = words[at]!;
    if (endsNote(first)) {
      if (first[0] === BAR) items.push({ kind: 'bar' });
      at += 1;
      continue;
    }
    const end = words.findIndex((word, i) => i > at && endsNote(word));
    const run = words.slice(at, Math.min(at + WORDS, end < 0 ? words.length : end));
    const upTo = (count: number) =>
      text.slice(first.index, run[count - 1]!.index + run[count - 1]![0].length);
    const counts = run.map((_, i) => run.length - i);
    const count = counts.find((n) => read(upTo(n), first.index).ok);
    if (count === undefined) {
      // Where a mark stands between notes the whole stretch was meant as one.
      const wrong = upTo(mark === '' ? 1 : run.length);
      const found = read(wrong, first.index);
      const [problem] = found.ok ? [] : found.problems;
      problems.push({ ...problem!, position: first.index + (problem!.position ?? 0) });
      at += mark === '' ? 1 : run.length;
    } else {
      items.push(expectOk(read(upTo(count), first.index)));
      at += count;
    }
  }
  return problems.length > 0 ? fail(...problems) : ok(items);
}
