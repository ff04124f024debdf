import type { SongNote, Syllable } from '@same-song/core/song';

/** Texts that stand under the notes of a voice, such as their tab. */
export type WordsUnder = (note: { readonly id: string }, voice: string) => string | undefined;

/** What is sung to notes that begin together: of each verse the first of their syllables, and the note that has it. */
export function sungTo(
  notes: readonly SongNote[],
): readonly ({ readonly note: SongNote; readonly syllable: Syllable } | undefined)[] {
  const verses = Math.max(0, ...notes.map(({ lyrics = [] }) => lyrics.length));
  return Array.from({ length: verses }, (_, verse) => {
    const note = notes.find(({ lyrics }) => lyrics?.[verse]);
    return note && { note, syllable: note.lyrics![verse]! };
  });
}

/** The texts of notes that begin together, `2+5`; undefined where none has one. */
export function wordsTogether(
  notes: readonly SongNote[],
  voice: string,
  of: (note: SongNote, voice: string) => string | undefined,
): string | undefined {
  const texts = notes.flatMap((note) => of(note, voice) ?? []);
  return texts.length === 0 ? undefined : texts.join('+');
}
