import ToggleButton from '@mui/material/ToggleButton';
import Button from '@mui/material/Button';
import { useMemo, useState, type ReactNode } from 'react';
import {
  chordSymbol,
  FORMS,
  keyOf,
  noteText,
  notesOver,
  parseNote,
  parseProgression,
  scaleById,
  type Chord,
  type FittedNote,
  type Key,
  type Progression,
  type Role,
} from '@same-song/core/music';
import { usualGrooveFor } from '@same-song/core/practice';
import { NumberField } from '../controls/NumberField.tsx';
import { progressions, type ProgressionRecord } from '../api/records.ts';
import { useChordScene } from '../compute/compute.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useAddToPractice } from '../practice/useAddToPractice.ts';
import { tonicWords } from '../question/questionWords.ts';
import { SceneView } from '../scene/SceneView.tsx';
import type { KeysViewProps } from './keysView.ts';
import { SuitableScales } from './SuitableScales.tsx';

const FIT_WORDS = { chord: 'chord tone', passing: 'passing', blue: 'blue note', clash: 'clashes' } as const;

/** The progression that the link names, or what was typed over it, in the key of the question. */
function useProgression({ question, param }: KeysViewProps['state']) {
  const { data: kept } = progressions.useList();
  const forms = [...FORMS, ...(kept ?? [])];
  const form = forms.find(({ id }) => id === param('form')) ?? FORMS[0];
  const text = param('bars') || form.text;
  const beats = Number(param('beats')) || form.beats;
  const scale = scaleById(question.scale);
  const tonic = parseNote(question.tonic);
  const key = useMemo(
    () => (scale.ok && tonic.ok ? keyOf(scale.value, tonic.value) : undefined),
    [scale, tonic],
  );
  const parsed = useMemo(
    () => parseProgression(form.name, text, beats, key?.tonic),
    [form.name, text, beats, key],
  );
  const bar = Math.max(0, Number(param('bar')) || 0);
  const progression = parsed.ok ? parsed.value : undefined;
  return {
    forms,
    form,
    own: kept?.find(({ id }) => id === form.id),
    text,
    beats,
    key,
    progression,
    /** The chords by degree, bar by bar. */
    byDegree: progression?.bars.map((chords) => chords.map(({ name }) => name).join(',')).join(' '),
    problem: parsed.ok ? undefined : parsed.problems[0],
    bar,
    chord: progression?.bars[bar]?.[0] ?? progression?.bars[0]?.[0],
  };
}

/** A progression in the chosen key: what the scale is over every bar, on the drawing too, and scales that suit it better. */
export function ProgressionView({ state }: KeysViewProps) {
  const { question, chosen, settings, setParam, setParams, change } = state;
  const { forms, form, own, text, beats, key, progression, byDegree, problem, bar, chord } =
    useProgression(state);
  /** Another progression begins as it is written, not with what was typed over the last one. */
  const chooseForm = (id: string) => setParams({ bars: '', beats: '', form: id }, 'the progression');
  const roles = useMemo(() => (key && chord ? rolesOver(key, chord) : undefined), [key, chord]);
  const { scale, tonic } = question;
  const { data: scene } = useChordScene(chosen, { scale, tonic }, roles, settings.naming);
  return (
    <div className="split keys-split">
      <div>
        <Editor
          text={text}
          byDegree={byDegree}
          beats={beats}
          forms={forms}
          form={form.id}
          problem={problem}
          onForm={chooseForm}
          onText={(next) => setParam('bars', next === form.text ? '' : next, 'the chords')}
          onBeats={(next) => setParam('beats', next === form.beats ? '' : String(next), 'the beats')}
        >
          {byDegree !== undefined && (
            <PractiseProgression state={state} name={form.name} text={byDegree} beats={beats} />
          )}
        </Editor>
        {own && <BinProgression record={own} onGone={() => setParam('form', '', 'the progression')} />}
        {progression && key && (
          <Bars
            progression={progression}
            keyOfAll={key}
            bar={bar}
            onBar={(i) => setParam('bar', String(i), 'the bar')}
          />
        )}
        {scene && chord && key && (
          <>
            <h2>
              Over {chordSymbol(chord, key.tonic)} on {chosen!.spec.name}
            </h2>
            <figure className="figure">
              <div className="lesson-drawing">
                <SceneView scene={scene} label={`${chosen!.spec.name} over ${chord.name}`} />
              </div>
              <FigureTools title={`Over ${chordSymbol(chord, key.tonic)} on ${chosen!.spec.name}`} />
            </figure>
            <p className="keys-legend">
              Solid: chord tones · outlined: passing or blue · lozenge: clashes · dot: not in the scale
            </p>
          </>
        )}
      </div>
      <aside className="keys-side card" aria-label="How the scale suits">
        {progression && key && (
          <SuitableScales
            progression={progression}
            current={key}
            onScale={(id) => change('the scale', { scale: id })}
          />
        )}
      </aside>
    </div>
  );
}

/** Makes the chords something to play over, by its key too. */
function PractiseProgression({
  state: { chosen, question },
  name,
  text,
  beats,
}: KeysViewProps & { readonly name: string; readonly text: string; readonly beats: number }) {
  const practise = useAddToPractice();
  const run = () =>
    practise({
      name: `${name} in ${tonicWords(question)}`,
      instrumentId: chosen?.record?.id,
      what: { kind: 'jam', text, beats, question },
      how: { groove: usualGrooveFor(beats) },
    });
  useShortcuts([{ key: 'b', label: 'Practise over these chords', group: 'The progression', run }]);
  return (
    <Button variant="outlined" size="small" title="B" onClick={run}>
      Practise over them
    </Button>
  );
}

