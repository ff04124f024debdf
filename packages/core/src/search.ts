/**
 * How well a text answers what was typed, the lower the better; undefined where it does not. All typed words count, in
 * any order; ♭ and b, ♯ and # are the same, and words may be joined or written apart.
 *
 * 0 the same · 1 every typed word is one of its words · 2 every typed word begins one of them · 3 the same, written
 * together or apart · 4 every typed word is somewhere in it
 */
export function searchRank(typed: string, text: string): number | undefined {
  const wanted = wordsOf(typed);
  const words = wordsOf(text);
  const whole = words.join('');
  const joined = wanted.join('');
  if (joined === whole) return 0;
  if (wanted.every((word) => words.includes(word))) return 1;
  if (wanted.every((word) => words.some((one) => one.startsWith(word)))) return 2;
  if (words.some((_, i) => words.slice(i).join('').startsWith(joined))) return 3;
  return wanted.every((word) => whole.includes(word)) ? 4 : undefined;
}

/** Whether the text answers if one letter of each longer typed word was mistyped, left out, doubled or swapped. */
export function isMistyped(typed: string, text: string): boolean {
  const words = wordsOf(text);
  return wordsOf(typed).every((word) =>
    words.some((one) => one.startsWith(word) || (word.length >= SURE && begins(one, word))),
  );
}

/** Shorter words are too near to each other. */
const SURE = 4;

/**
 * What answers a typed text, the best first; in the order given among equals. Where nothing does, what would but for a
 * letter.
 * @param namesOf what an item is found by; an answer of the first counts before one of the others that is as good
 */
export function found<T>(
  items: readonly T[],
  typed: string,
  namesOf: (item: T) => readonly string[],
): readonly T[] {
  if (typed.trim() === '') return items;
  const answering = ranked(items, namesOf, (name) => searchRank(typed, name));
  if (answering.length > 0) return answering;
  return ranked(items, namesOf, (name) => (isMistyped(typed, name) ? 0 : undefined));
}

function ranked<T>(
  items: readonly T[],
  namesOf: (item: T) => readonly string[],
  rankOf: (name: string) => number | undefined,
): readonly T[] {
  return items
    .flatMap((item, order) => {
      const ranks = namesOf(item).flatMap((name, i) => {
        const rank = rankOf(name);
        return rank === undefined ? [] : [2 * rank + Math.min(i, 1)];
      });
      return ranks.length === 0 ? [] : [{ item, order, rank: Math.min(...ranks) }];
    })
    .sort((a, b) => a.rank - b.rank || a.order - b.order)
    .map(({ item }) => item);
}

/** Words in small letters, with signs as they are typed. */
export function wordsOf(text: string): readonly string[] {
  return text
    .toLowerCase()
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .split(/[^\p{L}\p{N}#½]+/u)
    .filter((word) => word !== '');
}

/** Whether a text begins with a word but for one letter changed, left out, added, or two swapped. */
function begins(text: string, word: string): boolean {
  let at = 0;
  while (at < word.length && text[at] === word[at]) at += 1;
  const rest = (from: number) => word.slice(from);
  return (
    text.startsWith(rest(at + 1), at + 1) ||
    text.startsWith(rest(at), at + 1) ||
    text.startsWith(rest(at + 1), at) ||
    (text[at] === word[at + 1] && text[at + 1] === word[at] && text.startsWith(rest(at + 2), at + 2))
  );
}
