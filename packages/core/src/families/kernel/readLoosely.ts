import { parsePitch } from '../../pitch/noteName.ts';
import { fail, shown, type Result } from '../../result.ts';
import type { Way } from '../way.ts';

/** Another spelling of a note of tab, in small letters, and what it stands for in one of the family's dialects. */
export type Spelling = readonly [typed: RegExp, written: string];

/** How several notes that sound together are typed as one, and each of them as the family's tab has it. */
export interface ChordSpelling {
  readonly typed: RegExp;
  notes(this: void, parts: readonly string[]): readonly string[];
}

/** The notes of a chord that is typed as one, each as tab has it; undefined where it is none. */
export function chordTyped(text: string, spellings: readonly ChordSpelling[]): readonly string[] | undefined {
  for (const { typed, notes } of spellings) {
    const [, ...parts] = typed.exec(text.trim().toLowerCase()) ?? [];
    if (parts.length > 0) return notes(parts);
  }
  return undefined;
}

/**
 * Reads a note of tab as it is written, or else as people type it: in capitals, in brackets, with a sign doubled, with
 * what is done before the place (`draw 4`, `↓4`), in a spelling of the family's players. A text that may be a note as
 * well, such as `D4`, is asked about.
 * @param write how a way is written, to say what would be clear
 */
export function readLoosely(
  text: string,
  read: (text: string) => Result<Way>,
  write: (way: Way) => string,
  spellings: readonly Spelling[] = [],
): Result<Way> {
  const asWritten = read(text);
  if (asWritten.ok) return asWritten;
  const inner = /^[([{](.*)[)\]}]$/u.exec(text.trim())?.[1];
  // A line of tab puts notes that cannot be had in brackets.
  const plain = (inner === undefined || parsePitch(inner).ok ? text.trim() : inner)
    .replace(/^([-−–+])\1+/u, '$1')
    .trim();
  const small = plain.toLowerCase();
  const whole = text.trim().toLowerCase();
  const respelled = spellings.flatMap(([typed, written]) =>
    [whole, small].filter((one) => typed.test(one)).map((one) => one.replace(typed, written)),
  );
  for (const other of [plain, small, turned(plain), turned(small), ...respelled]) {
    const way = read(other);
    if (!way.ok) continue;
    if (!/^[A-G]\d$/.test(plain)) return way;
    return fail({
      field: '',
      position: 0,
      wrong: shown(plain),
      message: `“${plain}” may be a place or a note. Write ${write(way.value)} for the place.`,
    });
  }
  return asWritten;
}

/** `draw 4 ″` as `4 draw ″`. */
function turned(text: string): string {
  return text.replace(/^(\p{L}+|[↑↓])\s*(\d+)/u, (_, done: string, place: string) => {
    return `${place}${done.length > 1 ? ' ' : ''}${done}`;
  });
}
