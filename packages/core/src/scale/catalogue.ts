import { keysOf } from '../objects.ts';
/** Groups under which a teacher would look for a scale, in the order shown. */
export const SCALE_GROUPS = Object.freeze({
  main: 'Major and minor',
  blues: 'Blues',
  five: 'Five notes',
  modes: 'Modes of major',
  six: 'Six notes',
  melodic: 'Modes of melodic minor',
  harmonic: 'Modes of harmonic minor and major',
  seven: 'Other seven notes',
  eight: 'Eight and more',
  chords: 'Chords as scales',
} as const);
export type ScaleGroup = keyof typeof SCALE_GROUPS;
export const SCALE_GROUP_IDS = Object.freeze(keysOf(SCALE_GROUPS));

/** One row of the catalogue: the primary facts; everything else about a scale is derived from the formula. */
export interface CatalogueRow {
  readonly id: string;
  readonly name: string;
  /** Degrees against the major scale, b lowers and # raises. */
  readonly formula: string;
  /** Other names by which it is asked for. */
  readonly aliases: readonly string[];
  /** Said wherever the scale is picked, when its name means different things to different people. */
  readonly note: string | undefined;
}

function row(id: string, name: string, formula: string, aliases = '', note?: string): CatalogueRow {
  return { id, name, formula, aliases: aliases.split(', ').filter((alias) => alias !== ''), note };
}

