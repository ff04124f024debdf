import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { familyById, type Timbre } from '@same-song/core/instruments';
import { notePitchClass } from '@same-song/core/music';
import {
  drillById,
  drillFits,
  drillRound,
  waysOf,
  weightOf,
  type Drill,
  type DrillContext,
  type DrillNote,
  type DrillQuestion,
} from '@same-song/core/practice';
import type { StoredQuestion } from '@same-song/core/route';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import { playScore } from '../../sound/player.ts';
import type { ScoreSound } from '../../sound/score.ts';
import { soundTrouble } from '../../sound/soundTrouble.ts';
import { playingContext } from '../stand/playingContext.ts';
import { useItemInstrument, type OnStand } from '../stand/onStand.ts';
import { usePlayedAnswer } from './usePlayedAnswer.ts';
import { useTunes } from './useTunes.ts';

/** Length of a beat of what is heard, in seconds. */
const BEAT = 60 / 80;
/** After a right answer the next question comes by itself, in ms. */
const GOES_ON = 900;

/** A question that was answered; `given` is the id of a way or of a choice. */
export interface Answered {
  readonly question: DrillQuestion;
  readonly given: string;
  readonly right: boolean;
}

/** A round of questions: asked, heard, answered one by one, and told to the log. */
export function useDrill({ practice, item, rest, told }: OnStand) {
  const chosen = useItemInstrument(practice, item);
  const { settings } = useSettings();
  if (item.what.kind !== 'drill') throw new Error(`useDrill: ${item.what.kind} is no drill`);
  const { drill: id, question: asks } = item.what;
  const drill = drillById(id)!;
  const family = familyById(chosen?.spec.family ?? '');
  const dialect = family ? dialectOf(settings, family) : '';
  const { data: view } = useMapView(chosen, asks, { naming: settings.naming, dialect });
  const [answers, setAnswers] = useState<readonly Answered[]>([]);
  const [showing, setShowing] = useState<Answered | undefined>(undefined);
  const { context, round, isReady, again } = useDrillRound({ practice, item, chosen, drill, question: asks });
  const question = round[answers.length];
  const nextQuestion = () => {
    if (!showing) return;
    setAnswers([...answers, showing]);
    setShowing(undefined);
  };
  const hasBegun = useRef(false);
  const answer = (given: string, isSimulated = false) => {
    if (!question || showing) return;
    // Time counts from the first answer on, answer by answer.
    if (!hasBegun.current) rest();
    hasBegun.current = true;
    const right = question.right.includes(given);
    setShowing({ question, given, right });
    // What the simulated player answers is nobody's practice.
    if (isSimulated) return;
    // Told at once: a round that is left in its middle is not lost.
    told({
      clean: right,
      tempo: 0,
      keys: [notePitchClass(context!.key.tonic)],
      ways: { [question.about]: { played: 1, missed: Number(!right) } },
    });
  };
  const played = usePlayedAnswer({
    ground: context,
    question: showing ? undefined : question,
    onAnswer: answer,
  });
  const hear = useHearing(showing ? undefined : question, family?.timbre, played.sounding);
  const nextByItself = useEffectEvent(nextQuestion);
  useEffect(() => {
    if (!showing?.right) return undefined;
    // Once for each answer: a page that is drawn again while it listens does not put it off.
    const timer = window.setTimeout(() => nextByItself(), GOES_ON);
    return () => window.clearTimeout(timer);
  }, [showing]);
  return {
    drill,
    view,
    chosen,
    round,
    question,
    answers,
    showing,
    played,
    isOver: round.length > 0 && answers.length >= round.length && !showing,
    isReady,
    answer,
    nextQuestion,
    hear,
    again: () => {
      setAnswers([]);
      again();
    },
  };
}

export type DrillState = ReturnType<typeof useDrill>;

/** The questions of a round: as they were when it began, whatever is learnt meanwhile. */
function useDrillRound({
  practice,
  item,
  chosen,
  drill,
  question,
}: Pick<OnStand, 'practice' | 'item'> & {
  readonly chosen: ReturnType<typeof useItemInstrument>;
  readonly drill: Drill;
  readonly question: StoredQuestion;
}) {
  const [seed, setSeed] = useState(() => Math.floor(Math.random() * 1e9));
  const known = useMemo(
    () => waysOf(practice.entries, item.instrumentId),
    [practice.entries, item.instrumentId],
  );
  /** What was known when the round began: its questions stay as they are. */
  const [weights, setWeights] = useState(known);
  const tunes = useTunes(practice, drill.needs === 'tunes');
  const context = useMemo(
    (): DrillContext | undefined =>
      chosen && {
        ...playingContext(chosen, question),
        ...(tunes && { tunes }),
        weight: (about) => weightOf(weights.get(about)),
      },
    [chosen, question, weights, tunes],
  );
  const round = useMemo(
    () => (context && drillFits(drill, context) ? drillRound(drill, context, seed) : []),
    [context, drill, seed],
  );
  return {
    context,
    round,
    isReady: context !== undefined && (drill.needs !== 'tunes' || tunes !== undefined),
    again: () => {
      setWeights(known);
      setSeed(seed + 1);
    },
  };
}

/**
 * Sounds what is heard of a question as soon as it is asked. @param sounding is told for how many seconds the page itself
 * sounds @returns what sounds notes again
 */
function useHearing(
  question: DrillQuestion | undefined,
  timbre: Timbre | undefined,
  sounding: (seconds: number) => void,
) {
  const hear = useCallback(
    (notes: readonly DrillNote[]) => {
      if (notes.length === 0 || !timbre) return;
      const { sounds, ends } = laidOut(notes);
      sounding(ends);
      const score = { sounds, begins: 0, ends, loop: false, mute: false };
      void playScore(score, timbre, () => undefined).catch(soundTrouble);
    },
    [timbre, sounding],
  );
  useEffect(() => {
    if (question) hear(question.heard);
  }, [question, hear]);
  return hear;
}

/** Notes one after the other. */
function laidOut(notes: readonly DrillNote[]): {
  readonly sounds: readonly ScoreSound[];
  readonly ends: number;
} {
  let ends = 0;
  const sounds = notes.map(({ hz, beats }): ScoreSound => {
    const at = ends;
    ends += beats * BEAT;
    return { kind: 'melody', at, seconds: beats * BEAT, hz };
  });
  return { sounds, ends };
}
