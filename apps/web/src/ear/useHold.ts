import { useEffect, useMemo, useState } from 'react';
import {
  BETWEEN,
  centsAround,
  holding,
  isPlayersOwn,
  NO_FAULTS,
  NOT_HELD,
  simulatedPlayer,
  tunedAt,
  type Band,
  type Held,
} from '@same-song/core/ear';
import type { Way } from '@same-song/core/instruments';
import type { UseProps } from './listeningUse.ts';

/** Where a note is to be held: within so many cents of it, or between it and the semitone above. */
export type HoldPlace = number | 'between';

/** Half the width of the usual band, in cents. */
const USUAL_WIDTH = 15;
/** How long it is to be held at first, in seconds. */
const USUAL_SECONDS = 3;

/** One note that is to be held in its band for some seconds, and how it was held so far. */
export function useHold({ instrument, heard: { listen }, onExample }: UseProps) {
  const usable = useMemo(() => instrument.ways.filter(({ able }) => able), [instrument]);
  const [wayId, setWayId] = useState(() => easiestToMiss(usable, instrument)?.id);
  const way = instrument.ways.find(({ id }) => id === wayId) ?? instrument.ways[0]!;
  const glides = instrument.family.techniques.find(({ id }) => id === way.technique)?.glides ?? false;
  const [chosenPlace, setPlace] = useState<HoldPlace>(USUAL_WIDTH);
  const place = chosenPlace === 'between' && !glides ? USUAL_WIDTH : chosenPlace;
  const [isAround, setIsAround] = useState(false);
  const [seconds, setSeconds] = useState<number>(USUAL_SECONDS);
  const target = tunedAt(instrument, way) + (isAround ? centsAround(instrument, way) / 100 : 0);
  const band = useMemo((): Band => (place === 'between' ? BETWEEN : { low: -place, high: place }), [place]);
  const [held, setHeld] = useState<Held>(NOT_HELD);
  useEffect(() => {
    setHeld(NOT_HELD);
    const hold = holding(target, band, seconds);
    return listen((frames) => {
      if (frames.length > 0) setHeld(hold.push(frames));
    });
  }, [target, band, seconds, listen]);
  const middle = (band.low + band.high) / 2;
  useEffect(() => {
    const midi = target + middle / 100;
    const notes = [
      // A short one, one that strays, one that is held.
      { id: '0', at: 0.4, midi, seconds: 1 },
      { id: '1', at: 1.8, midi: midi + 0.4, seconds: 0.8 },
      { id: '2', at: 3, midi: midi + 0.06, seconds: seconds + 0.8 },
    ];
    const { timbre } = instrument.family;
    onExample((rate) => simulatedPlayer(notes, { rate, timbre, faults: { ...NO_FAULTS, noise: 40 } }));
  }, [onExample, target, middle, seconds, instrument]);
  return {
    usable,
    way,
    setWayId,
    glides,
    place,
    setPlace,
    /** Its pitch is the player's own: it can be tuned to the reeds around it. */
    isOwn: isPlayersOwn(instrument, way),
    isAround,
    setIsAround,
    seconds,
    setSeconds,
    held,
    /** How far the note is from the middle of its band, in cents; undefined while none sounds. */
    cents: held.cents === undefined ? undefined : held.cents - middle,
    /** Half the width of the band, in cents. */
    width: band.high - middle,
  };
}

/** A way whose pitch is the player's own is worth holding before all others. */
function easiestToMiss(usable: readonly Way[], instrument: UseProps['instrument']): Way | undefined {
  return usable.find((way) => isPlayersOwn(instrument, way)) ?? usable[0];
}
