/** A song begun and neither kept nor left: it outlives a look at something else and a reload of the page. */
export interface Unfinished {
  readonly text: string;
  readonly title: string;
}

const NONE: Unfinished = Object.freeze({ text: '', title: '' });
const KEY = 'same-song.unfinished-song';

/** Where the page may keep nothing, it is remembered until the page is left. */
let held: Unfinished = NONE;

export function unfinishedSong(): Unfinished {
  try {
    const { text, title } = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Partial<Unfinished>;
    return typeof text === 'string' && typeof title === 'string' ? { text, title } : held;
  } catch {
    return held;
  }
}

/** @param song left out, none is unfinished any more */
export function keepUnfinished(song: Unfinished = NONE): void {
  held = song;
  try {
    if (song.text === '' && song.title === '') sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(song));
  } catch {
    // Held in memory then.
  }
}
