/** Pitches, scales, chords, time and the staff. */

export { type Chord, chordSymbol, parseChord } from '../harmony/chord.ts';
export { fiveOf, LAYERS } from '../harmony/layer.ts';
export { FORMS, parseProgression, type Progression } from '../harmony/progression.ts';
export type { Role } from '../harmony/role.ts';
export { triadsOf } from '../harmony/scaleChords.ts';
export {
  type FittedNote,
  notesOver,
  scaleFit,
  type ScaleFit,
  suitableScales,
} from '../harmony/suitability.ts';
export { keySignature, majorTonic, signatureSigns, signsText } from '../pitch/keySignature.ts';
export {
  type Letter,
  letterAbove,
  LETTERS,
  type NamingStyle,
  noteCode,
  type NoteName,
  notePitchClass,
  noteText,
  parseNote,
  parsePitch,
  pitchText,
  spellAs,
  spelledOctave,
} from '../pitch/noteName.ts';
export {
  A4_RANGE,
  centsFromStandard,
  frequency,
  type Pitch,
  PITCH_RANGE,
  pitchClass,
  type PitchClass,
  STANDARD_A4,
} from '../pitch/pitch.ts';
export {
  soundingPitch,
  spelledAt,
  spelledIn,
  type SpelledPitch,
  spelledText,
} from '../pitch/spelledPitch.ts';
export { SCALE_GROUPS } from '../scale/catalogue.ts';
export { commonNotes } from '../scale/common.ts';
export { alterOf, CHROMATIC_DEGREE_NAMES, degreeRead, MAJOR_STEPS } from '../scale/degree.ts';
export { formulaText } from '../scale/formula.ts';
export { type Fit, fitsOf } from '../scale/identify.ts';
export { namer, ownNamer } from '../scale/namer.ts';
export {
  aboveHome,
  type Key,
  keyOf,
  scaleById,
  scaleGroupName,
  SCALES,
  USUAL_KEYS,
  usualTonic,
} from '../scale/scale.ts';
export { searchScales } from '../scale/search.ts';
export { type ClefId, CLEFS } from '../staff/clefs.ts';
export type { Staff, StaffNote } from '../staff/staff.ts';
export { countedMetre } from '../time/metre.ts';
export { commonMeasure, QUARTER, quarters, type Ticks } from '../time/ticks.ts';
