import { asRecord } from '@same-song/core';
import { StoredValues } from '../../frame/stored.ts';

/** A song begun and neither kept nor left: it outlives a look at something else and a reload of the page. */
export interface Unfinished {
  readonly text: string;
  readonly title: string;
}

const NONE: Unfinished = Object.freeze({ text: '', title: '' });
const unfinished = new StoredValues<Unfinished>(
  'unfinished-song',
  (value) => {
    const { text, title } = asRecord(value);
    return typeof text === 'string' && typeof title === 'string' ? { text, title } : undefined;
  },
  { where: 'tab' },
);

export function unfinishedSong(): Unfinished {
  return unfinished.get() ?? NONE;
}

/** @param song left out, none is unfinished any more */
export function keepUnfinished(song: Unfinished = NONE): void {
  unfinished.set(song.text === '' && song.title === '' ? undefined : song);
}
