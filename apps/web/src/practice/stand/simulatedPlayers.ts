import { NO_FAULTS, type Faults, type WantedWay } from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';

/** Somebody who is made up, and what goes wrong when he plays. */
export interface SimulatedPlayer {
  readonly id: string;
  readonly label: string;
  readonly faults: Faults;
  /** Cents by which pitches that are the player's own are too flat. */
  readonly ownFlat?: number;
}

/** Who can play instead of somebody in the room, to see how listening works. */
export const SIMULATED_PLAYERS: readonly SimulatedPlayer[] = [
  { id: 'well', label: 'plays it well', faults: NO_FAULTS },
  { id: 'flat', label: 'plays it flat', faults: NO_FAULTS, ownFlat: 45 },
  { id: 'late', label: 'is late at every other note', faults: { ...NO_FAULTS, late: 0.2 } },
  { id: 'octave', label: 'slips an octave at every fifth', faults: { ...NO_FAULTS, octaves: 5 } },
  { id: 'leaves', label: 'leaves every fourth out', faults: { ...NO_FAULTS, leaves: 4 } },
  { id: 'noise', label: 'plays in a loud room', faults: { ...NO_FAULTS, noise: 15 } },
];

/** Who can play an instrument: pitches go flat only where they are the player's own to find. */
export function simulatedOn({ family: { ownPitches } }: Instrument): readonly SimulatedPlayer[] {
  return SIMULATED_PLAYERS.flatMap((player) => {
    if (player.ownFlat === undefined) return player;
    return ownPitches ? { ...player, label: `plays ${ownPitches.many} too flat` } : [];
  });
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
