import type { Air } from '../way.ts';
import type { Pitch } from '../../pitch/pitch.ts';

/** The two reeds that share a hole. */
export interface ReedPair {
  readonly blow: Pitch;
  readonly draw: Pitch;
}

/** A pitch a pair of reeds gives, and how. */
export interface ReedSound {
  readonly kind: 'plain' | 'bend' | 'over';
  readonly air: Air;
  readonly pitch: Pitch;
  /** Semitones below the reed that bends; 0 for plain and over-notes. */
  readonly depth: number;
  /** Semitones this hole can bend in all; 0 where it cannot. */
  readonly room: number;
}

/** Air that a reed speaks in by itself. */
const opposite = (air: Air): Air => (air === 'out' ? 'in' : 'out');

/**
 * Every pitch of two reeds in one hole, by the rule that the higher reed bends in its own air down to one semitone above
 * the lower, and that an over-note one semitone above the higher reed sounds in the other air.
 * Two equal reeds neither bend nor give an over-note.
 * Source: the physics of two coupled reeds in one chamber, as commonly taught.
 */
export function reedSounds({ blow, draw }: ReedPair): readonly ReedSound[] {
  const plain = (air: Air, pitch: Pitch): ReedSound => ({ kind: 'plain', air, pitch, depth: 0, room: 0 });
  const sounds: ReedSound[] = [plain('out', blow), plain('in', draw)];
  if (blow === draw) return sounds;
  const higher: Air = draw > blow ? 'in' : 'out';
  const hi = Math.max(blow, draw);
  const room = bendRoom({ blow, draw });
  for (let depth = 1; depth <= room; depth += 1) {
    sounds.push({ kind: 'bend', air: higher, pitch: hi - depth, depth, room });
  }
  sounds.push({ kind: 'over', air: opposite(higher), pitch: hi + 1, depth: 0, room: 0 });
  return sounds;
}

/** How many semitones the higher reed bends. */
export function bendRoom({ blow, draw }: ReedPair): number {
  return Math.max(0, Math.abs(draw - blow) - 1);
}

/** Air in which a pair of reeds a semitone apart only dips, by under a semitone; undefined for all others. */
export function dipAir({ blow, draw }: ReedPair): Air | undefined {
  if (Math.abs(draw - blow) !== 1) return undefined;
  return draw > blow ? 'in' : 'out';
}
