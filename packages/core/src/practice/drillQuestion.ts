import type { Way } from '../families/way.ts';
import { CHROMATIC_DEGREE_NAMES } from '../scale/degree.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import type { SeededRandom } from '../seededRandom.ts';

/** A note that is heard before an answer. */
export interface DrillNote {
  readonly hz: number;
  readonly beats: number;
}

/** Notes of one length. */
export function heardEvenly(...hz: readonly number[]): readonly DrillNote[] {
  return hz.map((one) => ({ hz: one, beats: 1 }));
}

/** One thing that is asked. */
export interface DrillQuestion {
  readonly prompt: string;
  /** What is heard, one after the other. */
  readonly heard: readonly DrillNote[];
  /** The way that is shown on the drawing. */
  readonly shown?: string;
  /** To choose from; where there are none the answer is given on the drawing. */
  readonly choices: readonly { readonly id: string; readonly label: string }[];
  /** The choices are degrees of the key, so that one can be answered by playing it. */
  readonly degrees?: true;
  /** Ids of ways or choices that are right. */
  readonly right: readonly string[];
  /** The right answer in words. */
  readonly answer: string;
  /** What it is about, for what is asked more often: a way, or a choice. */
  readonly about: string;
}

/** Choices of one question. */
export const CHOICES = 6;

/** Something that can be asked, again and again. */
export interface Subject {
  readonly about: string;
  ask(random: SeededRandom): DrillQuestion;
}

/** Whether a question can be answered by playing a note. */
export function isPlayable({ choices, degrees }: DrillQuestion): boolean {
  return choices.length === 0 || degrees === true;
}

/**
 * The answer that a note gives, as an id of a way or of a choice; undefined where the question asks for no note.
 * @param meant the ways that probably made it, the likeliest first: the ear cannot tell those of one pitch apart
 */
export function playedAnswer(question: DrillQuestion, key: Key, meant: readonly Way[]): string | undefined {
  const [first] = meant;
  if (!first || !isPlayable(question)) return undefined;
  if (question.degrees) return CHROMATIC_DEGREE_NAMES[aboveHome(key, first.pitch)];
  const same = meant.filter(({ pitch }) => pitch === first.pitch);
  return (same.find(({ id }) => question.right.includes(id)) ?? first).id;
}

/** A question that is answered on the drawing. */
export function placed(
  prompt: string,
  own: readonly Pick<Way, 'id'>[],
  { words, about = own[0]!.id }: { readonly words: ReadonlyMap<string, string>; readonly about?: string },
): Subject {
  const right = own.map(({ id }) => id);
  const named = right.slice(0, 4).map((id) => words.get(id) ?? id);
  const answer = named.join(' or ') + (right.length > named.length ? ' …' : '');
  return { about, ask: () => ({ prompt, heard: [], choices: [], right, answer, about }) };
}

/** A question with choices, the right one among them at a place of chance. */
export function chosen(
  random: SeededRandom,
  prompt: string,
  right: string,
  all: readonly string[],
  { about, shown }: { readonly about: string; readonly shown?: string },
): DrillQuestion {
  const others = random.shuffled(all.filter((one) => one !== right)).slice(0, CHOICES - 1);
  return {
    prompt,
    heard: [],
    right: [right],
    answer: right,
    about,
    ...(shown !== undefined && { shown }),
    choices: random.shuffled([right, ...others]).map((label) => ({ id: label, label })),
  };
}
