/** All that the web, the server and the browser tests take from core. */

// Answers and their problems
export { ok, fail, expectOk, under, shown, isRecord, type Problem, type Result } from './result.ts';
export { counted, withArticle } from './words.ts';
export { found } from './search.ts';

// Pitches and scales
export {
  A4_RANGE,
  STANDARD_A4,
  PITCH_RANGE,
  pitchClass,
  type PitchClass,
  centsFromStandard,
  frequency,
  type Pitch,
} from './pitch/pitch.ts';
export {
  letterAbove,
  spellAs,
  noteCode,
  notePitchClass,
  noteText,
  parseNote,
  parsePitch,
  pitchText,
  spelledOctave,
  type NamingStyle,
  type NoteName,
} from './pitch/noteName.ts';
export { signsText, keySignature, majorTonic, signatureSigns } from './pitch/keySignature.ts';
export { LETTERS, type Letter } from './pitch/noteName.ts';
export { SCALE_GROUPS } from './scale/catalogue.ts';
export { alterOf, CHROMATIC_DEGREE_NAMES, degreeRead, MAJOR_STEPS } from './scale/degree.ts';
export { againstMajor, formulaText } from './scale/formula.ts';
export {
  SCALES,
  USUAL_KEYS,
  keyOf,
  scaleById,
  scaleGroupName,
  usualTonic,
  aboveHome,
  type Key,
  type Scale,
} from './scale/scale.ts';
export { namer, ownNamer } from './scale/namer.ts';
export { fitsOf, type Fit } from './scale/identify.ts';
export { commonNotes } from './scale/common.ts';
export { searchScales } from './scale/search.ts';

// Chords and progressions
export { FORMS, parseProgression, type Progression } from './harmony/progression.ts';
export {
  notesOver,
  scaleFit,
  suitableScales,
  type FittedNote,
  type ScaleFit,
} from './harmony/suitability.ts';
export { chordSymbol, parseChord, type Chord } from './harmony/chord.ts';
export { fiveOf, LAYERS } from './harmony/layer.ts';
export type { Role } from './harmony/role.ts';
export { inventoryLists, type InventoryList } from './inventory/lists.ts';

// Instruments and their families
export { FAMILY_IDS, families, familyById, type FamilyId } from './families/index.ts';
export type { Family, OwnKey } from './families/contract.ts';
export type {
  Capability,
  CapabilityGroup,
  ElementChange,
  ElementValue,
  FactTable,
  LayoutElement,
} from './families/layoutPart.ts';
export type { Air, AirNames, Remark, Side, SideNames, Technique, Way } from './families/way.ts';
export type { Timbre } from './families/timbre.ts';
export { CENTS_RANGE } from './instrument/personal.ts';
export {
  FIELDS_OF_ENTRIES,
  NAME_LIMIT,
  openInstrument,
  specFromLayout,
  specFromPreset,
  type Instrument,
  type InstrumentSpec,
} from './instrument/instrument.ts';
export { withLayout } from './instrument/withLayout.ts';

