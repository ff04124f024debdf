import { familyById } from '../families/index.ts';
import { parseProgression } from '../harmony/progression.ts';
import { textProblems } from '../instrument/instrument.ts';
import { parseNote } from '../pitch/noteName.ts';
import { checkQuestion, storedQuestion, type StoredQuestion } from '../question/question.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { checkPlan, type ArrangementPlan } from '../song/arrangement.ts';
import { drillById } from './drill.ts';
import { GROOVES } from './grooves.ts';
import { isOwnStage, OWN_STAGES_LIMIT, type OwnStage } from './jam.ts';
import { MINUTES_LIMIT, USUAL_WAY, type HowToPractise } from './howTo.ts';
import { KEY_ORDERS } from './keyOrder.ts';
import { TEMPO_LIMITS } from './ladder.ts';
import { ARTICULATIONS, readRhythm } from './rhythm.ts';

/** What is played again and again. */
export type Practised =
  /** A line of Map. */
  | { readonly kind: 'line'; readonly question: StoredQuestion }
  /** A song on the instrument, or a passage of it from one note to another. */
  | {
      readonly kind: 'song';
      readonly plan: ArrangementPlan;
      readonly passage?: { readonly from: string; readonly to: string };
    }
  | {
      readonly kind: 'drill'; /** Id of a drill. */
      readonly drill: string;
      readonly question: StoredQuestion;
    }
  /** A progression to play over. */
  | {
      readonly kind: 'jam';
      /** Chords as degrees, bar by bar. */
      readonly text: string;
      readonly beats: number;
      readonly question: StoredQuestion;
      /** How many rounds of each stage, by its id; 0 leaves it out, and what is not named has as many as usual. */
      readonly rounds?: Readonly<Record<string, number>>;
      /** Stages of somebody's own, after those of the family. */
      readonly own?: readonly OwnStage[];
    };

/** Something to practise, and how. */
export interface PracticeItem {
  readonly name: string;
  readonly instrumentId: string;
  /** Of a song. */
  readonly songId?: string;
  /** For whom it is; for everybody where left out. */
  readonly personId?: string;
  readonly what: Practised;
  readonly how: HowToPractise;
  /** The teacher set it: it comes first. */
  readonly set: boolean;
}

/** Checks how an item is practised; what is left out is as usual. Problem fields are its own. */
export function checkHow(stored: unknown): Result<HowToPractise> {
  if (!isRecord(stored))
    return fail({ field: '', wrong: shown(stored), message: 'This is no way to practise.' });
  const how = { ...USUAL_WAY, ...stored } as Record<string, unknown>;
  const problems: Problem[] = [];
  const need = (field: string, sound: boolean, message: string) => {
    if (!sound) problems.push({ field, wrong: shown(how[field]), message });
  };
  for (const field of Object.keys(stored))
    if (!Object.hasOwn(USUAL_WAY, field))
      problems.push({ field, wrong: field, message: `There is no field “${field}”.` });
  const { least, most } = TEMPO_LIMITS;
  const within = (value: unknown, low: number, high: number) =>
    typeof value === 'number' && Number.isFinite(value) && value >= low && value <= high;
  for (const field of ['tempo', 'wanted'])
    need(field, within(how[field], least, most), `A tempo lies between ${least} and ${most} beats a minute.`);
  need('step', within(how['step'], 1, 60), 'A step is 1 to 60 beats a minute.');
  need('minutes', within(how['minutes'], 1, MINUTES_LIMIT), `It takes 1 to ${MINUTES_LIMIT} minutes.`);
  const oneOf = (field: string, list: readonly { readonly id: string }[], what: string, none = false) =>
    need(field, list.some(({ id }) => id === how[field]) || (none && how[field] === ''), what);
  oneOf('articulation', ARTICULATIONS, 'There is no such articulation.');
  oneOf('order', KEY_ORDERS, 'There is no such order of keys.');
  oneOf('groove', GROOVES, 'There is no such groove.', true);
  const rhythm = typeof how['rhythm'] === 'string' ? readRhythm(how['rhythm']) : undefined;
  if (!rhythm) need('rhythm', false, 'A rhythm is one of the known ones, or lengths in beats.');
  else if (!rhythm.ok) problems.push(...rhythm.problems);
  return problems.length > 0 ? fail(...problems) : ok(how as unknown as HowToPractise);
}

