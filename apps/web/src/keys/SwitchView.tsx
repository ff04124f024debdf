import { useMemo } from 'react';
import {
  noteCode,
  notePitchClass,
  parseNote,
  scaleById,
  SCALES,
  USUAL_KEYS,
  usualTonic,
  type NoteName,
} from '@same-song/core/music';
import type { Switching } from '@same-song/core/route';
import type { KeyQuestion } from '../compute/worker.ts';
import { useSwitching } from '../compute/compute.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { SceneView } from '../scene/SceneView.tsx';
import { tabLine } from '../question/tabLine.ts';
import { scaleName, tonicText } from './cellWords.ts';
import { dialectOf } from '../api/settings.ts';
import type { KeysViewProps } from './keysView.ts';

/** From one key to another on one instrument: a short list that a pupil can follow. */
export function SwitchView({ state }: KeysViewProps) {
  const { chosen, question, family, settings, param, setParam } = state;
  const toScale = scaleById(param('toscale') || question.scale);
  const scale = toScale.ok ? toScale.value.id : question.scale;
  const to = useMemo(() => {
    const typed = parseNote(param('to'));
    const from = parseNote(question.tonic);
    const fifthUp = ((from.ok ? notePitchClass(from.value) : 0) + 7) % 12;
    const found = scaleById(scale);
    if (typed.ok) return noteCode(typed.value);
    return found.ok ? noteCode(usualTonic(found.value, fifthUp)) : 'C';
  }, [param, question.tonic, scale]);
  const dialect = dialectOf(settings, family);
  const from = { scale: question.scale, tonic: question.tonic };
  const { data, error } = useSwitching(
    chosen,
    from,
    { scale, tonic: to },
    { dialect, naming: settings.naming },
  );
  const { separator } = family.dialects.find((d) => d.id === dialect)!;
  const spelled = (key: NoteName) => (toScale.ok ? usualTonic(toScale.value, notePitchClass(key)) : key);
  const keys = [...new Set([to, ...USUAL_KEYS.map((key) => noteCode(spelled(key)))])];
  const scales = [...new Set([scale, ...SCALES.map((s) => s.id)])];
  return (
    <div className="switch">
      <p className="switch-question large">
        From <b>{`${tonicWords(question)} ${scaleWords(question)}`}</b> to{' '}
        <Picklist
          label="Key to go to"
          silent
          value={to}
          choices={keys.map((id) => ({ id, label: tonicText(id) }))}
          onChange={(id) => setParam('to', id, 'the key to go to')}
        />{' '}
        <Picklist
          label="Scale to go to"
          silent
          value={scale}
          choices={scales.map((id) => ({ id, label: scaleName(id) }))}
          onChange={(id) => setParam('toscale', id, 'the scale to go to')}
        />
      </p>
      {error && <p role="alert">This cannot be worked out: {error.message}</p>}
      {data && (
        <SwitchSteps
          switching={data}
          keys={[from, { scale, tonic: to }]}
          on={chosen!.spec.name}
          separator={separator}
        />
      )}
    </div>
  );
}

interface SwitchStepsProps {
  readonly switching: Switching;
  /** The key that is left and the one that is gone to. */
  readonly keys: readonly [KeyQuestion, KeyQuestion];
  /** Name of the instrument. */
  readonly on: string;
  readonly separator: string;
}

/** What to set, which ways to leave out, to take in and to keep, and both keys drawn. */
function SwitchSteps({ switching, keys, on, separator }: SwitchStepsProps) {
  const { todo, missing, drop, take, keep, scenes, facts } = switching;
  const rows = [
    { title: 'Leave out now', ways: drop },
    { title: 'Take in now', ways: take },
    { title: 'Stay', ways: keep },
  ];
  const changed = [drop, take];
  return (
    <div className="split switch-split">
      <div>
        <h2>To do</h2>
        {todo.length === 0 ? (
          <p>Nothing to set. Only the notes change.</p>
        ) : (
          <ul>
            {todo.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ul>
        )}
        {missing.length > 0 && (
          <p>
            Not to be had as it is now: <b>{missing.join(', ')}</b>.
          </p>
        )}
        {rows.map(({ title, ways }) => (
          <section key={title}>
            <h2>{title}</h2>
            <p className="switch-ways">{tabLine(ways, separator) || 'nothing'}</p>
          </section>
        ))}
      </div>
      <div>
        {keys.map(({ tonic, scale }, i) => {
          const name = `${tonicText(tonic)} ${scaleName(scale)}`;
          return (
            <figure key={name} className="switch-drawing">
              <figcaption>
                <b>{name}</b> {facts[i]![0]}
              </figcaption>
              <SceneView
                scene={scenes[i]!}
                label={`${name} on ${on}`}
                used={new Set(changed[i]!.map(({ id }) => id))}
              />
              <FigureTools title={`${name} on ${on}`} />
            </figure>
          );
        })}
        <p className="keys-legend">Underlined: what changes, left out above and taken in below.</p>
      </div>
    </div>
  );
}
