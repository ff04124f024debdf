import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { SCALES, type Scale } from '../scale/scale.ts';
import type { Chord } from './chord.ts';
import type { Progression } from './progression.ts';

/** What a note of a scale is over a chord: of the chord, passing, or rubbing against it. */
export type NoteFit = 'chord' | 'passing' | 'clash';

export interface FittedNote {
  /** Semitones above home. */
  readonly semitone: PitchClass;
  readonly fit: NoteFit;
  /** Why it clashes. */
  readonly why: string | undefined;
  /** Nearest scale note that does not clash, in semitones above home. */
  readonly instead: PitchClass | undefined;
}

/**
 * The notes of a scale over one chord. A note clashes a semitone above a chord tone, or as the other third; the flat
 * third over a major chord is told apart, since players of the blues mean it.
 * Source: how teachers commonly judge notes against chords.
 */
export function notesOver(scale: Scale, chord: Chord): readonly FittedNote[] {
  const root = chord.tones[0] ?? 0;
  const third = [4, 3].find((above) => chord.tones.includes(pitchClass(root + above)));
  const judged = scale.semitones.map((semitone) => {
    const above = pitchClass(semitone - root);
    const wrongThird = (third === 4 && above === 3) || (third === 3 && above === 4);
    const rubs = chord.tones.some((tone) => pitchClass(semitone - tone) === 1);
    const fit: NoteFit = chord.tones.includes(semitone) ? 'chord' : wrongThird || rubs ? 'clash' : 'passing';
    const why =
      fit !== 'clash' ? undefined : wrongThird ? 'the other third' : 'a semitone above a chord tone';
    return { semitone, fit, why };
  });
  const good = judged.filter((note) => note.fit !== 'clash').map((note) => note.semitone);
  const distance = (a: number, b: number) => Math.min(pitchClass(a - b), pitchClass(b - a));
  return judged.map((note) => ({
    ...note,
    instead:
      note.fit === 'clash'
        ? [...good].sort((a, b) => distance(a, note.semitone) - distance(b, note.semitone) || a - b)[0]
        : undefined,
  }));
}

/** How a scale does over a whole progression. */
export interface ScaleFit {
  readonly scale: Scale;
  /** Notes that clash, counted over all chords by the share of a bar each has. */
  readonly clashes: number;
  /** Chord tones that the scale has, of all chord tones, 0 to 1. */
  readonly covers: number;
  /** The reason in words. */
  readonly reason: string;
}

export function scaleFit(scale: Scale, progression: Progression): ScaleFit {
  let clashes = 0;
  let tones = 0;
  let covered = 0;
  const clashing = new Set<number>();
  for (const [number, bar] of progression.bars.entries()) {
    for (const chord of bar) {
      const share = 1 / bar.length;
      const found = notesOver(scale, chord).filter((note) => note.fit === 'clash').length;
      if (found > 0) clashing.add(number + 1);
      clashes += found * share;
      tones += chord.tones.length * share;
      covered += chord.tones.filter((tone) => scale.semitones.includes(tone)).length * share;
    }
  }
  const covers = tones === 0 ? 0 : covered / tones;
  const bars = [...clashing];
  const where =
    bars.length === 0 ? 'nothing clashes' : `clashes in ${bars.length} of ${progression.bars.length} bars`;
  return { scale, clashes, covers, reason: `${where}, has ${Math.round(covers * 100)} % of the chord tones` };
}

/** Scales of the catalogue by how well they suit a progression, the best first. A clash a bar outweighs all tones. */
export function suitableScales(
  progression: Progression,
  scales: readonly Scale[] = SCALES,
): readonly ScaleFit[] {
  const bars = Math.max(1, progression.bars.length);
  const score = (fit: ScaleFit) => 2 * fit.covers - fit.clashes / bars;
  return scales
    .filter((scale) => scale.group !== 'chords' && scale.semitones.length >= 5 && scale.semitones.length <= 8)
    .map((scale, order) => ({ fit: scaleFit(scale, progression), order }))
    .sort((a, b) => score(b.fit) - score(a.fit) || a.order - b.order)
    .map(({ fit }) => fit);
}
