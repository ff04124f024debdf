/** One tune of a book as it would stand alone. */
export interface TuneText {
  readonly lines: readonly string[];
  /** Lines of the file before its first one. */
  readonly linesBefore: number;
}

const FIELD = /^[A-Za-z+]:(?![|:])/;

/** Whether a line is an information field: `K:G`, but not the music `C:|`. */
export function isField(line: string): boolean {
  return FIELD.test(line);
}

/**
 * The tunes of a book. A tune begins with its `X:` and ends before an empty line or the next one. Fields and
 * directives at the head of the book count for each of its tunes. A text with no `X:` is one tune.
 */
export function tunesOf(text: string): readonly TuneText[] {
  const lines = text.split('\n').map((line) => line.trimEnd());
  const begins = lines.flatMap((line, i) => (/^\s*X:/.test(line) ? [i] : []));
  if (begins.length === 0) {
    const first = lines.findIndex((line) => line.trim() !== '');
    return first < 0 ? [] : [{ lines: ['X:1', ...untilEmpty(lines.slice(first))], linesBefore: first - 1 }];
  }
  const common = untilEmpty(lines.slice(0, begins[0]))
    .filter((line) => isField(line) || line.startsWith('%%'))
    .filter((line) => !/^[TPVWw]:/.test(line));
  return begins.map((begin, i) => {
    const own = untilEmpty(lines.slice(begin, begins[i + 1]));
    return { lines: [own[0]!.trimStart(), ...common, ...own.slice(1)], linesBefore: begin - common.length };
  });
}

function untilEmpty(lines: readonly string[]): readonly string[] {
  const empty = lines.findIndex((line) => line.trim() === '');
  return empty < 0 ? lines : lines.slice(0, empty);
}
