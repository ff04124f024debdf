import type { Mix } from '../round/roundScore.ts';

const PARTS: readonly { readonly part: keyof Mix; readonly label: string; readonly accompanies?: true }[] = [
  { part: 'line', label: 'line' },
  { part: 'click', label: 'click' },
  { part: 'bass', label: 'bass', accompanies: true },
  { part: 'chords', label: 'chords', accompanies: true },
  { part: 'drums', label: 'drums', accompanies: true },
];

interface MixerProps {
  readonly mix: Mix;
  readonly onMix: (mix: Mix) => void;
  readonly accompanied: boolean;
  /** There is a line to be heard. */
  readonly melody?: boolean;
}

/** How loud each part is. */
export function Mixer({ mix, onMix, accompanied, melody = true }: MixerProps) {
  return (
    <div className="mixer row" role="group" aria-label="How loud">
      {PARTS.filter(({ part, accompanies }) => (accompanies ? accompanied : part !== 'line' || melody)).map(
        ({ part, label }) => (
          <label key={part}>
            {label}
            <input
              type="range"
              min={0}
              max={1}
              step={0.05}
              value={mix[part]}
              onChange={(event) => onMix({ ...mix, [part]: Number(event.target.value) })}
            />
          </label>
        ),
      )}
    </div>
  );
}
