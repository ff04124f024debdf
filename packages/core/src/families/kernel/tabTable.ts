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

/**
 * Reads one note of tab by looking it up among the texts of all ways: exact for every dialect, tolerant of typewriter
 * spelling, and where that is not ambiguous of other spellings of its note and of another dialect. The problem's position is where no text goes on.
 */
export function parseByTable<W extends Way>(
  ways: readonly W[],
  dialects: readonly string[],
  write: (way: W, dialect: string) => string,
  text: string,
  dialect: string,
): Result<W> {
  const wanted = plain(text);
  const others = [dialect, ...dialects.filter((d) => d !== dialect)];
  let reached = 0;
  for (const id of others) {
    const texts = ways.map((way) => plain(write(way, id)));
    const found = ways.filter((_, i) => texts[i] === wanted);
    if (found.length === 1 || (found.length > 1 && id === dialect)) return ok(found[0]!);
    const sounding = ways.filter((_, i) => bySound(texts[i]!) === bySound(wanted));
    if (sounding.length === 1) return ok(sounding[0]!);
    for (const known of texts) reached = Math.max(reached, common(known, wanted));
  }
  const position = text.length - text.trimStart().length + reached;
  const example = ways[0] ? write(ways[0], dialect) : '';
  const message =
    wanted === ''
      ? `A note is missing here, for example ${example}.`
      : `“${shown(text.trim())}” is not on this instrument. A note is written like ${example}.`;
  return fail({ field: '', position, wrong: shown(text.slice(position)), message });
}

function common(a: string, b: string): number {
  let i = 0;
  while (i < a.length && i < b.length && a[i] === b[i]) i += 1;
  return i;
}
