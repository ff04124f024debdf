import { useState } from 'react';
import { Loading } from '../../controls/Loading.tsx';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { wayNames } from '../../scene/wayNames.ts';
import { Cautions } from '../stand/Cautions.tsx';
import type { OnStand } from '../stand/onStand.ts';
import { CallAndAnswer } from './CallAndAnswer.tsx';
import { JamBars } from './JamBars.tsx';
import { JamTools } from './JamTools.tsx';
import { StageRounds } from './StageRounds.tsx';
import { useJam, type JamState } from './useJam.ts';

/** Letters of tab of the notes that are allowed, as many as stand in a line. */
const TABS = 24;

/** A progression to play over, in stages: what is allowed now, what the chord of this bar and of the next one has. */
export function JamPlayer(props: OnStand) {
  const jam = useJam(props);
  const { item, view, context, form, chosen, family, stage, stageAt, tones, tempo, keys } = jam;
  const [isCalling, setIsCalling] = useState(false);
  const group = 'Playing over chords';
  useShortcuts([
    { key: ' ', label: 'Begin or stop', group, run: jam.toggle },
    { key: 'PageDown', label: 'The next stage', group, run: () => jam.toStage(stageAt + 1) },
    { key: 'PageUp', label: 'The stage before', group, run: () => jam.toStage(stageAt - 1) },
    { key: 'ArrowUp', label: 'Faster', group, run: () => jam.faster(1) },
    { key: 'ArrowDown', label: 'Slower', group, run: () => jam.faster(-1) },
    { key: 'c', label: 'Call and answer', group, run: () => setIsCalling(!isCalling) },
  ]);
  if (!view || !context || !form || !family || !chosen) return <Loading>Laying out the progression…</Loading>;
  return (
    <div className="player jam">
      <header className="player-head row">
        <h1>{item.name}</h1>
        <p>
          {[chosen.spec.name, ...view.instrumentFacts.slice(0, 1), `round ${jam.rounds + 1}`].join(' · ')}
        </p>
      </header>
      <JamBars chords={form.chords} tonic={context.key.tonic} now={jam.bar} />
      {isCalling ? (
        <CallAndAnswer
          ground={context}
          stage={stage}
          view={view}
          a4={chosen.spec.a4}
          tempo={tempo}
          timbre={family.timbre}
          beats={jam.beats}
          onCall={() => props.begin({ tempo, keys })}
          onSilent={props.rest}
          onAnswered={(clean, ways) => props.told({ clean, tempo, keys, ways })}
        />
      ) : (
        <div className="drill-drawing">
          <SceneView
            scene={view.scene}
            label="What may be played now"
            names={wayNames(view.ways)}
            chosen={tones.now}
            related={tones.next}
            used={tones.allowed}
          />
        </div>
      )}
      <Stages jam={jam} tab={view.ways.filter(({ id }) => tones.allowed.has(id)).map((way) => way.tab)} />
      <StageRounds item={item} stages={context.all} />
      {!jam.isPlaying && jam.rounds === 0 && <Cautions cautions={view.cautions} />}
      <JamTools jam={jam} isCalling={isCalling} onCalling={setIsCalling} />
    </div>
  );
}

/** What the stage allows, and the others to go to. */
function Stages({ jam, tab }: { readonly jam: JamState; readonly tab: readonly string[] }) {
  const { stage, stages, stageAt, toStage } = jam;
  return (
    <>
      <section className="jam-stage large" aria-live="polite">
        <p>
          <b>{stage?.label}</b>: {stage?.about}{' '}
          <small>underlined: allowed now · framed: in this bar’s chord · dashed: in the next</small>
        </p>
        <p className="jam-tab strong" role="group" aria-label="Tab of the stage">
          {tab.slice(0, TABS).join('  ')}
        </p>
      </section>
      <ol className="jam-stages row bare">
        {stages.map(({ id, label }, i) => (
          <li key={id}>
            <LinkButton current={i === stageAt} onClick={() => toStage(i)}>
              {label}
            </LinkButton>
          </li>
        ))}
      </ol>
    </>
  );
}
