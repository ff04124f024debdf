import { fail, ok, shown, type Problem, type Result } from '../result.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { CHROMATIC_DEGREES, degreeSemitones, degreeText, MAJOR_STEPS, type Degree } from './degree.ts';

const TOKEN = /[^\s,]+/gu;
const DEGREE = /^([b#♭♯]{0,2})([1-7]|9|1[0-3])$/u;
/** `~3`, or both of its neighbours, `♭3~3`. */
const BETWEEN = /^([^~]*)~([^~]+)$/u;
const HALF = /^(\d{1,2})\.5$/u;

/**
 * Reads a scale typed by degrees (`1 2 b3 #4 5 6 b7`) or by semitones from home (`0 2 3 6 7 9 10`).
 * Starting with 0 means semitones, starting with 1 means degrees. Degrees rise and none sounds twice; those beyond the
 * octave, as chords have them (`♭9 11 13`), may come after the others and are taken an octave lower. A note that is meant
 * to lie between two keys is `~3` or `♭3~3`; in semitones `3.5`.
 * Each problem carries the index of the token's first character.
 */
export function parseFormula(text: string): Result<readonly Degree[]> {
  const tokens = [...text.matchAll(TOKEN)].map((m) => ({ text: m[0], position: m.index }));
  const first = tokens[0];
  if (!first) {
    const message =
      'Type the scale’s degrees, for example 1 2 ♭3 4 5 6 ♭7, or semitones from home, 0 2 3 5 7 9 10.';
    return fail({ field: '', position: 0, wrong: '', message });
  }
  const read = first.text === '0' ? readSemitones : readDegree;
  const degrees: Degree[] = [];
  const beyond: { readonly token: Token; readonly degree: Degree }[] = [];
  let last = -1;
  for (const token of tokens) {
    const degree = read(token.text);
    if (typeof degree === 'string') return fail(problem(token, degree));
    if (degree.number > 7) {
      beyond.push({ token, degree: { ...degree, number: degree.number - 7 } });
      continue;
    }
    const semitones = degreeSemitones(degree);
    if (degrees.length === 0 && semitones !== 0) {
      return fail(
        problem(
          token,
          `A scale starts from home: begin with 1 (or 0 for semitones), not “${shown(token.text)}”.`,
        ),
      );
    }
    if (semitones === last) {
      return fail(problem(token, `“${token.text}” sounds the same as the note before it: each note once.`));
    }
    if (semitones < last)
      return fail(
        problem(token, `“${token.text}” is lower than the note before it: write the notes upwards.`),
      );
    if (semitones > 11)
      return fail(problem(token, `“${token.text}” is an octave or more above home: stay within one octave.`));
    degrees.push(degree);
    last = semitones;
  }
  for (const { token, degree } of beyond) {
    const semitones = pitchClass(degreeSemitones(degree));
    if (degrees.some((other) => degreeSemitones(other) === semitones))
      return fail(problem(token, `“${token.text}” sounds the same as another note: each note once.`));
    degrees.push(degree);
  }
  return ok(degrees.sort((a, b) => degreeSemitones(a) - degreeSemitones(b)));
}

interface Token {
  readonly text: string;
  readonly position: number;
}

function problem(token: Token, message: string): Problem {
  return { field: '', position: token.position, wrong: shown(token.text), message };
}

function readDegree(token: string): Degree | string {
  const [, below, above] = BETWEEN.exec(token) ?? [];
  return above === undefined ? readPlain(token) : readBetween(token, below!, above);
}

function readBetween(token: string, below: string, above: string): Degree | string {
  const high = readPlain(above);
  if (typeof high === 'string') return high;
  const between: Degree = { ...high, between: true };
  if (below === '') return between;
  const low = readPlain(below);
  if (typeof low === 'string') return low;
  const semitones = ({ number, alter }: Degree) => MAJOR_STEPS[(number - 1) % 7]! + alter;
  return pitchClass(semitones(high) - semitones(low)) === 1
    ? between
    : `“${shown(token)}” is not a semitone wide: a note in between lies between neighbours, such as ♭3~3.`;
}

function readPlain(token: string): Degree | string {
  const match = DEGREE.exec(token);
  if (!match)
    return `“${shown(token)}” is not a degree: use 1 to 7, or 9 to 13, with ♭ or ♯ in front if needed, or ~3 for what lies between ♭3 and 3.`;
  const signs = match[1]!;
  const alter = [...signs].reduce((sum, s) => sum + (s === 'b' || s === '♭' ? -1 : 1), 0);
  return { number: Number(match[2]), alter };
}

function readSemitones(token: string): Degree | string {
  const half = HALF.exec(token)?.[1];
  const above = half === undefined ? undefined : CHROMATIC_DEGREES[Number(half) + 1];
  if (above) return { ...above, between: true };
  const named = /^\d{1,2}$/.test(token) ? CHROMATIC_DEGREES[Number(token)] : undefined;
  return named ?? `“${shown(token)}” is not a number of semitones from 0 to 11.`;
}

/** E.g. `1 2 ♭3 4 5 6 ♭7`. */
export function formulaText(degrees: readonly Degree[]): string {
  return degrees.map(degreeText).join(' ');
}

/** The formula in ASCII with `-` between degrees, for links: `1-2-b3`. */
export function formulaCode(degrees: readonly Degree[]): string {
  const signs = ({ alter }: Degree) => (alter < 0 ? 'b' : '#').repeat(Math.abs(alter));
  return degrees.map((d) => `${d.between ? '~' : ''}${signs(d)}${d.number}`).join('-');
}

/** What changes against the major scale, e.g. `3, 6 and 7 lowered`; names raised, lowered, left out and added degrees. */
export function againstMajor(degrees: readonly Degree[]): string {
  const numbers = new Set(degrees.map((d) => d.number));
  const only = (alter: (d: Degree) => boolean) =>
    degrees.filter((d) => alter(d) && degrees.filter((o) => o.number === d.number).length === 1);
  const between = degrees.filter((d) => d.between);
  const doubled = degrees.filter(
    (d) => d.alter !== 0 && !d.between && degrees.some((o) => o.number === d.number && o !== d),
  );
  const parts = [
    list(only((d) => d.alter < 0 && !d.between).map(numberWord), 'lowered'),
    list(only((d) => d.alter > 0 && !d.between).map(numberWord), 'raised'),
    list(between.map(degreeText), 'in between'),
    list(doubled.map(degreeText), 'added'),
    list([1, 2, 3, 4, 5, 6, 7].filter((n) => !numbers.has(n)).map(String), 'left out'),
  ].filter((part) => part !== '');
  return parts.length === 0 ? 'the major scale itself' : parts.join('; ');
}

function numberWord(degree: Degree): string {
  return Math.abs(degree.alter) > 1 ? `${degree.number} twice` : String(degree.number);
}

function list(items: readonly string[], verb: string): string {
  if (items.length === 0) return '';
  const head = items.slice(0, -1).join(', ');
  return `${head ? `${head} and ` : ''}${items[items.length - 1]} ${verb}`;
}
