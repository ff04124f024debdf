import { soundingPitch } from '../pitch/spelledPitch.ts';
import { mapNotes, type Song, type SongNote } from './song.ts';

/** More pairs of notes than these are not compared; what lies between then counts as new. */
const PAIRS_LIMIT = 4_000_000;

/**
 * A song that was written anew, its notes under the ids they had before wherever they stand in the same order: so pins
 * and decisions of arrangements stay with their notes when something is put in, taken out or changed elsewhere.
 */
export function keepIds(before: Song, after: Song): Song {
  const old = before.parts.flatMap((part) => part.voices);
  const known = new Set(old.flatMap(({ notes }) => notes.map(({ id }) => id)));
  const kept = new Map<SongNote, string>();
  after.parts
    .flatMap((part) => part.voices)
    .forEach((voice, i) => {
      const same = old[i];
      if (same) for (const [was, is] of pairsOf(same.notes, voice.notes)) kept.set(is, was.id);
    });
  const used = new Set(kept.values());
  let count = 0;
  const fresh = () => {
    do count += 1;
    while (known.has(`n${count}`) || used.has(`n${count}`));
    return `n${count}`;
  };
  return mapNotes(after, (note) => ({ ...note, id: kept.get(note) ?? fresh() }));
}

/** Notes of two versions of a voice that are the same ones: the longest row of equal notes in the same order. */
function pairsOf(before: readonly SongNote[], after: readonly SongNote[]): [SongNote, SongNote][] {
  const same = (a: SongNote, b: SongNote) =>
    a.length === b.length && soundingPitch(a.pitch) === soundingPitch(b.pitch);
  let start = 0;
  while (start < before.length && start < after.length && same(before[start]!, after[start]!)) start += 1;
  let end = 0;
  const rest = Math.min(before.length, after.length) - start;
  while (end < rest && same(before.at(-1 - end)!, after.at(-1 - end)!)) end += 1;
  const pair = (a: number, b: number): [SongNote, SongNote] => [before[a]!, after[b]!];
  const head = Array.from({ length: start }, (_, i) => pair(i, i));
  const tail = Array.from({ length: end }, (_, i) => pair(before.length - end + i, after.length - end + i));
  const [a, b] = [before.slice(start, before.length - end), after.slice(start, after.length - end)];
  if (a.length * b.length > PAIRS_LIMIT || a.length === 0 || b.length === 0) return [...head, ...tail];
  // Lengths of the longest common rows from each pair of places on.
  const width = b.length + 1;
  const longest = new Uint16Array((a.length + 1) * width);
  for (let i = a.length - 1; i >= 0; i -= 1)
    for (let j = b.length - 1; j >= 0; j -= 1)
      longest[i * width + j] = same(a[i]!, b[j]!)
        ? longest[(i + 1) * width + j + 1]! + 1
        : Math.max(longest[(i + 1) * width + j]!, longest[i * width + j + 1]!);
  const middle: [SongNote, SongNote][] = [];
  for (let i = 0, j = 0; i < a.length && j < b.length;) {
    if (same(a[i]!, b[j]!)) {
      middle.push([a[i]!, b[j]!]);
      i += 1;
      j += 1;
    } else if (longest[(i + 1) * width + j]! >= longest[i * width + j + 1]!) i += 1;
    else j += 1;
  }
  return [...head, ...middle, ...tail];
}
