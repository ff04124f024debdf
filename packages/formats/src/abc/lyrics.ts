import type { Syllable } from '@same-song/core/song';
import { plainText } from './fields.ts';

/** What a line of words says for the notes one after the other. */
type Word = { readonly sung: Syllable } | 'none' | 'held' | 'bar';

/** Syllables end at a space or at `-`; `_` holds one on, `*` leaves a note out, `~` is a space, `|` goes to the next bar. */
export function wordsIn(line: string): readonly Word[] {
  const words: Word[] = [];
  let text = '';
  const end = (hyphen: boolean) => {
    if (text !== '') words.push({ sung: { text: plainText(text).slice(0, 60), ...(hyphen && { hyphen }) } });
    else if (hyphen) words.push('none');
    text = '';
  };
  for (let i = 0; i < line.length; i += 1) {
    const sign = line[i]!;
    const next = line[i + 1];
    if (sign === '\\' && next !== undefined && '-_*|~%\\'.includes(next)) {
      text += next;
      i += 1;
    } else if (sign === '~') text += ' ';
    else if (sign === '-') {
      end(true);
      // A hyphen apart from its syllable belongs to the one before.
      if (line[i - 1] === ' ' && words.length > 1 && words.at(-1) === 'none') {
        words.pop();
        const before = words.at(-1);
        if (typeof before === 'object') words[words.length - 1] = { sung: { ...before.sung, hyphen: true } };
      }
    } else if ('_*|'.includes(sign) || /\s/.test(sign)) {
      end(false);
      if (sign === '_') words.push('held');
      if (sign === '*') words.push('none');
      if (sign === '|') words.push('bar');
    } else text += sign;
  }
  end(false);
  return words;
}

/** A note of a line of music, or the end of one of its bars. */
export type Place<N> = { readonly note: N } | 'bar';

/** Puts the words of a verse under the notes of their line. @param sing is told each note with its syllable */
export function underNotes<N>(
  places: readonly Place<N>[],
  words: readonly Word[],
  sing: (note: N, syllable: Syllable) => void,
): void {
  let at = 0;
  for (const word of words) {
    while (places[at] === 'bar' && word !== 'bar') at += 1;
    if (word === 'bar') {
      while (at < places.length && places[at] !== 'bar') at += 1;
      at += 1;
      continue;
    }
    const place = places[at];
    if (!place || place === 'bar') return;
    if (typeof word === 'object') sing(place.note, word.sung);
    at += 1;
  }
}