/** Source: general music theory; names as commonly taught, traditional ones as aliases. */
export const SCALE_CATALOGUE: Readonly<Record<ScaleGroup, readonly CatalogueRow[]>> = Object.freeze({
  main: [
    row('major', 'major', '1 2 3 4 5 6 7', 'Ionian, do re mi'),
    row('natural-minor', 'natural minor', '1 2 b3 4 5 b6 b7', 'Aeolian, minor'),
    row('harmonic-minor', 'harmonic minor', '1 2 b3 4 5 b6 7'),
    row(
      'melodic-minor',
      'melodic minor',
      '1 2 b3 4 5 6 7',
      'jazz minor',
      'The rising form, used here both ways; classical teaching comes down by natural minor.',
    ),
    row('harmonic-major', 'harmonic major', '1 2 3 4 5 b6 7'),
  ],
  blues: [
    row(
      'blues-six',
      'six-note blues',
      '1 b3 4 b5 5 b7',
      'blues scale, minor blues, hexatonic blues',
      '“Blues scale” with the flat fifth. Some teachers mean the five notes without it: see minor pentatonic.',
    ),
    row(
      'minor-pentatonic',
      'minor pentatonic',
      '1 b3 4 5 b7',
      'five-note blues, blues scale, minor five notes',
      'The five notes that some teachers call “blues scale”. With the flat fifth it is six-note blues.',
    ),
    row(
      'blues-blue-third',
      'blues with the blue third',
      '1 ~3 4 b5 5 b7',
      'neutral third, quarter-tone third',
    ),
    row('major-blues', 'major blues', '1 2 b3 3 5 6', 'country blues'),
    row('blues-both-thirds', 'blues with both thirds', '1 b3 3 4 b5 5 b7', 'seven-note blues'),
    row(
      'blues-mixed',
      'major and minor blues together',
      '1 2 b3 3 4 b5 5 6 b7',
      'nine-note blues, composite blues',
    ),
  ],
  five: [
    row('major-pentatonic', 'major pentatonic', '1 2 3 5 6', 'six-nine chord'),
    row('suspended-pentatonic', 'suspended pentatonic', '1 2 4 5 b7', 'Egyptian, eleventh chord'),
    row('scottish-pentatonic', 'open pentatonic', '1 2 4 5 6', 'pentatonic without third'),
    row('low-minor-pentatonic', 'minor pentatonic with flat sixth', '1 b3 4 b6 b7'),
    row('minor-six-pentatonic', 'minor pentatonic with sixth', '1 b3 4 5 6', 'minor six pentatonic'),
    row('dominant-pentatonic', 'dominant pentatonic', '1 2 3 5 b7', 'ninth chord'),
    row('kumoi', 'kumoi', '1 2 b3 5 6', 'Dorian pentatonic'),
    row('hirajoshi', 'hirajoshi', '1 2 b3 5 b6'),
    row('in-scale', 'in scale', '1 b2 4 5 b6', 'miyako-bushi'),
    row('insen', 'insen', '1 b2 4 5 b7'),
    row('iwato', 'iwato', '1 b2 4 b5 b7'),
    row('pelog-like', 'five notes near pelog', '1 b2 b3 5 b6', 'pelog'),
    row('chinese-five', 'five notes with raised fourth', '1 3 #4 5 7', 'Chinese'),
  ],
  modes: [
    row('dorian', 'Dorian', '1 2 b3 4 5 6 b7', 'Irish minor'),
    row('phrygian', 'Phrygian', '1 b2 b3 4 5 b6 b7'),
    row('lydian', 'Lydian', '1 2 3 #4 5 6 7'),
    row('mixolydian', 'Mixolydian', '1 2 3 4 5 6 b7', 'dominant scale, Irish'),
    row('locrian', 'Locrian', '1 b2 b3 4 b5 b6 b7'),
  ],
  six: [
    row('major-hexatonic', 'major without seventh', '1 2 3 4 5 6', 'major hexatonic'),
    row('minor-hexatonic', 'minor without sixth', '1 2 b3 4 5 b7', 'minor hexatonic'),
    row('minor-six-dance', 'minor without seventh', '1 2 b3 4 5 6', 'dance tune minor'),
    row('no-third-six', 'six notes without third', '1 2 4 5 6 b7', 'dance tune without third'),
    row('no-fourth-six', 'major without fourth', '1 2 3 5 6 7', 'dance tune major'),
    row('prometheus', 'Prometheus', '1 2 3 #4 6 b7', 'mystic'),
    row('whole-tone', 'whole-tone', '1 2 3 #4 #5 b7'),
    row('augmented', 'augmented', '1 b3 3 5 b6 7'),
    row('tritone-six', 'two triads a tritone apart', '1 b2 3 b5 5 b7', 'tritone scale'),
  ],
  melodic: [
    row('dorian-flat-2', 'Dorian ♭2', '1 b2 b3 4 5 6 b7', 'Phrygian natural 6'),
    row('lydian-augmented', 'Lydian augmented', '1 2 3 #4 #5 6 7'),
    row(
      'lydian-dominant',
      'Lydian dominant',
      '1 2 3 #4 5 6 b7',
      'overtone scale, Mixolydian ♯4, acoustic, Lydian ♭7',
    ),
    row('mixolydian-flat-6', 'Mixolydian ♭6', '1 2 3 4 5 b6 b7', 'melodic major'),
    row('locrian-natural-2', 'Locrian natural 2', '1 2 b3 4 b5 b6 b7', 'half-diminished scale'),
    row('altered', 'altered', '1 b2 b3 b4 b5 b6 b7', 'super-Locrian'),
  ],
  harmonic: [
    row('locrian-natural-6', 'Locrian natural 6', '1 b2 b3 4 b5 6 b7'),
    row('ionian-sharp-5', 'major ♯5', '1 2 3 4 #5 6 7', 'Ionian ♯5'),
    row('dorian-sharp-4', 'Dorian ♯4', '1 2 b3 #4 5 6 b7', 'Romanian minor, Ukrainian, Ukrainian Dorian'),
    row('phrygian-dominant', 'Phrygian dominant', '1 b2 3 4 5 b6 b7', 'freygish, Spanish, hijaz, klezmer'),
    row('lydian-sharp-2', 'Lydian ♯2', '1 #2 3 #4 5 6 7'),
    row('altered-diminished', 'altered ♭♭7', '1 b2 b3 b4 b5 b6 bb7', 'ultra-Locrian'),
    row('dorian-flat-5', 'Dorian ♭5', '1 2 b3 4 b5 6 b7', '2nd mode of harmonic major'),
    row('phrygian-flat-4', 'Phrygian ♭4', '1 b2 b3 b4 5 b6 b7', '3rd mode of harmonic major'),
    row('lydian-flat-3', 'Lydian ♭3', '1 2 b3 #4 5 6 7', '4th mode of harmonic major, melodic minor ♯4'),
    row('mixolydian-flat-2', 'Mixolydian ♭2', '1 b2 3 4 5 6 b7', '5th mode of harmonic major'),
    row('lydian-augmented-sharp-2', 'Lydian augmented ♯2', '1 #2 3 #4 #5 6 7', '6th mode of harmonic major'),
    row('locrian-double-flat-7', 'Locrian ♭♭7', '1 b2 b3 4 b5 b6 bb7', '7th mode of harmonic major'),
  ],
  seven: [
    row('double-harmonic', 'double harmonic', '1 b2 3 4 5 b6 7', 'Byzantine, gypsy, Arabic'),
    row('hungarian-minor', 'Hungarian minor', '1 2 b3 #4 5 b6 7', 'double harmonic minor, gypsy minor'),
    row('neapolitan-minor', 'Neapolitan minor', '1 b2 b3 4 5 b6 7'),
    row('neapolitan-major', 'Neapolitan major', '1 b2 b3 4 5 6 7'),
    row('hungarian-major', 'Hungarian major', '1 #2 3 #4 5 6 b7'),
    row('persian', 'Persian', '1 b2 3 4 b5 b6 7'),
    row('enigmatic', 'enigmatic', '1 b2 3 #4 #5 #6 7'),
  ],
  eight: [
    row('bebop-dominant', 'bebop dominant', '1 2 3 4 5 6 b7 7'),
    row('bebop-major', 'bebop major', '1 2 3 4 5 #5 6 7'),
    row('bebop-dorian', 'bebop minor', '1 2 b3 3 4 5 6 b7', 'bebop Dorian'),
    row('bebop-melodic-minor', 'bebop melodic minor', '1 2 b3 4 5 #5 6 7'),
    row('spanish-eight', 'eight-note Spanish', '1 b2 b3 3 4 b5 b6 b7'),
    row(
      'diminished-whole-half',
      'diminished, whole step first',
      '1 2 b3 4 b5 b6 6 7',
      'octatonic, whole-half, dim',
    ),
    row(
      'diminished-half-whole',
      'diminished, half step first',
      '1 b2 b3 3 #4 5 6 b7',
      'octatonic, half-whole, dim',
    ),
    row('chromatic', 'chromatic', '1 b2 2 b3 3 4 b5 5 b6 6 b7 7', 'all twelve notes'),
  ],
  chords: [
    row('triad-major', 'major chord', '1 3 5', 'major arpeggio, triad'),
    row('triad-minor', 'minor chord', '1 b3 5', 'minor arpeggio, triad'),
    row('seventh', 'seventh chord', '1 3 5 b7', 'dominant seventh arpeggio'),
    row('minor-seventh', 'minor seventh chord', '1 b3 5 b7', 'minor seventh arpeggio'),
    row('fifth', 'root and fifth', '1 5', 'power chord, 5'),
    row('sixth', 'sixth chord', '1 3 5 6', '6'),
    row('minor-sixth', 'minor sixth chord', '1 b3 5 6', 'm6'),
    row('major-seventh', 'major seventh chord', '1 3 5 7', 'maj7'),
    row('minor-major-seventh', 'minor chord with major seventh', '1 b3 5 7', 'mmaj7'),
    row('diminished', 'diminished chord', '1 b3 b5', 'dim, diminished triad'),
    row('diminished-seventh', 'diminished seventh chord', '1 b3 b5 bb7', 'dim7'),
    row('half-diminished', 'half-diminished chord', '1 b3 b5 b7', 'm7♭5'),
    row('augmented-chord', 'augmented chord', '1 3 #5', 'aug, augmented triad'),
    row('seventh-sharp-5', 'seventh chord with sharp fifth', '1 3 #5 b7', '7♯5'),
    row('seventh-flat-5', 'seventh chord with flat fifth', '1 3 b5 b7', '7♭5'),
    row('seventh-sharp-9', 'seventh chord with sharp ninth', '1 #2 3 5 b7', '7♯9'),
    row('seventh-flat-9', 'seventh chord with flat ninth', '1 b2 3 5 b7', '7♭9'),
    row('minor-ninth', 'minor ninth chord', '1 2 b3 5 b7', 'm9'),
    row('major-ninth', 'major ninth chord', '1 2 3 5 7', 'maj9'),
    row('added-ninth', 'major chord with ninth', '1 2 3 5', 'add9'),
    row('minor-added-ninth', 'minor chord with ninth', '1 2 b3 5', 'madd9'),
    row('thirteenth', 'thirteenth chord', '1 2 3 5 6 b7', '13'),
    row('suspended-4', 'suspended fourth chord', '1 4 5', 'sus4, sus'),
    row('suspended-2', 'suspended second chord', '1 2 5', 'sus2'),
    row('seventh-suspended', 'seventh suspended chord', '1 4 5 b7', '7sus4'),
  ],
});
