import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import {
  aboveHome,
  backing,
  chordSymbol,
  expectOk,
  familyById,
  fiveOf,
  formOf,
  GROOVES,
  grooveById,
  isSounding,
  jamStages,
  notePitchClass,
  ownStages,
  parseProgression,
  withRounds,
  type BackingChord,
} from '@same-song/core';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import { Picklist } from '../../controls/Picklist.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { TempoField } from '../../map/TempoField.tsx';
import { SceneView } from '../../scene/SceneView.tsx';
import { wayNames } from '../../scene/wayNames.ts';
import { CallAndAnswer } from './CallAndAnswer.tsx';
import { Cautions } from '../stand/Cautions.tsx';
import { groundOf } from '../stand/ground.ts';
import { jamScore } from './jamScore.ts';
import { Mixer } from '../stand/Mixer.tsx';
import { useChosen, type OnStand } from '../stand/onStand.ts';
import { StageRounds } from './StageRounds.tsx';
import { USUAL_MIX, volumeIn } from '../round/roundScore.ts';
import { useRoundMachine } from '../round/useRoundMachine.ts';

/** A progression to play over, in stages: what is allowed now, what the chord of this bar and of the next one has. */
export function JamPlayer({ practice, item, begin, rest, told }: OnStand) {
  const chosen = useChosen(practice, item);
  const { settings } = useSettings();
  const what = item.what.kind === 'jam' ? item.what : undefined;
  const { question, text, beats, rounds: kept, own } = what!;
  const family = familyById(chosen?.spec.family ?? '');
  const dialect = family ? dialectOf(settings, family) : '';
  const { data: view } = useMapView(chosen, question, { naming: settings.naming, dialect });
  const ground = useMemo(() => {
    if (!chosen) return undefined;
    const { key, instrument } = groundOf(chosen, question);
    const { tonic } = key;
    const progression = expectOk(parseProgression('', text, beats, tonic));
    const chords = progression.bars.flat();
    const all = [
      ...jamStages(instrument, key, { chords, five: fiveOf(key.scale) }),
      ...ownStages(instrument, key, own ?? []),
    ];
    return { key, tonic, instrument, progression, all, stages: withRounds(all, kept) };
  }, [chosen, question, text, beats, kept, own]);
  const [groove, setGroove] = useState(item.how.groove === '' ? 'straight' : item.how.groove);
  const [tempo, setTempo] = useState(item.how.tempo);
  const [mix, setMix] = useState(USUAL_MIX);
  const [stageAt, setStageAt] = useState(0);
  /** Rounds of the stage so far. */
  const [stageRounds, setStageRounds] = useState(0);
  const [stopAfter, setStopAfter] = useState(0);
  const [calling, setCalling] = useState(false);
  const under = useMemo(
    () =>
      ground &&
      backing(formOf(ground.progression), {
        groove: grooveById(groove),
        perMinute: tempo,
        home: notePitchClass(ground.tonic),
      }),
    [ground, groove, tempo],
  );
  const stages = ground?.stages ?? [];
  const stage = stages[Math.min(stageAt, stages.length - 1)];
  const keys = ground ? [notePitchClass(ground.tonic)] : [];
  const { state, send } = useRoundMachine({
    ladder: { from: tempo, to: tempo, step: 1, raiseAfter: 1, fallAfter: 1 },
    tempo,
    mode: 'loops',
    subject: under,
    lay: () =>
      under &&
      family &&
      chosen && {
        score: jamScore(under, { beats, perMinute: tempo, a4: chosen.spec.a4, rounds: stopAfter }),
        timbre: family.timbre,
      },
    volumeOf: (kind) => volumeIn(mix, kind),
    handlers: {
      began: () => begin({ tempo, keys }),
      rested: rest,
      report: () => {
        told({ tempo, keys });
        const isDone = stageRounds + 1 >= (stage?.rounds ?? Infinity) && stageAt < stages.length - 1;
        setStageRounds(isDone ? 0 : stageRounds + 1);
        if (isDone) setStageAt(stageAt + 1);
      },
    },
  });
  const { played: rounds, place: chordAt } = state;
  const playing = isSounding(state);
  const toggle = () => send({ kind: playing ? 'stop' : 'begin' });
  const toStage = (to: number) => {
    setStageRounds(0);
    setStageAt(Math.min(stages.length - 1, Math.max(0, to)));
  };
  const group = 'Playing over chords';
  useShortcuts([
    { key: ' ', label: 'Begin or stop', group, run: toggle },
    { key: 'PageDown', label: 'The next stage', group, run: () => toStage(stageAt + 1) },
    { key: 'PageUp', label: 'The stage before', group, run: () => toStage(stageAt - 1) },
    { key: 'ArrowUp', label: 'Faster', group, run: () => setTempo(Math.min(300, tempo + 4)) },
    { key: 'ArrowDown', label: 'Slower', group, run: () => setTempo(Math.max(20, tempo - 4)) },
    { key: 'c', label: 'Call and answer', group, run: () => setCalling(!calling) },
  ]);
  const tones = useMemo(() => {
    if (!ground || !under) return { now: NONE, next: NONE };
    const allowed = new Set(stage?.allowed);
    const of = (chord: BackingChord | undefined) =>
      new Set(
        ground.instrument.ways
          .filter(
            ({ id, pitch }) => allowed.has(id) && chord?.chord.tones.includes(aboveHome(ground.key, pitch)),
          )
          .map(({ id }) => id),
      );
    const at = chordAt ?? 0;
    const bar = under.chords[at]?.bar ?? 0;
    const next = under.chords.find((chord) => chord.bar > bar) ?? under.chords[0];
    return { now: of(under.chords[at]), next: of(next) };
  }, [ground, under, stage, chordAt]);
  if (!view || !ground || !under) return <p className="loading">Laying out the progression…</p>;
  const bars = barsOf(under.chords);
  const nowBar = chordAt === undefined ? undefined : under.chords[chordAt]?.bar;
  const allowed = new Set(stage?.allowed);
  const names = wayNames(view.ways);
  const tab = view.ways.filter(({ id }) => allowed.has(id)).map((way) => way.tab);
  return (
    <div className="player jam">
      <header className="player-head">
        <h1>{item.name}</h1>
        <p>{[chosen?.spec.name, ...view.instrumentFacts.slice(0, 1), `round ${rounds + 1}`].join(' · ')}</p>
      </header>
      <ol className="jam-bars">
        {bars.map(({ bar, chords }) => (
          <li
            key={bar}
            className={bar === nowBar ? 'now' : bar === (nowBar ?? -1) + 1 ? 'next' : ''}
            aria-current={bar === nowBar}
          >
            {chords.map(({ chord }) => chordSymbol(chord, ground.tonic)).join(' ')}
          </li>
        ))}
      </ol>
      {calling && family && chosen ? (
        <CallAndAnswer
          ground={ground}
          stage={stage}
          view={view}
          a4={chosen.spec.a4}
          tempo={tempo}
          timbre={family.timbre}
          beats={beats}
          onCall={() => begin({ tempo, keys })}
          onSilent={rest}
          onAnswered={(clean, ways) => told({ clean, tempo, keys, ways })}
        />
      ) : (
        <div className="drill-drawing">
          <SceneView
            scene={view.scene}
            label="What may be played now"
            names={names}
            chosen={tones.now}
            related={tones.next}
            used={allowed}
          />
        </div>
      )}
      <section className="jam-stage" aria-live="polite">
        <p>
          <b>{stage?.label}</b>: {stage?.about}{' '}
          <small>underlined: allowed now · framed: in this bar’s chord · dashed: in the next</small>
        </p>
        <p className="jam-tab">{tab.slice(0, 24).join('  ')}</p>
      </section>
      <ol className="jam-stages">
        {stages.map((one, i) => (
          <li key={one.id}>
            <button type="button" className="link" aria-current={i === stageAt} onClick={() => toStage(i)}>
              {one.label}
            </button>
          </li>
        ))}
      </ol>
      <StageRounds item={item} stages={ground.all} />
      {!playing && rounds === 0 && <Cautions cautions={view.cautions} />}
      <footer className="player-foot">
        <div className="player-keys">
          <Button variant="contained" onClick={toggle}>
            {playing ? 'Stop' : 'Begin'}
          </Button>
          <Button variant="outlined" aria-pressed={calling} onClick={() => setCalling(!calling)}>
            {calling ? 'Back to the drawing' : 'Call and answer'}
          </Button>
          <TempoField tempo={tempo} onTempo={setTempo} />
          <Picklist
            label="groove"
            value={groove}
            choices={GROOVES.map(({ id, label }) => ({ id, label }))}
            onChange={setGroove}
          />
          <Picklist
            label="stop after"
            value={String(stopAfter)}
            choices={[0, 2, 4, 8, 16].map((n) => ({
              id: String(n),
              label: n === 0 ? 'never' : `${n} rounds`,
            }))}
            onChange={(id) => setStopAfter(Number(id))}
          />
        </div>
        <Mixer mix={mix} onMix={setMix} accompanied melody={false} />
        <p className="player-help">
          Space begins and stops · Page Down the next stage · C call and answer · ↑ ↓ tempo
        </p>
      </footer>
    </div>
  );
}

const NONE: ReadonlySet<string> = new Set();

function barsOf(chords: readonly BackingChord[]) {
  const of = new Map<number, BackingChord[]>();
  for (const chord of chords) of.set(chord.bar, [...(of.get(chord.bar) ?? []), chord]);
  return [...of].map(([bar, own]) => ({ bar, chords: own }));
}
