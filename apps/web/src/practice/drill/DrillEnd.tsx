import Button from '@mui/material/Button';
import type { Scene } from '@same-song/core/instruments';
import { SceneView } from '../../scene/SceneView.tsx';
import type { Answered } from './useDrill.ts';

interface DrillEndProps {
  readonly answers: readonly Answered[];
  readonly scene: Scene;
  readonly names: ReadonlyMap<string, string>;
  readonly onAgain: () => void;
}

/** How a round went, and what was wrong in it. */
export function DrillEnd({ answers, scene, names, onAgain }: DrillEndProps) {
  const wrong = answers.filter(({ right }) => !right);
  const weak = new Set(wrong.flatMap(({ question }) => [question.about, ...question.right]));
  return (
    <div className="player drill">
      <h1>
        {answers.length - wrong.length} of {answers.length} right
      </h1>
      {wrong.length === 0 ? (
        <p>Nothing was wrong. It comes again when it is time.</p>
      ) : (
        <>
          <p>What was wrong comes more often next time:</p>
          <ul aria-label="What was wrong">
            {wrong.map(({ question, given }, i) => (
              <li key={i}>
                {question.prompt} <b>{question.answer}</b>
                {question.choices.length > 0 ? `, not ${given}` : ''}
              </li>
            ))}
          </ul>
          <div className="drill-drawing">
            <SceneView scene={scene} label="Where it was wrong" names={names} chosen={weak} />
          </div>
        </>
      )}
      <Button variant="contained" onClick={onAgain}>
        Another round
      </Button>
    </div>
  );
}
