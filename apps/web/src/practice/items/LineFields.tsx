import { CHROMATIC_DEGREE_NAMES } from '@same-song/core/music';
import {
  ANCHORS,
  DIRECTIONS,
  patternById,
  PATTERNS,
  withPattern,
  type LineRange,
  type PatternId,
  type StoredQuestion,
} from '@same-song/core/route';
import { Picklist } from '../../controls/Picklist.tsx';
import { ANCHOR_WORDS, DIRECTION_WORDS, keyIn } from '../../question/questionWords.ts';

interface LineFieldsProps {
  readonly question: StoredQuestion;
  readonly onChange: (question: StoredQuestion) => void;
}

type Octaves = LineRange & { readonly kind: 'octaves' };

/** How the notes of a line follow each other: direction, pattern, where it starts and turns, its anchor. */
export function LineFields({ question, onChange }: LineFieldsProps) {
  const { range, pattern } = question;
  return (
    <>
      <Picklist
        label="the line goes"
        value={question.direction}
        choices={DIRECTIONS.map((id) => ({ id, label: DIRECTION_WORDS[id] }))}
        onChange={(direction) => onChange({ ...question, direction, pins: [] })}
      />
      <Picklist<PatternId>
        label="as"
        value={pattern}
        choices={PATTERNS}
        onChange={(id) => onChange({ ...question, ...withPattern(question, id), pins: [] })}
      />
      {patternById(pattern).anchored && (
        <Picklist
          label="anchored on"
          value={String(question.anchor)}
          choices={ANCHORS.map((anchor) => ({ id: String(anchor), label: ANCHOR_WORDS[anchor]! }))}
          onChange={(id) => onChange({ ...question, anchor: Number(id), pins: [] })}
        />
      )}
      {range.kind === 'octaves' && (
        <Ends
          range={range}
          steps={keyIn(question)?.scale.semitones ?? []}
          onChange={(changed) => onChange({ ...question, range: changed, pins: [] })}
        />
      )}
    </>
  );
}

/** The degree that is home, or no turning note of its own. */
const USUAL = '';

function Ends({
  range,
  steps,
  onChange,
}: {
  readonly range: Octaves;
  readonly steps: readonly number[];
  readonly onChange: (range: Octaves) => void;
}) {
  const { start, turn, ...plain } = range;
  const degrees = steps.map((step) => ({ id: String(step), label: CHROMATIC_DEGREE_NAMES[step]! }));
  const put = (from: string, to: string) =>
    onChange({
      ...plain,
      ...(from !== '0' && { start: Number(from) }),
      ...(to !== USUAL && { turn: Number(to) }),
    });
  const from = String(start ?? 0);
  const to = turn === undefined ? USUAL : String(turn);
  return (
    <>
      <Picklist label="starting on" value={from} choices={degrees} onChange={(id) => put(id, to)} />
      <Picklist
        label="turning on"
        value={to}
        choices={[{ id: USUAL, label: 'the same, above' }, ...degrees]}
        onChange={(id) => put(from, id)}
      />
    </>
  );
}
