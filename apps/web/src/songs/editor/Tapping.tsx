import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Song } from '@same-song/core/song';
import { Picklist } from '../../controls/Picklist.tsx';
import { TempoField, USUAL_TEMPO } from '../../controls/TempoField.tsx';
import { useTapping } from './useTapping.ts';

const METRES = ['2/4', '3/4', '4/4', '6/8', '9/8'] as const;
type MetreName = (typeof METRES)[number];

interface TappingProps {
  /** A tune whose notes are all of one length. */
  readonly song: Song;
  readonly onTapped: (song: Song) => void;
}

/** Gives a tune its rhythm: it counts two bars, then every key or click is the next note. */
export function Tapping({ song, onTapped }: TappingProps) {
  const [metre, setMetre] = useState<MetreName>('4/4');
  const [perMinute, setPerMinute] = useState(USUAL_TEMPO);
  const [count, unit] = metre.split('/').map(Number) as [number, number];
  const { taps, wanted, start, tap } = useTapping(song, { count, unit }, perMinute, onTapped);
  return (
    <div className="tapping row" role="group" aria-label="Tap its rhythm">
      <b>Tap its rhythm</b>
      <Picklist
        label="Counted in"
        value={metre}
        choices={METRES.map((id) => ({ id, label: id }))}
        onChange={setMetre}
      />
      <TempoField tempo={perMinute} onTempo={setPerMinute} />
      {taps ? (
        <Button
          variant="contained"
          autoFocus
          onPointerDown={tap}
          onKeyDown={(event) => {
            if (event.repeat || event.key === 'Tab' || event.key === 'Escape') return;
            event.preventDefault();
            event.stopPropagation();
            tap();
          }}
        >
          {taps.length < wanted ? `Note ${taps.length + 1} of ${wanted}` : 'Once more to end it'}
        </Button>
      ) : (
        <Button variant="outlined" onClick={start}>
          Count two bars, then tap
        </Button>
      )}
      <p className="new-song-help">
        After two bars every key, or a click on the button, is the next note; once more ends the last one.
      </p>
    </div>
  );
}
