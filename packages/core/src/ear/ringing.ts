import { hertz, midiOf, PITCH_TOLERANCE } from './listening.ts';
import { slidingMinimum } from './slidingMinimum.ts';
import { between, partialFinder, SPREAD, topIn } from './partials.ts';

/** Looked up once: these are called millions of times a minute. */
const { abs, ceil, floor, max, min, sqrt } = Math;
const greater = (one: number, other: number) => max(one, other);

/** Partials by which a note is measured: the loudest of the first ones. */
const MEASURED = 4;
/** Frames that are remembered of what rings on, and the share of the whole that a new note has at least. */
const RECENT = 10;
const RISEN = 0.25;
/** From where so much of the power is new, what is new counts, and where so much more is, alone. */
const LITTLE_NEW = 0.05;
const MUCH_NEW = 0.25;
/** In noise some is always new: so many times as much as was in any frame just before is not worth a look. */
const USUAL = 3;
/** A note is taken for one far below where less than this part of its power lies at partials of that one alone. */
const OWN = 0.025;
/** What is taken off for it. */
const PENALTY = 0.7;
/** How far a note may lie from its candidate, as a ratio of frequencies. */
const APART = 2 ** (PITCH_TOLERANCE / 12);

/** What is told of each candidate, as `FrameEvidence` says. */
interface RingingCandidates {
  readonly scores: Float32Array;
  readonly pitches: Float32Array;
  readonly fresh: Float32Array;
}

/**
 * Judges what rings on together, as struck and plucked notes do: each candidate by its own partials in a spectrum, and where
 * something was struck just now by what was not there before.
 * @param size of the transform, twice as many as there are bins @param rate samples a second @param candidates semitones
 */
export function ringingJudge(size: number, rate: number, candidates: readonly number[]) {
  const bins = size / 2 + 1;
  const partials = partialFinder(size, rate);
  /** In which bin each candidate lies. */
  const places = candidates.map((midi) => (hertz(midi) * size) / rate);
  /** Power at the partials of each candidate, now and in the frames before. */
  const powers = new Float64Array(candidates.length);
  const recent = slidingMinimum(candidates.length, RECENT);
  /** Spectra of these frames, and what of the newest was in none of them. */
  const spectra = slidingMinimum(bins, RECENT);
  const added = new Float64Array(bins);
  /** What part of all there is was new, now and in these frames. */
  const parts = new Float64Array(1);
  const recentParts = slidingMinimum(1, RECENT);
  const shares = new Float64Array(candidates.length);
  const sharesAdded = new Float64Array(candidates.length);
  const scoresAdded = new Float64Array(candidates.length);

  /** Parts what is new from what rang before. @returns its power */
  const addedTo = (spectrum: Float64Array): number => {
    const before = spectra.ofLast();
    let total = 0;
    for (let k = 0; k < bins; k += 1) {
      added[k] = max(0, spectrum[k]! - before[k]!);
      total += added[k]!;
    }
    spectra.push(spectrum);
    return total;
  };

  /** The frequency that a candidate has by its loudest partial; 0 where none stands out. */
  const frequencyOf = (spectrum: Float64Array, i: number): number => {
    let hz = 0;
    let power = 0;
    for (let h = 1; h <= MEASURED; h += 1) {
      const at = h * places[i]!;
      const top = topIn(spectrum, max(3, floor(at / APART)), min(bins - 5, ceil(at * APART)));
      if (top < 0 || (hz !== 0 && spectrum[top]! <= 2 * power)) continue;
      hz = (between(spectrum, top) * rate) / size / h;
      power = spectrum[top]!;
    }
    return hz;
  };
  const scoreOf = (own: number) => -PENALTY * max(0, 1 - own / OWN);

  return (spectrum: Float64Array, total: number, { scores, pitches, fresh }: RingingCandidates): void => {
    const totalAdded = addedTo(spectrum);
    const part = total > 0 ? totalAdded / total : 0;
    const usual = USUAL * recentParts.ofLast()[0]!;
    const novelty = max(0, min(1, (part - usual - LITTLE_NEW) / MUCH_NEW));
    parts[0] = part;
    recentParts.push(parts);
    const before = recent.ofLast();
    for (let i = 0; i < candidates.length; i += 1) {
      const midi = candidates[i]!;
      powers[i] = 0;
      fresh[i] = 0;
      shares[i] = 0;
      scores[i] = 0;
      sharesAdded[i] = 0;
      scoresAdded[i] = 0;
      pitches[i] = midi;
      const hz = frequencyOf(spectrum, i);
      const pitch = hz > 0 ? midiOf(hz) : Infinity;
      if (abs(pitch - midi) > PITCH_TOLERANCE) continue;
      pitches[i] = pitch;
      const now = partials.sharesOf(hz, spectrum, total);
      powers[i] = (now.share * total) / SPREAD;
      fresh[i] = total > 0 ? max(0, min(1, ((powers[i]! - before[i]!) * SPREAD) / total / RISEN)) : 0;
      shares[i] = now.share;
      scores[i] = scoreOf(now.own);
      if (novelty === 0) continue;
      const anew = partials.sharesOf(hz, added, totalAdded);
      sharesAdded[i] = anew.share;
      scoresAdded[i] = scoreOf(anew.own);
    }
    recent.push(powers);
    // Of two that explain all there is, as a note and its octave may, the one that explains more of it.
    const most = shares.reduce(greater, 1);
    const mostAdded = sharesAdded.reduce(greater, 1);
    for (let i = 0; i < candidates.length; i += 1) {
      const ringing = scores[i]! + sqrt(shares[i]! / most);
      const anew = scoresAdded[i]! + sqrt(sharesAdded[i]! / mostAdded);
      scores[i] = ringing + novelty * (anew - ringing);
    }
  };
}
