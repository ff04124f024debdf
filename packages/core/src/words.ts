/** `1 reed`, `2 reeds`; the plural is given where it is not made with an s. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** Names of notes, letters and numbers that begin with a vowel when they are said: an A♭, an F♯, an 8. */
const SAID_WITH_VOWEL = /^(?:[AEF](?![a-zA-Z])|[AEIOUaeiou](?=[a-z])|8|11\b|18\b)/u;

/** A thing with its article, as it is said: `an English concertina`, `an A♭ harmonica`, `a low E♭ harmonica`. */
export function withArticle(thing: string): string {
  return `${SAID_WITH_VOWEL.test(thing) ? 'an' : 'a'} ${thing}`;
}
