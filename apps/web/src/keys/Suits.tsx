import { useMemo } from 'react';
import {
  chordSymbol,
  noteText,
  notesOver,
  scaleFit,
  suitableScales,
  type Key,
  type Progression,
} from '@same-song/core';

const SUGGESTIONS = 7;

interface SuitsProps {
  readonly progression: Progression;
  readonly current: Key;
  readonly onScale: (id: string) => void;
}

/** How a scale suits a progression, where it clashes, and which scales would suit better. */
export function Suits({ progression, current, onScale }: SuitsProps) {
  const own = scaleFit(current.scale, progression);
  const better = useMemo(() => suitableScales(progression).slice(0, SUGGESTIONS), [progression]);
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
                {text} <span className="keys-soft">(bar {bars.join(', ')})</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>Scales that suit, best first</h3>
      <ol className="suits">
        {better.map((fit) => (
          <li key={fit.scale.id}>
            <button type="button" className="link" onClick={() => onScale(fit.scale.id)}>
              {fit.scale.name}
            </button>
            <span className="keys-soft">{fit.reason}</span>
          </li>
        ))}
      </ol>
    </>
  );
}
