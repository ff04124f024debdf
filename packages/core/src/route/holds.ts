import type { Clash, FingeredWay, Hold } from '../families/way.ts';
import type { Pitch } from '../pitch/pitch.ts';

/** What decides whether ways sound together; an instrument has it. */
export interface Together {
  readonly family?: { readonly mostAtOnce?: { readonly notes: number; readonly text: string } };
  clash(low: FingeredWay, high: FingeredWay): Clash | undefined;
  holdClash(hold: Hold): Clash | undefined;
}

/** Notes of one onset that can be had: each pitch once, rising, with the fingered ways open to it, one at least. */
export type ChordNotes = readonly { readonly pitch: Pitch; readonly open: Hold }[];

/** The ways to sound a chord, or the best part of it. */
export interface ChordHolds {
  /** Pitches that sound, rising. */
  readonly sounds: readonly Pitch[];
  /** Every hold that sounds them, up to `HOLDS_LIMIT`. */
  readonly holds: readonly Hold[];
  /** Why each pitch left out cannot sound with those. */
  readonly left: readonly { readonly pitch: Pitch; readonly clash: Clash }[];
}

/** Most holds of one chord among which a route chooses; beyond it the first found are taken. */
export const HOLDS_LIMIT = 512;
/**
 * Of more holds than these only the easiest by themselves go on, of each choice of holes, buttons or strings one at least.
 * With all of them tunes with full chords cost a hundredth less on a lever harp, a twentieth on a double-strung one, nothing
 * on others, and take up to forty times as long.
 */
export const HOLDS_KEPT = 24;
/** Most combinations tried for one chord. */
const TRIES_LIMIT = 50_000;

/**
 * All holds of a chord. Where it cannot be had whole, as much of it as can: the notes that come first first.
 * @param first pitches in the order in which they are wanted: mostly the melody, then the bass, then downwards
 */
export function chordHolds(together: Together, chord: ChordNotes, first: readonly Pitch[]): ChordHolds {
  if (chord.length === 0) return { sounds: [], holds: [], left: [] };
  const whole = holdsOf(together, chord);
  if (whole.holds.length > 0)
    return { sounds: chord.map(({ pitch }) => pitch), holds: whole.holds, left: [] };
  let kept: ChordNotes = [];
  let holds: readonly Hold[] = [];
  const left: { pitch: Pitch; clash: Clash }[] = [];
  for (const pitch of first) {
    const note = chord.find((n) => n.pitch === pitch)!;
    const tried = [...kept, note].sort((a, b) => a.pitch - b.pitch);
    const found = holdsOf(together, tried);
    if (found.holds.length > 0) {
      kept = tried;
      holds = found.holds;
    } else left.push({ pitch, clash: found.clash ?? TOO_MANY });
  }
  return { sounds: kept.map(({ pitch }) => pitch), holds, left };
}

/** Of many holds the easiest, in the order in which they were. @param costOf what each asks by itself */
export function easiest(holds: readonly Hold[], costOf: (hold: Hold) => number): readonly Hold[] {
  if (holds.length <= HOLDS_KEPT) return holds;
  const rising = holds
    .map((hold, place) => ({
      hold,
      place,
      cost: costOf(hold),
      ways: hold.map(({ way }) => way.id).join(' '),
    }))
    .sort((a, b) => a.cost - b.cost || a.place - b.place);
  const best = new Map<string, (typeof rising)[number]>();
  for (const one of rising) if (!best.has(one.ways)) best.set(one.ways, one);
  const kept = new Set(best.values());
  for (const one of rising) {
    if (kept.size >= HOLDS_KEPT) break;
    kept.add(one);
  }
  return [...kept].sort((a, b) => a.place - b.place).map(({ hold }) => hold);
}

/** Whether there is a hold that sounds all notes. */
export function canHold(together: Together, chord: ChordNotes): boolean {
  return holdsOf(together, chord, 1).holds.length > 0;
}

/** Said where the limit of tries was reached before a hold or a reason was found. */
const TOO_MANY: Clash = Object.freeze({ reason: 'voices', text: 'too many notes at once' });

/** Melody first, then the bass, then from the top down. */
export function chordOrder(pitches: readonly Pitch[]): readonly Pitch[] {
  const falling = [...pitches].sort((a, b) => b - a);
  const [melody, ...rest] = falling;
  const bass = rest.pop();
  return [melody, bass, ...rest].filter((pitch) => pitch !== undefined);
}

/** Holds that sound all notes; where there is none, the reason met first among the combinations that came farthest. */
function holdsOf(
  together: Together,
  chord: ChordNotes,
  limit = HOLDS_LIMIT,
): { holds: readonly Hold[]; clash: Clash | undefined } {
  const most = together.family?.mostAtOnce;
  if (most && chord.length > most.notes) return { holds: [], clash: { reason: 'voices', text: most.text } };
  const holds: Hold[] = [];
  let clash: Clash | undefined;
  let farthest = -1;
  let tries = 0;
  const refuse = (reason: Clash, reached: number) => {
    // Another finger might be chosen; what lies in the way of every finger says more.
    const saysMore = reached === farthest && clash?.reason === 'finger' && reason.reason !== 'finger';
    if (reached <= farthest && !saysMore) return;
    farthest = reached;
    clash = reason;
  };
  const extend = (hold: Hold) => {
    if (holds.length >= limit || tries >= TRIES_LIMIT) return;
    const next = chord[hold.length];
    if (!next) {
      const whole = together.holdClash(hold);
      if (whole) refuse(whole, hold.length);
      else holds.push(hold);
      return;
    }
    for (const way of next.open) {
      tries += 1;
      const apart = firstClash(together, hold, way);
      if (apart) refuse(apart, hold.length);
      else extend([...hold, way]);
    }
  };
  extend([]);
  return { holds, clash };
}

function firstClash(together: Together, hold: Hold, next: FingeredWay): Clash | undefined {
  for (const held of hold) {
    const found = together.clash(held, next);
    if (found) return found;
  }
  return undefined;
}
