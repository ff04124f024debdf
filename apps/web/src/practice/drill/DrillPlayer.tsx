import Button from '@mui/material/Button';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  drillFits,
  drillRound,
  DRILLS,
  familyById,
  isPlayable,
  notePitchClass,
  waysOf,
  weightOf,
  type DrillGround,
  type DrillQuestion,
  type DrillNote,
} from '@same-song/core';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import { Meter } from '../../ear/Meter.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { soundTrouble } from '../../map/usePlayer.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { playLine } from '../../sound/player.ts';
import { groundOf } from '../stand/ground.ts';
import { useChosen, type OnStand } from '../stand/onStand.ts';
import { usePlayedAnswer } from './usePlayedAnswer.ts';
import { useTunes } from './useTunes.ts';

/** Beats a minute in which a question is heard. */
const TEMPO = 80;
/** After a right answer the next question comes by itself, in ms. */
const GOES_ON = 900;

interface Answered {
  readonly question: DrillQuestion;
  readonly given: string;
  readonly right: boolean;
}

/** A round of twenty questions, answered on the drawing or by key, and what was wrong at its end. */
export function DrillPlayer({ practice, item, rest, told }: OnStand) {
  const chosen = useChosen(practice, item);
  const { settings } = useSettings();
  const what = item.what.kind === 'drill' ? item.what : undefined;
  const family = familyById(chosen?.spec.family ?? '');
  const dialect = family ? dialectOf(settings, family) : '';
  const { data: view } = useMapView(chosen, what!.question, { naming: settings.naming, dialect });
  const [seed, setSeed] = useState(() => Math.floor(Math.random() * 1e9));
  const [answers, setAnswers] = useState<readonly Answered[]>([]);
  const [showing, setShowing] = useState<Answered | undefined>(undefined);
  const known = useMemo(
    () => waysOf(practice.entries, item.instrumentId),
    [practice.entries, item.instrumentId],
  );
  /** What was known when the round began: its questions stay as they are. */
  const [weights, setWeights] = useState(known);
  const tunes = useTunes(practice, what?.drill === 'ear-tune');
  const ground = useMemo((): DrillGround | undefined => {
    if (!chosen || !what) return undefined;
    return {
      ...groundOf(chosen, what.question),
      ...(tunes && { tunes }),
      weight: (about) => weightOf(weights.get(about)),
    };
  }, [chosen, what, weights, tunes]);
  const round = useMemo(
    () => (ground && what && drillFits(what.drill, ground) ? drillRound(what.drill, ground, seed) : []),
    [ground, what, seed],
  );
  const question = round[answers.length];
  const over = round.length > 0 && answers.length >= round.length && !showing;
  const timbre = family?.timbre;
  const sounding = useRef<(seconds: number) => void>(() => undefined);
  const hear = useCallback(
    (sounds: readonly DrillNote[]) => {
      if (sounds.length === 0 || !timbre) return;
      let start = 0;
      const line = sounds.map(({ hz, beats }, i) => {
        const sound = { hz, start, beats: 0.95 * beats, id: String(i) };
        start += beats;
        return sound;
      });
      sounding.current((start * 60) / TEMPO);
      playLine(line, TEMPO, { timbre, drones: [] }, () => undefined).catch(soundTrouble);
    },
    [timbre],
  );
  useEffect(() => {
    if (question && !showing) hear(question.heard);
  }, [question, showing, hear]);
  const started = useRef(false);
  const goOn = () => {
    if (!showing) return;
    setAnswers([...answers, showing]);
    setShowing(undefined);
  };
  const answer = (given: string, madeUp = false) => {
    if (!question || showing) return;
    // Time counts from the first answer on, answer by answer.
    if (!started.current) rest();
    started.current = true;
    const right = question.right.includes(given);
    setShowing({ question, given, right });
    // What somebody made up has answered is nobody's practice.
    if (madeUp) return;
    // Told at once: a round that is left in its middle is not lost.
    told({
      clean: right,
      tempo: 0,
      keys: [notePitchClass(ground!.key.tonic)],
      ways: { [question.about]: { played: 1, missed: Number(!right) } },
    });
  };
  const played = usePlayedAnswer({ ground, question: showing ? undefined : question, onAnswer: answer });
  sounding.current = played.sounding;
  useEffect(() => {
    if (!showing?.right) return undefined;
    const timer = window.setTimeout(goOn, GOES_ON);
    return () => window.clearTimeout(timer);
  });
  const again = () => {
    setAnswers([]);
    setWeights(known);
    setSeed(seed + 1);
  };
  const group = 'The drill';
  useShortcuts([
    ...(question?.choices ?? []).map(({ id, label }, i) => ({
      key: String(i + 1),
      label: `Answer ${i + 1}`,
      group,
      run: () => (showing ? goOn() : answer(id)),
      about: label,
    })),
    { key: 'm', label: 'Answer by playing', group, run: played.toggle },
    { key: 'PageDown', label: 'Go on', group, run: over ? again : goOn },
    {
      key: ' ',
      label: 'Hear it again, or go on',
      group,
      run: () => (showing ? goOn() : hear(question?.heard ?? [])),
    },
  ]);
  const names = useMemo(
    () =>
      new Map(
        view?.ways.map((way) => [way.id, question && !showing ? way.words : `${way.words}, ${way.note}`]),
      ),
    [view, question, showing],
  );
  const label = DRILLS.find(({ id }) => id === what?.drill)?.label ?? '';
  if (!view || !ground) return <p className="loading">Opening the drill…</p>;
  if (what?.drill === 'ear-tune' && !tunes) return <p className="loading">Opening your songs…</p>;
  if (round.length === 0)
    return (
      <p>
        {what?.drill === 'ear-tune'
          ? 'There is no song yet whose beginning lies on this instrument.'
          : 'This drill makes no sense on this instrument in this key.'}
      </p>
    );
  if (over) return <DrillEnd answers={answers} onAgain={again} view={view} names={names} />;
  const onDrawing = (question?.choices.length ?? 0) === 0;
  const shown = showing ? showing.question.right : [];
  return (
    <div className="player drill">
      <header className="player-head">
        <h1>{label}</h1>
        <p>
          {chosen?.spec.name} · {Math.min(round.length, answers.length + 1)} of {round.length} ·{' '}
          {answers.filter(({ right }) => right).length} right
        </p>
      </header>
      <p className="drill-prompt" aria-live="polite">
        {question?.prompt}
        {(question?.heard.length ?? 0) > 0 && (
          <Button variant="outlined" onClick={() => hear(question!.heard)}>
            Hear it again
          </Button>
        )}
      </p>
      <div className="drill-drawing">
        <SceneView
          scene={view.scene}
          label={onDrawing ? 'Answer on the drawing' : 'The instrument'}
          names={names}
          selected={showing?.question.shown ?? question?.shown ?? showing?.given}
          related={new Set(shown)}
          used={new Set(shown)}
          plain={!showing}
          {...(onDrawing && { onSelect: (id: string) => answer(id), walked: true })}
        />
      </div>
      {!onDrawing && (
        <div className="drill-choices">
          {question?.choices.map(({ id, label: words }, i) => (
            <Button
              key={id}
              variant={showing && question.right.includes(id) ? 'contained' : 'outlined'}
              disabled={showing !== undefined}
              onClick={() => answer(id)}
            >
              <kbd>{i + 1}</kbd>&nbsp;{words}
            </Button>
          ))}
        </div>
      )}
      {question && isPlayable(question) && (
        <div className="drill-ear">
          <Button
            size="small"
            variant="outlined"
            aria-pressed={played.ear.state === 'listening'}
            onClick={played.toggle}
          >
            {played.ear.state === 'listening' ? 'Listening: play the answer' : 'Answer by playing'}
          </Button>
          <Button size="small" variant="text" onClick={played.madeUp}>
            Try it without playing
          </Button>
          <Meter ear={played.ear} />
          {played.ear.trouble !== undefined && <p role="alert">{played.ear.trouble}</p>}
        </div>
      )}
      <p className="drill-answer" role="status">
        {showing && (showing.right ? 'Right.' : `Not quite: ${showing.question.answer}.`)}{' '}
        {showing && !showing.right && (
          <Button variant="contained" onClick={goOn}>
            Go on
          </Button>
        )}
      </p>
    </div>
  );
}

function DrillEnd({
  answers,
  onAgain,
  view,
  names,
}: {
  readonly answers: readonly Answered[];
  readonly onAgain: () => void;
  readonly view: { readonly scene: Parameters<typeof SceneView>[0]['scene'] };
  readonly names: ReadonlyMap<string, string>;
}) {
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
          <ul>
            {wrong.map(({ question, given }, i) => (
              <li key={i}>
                {question.prompt} <b>{question.answer}</b>
                {question.choices.length > 0 ? `, not ${given}` : ''}
              </li>
            ))}
          </ul>
          <div className="drill-drawing">
            <SceneView scene={view.scene} label="Where it was wrong" names={names} chosen={weak} />
          </div>
        </>
      )}
      <Button variant="contained" onClick={onAgain}>
        Another round
      </Button>
    </div>
  );
}
