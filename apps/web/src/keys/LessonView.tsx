import Button from '@mui/material/Button';
import type { Side, Technique } from '@same-song/core/instruments';
import type { WayView } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import { useMapView } from '../compute/compute.ts';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { SceneView } from '../scene/SceneView.tsx';
import { dialectOf } from '../api/settings.ts';
import { FigureTools } from '../controls/FigureTools.tsx';
import { InventoryTerms } from '../question/InventoryTerms.tsx';
import { tabLine } from '../question/tabLine.ts';
import type { KeysViewProps } from './keysView.ts';

const SIDES: readonly Side[] = ['above', 'level', 'below'];

/** What a player does with an instrument in a new key, step by step: plain notes, what comes next, the rest, the lists. */
export function LessonView({ state }: KeysViewProps) {
  const { chosen, question, settings, family } = state;
  const dialect = dialectOf(settings, family);
  const { data: view, error } = useMapView(chosen, question, { naming: settings.naming, dialect });
  if (error) return <p role="alert">This lesson cannot be made: {error.message}</p>;
  if (!view) return <Loading>Writing the lesson…</Loading>;
  const { separator } = family.dialects.find((d) => d.id === dialect)!;
  const used = family.techniques.filter((t) => view.ways.some((way) => way.technique === t.id));
  const list = (ways: readonly WayView[]) => tabLine(ways, separator) || 'none';
  const inScale = (way: WayView) => way.music === 'in';
  return (
    <article className="lesson">
      <div className="lesson-head">
        <h2>
          {tonicWords(question)} {scaleWords(question)} on {chosen!.spec.name}
        </h2>
        <Button variant="outlined" className="no-print" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p>{[view.facts.notes.join(' '), ...view.instrumentFacts, ...view.facts.between].join(' · ')}</p>
      <figure className="figure">
        <div className="lesson-drawing">
          <SceneView scene={view.scene} label={chosen!.spec.name} />
        </div>
        <FigureTools title={`${tonicWords(question)} ${scaleWords(question)} on ${chosen!.spec.name}`} />
      </figure>
      <div className="split lesson-split">
        <ol className="lesson-steps">
          {used.map((technique, i) => (
            <Step
              key={technique.id}
              first={i === 0}
              technique={technique}
              ways={view.ways.filter((way) => way.technique === technique.id)}
              sides={family.sides}
              inScale={inScale}
              list={list}
            />
          ))}
        </ol>
        <dl className="lesson-lists">
          <InventoryTerms view={view} techniques={family.techniques} without={['in', 'not-yet']} />
        </dl>
      </div>
    </article>
  );
}

interface StepProps {
  readonly first: boolean;
  readonly technique: Technique;
  readonly ways: readonly WayView[];
  readonly sides: Readonly<Record<Side, string>>;
  readonly inScale: (way: WayView) => boolean;
  readonly list: (ways: readonly WayView[]) => string;
}

/** Of the first technique it is told what is out, since most is in; of all others what is in. What only repeats is left aside. */
function Step({ first, technique, ways, sides, inScale, list }: StepProps) {
  const worthIt = ways.filter((way) => !way.redundant);
  const repeats = ways.length - worthIt.length;
  const able = worthIt.filter((way) => way.usable);
  const notYet = worthIt.filter((way) => !way.usable && inScale(way));
  return (
    <li>
      <b>{technique.label}</b>
      {first
        ? SIDES.filter((side) => able.some((way) => way.side === side)).map((side) => {
            const own = able.filter((way) => way.side === side);
            const out = own.filter((way) => !inScale(way));
            const said =
              out.length === 0
                ? 'all of them are in'
                : out.length === own.length
                  ? 'none is in'
                  : `out: ${list(out)}`;
            return (
              <span key={side}>
                {sides[side]}: {said}
              </span>
            );
          })
        : [<span key="in">in: {list(able.filter(inScale))}</span>]}
      {repeats > 0 && <span>{repeats} more only repeat an easier note</span>}
      {notYet.length > 0 && <span>not possible here yet: {list(notYet)}</span>}
    </li>
  );
}
