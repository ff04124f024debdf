import type { Instrument } from '../instrument/instrument.ts';
import { dialectOf } from '../map/notation.ts';
import { notePitchClass, parseNote, parsePitch } from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { fail, ok, shown, type Result } from '../result.ts';
import { readLine } from '../tab/tabLine.ts';

/**
 * Reads a list of notes: names (`E♭`, `f#4`) or, where an instrument is given, a line of its tab, bar lines and rests
 * left out. The problem's position is the character where the wrong note begins.
 */
export function readNotes(
  text: string,
  instrument?: Instrument,
  dialect = '',
): Result<ReadonlySet<PitchClass>> {
  const separator = instrument ? dialectOf(instrument.family, dialect).separator : '';
  const read = readLine(text, separator, (token): Result<{ readonly kind: 'note'; note?: PitchClass }> => {
    const name = parseNote(token);
    if (name.ok) return ok({ kind: 'note', note: notePitchClass(name.value) });
    const way = instrument?.parseTab(token, dialect);
    if (way?.ok) return ok({ kind: 'note', note: pitchClass(way.value.pitch) });
    const pitch = parsePitch(token.replace(/^\((.*)\)$/u, '$1'));
    if (pitch.ok) return ok({ kind: 'note', note: pitchClass(pitch.value) });
    if (instrument && token === 'r') return ok({ kind: 'note' });
    const how = instrument ? 'neither a note’s name nor tab of this instrument' : 'no note’s name';
    return fail({ field: '', position: 0, wrong: shown(token), message: `“${shown(token)}” is ${how}.` });
  });
  if (!read.ok) return read;
  const notes = read.value.flatMap((item) =>
    item.kind === 'note' && item.note !== undefined ? [item.note] : [],
  );
  if (notes.length > 0) return ok(new Set(notes));
  return fail({ field: '', wrong: '', message: 'Write some notes, for example C E♭ G.' });
}
