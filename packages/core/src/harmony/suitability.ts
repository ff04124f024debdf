import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { degreeText } from '../scale/degree.ts';
import { SCALES, type Scale } from '../scale/scale.ts';
import type { Chord } from './chord.ts';
import type { Progression } from './progression.ts';
import { BLUE_NOTES } from './role.ts';

/** What a note of a scale is over a chord: of the chord, passing, a blue note of the blues, or rubbing against it. */
export type NoteFit = 'chord' | 'passing' | 'blue' | 'clash';

export interface FittedNote {
  /** Semitones above home. */
  readonly semitone: PitchClass;
  readonly fit: NoteFit;
  /** Why it clashes. */
  readonly why: string | undefined;
  /** Nearest scale note that does not clash, in semitones above home. */
  readonly instead: PitchClass | undefined;
}

const FOURTH = 5;

/**
 * The notes of a scale over one chord. A note clashes a semitone above a chord tone, or as the other third; ♭3, ♭5 and
 * ♭7 of a blues scale do not, since its players mean them, nor does the fourth of a chord there, which they pass through.
 * Source: how teachers commonly judge notes against chords.
 */
export function notesOver(scale: Scale, chord: Chord): readonly FittedNote[] {
  const root = chord.tones[0] ?? 0;
  const third = [4, 3].find((above) => chord.tones.includes(pitchClass(root + above)));
  const judged = scale.semitones.map((semitone) => {
    const above = pitchClass(semitone - root);
    const wrongThird = (third === 4 && above === 3) || (third === 3 && above === 4);
    const rubs = chord.tones.some((tone) => pitchClass(semitone - tone) === 1);
    const isBlue = scale.group === 'blues' && BLUE_NOTES.includes(semitone);
    // The fourth of a chord is passed through in every blues.
    const isPassed = scale.group === 'blues' && above === FOURTH;
    const against: NoteFit = isBlue ? 'blue' : isPassed ? 'passing' : 'clash';
    const fit: NoteFit = chord.tones.includes(semitone) ? 'chord' : wrongThird || rubs ? against : 'passing';
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
  /** Chord tones that the scale has, of all chord tones, 0 to 1; root and third count double. */
  readonly covers: number;
  /** Higher is better; only ranks. */
  readonly score: number;
  /** The reason in words. */
  readonly reason: string;
}

/** What counts against a scale beside the share of chord tones it has. */
const AGAINST = Object.freeze({
  /** A note that rubs through a bar; one that belongs to the progression's own notes rubs less. */
  rub: 0.25,
  ownRub: 0.05,
  foreign: 0.2,
  beyondSeven: 0.1,
});

/** Over how many chords it is said what rubs. */
const NAMED = 3;

/**
 * How a scale suits a progression: the share of chord tones it has, less what rubs in a bar, less foreign notes, less notes
 * beyond seven. Source: a rule that gives what teachers expect: major under plain triads, Mixolydian under sevenths,
 * harmonic minor under the minor form.
 */
export function scaleFit(scale: Scale, { bars }: Progression): ScaleFit {
  const own = new Set(bars.flat().flatMap((chord) => chord.tones));
  /** Degrees that rub, by the chord over which they do. */
  const rubbing = new Map<string, readonly string[]>();
  let [had, all, rubs] = [0, 0, 0];
  for (const bar of bars) {
    for (const chord of bar) {
      const share = 1 / bar.length;
      for (const tone of chord.tones) {
        const weight = share * (isRootOrThird(chord, tone) ? 2 : 1);
        all += weight;
        if (scale.semitones.includes(tone)) had += weight;
      }
      const clashes = notesOver(scale, chord).filter(({ fit }) => fit === 'clash');
      if (clashes.length > 0)
        rubbing.set(
          chord.name,
          clashes.map(({ semitone }) => degreeText(scale.degrees[scale.semitones.indexOf(semitone)]!)),
        );
      for (const { semitone } of clashes) {
        rubs += share * (own.has(semitone) ? AGAINST.ownRub : AGAINST.rub);
      }
    }
  }
  const covers = all === 0 ? 0 : had / all;
  const foreign = scale.semitones.filter((semitone) => !own.has(semitone)).length;
  const score =
    covers -
    rubs / Math.max(1, bars.length) -
    AGAINST.foreign * foreign -
    AGAINST.beyondSeven * Math.max(0, scale.semitones.length - 7);
  const over = [...rubbing].map(([chord, degrees]) => `${degrees.join(' ')} over ${chord}`);
  const passing = over.length === 0 ? 'nothing rubs' : `in passing only: ${over.slice(0, NAMED).join(', ')}`;
  const more = over.length > NAMED ? ' …' : '';
  const reason = `has ${Math.round(covers * 100)} % of the chord tones, ${passing}${more}`;
  return { scale, covers, score, reason };
}

function isRootOrThird({ tones }: Chord, tone: PitchClass): boolean {
  const above = pitchClass(tone - tones[0]!);
  return above === 0 || above === 3 || above === 4;
}

/** Scales of the catalogue for a progression. */
export interface SuitableScales {
  /** The best first. */
  readonly scales: readonly ScaleFit[];
  /** Scales of the blues, a matter of taste; empty where the chords are no majors or sevenths on 1, 4 and 5. */
  readonly blues: readonly ScaleFit[];
}

/** Scales of five to eight notes by how well they suit a progression. */
export function suitableScales(progression: Progression, among: readonly Scale[] = SCALES): SuitableScales {
  const fits = among
    .filter((scale) => scale.group !== 'chords' && scale.semitones.length >= 5 && scale.semitones.length <= 8)
    .map((scale, order) => ({ fit: scaleFit(scale, progression), order }))
    .sort((a, b) => b.fit.score - a.fit.score || a.order - b.order)
    .map(({ fit }) => fit);
  const isBlues = progression.bars.flat().every(isOfTheBlues);
  return {
    scales: fits.filter(({ scale }) => scale.group !== 'blues'),
    blues: isBlues ? fits.filter(({ scale }) => scale.group === 'blues') : [],
  };
}

function isOfTheBlues({ tones }: Chord): boolean {
  const [root = 0, ...rest] = tones;
  const above = rest.map((tone) => pitchClass(tone - root));
  return [0, 5, 7].includes(root) && above.includes(4) && above.every((a) => [4, 7, 10].includes(a));
}
