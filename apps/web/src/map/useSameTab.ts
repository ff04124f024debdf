import { useMemo } from 'react';
import { scaleById } from '@same-song/core/music';
import type { StoredQuestion } from '@same-song/core/route';
import { useAskSameTab, useSameTabs } from '../compute/compute.ts';
import { notify } from '../frame/notice.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { allOfFamily, type OneOfFamily } from '../question/othersOfFamily.ts';
import { isBorrowed, baseRef } from '../question/reference.ts';
import type { QuestionState } from '../question/useQuestion.ts';

/** How many are listed with the key that comes out; the key goes through all. */
const LISTED = 6;

/** What the tab becomes on another instrument. */
export interface TabThere {
  readonly ref: string;
  readonly name: string;
  /** The key that comes out: `B♭`, with its scale where that is another one. */
  readonly comes: string;
  readonly kept: number;
  readonly of: number;
}

export type SameTabs = ReturnType<typeof useSameTab>;

/** The same tab on other instruments of the family: those of the cabinet, or else those that can be borrowed. */
export function useSameTab(state: QuestionState) {
  const { chosen, question, cabinet } = state;
  const ask = useAskSameTab();
  const all = useMemo(() => allOfFamily(chosen?.spec.family, chosen?.ref, cabinet), [chosen, cabinet]);
  const standing = chosen && baseRef(chosen.ref);
  const others = useMemo(() => all.filter(({ ref }) => ref !== standing), [all, standing]);
  // Whoever has a cabinet is told of what lies in it; the key goes on to what can be borrowed all the same.
  const isTold = cabinet.length === 0 || others.some(({ ref }) => !isBorrowed(ref));
  const listed = isTold ? others.slice(0, LISTED) : [];
  const answers = useSameTabs(chosen, question, listed);
  const go = async (other: OneOfFamily | undefined) => {
    if (!chosen) return;
    const same = other && (await ask(chosen, state.current().question, other));
    if (!other) notify('There is no other instrument of this family.');
    else if (!same) notify(`Nothing of this tab can be played on ${other.spec.name}.`);
    else {
      state.changeInstrument(other.ref, 'the same tab', same.question);
      notify(`The same tab on ${other.spec.name}: ${keyText(same.question)}.`);
    }
  };
  const step = (by: number) => {
    const at = all.findIndex(({ ref }) => ref === standing);
    const next = all[(at + by + all.length) % all.length];
    return go(next?.ref === standing ? undefined : next);
  };
  const group = 'The question';
  useShortcuts([
    { key: 'o', shift: false, label: 'The same tab on the next instrument', group, run: () => void step(1) },
    { key: 'o', shift: true, label: 'The same tab on the one before', group, run: () => void step(-1) },
  ]);
  return {
    there: listed.flatMap(({ ref, spec }, i): TabThere[] => {
      const same = answers?.[i];
      // With most of it gone it is the same tab no more.
      if (!same || 2 * same.kept < same.of) return [];
      const comes = comesText(same.question, question.scale);
      return [{ ref, name: spec.name, comes, kept: same.kept, of: same.of }];
    }),
    more: others.length - listed.length,
    take: (ref: string) => void go(others.find((other) => other.ref === ref)),
  };
}

function keyText(question: StoredQuestion): string {
  return `${scaleWords(question)} in ${tonicWords(question)}`;
}

/** In a list there is no room for a formula. */
function comesText(there: StoredQuestion, scale: string): string {
  if (there.scale === scale) return tonicWords(there);
  const known = scaleById(there.scale);
  const isNamed = known.ok && known.value.group !== 'custom';
  return isNamed ? keyText(there) : `another scale in ${tonicWords(there)}`;
}
