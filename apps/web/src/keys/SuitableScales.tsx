import { useMemo } from 'react';
import {
  chordSymbol,
  noteText,
  notesOver,
  scaleFit,
  suitableScales,
  type Key,
  type Progression,
  type ScaleFit,
} from '@same-song/core/music';
import { LinkButton } from '../controls/LinkButton.tsx';

const SUGGESTIONS = 7;

interface SuitsProps {
  readonly progression: Progression;
  readonly current: Key;
  readonly onScale: (id: string) => void;
}

/** How a scale suits a progression, where it clashes, and which scales would suit better. */
export function SuitableScales({ progression, current, onScale }: SuitsProps) {
  const own = scaleFit(current.scale, progression);
  const { scales, blues } = useMemo(() => suitableScales(progression), [progression]);
  const clashes = progression.bars.flatMap((chords, i) =>
    chords.flatMap((chord) =>
      notesOver(current.scale, chord)
        .filter((note) => note.fit === 'clash')
        .map((note) => ({ bar: i + 1, chord, note })),
    ),
  );
  const seen = new Map<string, { bars: number[]; text: string }>();
  for (const { bar, chord, note } of clashes) {
    const name = (semitone: number) => noteText(current.names[semitone]!);
    const instead = note.instead === undefined ? '' : `; ${name(note.instead)} does not`;
    const text = `${name(note.semitone)} over ${chordSymbol(chord, current.tonic)}: ${note.why}${instead}`;
    const entry = seen.get(text) ?? { bars: [], text };
    if (!entry.bars.includes(bar)) entry.bars.push(bar);
    seen.set(text, entry);
  }
  return (
    <>
      <h2>
        {noteText(current.tonic)} {current.scale.name}
      </h2>
      <p>{own.reason}.</p>
      {seen.size > 0 && (
        <>
          <h3>Where it clashes</h3>
          <ul className="plain-list">
            {[...seen.values()].map(({ bars, text }) => (
              <li key={text}>
                {text} <span className="below">(bar {bars.join(', ')})</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>Scales that suit, best first</h3>
      <Fits fits={scales.slice(0, SUGGESTIONS)} onScale={onScale} />
      {blues.length > 0 && (
        <>
          <h3>Of the blues, a matter of taste</h3>
          <Fits fits={blues} onScale={onScale} />
        </>
      )}
    </>
  );
}

function Fits({ fits, onScale }: { fits: readonly ScaleFit[]; onScale: (id: string) => void }) {
  return (
    <ol className="suits" aria-label="Scales that suit">
      {fits.map((fit) => (
        <li key={fit.scale.id}>
          <LinkButton onClick={() => onScale(fit.scale.id)}>{fit.scale.name}</LinkButton>
          <span className="below">{fit.reason}</span>
        </li>
      ))}
    </ol>
  );
}
