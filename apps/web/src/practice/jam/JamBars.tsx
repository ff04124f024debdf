import { chordSymbol, type NoteName } from '@same-song/core/music';
import type { BackingChord } from '@same-song/core/practice';

interface JamBarsProps {
  readonly chords: readonly BackingChord[];
  readonly tonic: NoteName;
  /** Place of the bar that sounds. */
  readonly now: number | undefined;
}

/** The chords of a form, bar by bar, with the one that sounds and the one that comes. */
export function JamBars({ chords, tonic, now }: JamBarsProps) {
  const bars = [...new Set(chords.map(({ bar }) => bar))];
  return (
    <ol className="jam-bars bare" aria-label="Bars">
      {bars.map((bar) => (
        <li
          key={bar}
          className={bar === now ? 'now' : bar === (now ?? -1) + 1 ? 'next' : ''}
          aria-current={bar === now}
        >
          {chords
            .filter((one) => one.bar === bar)
            .map(({ chord }) => chordSymbol(chord, tonic))
            .join(' ')}
        </li>
      ))}
    </ol>
  );
}