function rolesOver(key: Key, chord: Chord): readonly Role[] {
  const notes = new Map(notesOver(key.scale, chord).map((note) => [note.semitone, note]));
  return Array.from({ length: 12 }, (_, semitone): Role => {
    const note = notes.get(semitone);
    if (!note) return 'outside';
    if (note.fit === 'clash') return 'colour';
    return note.fit === 'chord' ? (semitone === 0 ? 'home' : 'chord') : 'scale';
  });
}

interface EditorProps {
  readonly text: string;
  /** The same chords by degree, as they are kept: names belong to one key. */
  readonly byDegree: string | undefined;
  readonly beats: number;
  readonly forms: readonly { readonly id: string; readonly name: string }[];
  readonly form: string;
  readonly problem:
    | { readonly message: string; readonly position?: number; readonly field: string }
    | undefined;
  readonly onForm: (id: string) => void;
  readonly onText: (text: string) => void;
  readonly onBeats: (beats: number) => void;
  /** What else can be done with it. */
  readonly children: ReactNode;
}

function Editor({
  text,
  byDegree,
  beats,
  forms,
  form,
  problem,
  onForm,
  onText,
  onBeats,
  children,
}: EditorProps) {
  const [typed, setTyped] = useState(text);
  const [shown, setShown] = useState(text);
  if (shown !== text) {
    setShown(text);
    setTyped(text);
  }
  return (
    <div className="chords-editor row">
      <Picklist
        label="Progression"
        value={form}
        choices={forms.map(({ id, name }) => ({ id, label: name }))}
        onChange={onForm}
      />
      <label className="chords-text">
        Chords by degree, bar by bar{' '}
        <input
          value={typed}
          aria-invalid={problem?.field === 'text'}
          maxLength={4000}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => onText(typed)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') onText(typed);
          }}
        />
      </label>
      <NumberField label="Beats" value={beats} least={2} most={12} onChange={onBeats} />
      <KeepProgression text={byDegree ?? text} beats={beats} sound={!problem} />
      {children}
      {problem && (
        <p className="editor-problems" role="alert">
          {problem.message}
          {problem.position !== undefined && ` It stands at character ${problem.position + 1}.`}
        </p>
      )}
    </div>
  );
}

/** Keeps what is written under a name. */
function KeepProgression({ text, beats, sound }: { text: string; beats: number; sound: boolean }) {
  const [name, setName] = useState('');
  const { keep, busy } = useRecordActions(progressions);
  const keepIt = () =>
    keep(
      { name, text, beats },
      {
        label: (record) => `keeping ${record.name}`,
        notice: (record) => `Kept “${record.name}”.`,
        onKept: () => setName(''),
      },
    );
  return (
    <label>
      Keep as{' '}
      <input
        value={name}
        maxLength={120}
        placeholder="a name"
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && sound) keepIt();
        }}
      />{' '}
      <Button
        size="small"
        variant="outlined"
        disabled={!sound || name.trim() === '' || busy}
        onClick={keepIt}
      >
        Keep
      </Button>
    </label>
  );
}

/** A progression of one's own goes to the bin, and comes back by undo. */
function BinProgression({ record, onGone }: { record: ProgressionRecord; onGone: () => void }) {
  const { moveToBin, busy } = useRecordActions(progressions);
  return (
    <Button size="small" variant="text" onClick={() => moveToBin(record, onGone)} disabled={busy}>
      Put “{record.name}” into the bin
    </Button>
  );
}

interface BarsProps {
  readonly progression: Progression;
  readonly keyOfAll: Key;
  readonly bar: number;
  readonly onBar: (bar: number) => void;
}

/** Bar by bar: the chord, and every note of the scale as chord tone, passing or clash. */
function Bars({ progression, keyOfAll, bar, onBar }: BarsProps) {
  return (
    <ol className="bars" aria-label="Bars">
      {progression.bars.map((chords, i) => (
        <li key={i}>
          <ToggleButton value={i} selected={i === bar} onChange={() => onBar(i)}>
            <span className="bars-number soft small">{i + 1}</span>
            {chords.map((chord, c) => (
              <span key={c} className="bars-chord">
                <b>{chordSymbol(chord, keyOfAll.tonic)}</b> {chord.name}
                <span className="row">
                  {notesOver(keyOfAll.scale, chord).map((note) => (
                    <BarNote key={note.semitone} note={note} keyOfAll={keyOfAll} />
                  ))}
                </span>
              </span>
            ))}
          </ToggleButton>
        </li>
      ))}
    </ol>
  );
}

function BarNote({ note, keyOfAll }: { note: FittedNote; keyOfAll: Key }) {
  const name = (semitone: number) => noteText(keyOfAll.names[semitone]!);
  const instead = note.instead === undefined ? '' : `, rather ${name(note.instead)}`;
  const about = note.why ? `: ${note.why}${instead}` : '';
  return (
    <span
      className={`bars-note fit-${note.fit}`}
      title={`${name(note.semitone)} ${FIT_WORDS[note.fit]}${about}`}
    >
      {name(note.semitone)}
    </span>
  );
}
