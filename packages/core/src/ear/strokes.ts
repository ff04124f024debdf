/** Looked up once: these are called for every frame. */
const { log10, max, min } = Math;

/** What tells where something is struck or plucked: for each frame, in decibels. */
export interface Loudness {
  /** How loud it is. */
  readonly levels: readonly number[];
  /** How loud what changes fast in it is: the noise of a stroke, and upper partials, which fade first. */
  readonly edges: readonly number[];
}

/** The noise of a stroke rises by so much, in decibels. */
const EDGE = 6;
/** A stroke that begins a note of its own pitch is told by less. */
const SOFT_EDGE = 4;
/** Frames before a stroke and after its beginning that are looked at. */
const BEFORE = 8;
const AFTER = 4;
/** What changes fast is noise of the room where it stays as it is, and is so near to the whole, in decibels. */
const STEADY = 4;
const HISS = -14;
/** In noise a stroke is told by what is louder after it than before, in frames and decibels. */
const MEAN = 8;
const LOUDER = 3;
/** So long before an ear knows its pitch something may have been struck, in frames. */
const EARLIER = 12;

export function decibels(power: number): number {
  return 10 * log10(power + 1e-12);
}

/** Whether something is struck at a frame, and not only two notes beat against each other. */
export function isStroke(loudness: Loudness, at: number): boolean {
  if (rise(loudness, at) > EDGE) return true;
  return isHiss(loudness, at) && meanAt(loudness, at) - meanAt(loudness, at - MEAN - 1) > LOUDER;
}

/**
 * The frame at which what is heard from `at` on was struck; undefined where nothing was, and an older note only comes out
 * from under another one. @param since nothing before it belongs to this note
 */
export function strokeOf(loudness: Loudness, at: number, since: number): number | undefined {
  let best: number | undefined;
  let most = SOFT_EDGE;
  for (let i = max(since, at - EARLIER, 0); i <= min(loudness.edges.length - 2, at + AFTER); i += 1) {
    const here = steepness(loudness, i);
    if (here > most) {
      most = here;
      best = i;
    }
  }
  if (best !== undefined) return best;
  // What began before it was listened, and what noise hides, cannot be told.
  if (at < BEFORE || isHiss(loudness, at)) return at;
  // An old note that comes out is heard while all of it fades.
  return meanAt(loudness, at) > meanAt(loudness, at - MEAN - 1) ? at : undefined;
}

function rise({ edges }: Loudness, at: number): number {
  const before = edges.slice(max(0, at - BEFORE), max(1, at - 2));
  return max(...edges.slice(max(0, at - 2), at + AFTER)) - min(...before);
}

/** How much what changes fast grows around a frame. */
function steepness({ edges }: Loudness, at: number): number {
  return at < 1 ? 0 : edges[at + 1]! - edges[at - 1]!;
}

function isHiss({ levels, edges }: Loudness, at: number): boolean {
  const before = edges.slice(max(0, at - BEFORE), max(1, at - 2));
  const low = min(...before);
  return max(...before) - low < STEADY && low - levels[max(0, at - AFTER)]! > HISS;
}

/** Mean of the power of some frames, in decibels. */
function meanAt({ levels }: Loudness, from: number): number {
  let sum = 0;
  for (let i = from; i < from + MEAN; i += 1) sum += 10 ** (levels[max(0, min(levels.length - 1, i))]! / 10);
  return decibels(sum / MEAN);
}
