import { useMemo, useState } from 'react';
import { expectOk } from '@same-song/core';
import { familyById, type Instrument } from '@same-song/core/instruments';
import { aboveHome, fiveOf, notePitchClass, parseProgression, type Key } from '@same-song/core/music';
import {
  backing,
  formOf,
  grooveById,
  isSounding,
  jamStages,
  ownStages,
  TEMPO_LIMITS,
  USUAL_GROOVE,
  withRounds,
  type Backing,
  type BackingChord,
  type Form,
  type LaidStage,
  type Practised,
} from '@same-song/core/practice';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import type { ChosenInstrument } from '../../question/reference.ts';
import { USUAL_MIX, volumeIn } from '../round/roundScore.ts';
import { useRoundMachine } from '../round/useRoundMachine.ts';
import { playingContext } from '../stand/playingContext.ts';
import { useItemInstrument, type OnStand } from '../stand/onStand.ts';
import { jamScore } from './jamScore.ts';

type Jam = Extract<Practised, { readonly kind: 'jam' }>;

interface JamContext {
  readonly key: Key;
  readonly instrument: Instrument;
  readonly form: Form;
  readonly all: readonly LaidStage[];
  readonly stages: readonly LaidStage[];
}

/** Faster or slower by a step, in beats a minute. */
const TEMPO_STEP = 4;
const ONE_TEMPO = Object.freeze({ step: 1, raiseAfter: 1, fallAfter: 1 });

/** A progression that goes round and round, and the stage that is played over it. */
export function useJam({ practice, item, begin, rest, told }: OnStand) {
  const chosen = useItemInstrument(practice, item);
  const { settings } = useSettings();
  if (item.what.kind !== 'jam') throw new Error(`useJam: ${item.what.kind} is no jam`);
  const { question, beats } = item.what;
  const family = familyById(chosen?.spec.family ?? '');
  const dialect = family ? dialectOf(settings, family) : '';
  const { data: view } = useMapView(chosen, question, { naming: settings.naming, dialect });
  const context = useJamContext(chosen, item.what);
  const [groove, setGroove] = useState(item.how.groove === '' ? USUAL_GROOVE : item.how.groove);
  const [tempo, setTempo] = useState(item.how.tempo);
  const [mix, setMix] = useState(USUAL_MIX);
  const [stopAfter, setStopAfter] = useState(0);
  const under = useMemo(() => {
    if (!context) return undefined;
    const how = { groove: grooveById(groove), perMinute: tempo, home: notePitchClass(context.key.tonic) };
    const versions = [backing(context.form, how), backing(context.form, { ...how, version: 1 })] as const;
    return { how, versions };
  }, [context, groove, tempo]);
  const form = under?.versions[0];
  const stages = useStages(context?.stages ?? []);
  const keys = context ? [notePitchClass(context.key.tonic)] : [];
  const { state, send } = useRoundMachine({
    ladder: { ...ONE_TEMPO, from: tempo, to: tempo },
    tempo,
    mode: 'loops',
    subject: form,
    lay: () =>
      context &&
      under &&
      family &&
      chosen && {
        score: jamScore(context.form, under.versions, {
          beats,
          how: under.how,
          a4: chosen.spec.a4,
          rounds: stopAfter,
        }),
        timbre: family.timbre,
      },
    volumeOf: (kind) => volumeIn(mix, kind),
    handlers: {
      began: () => begin({ tempo, keys }),
      rested: rest,
      report: () => {
        told({ tempo, keys });
        stages.countRound();
      },
    },
  });
  const tones = useTones(context, form, stages.stage, state.place);
  const isPlaying = isSounding(state);
  const { least, most } = TEMPO_LIMITS;
  return {
    item,
    chosen,
    family,
    view,
    context,
    form,
    beats,
    keys,
    ...stages,
    tones,
    groove,
    setGroove,
    tempo,
    setTempo,
    faster: (by: -1 | 1) => setTempo(Math.min(most, Math.max(least, tempo + by * TEMPO_STEP))),
    mix,
    setMix,
    stopAfter,
    setStopAfter,
    rounds: state.played,
    /** Place of the bar that sounds. */
    bar: state.place === undefined ? undefined : form?.chords[state.place]?.bar,
    isPlaying,
    toggle: () => send({ kind: isPlaying ? 'stop' : 'begin' }),
  };
}

export type JamState = ReturnType<typeof useJam>;

/** The instrument in the key of a jam, its form, and all its stages with those that are played. */
function useJamContext(
  chosen: ChosenInstrument | undefined,
  { question, text, beats, rounds, own }: Jam,
): JamContext | undefined {
  return useMemo(() => {
    if (!chosen) return undefined;
    const { key, instrument } = playingContext(chosen, question);
    const progression = expectOk(parseProgression('', text, beats, key.tonic));
    const chords = progression.bars.flat();
    const all = [
      ...jamStages(instrument, key, { chords, five: fiveOf(key.scale) }),
      ...ownStages(instrument, key, own ?? []),
    ];
    return { key, instrument, form: formOf(progression), all, stages: withRounds(all, rounds) };
  }, [chosen, question, text, beats, rounds, own]);
}

/** Ids of the ways that the stage allows, and of those that are in the chord of this bar and of the next one. */
function useTones(
  context: JamContext | undefined,
  form: Backing | undefined,
  stage: LaidStage | undefined,
  place: number | undefined,
) {
  return useMemo(() => {
    const allowed = new Set(stage?.allowed);
    const waysIn = (chord: BackingChord | undefined) =>
      new Set(
        context?.instrument.ways
          .filter(
            ({ id, pitch }) => allowed.has(id) && chord?.chord.tones.includes(aboveHome(context.key, pitch)),
          )
          .map(({ id }) => id),
      );
    const chords = form?.chords ?? [];
    const now = chords[place ?? 0];
    const next = chords.find((chord) => chord.bar > (now?.bar ?? 0)) ?? chords[0];
    return { allowed, now: waysIn(now), next: waysIn(next) };
  }, [context, form, stage, place]);
}

/** The stage that is played, which is followed by the next after its rounds. */
function useStages<S extends { readonly rounds: number }>(stages: readonly S[]) {
  const [stageAt, setStageAt] = useState(0);
  /** Rounds of the stage so far. */
  const [played, setPlayed] = useState(0);
  const last = stages.length - 1;
  const stage: S | undefined = stages[Math.min(stageAt, last)];
  const toStage = (to: number) => {
    setPlayed(0);
    setStageAt(Math.min(last, Math.max(0, to)));
  };
  return {
    stages,
    stage,
    stageAt,
    toStage,
    countRound: () => {
      if (stage && played + 1 >= stage.rounds && stageAt < last) toStage(stageAt + 1);
      else setPlayed(played + 1);
    },
  };
}
