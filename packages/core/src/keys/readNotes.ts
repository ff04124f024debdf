import type { Instrument } from '../instrument/instrument.ts';
import { notePitchClass, parseNote, parsePitch } from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { fail, ok, shown, type Problem, type Result } from '../result.ts';

/**
 * Reads a list of notes: names (`E♭`, `f#4`) or, where an instrument is given, its tab, one note after another.
 * Notes are apart by commas or, for names and for tab without inner spaces, by spaces.
 * The problem's position is the character where the wrong note begins.
 */
export function readNotes(
  text: string,
  instrument?: Instrument,
  dialect = '',
): Result<ReadonlySet<PitchClass>> {
  const byComma = text.includes(',');
  const problems: Problem[] = [];
  const notes = new Set<PitchClass>();
  for (const match of text.matchAll(byComma ? /[^,]+/g : /[^\s]+/g)) {
    const token = match[0].trim();
    if (token === '') continue;
    const found = oneNote(token, instrument, dialect);
    if (found !== undefined) notes.add(found);
    else {
      const how = instrument ? 'neither a note’s name nor tab of this instrument' : 'no note’s name';
      problems.push({
        field: '',
        position: match.index + match[0].length - match[0].trimStart().length,
        wrong: shown(token),
        message: `“${shown(token)}” is ${how}.`,
      });
    }
  }
  if (problems.length > 0) return fail(...problems);
  if (notes.size > 0) return ok(notes);
  return fail({ field: '', wrong: '', message: 'Write some notes, for example C E♭ G.' });
}

function oneNote(token: string, instrument: Instrument | undefined, dialect: string): PitchClass | undefined {
  const name = parseNote(token);
  if (name.ok) return notePitchClass(name.value);
  const way = instrument?.parseTab(token, dialect);
  if (way?.ok) return pitchClass(way.value.pitch);
  const pitch = parsePitch(token);
  return pitch.ok ? pitchClass(pitch.value) : undefined;
}
