export { ear, hear, type HearOptions, type Hearing, type HearUpdate } from './hear.ts';
export { gatherNotes, notesOf, type HeardFrame, type HeardNote, type NoteFrame } from './notes.ts';
export { fourier, type Fourier } from './fft.ts';
export { ALL_PITCHES, hertz, LISTENING, midiOf, PITCH_TOLERANCE } from './listening.ts';
export {
  centsWords,
  earFor,
  centsAround,
  isPlayersOwn,
  soundsAt,
  tunedAt,
  tuned,
  waysMeant,
  type Meant,
  type Tuned,
} from './meant.ts';
export {
  extraNotes,
  isClean,
  judgeLine,
  USUAL_LENIENCY,
  type JudgedNote,
  type Leniency,
  type NoteResult,
  type WantedNote,
} from './judge.ts';
export { NO_FAULTS, simulatedPlayer, type Faults, type PlayedNote as SimulatedNote } from './simulate.ts';
export { measure, pitchStandard, STANDARD_LEAST, type Measurement, type Standard } from './measure.ts';
export { matchRound, matchedWays, matchWords, type MatchedRound, type WantedWay } from './matchRound.ts';
export { steadyNotes, type SteadyNote } from './steady.ts';
export { BAND_WIDTHS, BETWEEN, HOLD_SECONDS, holding, NOT_HELD, type Band, type Held } from './hold.ts';
export { writtenDown, type StruckPitch } from './writeDown.ts';
export { measuringOf, middles, type Measuring, type WayMeasured } from './measuring.ts';
