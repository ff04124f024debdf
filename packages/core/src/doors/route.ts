/** Questions, routes, Map and Keys: what is played where, and what it costs. */

export { type AlternateRow, alternatesOf, type Candidate } from '../alternates/alternates.ts';
export { adjusted, type Adjustment } from '../keys/adjusted.ts';
export {
  type ChartChord,
  chordChart,
  type ChordChart,
  type ChordHold,
  readChartChord,
} from '../keys/chordChart.ts';
export {
  type Demands,
  type KeyCell,
  type OctaveInFull,
  octavesInFull,
  settingsBetween,
} from '../keys/keyCell.ts';
export { keyTable, type KeyTable } from '../keys/keyTable.ts';
export { homeInPosition, usualInstrument } from '../keys/position.ts';
export { readNotes } from '../keys/readNotes.ts';
export {
  everythingFor,
  presetsFor,
  rankSuggestions,
  type Suggestion,
  suggestionsFor,
} from '../keys/suggestions.ts';
export { type Switching, switchKeys } from '../keys/switching.ts';
export { compareMaps, type Comparison } from '../map/compare.ts';
export { sceneForKey, type WayView } from '../map/instrumentView.ts';
export { keyFacts } from '../map/keyFacts.ts';
export type { AlternativeView, LineView } from '../map/lineView.ts';
export { alternativesView, mapView, type MapView } from '../map/mapView.ts';
export type { NotationOptions } from '../map/notation.ts';
export { sameTab, type SameTab } from '../map/sameTab.ts';
export { QUESTION_PARAMS, questionFromLink, questionToLink } from '../question/link.ts';
export {
  ANCHORS,
  checkQuestion,
  chordOver,
  CHORDS_LIMIT,
  defaultQuestion,
  OCTAVES,
  storedQuestion,
  usualChords,
  withUsualChords,
  type StoredQuestion,
  withPattern,
} from '../question/question.ts';
export type { AirBalance } from '../route/air.ts';
export { routingContext } from '../route/context.ts';
export { type Direction, DIRECTIONS } from '../route/direction.ts';
export { patternById, type PatternId, PATTERNS } from '../route/pattern.ts';
export type { Pin } from '../route/pin.ts';
export { defaultPreferences, type Preferences, WEIGHT_RANGE } from '../route/preferences.ts';
export type { LineRange, Place } from '../route/range.ts';
export { routeLine } from '../route/route.ts';
export { everyStep, solve } from '../solver/solver.ts';
export { readTabLine } from '../tab/tabLine.ts';
