/** What is kept, sent, exchanged and set. */

export {
  checkExchange,
  checkExchangeStepwise,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  type Exchanged,
  type ExchangeFile,
  exchangeSchema,
} from '../exchange/exchange.ts';
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
} from '../records/api.ts';
export {
  changeBetween,
  type Fields,
  type RecordChange,
  type RecordState,
  type Since,
  withoutChange,
} from '../records/change.ts';
export { KIND_NAMES, RECORD_KIND_IDS, type RecordKindId, recordTitle } from '../records/kindNames.ts';
export { checkContent, type ContentOf, contentSchema, recordKind, type SavedTag } from '../records/kinds.ts';
export { checkLayoutFile, layoutFile, layoutFileSchema } from '../records/layoutFile.ts';
export { isSame, mergeFields } from '../records/merge.ts';
export type { Kept } from '../records/recordKind.ts';
export {
  checkSettings,
  DEFAULT_SETTINGS,
  NAMINGS,
  type Settings,
  type ThemeChoice,
} from '../settings/settings.ts';
