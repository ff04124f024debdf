import { seededRandom, type SeededRandom } from '../seededRandom.ts';
import type { DrillQuestion, Subject } from './drillQuestion.ts';
import { chordTones } from './drills/chordTones.ts';
import { degreeWay } from './drills/degreeWay.ts';
import { earDegree } from './drills/earDegree.ts';
import { earInterval } from './drills/earInterval.ts';
import { earTune } from './drills/earTune.ts';
import { earWay } from './drills/earWay.ts';
import { keyFact } from './drills/keyFact.ts';
import { leaveOut } from './drills/leaveOut.ts';
import { noteWay } from './drills/noteWay.ts';
import { signature } from './drills/signature.ts';
import { wayNote } from './drills/wayNote.ts';
import type { Drill, DrillContext } from './drills/drill.ts';

/** All drills, in the order in which they are offered. */
export const DRILLS: readonly Drill[] = Object.freeze([
  noteWay,
  wayNote,
  degreeWay,
  keyFact,
  signature,
  chordTones,
  leaveOut,
  earDegree,
  earInterval,
  earWay,
  earTune,
]);

/** @returns undefined for an id that there is no drill of */
export function drillById(id: string): Drill | undefined {
  return DRILLS.find((drill) => drill.id === id);
}

/** Questions of a round. */
export const ROUND = 20;

/** Whether a drill makes sense on an instrument in a key. */
export function drillFits(drill: Drill, context: DrillContext): boolean {
  return drill.subjects(context).length > 1;
}

/**
 * A round of questions, none asked twice in a row, weak spots more often. The same seed asks the same.
 * @throws for a drill that does not fit
 */
export function drillRound(
  drill: Drill,
  context: DrillContext,
  seed: number,
  count = ROUND,
): readonly DrillQuestion[] {
  const random = seededRandom(seed);
  const subjects = drill.subjects(context);
  if (subjects.length < 2) throw new Error(`drillRound: ${drill.id} does not fit here`);
  const { weight = () => 1 } = context;
  const round: DrillQuestion[] = [];
  while (round.length < count) {
    const last = round.at(-1)?.about;
    const open = subjects.filter(({ about }) => about !== last);
    round.push(weighted(random, open.length > 0 ? open : subjects, weight).ask(random));
  }
  return round;
}

function weighted(
  random: SeededRandom,
  subjects: readonly Subject[],
  weight: (about: string) => number,
): Subject {
  const weights = subjects.map(({ about }) => Math.max(0.05, weight(about)));
  let left = random.next() * weights.reduce((sum, one) => sum + one, 0);
  return subjects.find((_, i) => (left -= weights[i]!) < 0) ?? subjects.at(-1)!;
}
