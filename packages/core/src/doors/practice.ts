/** Rounds, drills, jams, plans and the log. */

export { daysBetween, daysWhere, type DayOf } from '../practice/days.ts';
export {
  backing,
  ending,
  type Backing,
  type BackingChord,
  type BackingEvent,
  type BackingOptions,
} from '../practice/backing.ts';
export { type Form, formOf } from '../groove/form.ts';
export { drillById, drillFits, drillRound, DRILLS } from '../practice/drill.ts';
export { type DrillNote, type DrillQuestion, isPlayable, playedAnswer } from '../practice/drillQuestion.ts';
export type { Drill, DrillContext } from '../practice/drills/drill.ts';
export { grooveById, GROOVES, USUAL_GROOVE, usualGrooveFor } from '../groove/grooves.ts';
export { checkHow, type HowToPractise, USUAL_WAY } from '../practice/howTo.ts';
export type { PracticeItem, Practised } from '../practice/item.ts';
export {
  degreesRead,
  jamStages,
  type LaidStage,
  OWN_STAGES_LIMIT,
  type OwnStage,
  ownStages,
  ROUNDS_A_STAGE,
  withRounds,
} from '../practice/jam.ts';
export { KEY_ORDERS, keysInOrder } from '../practice/keyOrder.ts';
export { FACTORS, type Ladder, TEMPO_LIMITS } from '../practice/ladder.ts';
export { currentEntries, type LogEntry } from '../practice/log.ts';
export {
  CALL_BARS,
  callPhrase,
  DIFFICULTIES,
  type DifficultyId,
  type PhraseNote,
} from '../practice/phrase.ts';
export { type DayPlan, PLAN_MINUTES, planDay, type Why } from '../practice/plan.ts';
export {
  minutesByDay,
  minutesByKey,
  type TempoCourse,
  tempoCourses,
  waysOf,
  weightOf,
} from '../practice/progress.ts';
export {
  ARTICULATIONS,
  feelOfRhythm,
  inRhythm,
  readRhythm,
  rhythmAt,
  RHYTHMS,
  type TimedNote,
} from '../practice/rhythm.ts';
export { inRound, type Round, roundOf } from '../practice/round.ts';
export {
  type BeatNow,
  firstRoundState,
  isSounding,
  nextRound,
  type RepeatMode,
  type RoundEffect,
  type RoundEvent,
  type RoundState,
} from '../practice/roundMachine.ts';
export { songForm } from '../song/songForm.ts';
export { songRound } from '../practice/songRound.ts';
export { shares, soundReport, type SoundReport, type SoundRow, timeWords } from '../practice/soundReport.ts';
export { tick, TICK_HZ } from '../practice/tick.ts';
export { countTime, NO_TIME_SPENT } from '../practice/timeSpent.ts';
export { type Tune, tuneOf } from '../practice/tune.ts';
