import Button from '@mui/material/Button';
import type { Scene } from '@same-song/core/instruments';
import { isPlayable } from '@same-song/core/practice';
import { Meter } from '../../ear/Meter.tsx';
import { SceneView } from '../../scene/SceneView.tsx';
import type { DrillState } from './useDrill.ts';

interface DrillQuestionProps {
  readonly drill: DrillState;
  readonly scene: Scene;
  /** What each way says to a screen reader; its note is not said while that is asked. */
  readonly names: ReadonlyMap<string, string>;
}

/** One question with its choices or the drawing to answer on, and whether the answer was right. */
export function DrillQuestionView({ drill, scene, names }: DrillQuestionProps) {
  const { question, showing, answers, round, played, hear, answer, nextQuestion } = drill;
  if (!question) return null;
  const isOnDrawing = question.choices.length === 0;
  const right = new Set(showing?.question.right);
  return (
    <div className="player drill">
      <header className="player-head row">
        <h1>{drill.drill.label}</h1>
        <p>
          {drill.chosen?.spec.name} · {Math.min(round.length, answers.length + 1)} of {round.length} ·{' '}
          {answers.filter((one) => one.right).length} right
        </p>
      </header>
      <p className="drill-prompt row strong" role="group" aria-label="The question" aria-live="polite">
        {question.prompt}
        {question.heard.length > 0 && (
          <Button variant="outlined" onClick={() => hear(question.heard)}>
            Hear it again
          </Button>
        )}
      </p>
      <div className="drill-drawing">
        <SceneView
          scene={scene}
          label={isOnDrawing ? 'Answer on the drawing' : 'The instrument'}
          names={names}
          selected={question.shown ?? showing?.given}
          related={right}
          used={right}
          plain={!showing}
          {...(isOnDrawing && { onSelect: (id: string) => answer(id), walked: true })}
        />
      </div>
      {!isOnDrawing && (
        <div className="drill-choices row" role="group" aria-label="Answers">
          {question.choices.map(({ id, label }, i) => (
            <Button
              key={id}
              variant={showing && right.has(id) ? 'contained' : 'outlined'}
              disabled={showing !== undefined}
              onClick={() => answer(id)}
            >
              <kbd>{i + 1}</kbd>&nbsp;{label}
            </Button>
          ))}
        </div>
      )}
      {isPlayable(question) && <AnswerByPlaying played={played} />}
      <p className="drill-answer" role="status">
        {showing && (showing.right ? 'Right.' : `Not quite: ${showing.question.answer}.`)}{' '}
        {showing && !showing.right && (
          <Button variant="contained" onClick={nextQuestion}>
            Go on
          </Button>
        )}
      </p>
    </div>
  );
}

function AnswerByPlaying({ played }: Pick<DrillState, 'played'>) {
  const { ear, toggle, answerSimulated } = played;
  const isListening = ear.state === 'listening';
  return (
    <div className="drill-ear row">
      <Button size="small" variant="outlined" aria-pressed={isListening} onClick={toggle}>
        {isListening ? 'Listening: play the answer' : 'Answer by playing'}
      </Button>
      <Button size="small" variant="text" onClick={answerSimulated}>
        Try it without playing
      </Button>
      <Meter ear={ear} />
      {ear.trouble !== undefined && <p role="alert">{ear.trouble}</p>}
    </div>
  );
}
