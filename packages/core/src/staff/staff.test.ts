import fc from 'fast-check';
import { keySignature } from '../pitch/keySignature.ts';
import { LETTERS, parseNote, type Letter } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { keyOf, scaleById, SCALES, USUAL_KEYS } from '../scale/scale.ts';
import { NAMINGS } from '../settings/settings.ts';
import { CLEF_IDS, CLEFS, type ClefId } from './clefs.ts';
import { staffOf, type Staff } from './staff.ts';

const NATURALS = [0, 2, 4, 5, 7, 9, 11];
const key = (scale: string, tonic: string) => keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
const stepAt = (clef: ClefId, place: number) =>
  7 * CLEFS[clef].middle.octave + LETTERS.indexOf(CLEFS[clef].middle.letter) + place;

/** Reads a staff as a player does who knows only what is on paper. */
function readBack({ clef, signature, notes }: Staff): number[] {
  const byLetter = new Map<number, number>();
  for (const { sign, place } of signature) byLetter.set(stepAt(clef, place) % 7, sign);
  const byStep = new Map<number, number>();
  return notes.map(({ place, sign }) => {
    const step = stepAt(clef, place);
    if (sign !== undefined) byStep.set(step, sign);
    const alteration = byStep.get(step) ?? byLetter.get(step % 7) ?? 0;
    return 12 * (Math.floor(step / 7) + 1) + NATURALS[step % 7]! + alteration;
  });
}

test('what is written reads back as the same pitches, in every key, scale and naming', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SCALES),
      fc.constantFrom(...USUAL_KEYS),
      fc.constantFrom(...NAMINGS),
      fc.array(fc.integer({ min: 36, max: 108 }), { maxLength: 30 }),
      (scale, tonic, naming, pitches) => {
        expect(readBack(staffOf(keyOf(scale, tonic), naming, pitches))).toEqual(pitches);
      },
    ),
  );
});

test('a major scale and its modes need no sign beyond their signature', () => {
  for (const id of ['major', 'dorian', 'mixolydian', 'natural-minor'])
    for (const tonic of USUAL_KEYS) {
      const placed = keyOf(expectOk(scaleById(id)), tonic);
      const line = placed.scale.semitones.map((s) => 60 + placed.home + s);
      const staff = staffOf(placed, 'key', line);
      // A key with more than seven signs has no signature; its notes then have theirs.
      const hasSignature = staff.signature.length > 0 || placed.notes.every((n) => n.accidental === 0);
      expect(staff.notes.some((n) => n.sign !== undefined)).toBe(!hasSignature);
    }
});

test.each([
  ['major', 'Eb', 3, -1],
  ['dorian', 'F', 3, -1],
  ['harmonic-minor', 'A', 0, 1],
  ['minor-pentatonic', 'B', 2, 1],
  ['major-pentatonic', 'A', 3, 1],
  ['blues-six', 'F', 4, -1],
])('%s in %s has its usual signature', (scale, tonic, count, sign) => {
  const { signature } = staffOf(key(scale, tonic), 'key', [60]);
  expect(signature).toHaveLength(count);
  expect(signature.every((s) => s.sign === sign)).toBe(true);
});

test('a key with flats has no signature where everything is to be named with sharps', () => {
  expect(staffOf(key('major', 'F'), 'sharps', [65]).signature).toEqual([]);
  expect(staffOf(key('major', 'G'), 'sharps', [67]).signature).toHaveLength(1);
});

test('every sign of every signature stands on its own letter, in every clef', () => {
  for (const clef of CLEF_IDS)
    for (const tonic of USUAL_KEYS) {
      const middle = 12 * (CLEFS[clef].middle.octave + 1) + (CLEFS[clef].middle.letter === 'B' ? 11 : 2);
      const staff = staffOf(keyOf(expectOk(scaleById('major')), tonic), 'key', [middle - 7, middle + 7]);
      expect(staff.clef).toBe(clef);
      const letters = staff.signature.map(({ place }): Letter => LETTERS[stepAt(clef, place) % 7]!);
      expect(letters).toEqual(keySignature(tonic).altered.map((n) => n.letter));
      expect(staff.signature.every(({ place }) => Math.abs(place) <= 5)).toBe(true);
    }
});

test('signs stand at every altered note, and a natural takes the last one back', () => {
  const { notes } = staffOf(key('major', 'C'), 'sharps', [65, 66, 66, 65, 65]);
  expect(notes.map((n) => n.sign)).toEqual([undefined, 1, 1, 0, undefined]);
});

test('ledger lines: middle C has one below the treble staff, a high whistle reads an octave lower', () => {
  expect(staffOf(key('major', 'C'), 'key', [60, 64, 67]).notes[0]!.ledgers).toEqual([-6]);
  expect(staffOf(key('major', 'C'), 'key', [69, 81]).notes.map((n) => n.ledgers)).toEqual([[], [6]]);
  expect(staffOf(key('major', 'D'), 'key', [86, 90, 93, 98]).clef).toBe('trebleUp');
  expect(staffOf(key('major', 'D'), 'key', []).notes).toEqual([]);
});
