export { ok, fail, expectOk, under, shown, isRecord, type Problem, type Result } from './result.ts';
export { SCALE_GROUPS } from './scale/catalogue.ts';
export {
  A4_RANGE,
  PITCH_RANGE,
  STANDARD_A4,
  centsFromStandard,
  frequency,
  octaveOf,
  pitchClass,
  type Pitch,
  type PitchClass,
} from './pitch/pitch.ts';
export {
  flatName,
  noteCode,
  notePitchClass,
  noteText,
  parseNote,
  parsePitch,
  pitchText,
  respell,
  sharpName,
  spelledOctave,
  type NamingStyle,
  type NoteName,
} from './pitch/noteName.ts';
export { fifthsOf, keySignature, type KeySignature } from './pitch/keySignature.ts';
export { CHROMATIC_DEGREE_NAMES, degreeText, type Degree } from './scale/degree.ts';
export { againstMajor, formulaText, parseFormula } from './scale/formula.ts';
export {
  SCALES,
  USUAL_KEYS,
  aboveHome,
  customScale,
  keyOf,
  modeOf,
  scaleById,
  scaleGroupName,
  spellScale,
  stepCents,
  usualTonic,
  type Key,
  type ModeOf,
  type Scale,
} from './scale/scale.ts';
export { namer, ownNamer, type Namer } from './scale/namer.ts';
export { fitsFrom, fitsOf, triadsIn, type Fit } from './scale/identify.ts';
export { CLEFS, type Clef, type ClefId } from './staff/clefs.ts';
export { type SignatureSign, type Staff, type StaffNote } from './staff/staff.ts';
export { PATTERNS, patternById, type Pattern, type PatternId } from './practice/pattern.ts';
export { alternatesOf, type AlternateRow, type Candidate } from './alternates/alternates.ts';
export { compareMaps, type Comparison, type TermComparison } from './map/compare.ts';
export { adjusted, type Adjusted, type Adjustment } from './keys/adjusted.ts';
export {
  byEase,
  contextsFor,
  keyCell,
  octavesInFull,
  type Demands,
  type KeyCell,
  type OctaveFit,
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
export { switchKeys, type ListedWay, type Switching } from './keys/switching.ts';
export { BARS_LIMIT, BEATS, FORMS, parseProgression, type Progression } from './harmony/progression.ts';
export {
  notesOver,
  scaleFit,
  suitableScales,
  type FittedNote,
  type NoteFit,
  type ScaleFit,
} from './harmony/suitability.ts';
export { commonNotes, type Common } from './scale/common.ts';
export { searchScales, type ScaleSearch } from './scale/search.ts';
export { chordOn, chordSymbol, NO_CHORD, parseChord, tonesOf, type Chord } from './harmony/chord.ts';
export { QUALITIES, type Quality, type QualityId } from './harmony/qualities.ts';
export { homeChord, mainChords, triadsOf } from './harmony/scaleChords.ts';
export { LAYERS, fiveOf, layerSemitones, type LayerId } from './harmony/layer.ts';
export { ROLES, rolesOf, type Role } from './harmony/role.ts';
export {
  everyStep,
  solve,
  someSteps,
  type Layer,
  type NoPath,
  type Solution,
  type Steps,
} from './solver/solver.ts';
export { FAMILY_IDS, families, familyById, type FamilyId } from './families/index.ts';
export type { Face, Family, OpenLayout, TabDialect } from './families/contract.ts';
export type {
  ChosenOptions,
  Circumstances,
  EffortTerm,
  PlayingOption,
  PreferencePreset,
  TermInfo,
} from './families/effortTerm.ts';
export type {
  Capability,
  CapabilityGroup,
  ElementChange,
  ElementValue,
  FactTable,
  LayoutElement,
  LayoutOption,
} from './families/layoutPart.ts';
export type {
  Air,
  AirNames,
  Clash,
  FingeredWay,
  Fingering,
  Hold,
  Mark,
  PlayedHold,
  Remark,
  Side,
  SideNames,
  Technique,
  Way,
} from './families/way.ts';
export type { Timbre } from './families/timbre.ts';
export { CENTS_RANGE } from './instrument/personal.ts';
export {
  NAME_LIMIT,
  NOTES_LIMIT,
  openInstrument,
  specFromLayout,
  specFromPreset,
  type Instrument,
  type InstrumentSpec,
  type Measurement,
} from './instrument/instrument.ts';
export {
  DIRECTIONS,
  evenLine,
  limitsOf,
  lowestHome,
  scaleLine,
  type Direction,
  type LineNote,
  type LineRange,
} from './route/line.ts';
export { type Effort, type TermEffort } from './route/effort.ts';
export {
  WEIGHT_RANGE,
  defaultPreferences,
  resolvePreferences,
  type Preferences,
} from './route/preferences.ts';
export { routingContext, usableWays, type RoutingContext } from './route/context.ts';
export { chordHolds, chordOrder, HOLDS_LIMIT, type ChordHolds } from './route/holds.ts';
export { missingReason, scaleInRange, type Missing } from './route/missing.ts';
export type { Pin } from './route/pin.ts';
export type { Alternative } from './route/alternatives.ts';
export { routeLine, type Route, type RouteNote, type RouteOptions } from './route/route.ts';
export { airBalance, type AirBalance, type Breath } from './route/air.ts';
export { takeInventory, type Advice, type Inventory, type InventoryItem } from './inventory/inventory.ts';
export {
  OCTAVES,
  checkQuestion,
  defaultQuestion,
  storedQuestion,
  chordOver,
  CHORDS_LIMIT,
  type Question,
  type StoredQuestion,
} from './question/question.ts';
export { QUESTION_PARAMS, questionFromLink, questionToLink, type LinkParams } from './question/link.ts';
export { alternativesView, mapView, type MapView } from './map/mapView.ts';
export { sceneForKey, type WayView } from './map/instrumentView.ts';
export { type AlternativeView, type LineView } from './map/lineView.ts';
export { type NotationOptions } from './map/notation.ts';
export { keyFacts, type KeyFacts } from './map/keyFacts.ts';
export { type Coverage } from './map/coverage.ts';
export { chipShape, type ChipText } from './scene/chip.ts';
export { type GroupShape, type Ink, type Paint, type Scene, type Shape } from './scene/scene.ts';
export { PRINT_PALETTE, escapeXml, sceneToSvg, type Palette } from './scene/svg.ts';
export {
  DEFAULT_SETTINGS,
  NAMINGS,
  THEMES,
  checkSettings,
  type Settings,
  type ThemeChoice,
} from './settings/settings.ts';
export { parseScala, writeScala, type ScalaTuning } from './formats/scala.ts';
export {
  LAYOUT_FORMAT,
  LAYOUT_VERSION,
  checkLayoutFile,
  layoutFile,
  layoutFileSchema,
  type LayoutFile,
  type SavedLayout,
} from './records/layoutFile.ts';
export {
  checkContent,
  contentSchema,
  isId,
  recordKind,
  RECORD_KIND_IDS,
  type ContentOf,
  type RecordKindId,
  type SavedProgression,
  type SavedQuestion,
} from './records/kinds.ts';
export { type Kept, type RecordKind, type Referred } from './records/recordKind.ts';
export {
  checkExchange,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  exchangeSchema,
  RECORD_LIMIT,
  type Exchanged,
  type ExchangeFile,
} from './exchange/exchange.ts';
export { readTabLine, writeTabLine, type TabItem } from './tab/tabLine.ts';
export { barLength, metre, METRE_NAMES, positionAt, type Metre, type MetreName } from './time/metre.ts';
export { timingsOf, UNHURRIED, type NoteTiming } from './time/noteTiming.ts';
export { QUARTER, quarters, type Ticks } from './time/ticks.ts';
