import { arc } from 'd3-shape';
import { useMemo, useRef, type KeyboardEvent } from 'react';
import { counted, withArticle } from '@same-song/core';
import {
  keySignature,
  noteCode,
  notePitchClass,
  noteText,
  parseNote,
  scaleById,
  USUAL_KEYS,
  usualTonic,
  type NoteName,
} from '@same-song/core/music';
import { homeInPosition, keyFacts, usualInstrument } from '@same-song/core/route';
import { LinkButton } from '../controls/LinkButton.tsx';
import { FigureTools } from '../controls/FigureTools.tsx';
import { Picklist } from '../controls/Picklist.tsx';
import { keyIn } from '../question/questionWords.ts';
import { ownKeyOf, presetRef } from '../question/reference.ts';
import type { KeysViewProps } from './keysView.ts';

/** Radii in the drawing's own units. */
const R = { out: 230, key: 172, minor: 116, inner: 70 };

/** Where a key stands on the circle, counted clockwise from the instrument's own. */
interface Segment {
  readonly note: NoteName;
  readonly minor: NoteName;
  /** 0 at the top. */
  readonly step: number;
  readonly position: number;
}

/**
 * Keys by fifths, turned so that the instrument's own key stands at the top: the steps from it, plus one, are the
 * positions of harmonica players. Choosing a key asks for it; key and position together give the instrument.
 */
export function CircleView({ state }: KeysViewProps) {
  const { chosen, question, param, setParam, change, changeInstrument } = state;
  const fourths = param('turn') === 'fourths';
  const home = ownKeyOf(chosen).home;
  const played = parseNote(question.tonic);
  const tonic = played.ok ? notePitchClass(played.value) : 0;
  const segments = useMemo(() => segmentsFrom(home, fourths), [home, fourths]);
  const current = segments.find((segment) => notePitchClass(segment.note) === tonic) ?? segments[0]!;
  const wanted = Number(param('position')) || current.position;
  const instrumentHome = homeInPosition(tonic, wanted);
  const needed = USUAL_KEYS[instrumentHome]!;
  /** The segment chosen by all keys pressed so far, drawn or not yet drawn. */
  const now = () => {
    const latest = parseNote(state.current().question.tonic);
    return (
      segments.find((s) => latest.ok && notePitchClass(s.note) === notePitchClass(latest.value)) ?? current
    );
  };
  const choose = (segment: Segment) => {
    const scale = scaleById(question.scale);
    const note = scale.ok ? usualTonic(scale.value, notePitchClass(segment.note)) : segment.note;
    change(`key ${noteText(note)}`, { tonic: noteCode(note) });
  };
  return (
    <div className="split circle-split">
      <figure className="figure">
        <Circle segments={segments} current={current} now={now} onChoose={choose} />
        <FigureTools title={`The circle from ${noteText(USUAL_KEYS[home]!)}`} />
      </figure>
      <section className="circle-words" aria-label="This key">
        <div className="keys-tools row">
          <Picklist
            label="Clockwise"
            value={param('turn')}
            choices={TURNS}
            onChange={(turn) => setParam('turn', turn, 'the circle')}
          />
        </div>
        <KeyWords segment={current} home={USUAL_KEYS[home]!} />
        <ScaleWords state={state} />
        <h3>Key and position give the harmonica</h3>
        <p className="circle-position">
          To play in {noteText(current.note)} in{' '}
          <Picklist
            label="Position"
            silent
            value={String(wanted)}
            choices={POSITIONS}
            onChange={(position) => setParam('position', position, 'the position')}
          />{' '}
          take <b>{noteText(needed)}</b>.{' '}
          <LinkButton
            onClick={() =>
              changeInstrument(usualRef(instrumentHome), withArticle(`${noteText(needed)} harmonica`))
            }
          >
            Try {withArticle(`${noteText(needed)} harmonica`)}
          </LinkButton>
        </p>
      </section>
    </div>
  );
}

/** The usual harmonica in a key. */
function usualRef(home: number): string {
  const { family, preset } = usualInstrument(home);
  return presetRef(family, preset);
}

/** What a scale other than major takes its signature from. */
function ScaleWords({ state }: KeysViewProps) {
  const { question, settings } = state;
  const key = keyIn(question);
  if (!key || key.scale.id === 'major') return null;
  const { mode, signature, againstMajor } = keyFacts(key, settings.naming);
  const facts = [mode, signature].filter((fact) => fact !== undefined);
  return (
    <p>
      <b>
        {noteText(key.tonic)} {key.scale.name}
      </b>{' '}
      {facts.length > 0 ? `is ${facts.join(', with ')}` : `against that: ${againstMajor}`}.
    </p>
  );
}

