import { soundingPitch } from '../pitch/spelledPitch.ts';
import { fail, ok, shown, type Problem, type Result } from '../result.ts';
import { scaleById } from '../scale/scale.ts';
import { parse } from '../schema.ts';
import { barAt, barStarts, type Song, type SongNote, type Tuplet } from './song.ts';
import { SONG, SONG_LIMITS } from './songSchema.ts';

/**
 * Checks a song as it comes from a file, a record or a request. Fields of problems are paths such as
 * `parts.0.voices.0.notes.3.length`. What is accepted fulfils all that the types of `Song` say in words; lists are put
 * into their order.
 */
export function checkSong(value: unknown): Result<Song> {
  const parsed = parse(SONG, value);
  if (!parsed.ok) return parsed;
  const song = inOrder(parsed.value);
  const problems = [...wholeProblems(song), ...voiceProblems(song)].slice(0, 20);
  return problems.length > 0 ? fail(...problems) : ok(song);
}

function inOrder(song: Song): Song {
  const byTime = <T extends { readonly at: number }>(list: readonly T[]) =>
    [...list].sort((a, b) => a.at - b.at);
  return {
    ...song,
    title: song.title.trim(),
    keys: byTime(song.keys),
    metres: byTime(song.metres),
    tempos: byTime(song.tempos),
    chords: byTime(song.chords),
    phrases: [...song.phrases].sort((a, b) => a - b),
    parts: song.parts.map((part) => ({
      ...part,
      voices: part.voices.map((voice) => ({
        ...voice,
        notes: [...voice.notes].sort(
          (a, b) => a.onset - b.onset || soundingPitch(a.pitch) - soundingPitch(b.pitch),
        ),
        tuplets: [...voice.tuplets].sort((a, b) => a.onset - b.onset || b.length - a.length),
      })),
    })),
  };
}

function problem(field: string, wrong: unknown, message: string): Problem {
  return { field, wrong: shown(wrong), message };
}

function wholeProblems(song: Song): Problem[] {
  const voices = song.parts.flatMap((part) => part.voices);
  const notes = voices.flatMap((voice) => voice.notes);
  const found: Problem[] = [];
  if (song.title === '') found.push(problem('title', '', 'A song needs a title.'));
  if (song.keys[0]!.at !== 0)
    found.push(problem('keys.0.at', song.keys[0]!.at, 'The first key stands at the beginning.'));
  song.keys.forEach(({ scale }, i) => {
    const known = scaleById(scale);
    if (!known.ok) found.push(problem(`keys.${i}.scale`, scale, known.problems[0]!.message));
  });
  if (notes.length > SONG_LIMITS.notes)
    found.push(problem('parts', notes.length, `A song may have ${SONG_LIMITS.notes} notes.`));
  if (!voices.some(({ id }) => id === song.melody))
    found.push(problem('melody', song.melody, 'The melody is one of the voices, by its id.'));
  for (const [of, named] of [
    ['part', song.parts] as const,
    ['voice', voices] as const,
    ['note', notes] as const,
  ]) {
    const seen = new Set<string>();
    const twice = named.find(({ id }) => seen.size === seen.add(id).size);
    if (twice) found.push(problem('parts', twice.id, `Every ${of} has an id of its own.`));
  }
  return found;
}

function voiceProblems(song: Song): Problem[] {
  const starts = barStarts(song);
  return song.parts.flatMap((part, p) =>
    part.voices.flatMap((voice, v) => {
      const field = `parts.${p}.voices.${v}`;
      return [
        ...noteProblems(`${field}.notes`, voice.notes, starts),
        ...tupletProblems(`${field}.tuplets`, voice.tuplets),
      ];
    }),
  );
}

function noteProblems(field: string, notes: readonly SongNote[], starts: readonly number[]): Problem[] {
  return notes.flatMap((note, i) => {
    const { onset, length, pitch } = note;
    const sounds = soundingPitch(pitch);
    if (sounds < 0 || sounds > 127)
      return problem(`${field}.${i}.pitch`, sounds, 'A pitch lies between 0 and 127 of MIDI.');
    if (onset + length > starts[barAt(starts, onset) + 1]!)
      return problem(`${field}.${i}.length`, length, 'A note ends with its bar; tie it to one in the next.');
    const before = notes[i - 1];
    if (!before) return [];
    if (before.onset < onset && before.onset + before.length > onset)
      return problem(`${field}.${i}.onset`, onset, 'A note of a voice begins while one before it sounds.');
    if (before.onset === onset && before.length !== length)
      return problem(`${field}.${i}.length`, length, 'Notes of a chord are of one length.');
    return [];
  });
}

/** One after the other, or one within another. */
function tupletProblems(field: string, tuplets: readonly Tuplet[]): Problem[] {
  const open: number[] = [];
  return tuplets.flatMap(({ onset, length }, i) => {
    while (open.length > 0 && open.at(-1)! <= onset) open.pop();
    const crosses = open.length > 0 && onset + length > open.at(-1)!;
    open.push(onset + length);
    if (crosses) return problem(`${field}.${i}`, onset, 'A tuplet lies within another or beside it.');
    if (open.length > SONG_LIMITS.nested)
      return problem(`${field}.${i}`, onset, `Tuplets lie ${SONG_LIMITS.nested} deep at most.`);
    return [];
  });
}
