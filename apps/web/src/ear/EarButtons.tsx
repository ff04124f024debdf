import Button from '@mui/material/Button';
import { useRef, type ReactNode } from 'react';
import { Microphones } from './Microphones.tsx';
import type { Source } from './listen.ts';
import type { Ear } from './useEar.ts';

interface EarButtonsProps {
  readonly ear: Ear;
  /** What a simulated player would play; none is offered where it is left out. */
  readonly simulated?: ((rate: number) => Float32Array) | undefined;
  readonly onBegin?: () => void;
  readonly children?: ReactNode;
}

/** Begins and ends listening: to the room, to a file, to a player that is simulated. */
export function EarButtons({ ear, simulated, onBegin, children }: EarButtonsProps) {
  const chooser = useRef<HTMLInputElement>(null);
  const begin = (source: Source) => {
    onBegin?.();
    ear.begin(source);
  };
  return (
    <div className="ear-buttons row" role="group" aria-label="What listens">
      {ear.state === 'listening' ? (
        <Button variant="contained" onClick={ear.end}>
          Stop listening
        </Button>
      ) : (
        <Button
          variant="contained"
          disabled={ear.state === 'asking'}
          onClick={() => begin({ kind: 'microphone' })}
        >
          {ear.state === 'asking' ? 'Opening …' : 'Listen'}
        </Button>
      )}
      <Button variant="outlined" onClick={() => chooser.current?.click()}>
        Listen to a sound file
      </Button>
      <input
        ref={chooser}
        type="file"
        accept="audio/*"
        hidden
        aria-label="a sound file"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) begin({ kind: 'file', file });
        }}
      />
      {simulated && (
        <Button variant="outlined" onClick={() => begin({ kind: 'simulated', make: simulated })}>
          Try it without playing
        </Button>
      )}
      <Microphones ear={ear} />
      {children}
      {ear.trouble !== undefined && (
        <p className="ear-trouble" role="alert">
          {ear.trouble}
        </p>
      )}
    </div>
  );
}
