import { checkQuestion, storedQuestion, type StoredQuestion } from '../question/question.ts';
import { familyById } from '../families/index.ts';
import { parseProgression } from '../harmony/progression.ts';
import { NAME_LIMIT, openInstrument, textProblems, type InstrumentSpec } from '../instrument/instrument.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { checkSavedLayout, type SavedLayout } from './layoutFile.ts';
import { checkSettings, type Settings } from '../settings/settings.ts';

export const EXCHANGE_FORMAT = 'same-song-data';
/** Raised when older programs could not read what newer ones write. */
export const EXCHANGE_VERSION = 1;
/** Most records of one kind in a file. */
export const RECORD_LIMIT = 10_000;

/** A question kept under a name. */
export interface SavedQuestion {
  readonly name: string;
  readonly instrumentId: string;
  readonly question: StoredQuestion;
}

/** A progression of one's own. */
export interface SavedProgression {
  readonly name: string;
  /** Chords as degrees, bar by bar. */
  readonly text: string;
  /** Beats in a bar. */
  readonly beats: number;
}

export type ExchangedLayout = SavedLayout & { readonly id: string };
export type ExchangedProgression = SavedProgression & { readonly id: string };
export type ExchangedInstrument = InstrumentSpec & { readonly id: string };
export type ExchangedQuestion = SavedQuestion & { readonly id: string };

/** Everything that is kept, as one file. */
export interface ExchangeFile {
  readonly format: typeof EXCHANGE_FORMAT;
  readonly version: number;
  readonly instruments: readonly ExchangedInstrument[];
  readonly questions: readonly ExchangedQuestion[];
  readonly progressions: readonly ExchangedProgression[];
  readonly layouts: readonly ExchangedLayout[];
  readonly settings: Settings;
}

/** Whether a value is a UUID as records have it. */
export function isId(value: unknown): value is string {
  return typeof value === 'string' && /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(value);
}

/** Checks a question to be kept for an instrument of a family. Problem fields: `name`, `question.scale` … */
export function checkSavedQuestion(stored: unknown, familyId: string): Result<SavedQuestion> {
  const family = familyById(familyId);
  if (!family) throw new Error(`checkSavedQuestion: no family ${familyId}`);
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'A question needs a name and an instrument.' });
  const { name, instrumentId, question } = stored;
  const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
  if (!isId(instrumentId))
    problems.push({
      field: 'instrumentId',
      wrong: shown(instrumentId),
      message: 'A question needs the id of its instrument.',
    });
  const checked = checkQuestion(family, question);
  if (!checked.ok) problems.push(...under('question', checked.problems));
  if (problems.length > 0 || !checked.ok) return fail(...problems);
  return ok({
    name: (name as string).trim(),
    instrumentId: instrumentId as string,
    question: storedQuestion(checked.value),
  });
}

/** Checks a progression to be kept. Problem fields: `name`, `text` (with the character), `beats`. */
export function checkSavedProgression(stored: unknown): Result<SavedProgression> {
  const { name, text, beats } = isRecord(stored) ? stored : {};
  const problems: Problem[] = textProblems('name', name, 1, NAME_LIMIT, 'A name');
  const written = typeof text === 'string' ? text.trim() : '';
  const parsed = parseProgression('', written, Number(beats));
  if (!parsed.ok) problems.push(...parsed.problems);
  if (problems.length > 0) return fail(...problems);
  return ok({ name: (name as string).trim(), text: written, beats: beats as number });
}

