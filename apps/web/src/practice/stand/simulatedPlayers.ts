import { isPlayersOwn, NO_FAULTS, type Faults, type WantedWay } from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';

/** Somebody who is made up, and what goes wrong when he plays. */
export interface SimulatedPlayer {
  readonly id: string;
  readonly label: string;
  readonly faults: Faults;
  /** Cents by which bends are too flat. */
  readonly bendsFlat?: number;
}

/** Who can play instead of somebody in the room, to see how listening works. */
export const SIMULATED_PLAYERS: readonly SimulatedPlayer[] = [
  { id: 'well', label: 'plays it well', faults: NO_FAULTS },
  { id: 'flat', label: 'plays bends too flat', faults: NO_FAULTS, bendsFlat: 45 },
  { id: 'late', label: 'is late at every other note', faults: { ...NO_FAULTS, late: 0.2 } },
  { id: 'octave', label: 'slips an octave at every fifth', faults: { ...NO_FAULTS, octaves: 5 } },
  { id: 'leaves', label: 'leaves every fourth out', faults: { ...NO_FAULTS, leaves: 4 } },
  { id: 'noise', label: 'plays in a loud room', faults: { ...NO_FAULTS, noise: 15 } },
];

/** Who can play an instrument: bends go flat only where pitches are the player's own to find. */
export function simulatedOn(instrument: Instrument): readonly SimulatedPlayer[] {
  const canBend = instrument.ways.some((way) => isPlayersOwn(instrument, way));
  return SIMULATED_PLAYERS.filter(({ bendsFlat }) => bendsFlat === undefined || canBend);
}

/** Share of its time for which a note is held. */
const HELD = 0.7;

/** A line as somebody made up plays it, each note held until shortly before the next. @param beat seconds that the last one has */
export function heldNotes(line: readonly WantedWay[], beat: number) {
  return line.map((note, i) => ({
    ...note,
    seconds: HELD * ((line[i + 1]?.at ?? note.at + beat) - note.at),
  }));
}