const TURNS = [
  { id: '', label: 'by fifths' },
  { id: 'fourths', label: 'by fourths' },
];
const POSITIONS = Array.from({ length: 12 }, (_, i) => ({
  id: String(i + 1),
  label: `${ordinal(i + 1)} position`,
}));

function ordinal(n: number): string {
  return `${n}${['st', 'nd', 'rd'][n - 1] ?? 'th'}`;
}

function segmentsFrom(home: number, fourths: boolean): Segment[] {
  return Array.from({ length: 12 }, (_, step) => {
    const fifths = fourths ? (12 - step) % 12 : step;
    const pc = (home + 7 * fifths) % 12;
    const note = USUAL_KEYS[pc]!;
    return { note, minor: keySignature(note).relativeMinor, step, position: fifths + 1 };
  });
}

interface CircleProps {
  readonly segments: readonly Segment[];
  readonly current: Segment;
  readonly now: () => Segment;
  readonly onChoose: (segment: Segment) => void;
}

function Circle({ segments, current, now, onChoose }: CircleProps) {
  const svg = useRef<SVGSVGElement>(null);
  const half = Math.PI / 12;
  const shape = arc<Segment>()
    .startAngle((s) => (s.step * Math.PI) / 6 - half)
    .endAngle((s) => (s.step * Math.PI) / 6 + half)
    .padAngle(0.012)
    .cornerRadius(4);
  const at = (step: number, radius: number) => {
    const angle = (step * Math.PI) / 6 - Math.PI / 2;
    return { x: Math.cos(angle) * radius, y: Math.sin(angle) * radius };
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const next = segments[(now().step + by + 12) % 12]!;
    onChoose(next);
    svg.current?.querySelector<SVGGElement>(`[data-step="${next.step}"]`)?.focus();
  };
  return (
    <svg
      ref={svg}
      className="circle"
      viewBox={`${-R.out - 4} ${-R.out - 4} ${2 * R.out + 8} ${2 * R.out + 8}`}
      role="listbox"
      aria-label="Circle of keys, the instrument’s own at the top"
      onKeyDown={onKeyDown}
    >
      {segments.map((segment) => {
        const isCurrent = segment === current;
        const { altered, fifths } = keySignature(segment.note);
        const signs = fifths === 0 ? '' : `${altered.length} ${fifths > 0 ? '♯' : '♭'}`;
        const [outer, inner, core] = [at(segment.step, 203), at(segment.step, 144), at(segment.step, 92)];
        return (
          <g
            key={segment.step}
            role="option"
            data-step={segment.step}
            tabIndex={isCurrent ? 0 : -1}
            aria-selected={isCurrent}
            className={isCurrent ? 'circle-key current' : 'circle-key'}
            onClick={() => onChoose(segment)}
          >
            <title>{`${noteText(segment.note)} major, ${ordinal(segment.position)} position, relative minor ${noteText(segment.minor)}, ${signs || 'no sharps or flats'}`}</title>
            <g aria-hidden="true">
              <path d={shape.innerRadius(R.key).outerRadius(R.out)(segment) ?? ''} className="circle-major" />
              <path
                d={shape.innerRadius(R.minor).outerRadius(R.key - 3)(segment) ?? ''}
                className="circle-minor"
              />
              <text x={outer.x} y={outer.y + 2} className="circle-name">
                {noteText(segment.note)}
              </text>
              <text x={outer.x} y={outer.y + 19} className="circle-signs small">
                {signs}
              </text>
              <text x={inner.x} y={inner.y + 6} className="circle-small">
                {noteText(segment.minor)}m
              </text>
              <text x={core.x} y={core.y + 6} className="circle-place large strong">
                {segment.position}
              </text>
            </g>
          </g>
        );
      })}
      <text x={0} y={-6} className="circle-small">
        position
      </text>
      <text x={0} y={16} className="circle-small">
        in the middle
      </text>
    </svg>
  );
}

/** Sharps or flats in the order in which they enter, and the rule that finds the tonic. */
function KeyWords({ segment, home }: { segment: Segment; home: NoteName }) {
  const signature = keySignature(segment.note);
  const { altered, fifths } = signature;
  const kind = fifths > 0 ? 'sharp' : 'flat';
  return (
    <>
      <h2>{noteText(segment.note)} major</h2>
      <p>
        <b>{ordinal(segment.position)} position</b> of an instrument in {noteText(home)}:{' '}
        {segment.position === 1
          ? 'its own key.'
          : `${counted(segment.position - 1, 'fifth')} up from its own key.`}
      </p>
      <p>
        {altered.length === 0
          ? 'No sharps or flats.'
          : `${counted(altered.length, kind)}, in the order in which they enter: ${altered.map(noteText).join(' ')}.`}
      </p>
      {signature.rule && <p>{signature.rule}</p>}
      <p>
        Its relative minor is {noteText(segment.minor)} minor, three semitones lower, with the same notes.
      </p>
    </>
  );
}
