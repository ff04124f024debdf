import Button from '@mui/material/Button';
import { useCallback, useEffect, useState } from 'react';
import { centsAround, centsWords, isPlayersOwn, tunedAt, waysMeant } from '@same-song/core/ear';
import { Check } from '../controls/Check.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { everyWay } from './examples.ts';
import { Needle } from './Needle.tsx';
import type { UseProps } from './listeningUse.ts';
import { WayPicture } from './WayPicture.tsx';

/** Farther off it is another note, in cents. */
const ANOTHER = 60;

/** A tuner that knows the way that is meant, or the one that it probably was. */
export function TuneUse({ chosen, instrument, heard: { ear }, onExample }: UseProps) {
  /** The way that is meant; whichever is nearest where nobody says. */
  const [meant, setMeant] = useState<string | undefined>(undefined);
  const [around, setAround] = useState(false);
  useEffect(() => onExample(everyWay(instrument)), [onExample, instrument]);
  useShortcuts([
    { key: 'Escape', label: 'Any way is meant', group: 'Listening', run: () => setMeant(undefined) },
  ]);
  const { ownPitches } = instrument.family;
  const likely = ear.now === null ? [] : waysMeant(instrument, ear.now);
  const asked = instrument.ways.find(({ id }) => id === meant);
  const way = asked ?? likely[0]?.way;
  const isOwn = way !== undefined && isPlayersOwn(instrument, way);
  const off = isOwn && around ? centsAround(instrument, way) : 0;
  const cents = way && ear.now !== null ? 100 * (ear.now - tunedAt(instrument, way)) - off : undefined;
  const isFar = cents !== undefined && Math.abs(cents) > ANOTHER;
  const choose = useCallback((id: string) => setMeant((now) => (now === id ? undefined : id)), []);
  const words =
    cents === undefined
      ? ' '
      : isFar
        ? `another note, ${cents > 0 ? 'higher' : 'lower'}`
        : centsWords(cents, isOwn);
  return (
    <>
      <section className="listen-now" aria-label="What is heard" aria-live="off">
        <p className="listen-way">{way ? way.words : ear.state === 'listening' ? 'Play a note.' : ' '}</p>
        <p className="listen-cents">{words}</p>
        <Needle cents={isFar ? undefined : cents} band={isOwn ? 15 : 10} />
      </section>
      <p className="practice-tools row">
        {asked ? (
          <Button variant="text" onClick={() => setMeant(undefined)}>
            Meant: {asked.words}. Any way again
          </Button>
        ) : (
          <span className="soft">Choose a way on the drawing to be told of that one only.</span>
        )}
        {ownPitches && (
          <Check
            label={`${ownPitches.many} against the ${ownPitches.between} around them`}
            checked={around}
            onChange={setAround}
          />
        )}
      </p>
      <WayPicture
        chosen={chosen}
        instrument={instrument}
        label="Choose the way that is meant"
        selected={way?.id}
        related={likely
          .slice(1)
          .map((one) => one.way.id)
          .join(' ')}
        onSelect={choose}
      />
    </>
  );
}