/** Checks a whole file; nothing of it is taken unless all of it is sound. Problem fields: `instruments.0.layout.draw.4` … */
export function checkExchange(file: unknown): Result<ExchangeFile> {
  const head = headProblem(file);
  if (head) return fail(head);
  const {
    instruments,
    questions,
    progressions = [],
    layouts = [],
    settings,
  } = file as Record<string, unknown>;
  const problems: Problem[] = [
    ...listProblems('instruments', instruments, 'Instruments'),
    ...listProblems('questions', questions, 'Questions'),
    ...listProblems('progressions', progressions, 'Progressions'),
    ...listProblems('layouts', layouts, 'Layouts'),
  ];
  if (problems.length > 0) return fail(...problems);
  const seen = new Set<string>();
  const checkedInstruments = (instruments as unknown[]).map((record, index) =>
    checkRecord(record, `instruments.${index}`, seen, problems, openedSpec),
  );
  const families = new Map(checkedInstruments.flatMap((i) => (i ? [[i.id, i.family] as const] : [])));
  const checkedQuestions = (questions as unknown[]).map((record, index) =>
    checkRecord(record, `questions.${index}`, seen, problems, (rest) => questionFor(rest, families)),
  );
  const checkedProgressions = (progressions as unknown[]).map((record, index) =>
    checkRecord(record, `progressions.${index}`, seen, problems, checkSavedProgression),
  );
  const checkedLayouts = (layouts as unknown[]).map((record, index) =>
    checkRecord(record, `layouts.${index}`, seen, problems, checkSavedLayout),
  );
  const checkedSettings = checkSettings(settings ?? {});
  if (!checkedSettings.ok) problems.push(...under('settings', checkedSettings.problems));
  if (problems.length > 0 || !checkedSettings.ok) return fail(...problems);
  return ok({
    format: EXCHANGE_FORMAT,
    version: EXCHANGE_VERSION,
    instruments: checkedInstruments as ExchangedInstrument[],
    questions: checkedQuestions as ExchangedQuestion[],
    progressions: checkedProgressions as ExchangedProgression[],
    layouts: checkedLayouts as ExchangedLayout[],
    settings: checkedSettings.value,
  });
}

function headProblem(file: unknown): Problem | undefined {
  const { format, version } = isRecord(file) ? file : {};
  if (format !== EXCHANGE_FORMAT)
    return { field: 'format', wrong: shown(format), message: 'This file was not exported from Same Song.' };
  if (typeof version === 'number' && version > EXCHANGE_VERSION) {
    const message = 'This file was written by a newer Same Song. Update this one, then import again.';
    return { field: 'version', wrong: shown(version), message };
  }
  if (version === EXCHANGE_VERSION) return undefined;
  return { field: 'version', wrong: shown(version), message: `The version must be ${EXCHANGE_VERSION}.` };
}

function listProblems(field: string, list: unknown, what: string): Problem[] {
  if (!Array.isArray(list)) return [{ field, wrong: shown(list), message: `${what} must be a list.` }];
  if (list.length <= RECORD_LIMIT) return [];
  const message = `A file may hold ${RECORD_LIMIT} ${what.toLowerCase()} at most; this one has ${list.length}.`;
  return [{ field, wrong: String(list.length), message }];
}

/** A record's id and content; problems are added to the list. */
function checkRecord<T>(
  record: unknown,
  path: string,
  seen: Set<string>,
  problems: Problem[],
  check: (rest: Record<string, unknown>) => Result<T>,
): (T & { readonly id: string }) | undefined {
  const { id, ...rest } = isRecord(record) ? record : {};
  const wrongId = !isId(id)
    ? 'Every record needs an id of its own (a UUID).'
    : seen.has(id)
      ? 'Two records have this id.'
      : undefined;
  if (wrongId) problems.push({ field: `${path}.id`, wrong: shown(id), message: wrongId });
  else seen.add(id as string);
  const checked = check(rest);
  if (!checked.ok) problems.push(...under(path, checked.problems));
  return checked.ok && !wrongId ? { id: id as string, ...checked.value } : undefined;
}

function openedSpec(rest: Record<string, unknown>): Result<InstrumentSpec> {
  const opened = openInstrument(rest);
  return opened.ok ? ok(opened.value.spec) : opened;
}

function questionFor(
  rest: Record<string, unknown>,
  families: ReadonlyMap<string, string>,
): Result<SavedQuestion> {
  const family = families.get(String(rest['instrumentId']));
  if (family !== undefined) return checkSavedQuestion(rest, family);
  return fail({
    field: 'instrumentId',
    wrong: shown(rest['instrumentId']),
    message: 'The instrument of this question is not in the file, or is not sound.',
  });
}