/** Whether a stored value names what is practised, for the family on which it is. Problem fields are its own. */
export function checkPractised(familyId: string, stored: unknown): Result<Practised> {
  const family = familyById(familyId);
  if (!isRecord(stored) || !family)
    return fail({ field: '', wrong: shown(stored), message: 'It is not said what is practised.' });
  const { kind, question, plan, passage, drill, text, beats } = stored;
  if (kind === 'song') {
    const checked = checkPlan(family, plan);
    if (!checked.ok) return fail(...under('plan', checked.problems));
    if (passage === undefined) return ok({ kind, plan: checked.value });
    const { from, to } = isRecord(passage) ? passage : {};
    if (typeof from !== 'string' || typeof to !== 'string')
      return fail({
        field: 'passage',
        wrong: shown(passage),
        message: 'A passage goes from one note to another.',
      });
    return ok({ kind, plan: checked.value, passage: { from, to } });
  }
  const asked = checkQuestion(family, question);
  if (!asked.ok) return fail(...under('question', asked.problems));
  const kept = storedQuestion(asked.value);
  if (kind === 'line') return ok({ kind, question: kept });
  if (kind === 'drill') {
    if (typeof drill !== 'string' || !drillById(drill))
      return fail({ field: 'drill', wrong: shown(drill), message: 'There is no such drill.' });
    return ok({ kind, drill, question: kept });
  }
  if (kind === 'jam') {
    const read = parseProgression(
      '',
      typeof text === 'string' ? text : '',
      Number(beats),
      parsedTonic(kept.tonic),
    );
    if (!read.ok) return fail(...read.problems);
    const { rounds, own } = stored;
    if (own !== undefined && !areOwnStages(own))
      return fail({
        field: 'own',
        wrong: shown(own),
        message: `A stage of your own has a name and notes; ${OWN_STAGES_LIMIT} fit.`,
      });
    if (rounds !== undefined && !areRounds(rounds))
      return fail({
        field: 'rounds',
        wrong: shown(rounds),
        message: `A stage has 0 to ${ROUNDS_LIMIT} rounds.`,
      });
    return ok({
      kind,
      text: (text as string).trim(),
      beats: beats as number,
      question: kept,
      ...(rounds !== undefined && { rounds }),
      ...(own !== undefined && { own }),
    });
  }
  return fail({
    field: 'kind',
    wrong: shown(kind),
    message: 'A line, a song, a drill or a jam can be practised.',
  });
}

const ROUNDS_LIMIT = 64;

function areOwnStages(value: unknown): value is readonly OwnStage[] {
  if (!Array.isArray(value) || value.length > OWN_STAGES_LIMIT || !value.every(isOwnStage)) return false;
  return new Set(value.map(({ id }) => id)).size === value.length;
}

function areRounds(value: unknown): value is Readonly<Record<string, number>> {
  if (!isRecord(value)) return false;
  const each = Object.entries(value);
  const sound = (n: unknown) => Number.isInteger(n) && (n as number) >= 0 && (n as number) <= ROUNDS_LIMIT;
  return each.length <= 40 && each.every(([id, n]) => id.length <= 40 && sound(n));
}

function parsedTonic(text: string) {
  const tonic = parseNote(text);
  return tonic.ok ? tonic.value : undefined;
}

/** Checks the own fields of an item, the records it names apart. Problem fields are the item's own. */
export function checkItem(
  content: Readonly<Record<string, unknown>>,
  familyId: string,
): Result<Omit<PracticeItem, 'instrumentId' | 'songId' | 'personId'>> {
  const { name, what, how = {}, set = false } = content;
  const problems: Problem[] = [...textProblems('name', name, 1, 200, 'A name')];
  const practised = checkPractised(familyId, what);
  if (!practised.ok) problems.push(...under('what', practised.problems));
  const checkedHow = checkHow(how);
  if (!checkedHow.ok) problems.push(...under('how', checkedHow.problems));
  if (typeof set !== 'boolean')
    problems.push({ field: 'set', wrong: shown(set), message: 'It is set or not: true or false.' });
  if (problems.length > 0 || !practised.ok || !checkedHow.ok) return fail(...problems);
  return ok({
    name: (name as string).trim(),
    what: practised.value,
    how: checkedHow.value,
    set: set as boolean,
  });
}
