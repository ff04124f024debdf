/** Songs, their arrangements and what rubs. */

export {
  ADDED_VOICE,
  type Company,
  type Fullness,
  FULLNESSES,
  type Style,
  STYLES,
} from '../song/accompany.ts';
export { type ArrangementPlan, checkPlan, type Decision, plainPlan } from '../song/arrangement.ts';
export { barName, barNumberIn, barNumbers, metreAt } from '../song/barOffset.ts';
export { checkSong } from '../song/checkSong.ts';
export { compareViews } from '../song/compareViews.ts';
export { editedBy, type SongEdit } from '../song/edits.ts';
export { knownFitter, lackingDegrees, readKnownDegrees, type SongFit, songFitter } from '../song/fits.ts';
export { inModeIfAny, modesFor } from '../song/inMode.ts';
export { keepIds } from '../song/keepIds.ts';
export { valueOf, writtenBars, type WrittenEvent } from '../song/notation.ts';
export {
  melodySketch,
  type MelodySketch,
  type Opening,
  OPENING_LEAST,
  opensAt,
  readOpenings,
  sameTunes,
} from '../song/opening.ts';
export { hasChords, hasRepeats, performance as songPerformance, tempoOf } from '../song/performance.ts';
export { PLAN_PARAMS, planFromLink, planToLink } from '../song/planLink.ts';
export { played, type PlayedNote, unfoldedTimes } from '../song/played.ts';
export { sameSongTab, type SameSongTab } from '../song/sameSongTab.ts';
export {
  type Bar,
  barAt,
  barStarts,
  holdingAt,
  melodyOf,
  type NoteMark,
  type Part,
  pitchedVoices,
  type Song,
  type SongChord,
  type SongKey,
  type SongNote,
  sungText,
  type Syllable,
  type Tempo,
  type Tuplet,
  type Voice,
} from '../song/song.ts';
export { type FigureOffer, figureOffers } from '../song/songFigures.ts';
export { songFromLine } from '../song/songFromLine.ts';
export { fifthsOfSongKey } from '../song/songKey.ts';
export { type SongKeyFit, songKeys } from '../song/songKeys.ts';
export { melodyLine } from '../song/songLine.ts';
export { SONG_LIMITS } from '../song/songSchema.ts';
export { feelOf } from '../song/songFeel.ts';
export { FEELS, type Feel } from '../groove/feel.ts';
export { typedPins } from '../song/typedPins.ts';
export { songSheet } from '../song/songSheet.ts';
export { type SongInKey, songTabs } from '../song/songTabs.ts';
export { songTunings, type SongTuning } from '../song/songTunings.ts';
export type { SongChange } from '../song/songChanges.ts';
export { songAlternatives, songView, type SongView } from '../song/songView.ts';
export { tapRhythm } from '../song/tapRhythm.ts';
export { movedTonic } from '../song/transpose.ts';
export { TENSION_LIMITS, TENSION_RANGES, type TensionLimits } from '../tension/tension.ts';
