import { useMemo } from 'react';
import { Loading } from '../../controls/Loading.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import type { OnStand } from '../stand/onStand.ts';
import { DrillEnd } from './DrillEnd.tsx';
import { DrillQuestionView } from './DrillQuestionView.tsx';
import { useDrill } from './useDrill.ts';

/** A round of twenty questions, answered on the drawing, by key or by playing, and what was wrong at its end. */
export function DrillPlayer(props: OnStand) {
  const drill = useDrill(props);
  const { view, question, showing, answers, played, nextQuestion, answer } = drill;
  const group = 'The drill';
  useShortcuts([
    ...(question?.choices ?? []).map(({ id }, i) => ({
      key: String(i + 1),
      label: `Answer ${i + 1}`,
      group,
      run: () => (showing ? nextQuestion() : answer(id)),
    })),
    { key: 'm', label: 'Answer by playing', group, run: played.toggle },
    { key: 'PageDown', label: 'Go on', group, run: drill.isOver ? drill.again : nextQuestion },
    {
      key: ' ',
      label: 'Hear it again, or go on',
      group,
      run: () => (showing ? nextQuestion() : drill.hear(question?.heard ?? [])),
    },
  ]);
  const isAsked = question !== undefined && !showing;
  const names = useMemo(
    () => new Map(view?.ways.map((way) => [way.id, isAsked ? way.words : `${way.words}, ${way.note}`])),
    [view, isAsked],
  );
  if (!view || !drill.isReady) return <Loading>Opening the drill…</Loading>;
  if (drill.round.length === 0)
    return <p>{drill.drill.nothing ?? 'This drill makes no sense on this instrument in this key.'}</p>;
  if (drill.isOver)
    return <DrillEnd answers={answers} scene={view.scene} names={names} onAgain={drill.again} />;
  return <DrillQuestionView drill={drill} scene={view.scene} names={names} />;
}
