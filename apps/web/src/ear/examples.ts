import { NO_FAULTS, simulatedPlayer, soundsAt } from '@same-song/core/ear';
import type { Instrument, Timbre, Way } from '@same-song/core/instruments';
import type { Example } from './listeningUse.ts';

/** Semitones by which somebody who tries an instrument is off, one after the other. */
const OFF = [0.03, -0.06, 0.09, -0.14, 0] as const;
/** More are not played for an example. */
const MOST = 24;

/** Pitches one after the other, evenly. @param pitches in semitones, cents as a fraction */
export function playedEvenly(pitches: readonly number[], timbre: Timbre, seconds = 0.6): Example {
  const notes = pitches.map((midi, i) => ({
    id: String(i),
    midi,
    at: 0.4 + (seconds + 0.2) * i,
    seconds,
  }));
  return (rate) => simulatedPlayer(notes, { rate, timbre, faults: { ...NO_FAULTS, noise: 40 } });
}

/** Ways one after the other, each a little off. */
export function playedWays(instrument: Instrument, ways: readonly Way[]): Example {
  const pitches = ways.slice(0, MOST).map((way, i) => soundsAt(instrument, way) + OFF[i % OFF.length]!);
  return playedEvenly(pitches, instrument.family.timbre);
}

/** Every plain way once. */
export function everyWay(instrument: Instrument): Example {
  const plain = instrument.family.techniques[0]!.id;
  return playedWays(
    instrument,
    instrument.ways.filter(({ technique }) => technique === plain),
  );
}
