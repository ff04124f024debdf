import { parsePitch } from '../../pitch/noteName.ts';
import { fail, ok, shown, type Result } from '../../result.ts';
import type { Way } from '../way.ts';

/** What a typewriter writes for what a page shows. */
const TYPED: readonly (readonly [RegExp, string])[] = [
  [/[−–]/g, '-'],
  [/1\/2|\.5/g, '½'],
  [/♭/g, 'b'],
  [/♯/g, '#'],
  [/′/g, "'"],
  [/\s+/g, ' '],
];

function plain(text: string): string {
  return TYPED.reduce((typed, [from, to]) => typed.replace(from, to), text.trim().toLowerCase());
}

/** Names of pitches by what they sound, so that G♯4 and A♭4 are the same. */
function bySound(text: string): string {
  return text.replace(/[a-g][#b]{0,2}-?\d+/g, (name) => {
    const pitch = parsePitch(name);
    return pitch.ok ? `@${pitch.value}` : name;
  });
}

/** The ways of an instrument by what is written for them in one dialect. */
interface Table<W> {
  readonly byText: ReadonlyMap<string, readonly W[]>;
  readonly bySound: ReadonlyMap<string, readonly W[]>;
}

/**
 * A reader of single notes of tab that looks them up among the texts of all ways: exact for every dialect, tolerant of
 * typewriter spelling, and where that is not ambiguous of other spellings of its note and of another dialect. A problem's
 * position is where no text goes on. The texts of a dialect are written once, when it is first read.
 */
export function tabReader<W extends Way>(
  ways: readonly W[],
  dialects: readonly string[],
  write: (way: W, dialect: string) => string,
): (text: string, dialect: string) => Result<W> {
  const tables = new Map<string, Table<W>>();
  const tableOf = (dialect: string): Table<W> => {
    const known = tables.get(dialect) ?? tableIn(ways, (way) => plain(write(way, dialect)));
    tables.set(dialect, known);
    return known;
  };
  return (text, dialect) => {
    const wanted = plain(text);
    const tried = [dialect, ...dialects.filter((d) => d !== dialect)];
    for (const id of tried) {
      const table = tableOf(id);
      const found = table.byText.get(wanted) ?? [];
      if (found.length === 1 || (found.length > 1 && id === dialect)) return ok(found[0]!);
      const sounding = table.bySound.get(bySound(wanted)) ?? [];
      if (sounding.length === 1) return ok(sounding[0]!);
    }
    const texts = tried.flatMap((id) => [...tableOf(id).byText.keys()]);
    const reached = texts.reduce((most, known) => Math.max(most, common(known, wanted)), 0);
    const position = text.length - text.trimStart().length + reached;
    const example = ways[0] ? write(ways[0], dialect) : '';
    const message =
      wanted === ''
        ? `A note is missing here, for example ${example}.`
        : `“${shown(text.trim())}” is not on this instrument. A note is written like ${example}.`;
    return fail({ field: '', position, wrong: shown(text.slice(position)), message });
  };
}

function tableIn<W>(ways: readonly W[], textOf: (way: W) => string): Table<W> {
  const byText = new Map<string, W[]>();
  const sounding = new Map<string, W[]>();
  for (const way of ways) {
    const text = textOf(way);
    byText.set(text, [...(byText.get(text) ?? []), way]);
    const sound = bySound(text);
    sounding.set(sound, [...(sounding.get(sound) ?? []), way]);
  }
  return { byText, bySound: sounding };
}

function common(a: string, b: string): number {
  let i = 0;
  while (i < a.length && i < b.length && a[i] === b[i]) i += 1;
  return i;
}