// Lines, time and routes
export { commonMeasure, QUARTER, quarters, type Ticks } from './time/ticks.ts';
export { countedMetre } from './time/metre.ts';
export { DIRECTIONS, type Direction } from './route/direction.ts';
export type { LineNote } from './route/line.ts';
export { type LineRange, type Place } from './route/range.ts';
export { WEIGHT_RANGE, defaultPreferences, type Preferences } from './route/preferences.ts';
export { routingContext } from './route/context.ts';
export type { Missing } from './route/missing.ts';
export type { Pin } from './route/pin.ts';
export { routeLine } from './route/route.ts';
export type { AirBalance } from './route/air.ts';
export { everyStep, solve, type Layer } from './solver/solver.ts';
export {
  backing,
  formOf,
  type Backing,
  type BackingChord,
  type BackingEvent,
  type Form,
} from './practice/backing.ts';
export { drillById, drillFits, drillRound, DRILLS } from './practice/drill.ts';
export type { Drill, DrillContext } from './practice/drills/drill.ts';
export { isPlayable, playedAnswer, type DrillNote, type DrillQuestion } from './practice/drillQuestion.ts';
export { tuneOf, type Tune } from './practice/tune.ts';
export { GROOVES, grooveById, USUAL_GROOVE, usualGrooveFor, type Play } from './practice/grooves.ts';
export { checkHow, USUAL_WAY, type HowToPractise } from './practice/howTo.ts';
export { type PracticeItem, type Practised } from './practice/item.ts';
export {
  jamStages,
  ROUNDS_A_STAGE,
  withRounds,
  ownStages,
  degreesRead,
  OWN_STAGES_LIMIT,
  type OwnStage,
  type LaidStage,
} from './practice/jam.ts';
export { KEY_ORDERS, keysInOrder } from './practice/keyOrder.ts';
export { FACTORS, TEMPO_LIMITS, type Ladder } from './practice/ladder.ts';
export { currentEntries, type LogEntry } from './practice/log.ts';
export { waysTogether, type WayCount, type WaySound } from './practice/waySound.ts';
export { shares, soundReport, timeWords, type SoundReport, type SoundRow } from './practice/soundReport.ts';
export {
  callPhrase,
  DIFFICULTIES,
  CALL_BARS,
  type DifficultyId,
  type PhraseNote,
} from './practice/phrase.ts';
export { planDay, PLAN_MINUTES, type DayPlan, type Why } from './practice/plan.ts';
export { countTime, NO_TIME_SPENT } from './practice/timeSpent.ts';
export {
  dayOf,
  minutesByDay,
  minutesByKey,
  tempoCourses,
  waysOf,
  weightOf,
  type TempoCourse,
} from './practice/progress.ts';
export { ARTICULATIONS, inRhythm, readRhythm, RHYTHMS, type TimedNote } from './practice/rhythm.ts';
export { roundOf, inRound, type Round } from './practice/round.ts';
export { seededRandom, type SeededRandom } from './practice/seededRandom.ts';
export { tick, TICK_HZ } from './practice/tick.ts';
export { songForm } from './practice/songForm.ts';
export {
  firstRoundState,
  isSounding,
  nextRound,
  type BeatNow,
  type RepeatMode,
  type RoundEffect,
  type RoundEvent,
  type RoundState,
} from './practice/roundMachine.ts';
export { songRound } from './practice/songRound.ts';
export { metreAt } from './song/barOffset.ts';
export { PATTERNS, patternById, type Pattern, type PatternId } from './practice/pattern.ts';

// What Map and Keys ask and answer
export {
  ANCHORS,
  OCTAVES,
  checkQuestion,
  defaultQuestion,
  withPattern,
  storedQuestion,
  chordOver,
  CHORDS_LIMIT,
  type Question,
  type StoredQuestion,
} from './question/question.ts';
export { QUESTION_PARAMS, questionFromLink, questionToLink } from './question/link.ts';
export { compareMaps, type Comparison } from './map/compare.ts';
export { alternativesView, mapView, type MapView } from './map/mapView.ts';
export { sameTab, type SameTab } from './map/sameTab.ts';
export { sceneForKey, type WayView } from './map/instrumentView.ts';
export type { AlternativeView, LineView } from './map/lineView.ts';
export type { NotationOptions } from './map/notation.ts';
export { keyFacts } from './map/keyFacts.ts';
export { adjusted, type Adjustment } from './keys/adjusted.ts';
export {
  octavesInFull,
  settingsBetween,
  type Demands,
  type KeyCell,
  type OctaveInFull,
} from './keys/keyCell.ts';
export { keyTable, type KeyTable } from './keys/keyTable.ts';
export {
  everythingFor,
  presetsFor,
  rankSuggestions,
  suggestionsFor,
  type Suggestion,
} from './keys/suggestions.ts';
export { homeInPosition, usualInstrument } from './keys/position.ts';
export { readNotes } from './keys/readNotes.ts';
export { switchKeys, type Switching } from './keys/switching.ts';
export { alternatesOf, type AlternateRow, type Candidate } from './alternates/alternates.ts';

// Drawings and staff
export { chipShape } from './scene/chip.ts';
export { elementOf } from './scene/element.ts';
export type { GroupShape, Ink, Scene, Shape } from './scene/scene.ts';
export { PRINT_PALETTE, sceneToSvg } from './scene/svg.ts';
export { CLEFS, type Clef, type ClefId } from './staff/clefs.ts';
export type { Staff, StaffNote } from './staff/staff.ts';

