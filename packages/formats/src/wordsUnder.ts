/** Texts that stand under the notes of a voice, such as their tab. */
export type WordsUnder = (note: { readonly id: string }, voice: string) => string | undefined;
