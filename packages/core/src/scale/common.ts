import { pitchClass, type PitchClass } from '../pitch/pitch.ts';

/** What several sets of notes share. */
export interface Common {
  /** Pitch classes that all have, rising from C. */
  readonly notes: readonly PitchClass[];
  /** Those that drone well under all: with the most fifths and fourths to the shared notes, best first. */
  readonly drones: readonly PitchClass[];
}

/** Notes common to all sets, and which of them make the best drones. Semitones and tritones beside a drone count against it. */
export function commonNotes(sets: readonly ReadonlySet<PitchClass>[]): Common {
  const [first, ...rest] = sets;
  const notes = [...(first ?? [])].filter((pc) => rest.every((set) => set.has(pc))).sort((a, b) => a - b);
  const calm: Readonly<Record<number, number>> = {
    0: 0,
    7: 3,
    5: 2,
    4: 1,
    3: 1,
    9: 1,
    8: 1,
    2: 0,
    10: 0,
    1: -3,
    11: -2,
    6: -2,
  };
  const worth = (drone: PitchClass) => notes.reduce((sum, pc) => sum + calm[pitchClass(pc - drone)]!, 0);
  return { notes, drones: [...notes].sort((a, b) => worth(b) - worth(a) || a - b) };
}