// What is kept and exchanged
export {
  changeBetween,
  withoutChange,
  type Fields,
  type RecordChange,
  type RecordState,
  type Since,
} from './records/change.ts';
export { isSame, mergeFields } from './records/merge.ts';
export { checkLayoutFile, layoutFile, layoutFileSchema } from './records/layoutFile.ts';
export { isId } from './isId.ts';
export {
  ANSWER_SCHEMAS,
  answerSchema,
  type ErrorBody,
  type ImportReport,
  type KindReport,
  type Listed,
  type ListPage,
  type MadeChange,
  type SettingsRecord,
  type Write,
} from './records/api.ts';
export { checkContent, contentSchema, recordKind, type ContentOf } from './records/kinds.ts';
export { KIND_NAMES, RECORD_KIND_IDS, recordTitle, type RecordKindId } from './records/kindNames.ts';
export type { Kept } from './records/recordKind.ts';
export {
  checkExchange,
  checkExchangeStepwise,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  exchangeSchema,
  type Exchanged,
  type ExchangeFile,
} from './exchange/exchange.ts';
export { parseScala, writeScala } from './formats/scala.ts';
export {
  DEFAULT_SETTINGS,
  NAMINGS,
  checkSettings,
  type Settings,
  type ThemeChoice,
} from './settings/settings.ts';

// Songs
export { soundingPitch, spelledAt, spelledIn, spelledText, type SpelledPitch } from './pitch/spelledPitch.ts';
export {
  barAt,
  barStarts,
  holdingAt,
  pitchedVoices,
  sungText,
  melodyOf,
  NOTE_MARKS,
  type Bar,
  type NoteMark,
  type Part,
  type Song,
  type SongChord,
  type SongKey,
  type SongNote,
  type Syllable,
  type Tempo,
  type Tuplet,
  type Voice,
} from './song/song.ts';
export { checkSong } from './song/checkSong.ts';
export { SONG_LIMITS } from './song/songSchema.ts';
export { played, unfoldedTimes, type Played, type PlayedNote } from './song/played.ts';
export { fifthsOfSongKey } from './song/songKey.ts';
export { valueOf, writtenBars, type WrittenEvent } from './song/notation.ts';
export { arranged, checkPlan, plainPlan, type ArrangementPlan, type Decision } from './song/arrangement.ts';
export { melodyLine } from './song/songLine.ts';
export { songAlternatives, songView, type SongView } from './song/songView.ts';
export { songKeys, type SongKeyFit } from './song/songKeys.ts';
export { hasChords, hasRepeats, performance as songPerformance, tempoOf } from './song/performance.ts';
export { edited, editedBy, type SongEdit } from './song/edits.ts';
export { tapRhythm, type Tapping } from './song/tapRhythm.ts';
export { FULLNESSES, type Fullness } from './song/accompany.ts';
export { figureOffers, type FigureOffer } from './song/songFigures.ts';
export { songTabs, type SongInKey } from './song/songTabs.ts';
export { compareViews } from './song/compareViews.ts';
export { songSheet } from './song/songSheet.ts';
export { inModeIfAny, modesFor } from './song/inMode.ts';
export { sameSongTab, type SameSongTab } from './song/sameSongTab.ts';
export { knownFitter, lackingDegrees, readKnownDegrees, songFitter, type SongFit } from './song/fits.ts';
export {
  melodySketch,
  OPENING_LEAST,
  opensAt,
  readOpenings,
  sameTunes,
  type MelodySketch,
  type Opening,
} from './song/opening.ts';
export { movedTonic, transposed } from './song/transpose.ts';
export { PLAN_PARAMS, planFromLink, planToLink } from './song/planLink.ts';
export { readTabLine } from './tab/tabLine.ts';
export { TENSION_LIMITS, TENSION_RANGES, type TensionLimits } from './tension/tension.ts';
export { songFromLine } from './song/songFromLine.ts';
export { keepIds } from './song/keepIds.ts';

export * from './ear/index.ts';
