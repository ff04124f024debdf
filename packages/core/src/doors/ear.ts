/** What a microphone hears. */

export { ear, hear, type HearOptions } from '../ear/hear.ts';
export { type Band, BAND_WIDTHS, BETWEEN, type Held, HOLD_SECONDS, holding, NOT_HELD } from '../ear/hold.ts';
export { type JudgedNote, judgeLine, type NoteResult } from '../ear/judge.ts';
export { ALL_PITCHES, midiOf, PITCH_TOLERANCE } from '../ear/listening.ts';
export { type MatchedRound, matchedWays, matchRound, matchWords, type WantedWay } from '../ear/matchRound.ts';
export {
  centsAround,
  centsWords,
  earFor,
  isPlayersOwn,
  soundsAt,
  tuned,
  tunedAt,
  waysMeant,
} from '../ear/meant.ts';
export { measure, type Measurement, pitchStandard, type Standard, STANDARD_LEAST } from '../ear/measure.ts';
export { type Measuring, measuringOf, middles } from '../ear/measuring.ts';
export { gatherNotes, type HeardNote, type NoteFrame, notesOf } from '../ear/notes.ts';
export { type Faults, NO_FAULTS, simulatedPlayer } from '../ear/simulate.ts';
export { steadyNotes } from '../ear/steady.ts';
export { type WayCount, type WaySound, waysTogether } from '../ear/waySound.ts';
export { type StruckPitch, writtenDown } from '../ear/writeDown.ts';
