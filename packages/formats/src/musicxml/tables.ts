import type { NoteMark } from '@same-song/core/song';

/** Ids of scales by the name of a mode, and by how many fifths its tonic lies above the major one of its signature. */
export const MODES: Readonly<Record<string, { readonly scale: string; readonly above: number }>> =
  Object.freeze({
    major: { scale: 'major', above: 0 },
    ionian: { scale: 'major', above: 0 },
    minor: { scale: 'natural-minor', above: 3 },
    aeolian: { scale: 'natural-minor', above: 3 },
    dorian: { scale: 'dorian', above: 2 },
    phrygian: { scale: 'phrygian', above: 4 },
    lydian: { scale: 'lydian', above: -1 },
    mixolydian: { scale: 'mixolydian', above: 1 },
    locrian: { scale: 'locrian', above: 5 },
  });

/** Endings of chord symbols by the name of a kind. */
export const KINDS: Readonly<Record<string, string>> = Object.freeze({
  major: '',
  minor: 'm',
  augmented: '+',
  diminished: '°',
  dominant: '7',
  'major-seventh': 'maj7',
  'minor-seventh': 'm7',
  'diminished-seventh': '°7',
  'augmented-seventh': '7♯5',
  'half-diminished': 'm7♭5',
  'major-minor': 'mmaj7',
  'major-sixth': '6',
  'minor-sixth': 'm6',
  'dominant-ninth': '9',
  'major-ninth': 'maj9',
  'minor-ninth': 'm9',
  'dominant-11th': '11',
  'dominant-13th': '13',
  'suspended-second': 'sus2',
  'suspended-fourth': 'sus4',
  power: '5',
});

export const ARTICULATIONS: Readonly<Record<string, NoteMark>> = Object.freeze({
  staccato: 'staccato',
  tenuto: 'tenuto',
  accent: 'accent',
  'breath-mark': 'breath',
});

/** Marks by the name of an ornament's element; others are named in the text of `other-ornament`. */
export const ORNAMENTS: Readonly<Record<string, NoteMark>> = Object.freeze({ 'trill-mark': 'trill' });
export const NAMED_ORNAMENTS: Readonly<Record<string, NoteMark>> = Object.freeze({ roll: 'roll' });

/** Quarters by the name of a note's type. */
export const TYPES: Readonly<Record<string, number>> = Object.freeze({
  long: 16,
  breve: 8,
  whole: 4,
  half: 2,
  quarter: 1,
  eighth: 1 / 2,
  '16th': 1 / 4,
  '32nd': 1 / 8,
  '64th': 1 / 16,
});
