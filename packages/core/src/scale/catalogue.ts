/** Groups under which a teacher would look for a scale, in the order shown. */
export const SCALE_GROUPS = Object.freeze({
  main: 'Major and minor',
  blues: 'Blues',
  five: 'Five notes',
  modes: 'Modes of major',
  six: 'Six notes',
  melodic: 'Modes of melodic minor',
  harmonic: 'Modes of harmonic minor',
  seven: 'Other seven notes',
  eight: 'Eight and more',
  chords: 'Chords as scales',
} as const);
export type ScaleGroup = keyof typeof SCALE_GROUPS;

/** One row of the catalogue: the primary facts; everything else about a scale is derived from the formula. */
export interface CatalogueRow {
  readonly id: string;
  readonly group: ScaleGroup;
  readonly name: string;
  /** Degrees against the major scale, b lowers and # raises. */
  readonly formula: string;
  readonly aliases?: readonly string[];
  /** Said wherever the scale is picked, when its name means different things to different people. */
  readonly note?: string;
}

/** Source: general music theory; names as commonly taught. */
export const SCALE_CATALOGUE: readonly CatalogueRow[] = Object.freeze([
  { id: 'major', group: 'main', name: 'major', formula: '1 2 3 4 5 6 7', aliases: ['Ionian', 'do re mi'] },
  {
    id: 'natural-minor',
    group: 'main',
    name: 'natural minor',
    formula: '1 2 b3 4 5 b6 b7',
    aliases: ['Aeolian'],
  },
  { id: 'harmonic-minor', group: 'main', name: 'harmonic minor', formula: '1 2 b3 4 5 b6 7' },
  {
    id: 'melodic-minor',
    group: 'main',
    name: 'melodic minor',
    formula: '1 2 b3 4 5 6 7',
    aliases: ['jazz minor'],
    note: 'The rising form, used here both ways; classical teaching comes down by natural minor.',
  },
  { id: 'harmonic-major', group: 'main', name: 'harmonic major', formula: '1 2 3 4 5 b6 7' },

  {
    id: 'blues-six',
    group: 'blues',
    name: 'six-note blues',
    formula: '1 b3 4 b5 5 b7',
    aliases: ['blues scale', 'minor blues', 'hexatonic blues'],
    note: '“Blues scale” with the flat fifth. Some teachers mean the five notes without it: see minor pentatonic.',
  },
  {
    id: 'minor-pentatonic',
    group: 'blues',
    name: 'minor pentatonic',
    formula: '1 b3 4 5 b7',
    aliases: ['five-note blues', 'blues scale'],
    note: 'The five notes that some teachers call “blues scale”. With the flat fifth it is six-note blues.',
  },
  {
    id: 'major-blues',
    group: 'blues',
    name: 'major blues',
    formula: '1 2 b3 3 5 6',
    aliases: ['country blues'],
  },
  {
    id: 'blues-both-thirds',
    group: 'blues',
    name: 'blues with both thirds',
    formula: '1 b3 3 4 b5 5 b7',
    aliases: ['seven-note blues'],
  },
  {
    id: 'blues-mixed',
    group: 'blues',
    name: 'major and minor blues together',
    formula: '1 2 b3 3 4 b5 5 6 b7',
    aliases: ['nine-note blues', 'composite blues'],
  },

  { id: 'major-pentatonic', group: 'five', name: 'major pentatonic', formula: '1 2 3 5 6' },
  { id: 'suspended-pentatonic', group: 'five', name: 'suspended pentatonic', formula: '1 2 4 5 b7' },
  {
    id: 'scottish-pentatonic',
    group: 'five',
    name: 'open pentatonic',
    formula: '1 2 4 5 6',
    aliases: ['pentatonic without third'],
  },
  {
    id: 'low-minor-pentatonic',
    group: 'five',
    name: 'minor pentatonic with flat sixth',
    formula: '1 b3 4 b6 b7',
  },
  {
    id: 'minor-six-pentatonic',
    group: 'five',
    name: 'minor pentatonic with sixth',
    formula: '1 b3 4 5 6',
    aliases: ['minor six pentatonic'],
  },
  { id: 'dominant-pentatonic', group: 'five', name: 'dominant pentatonic', formula: '1 2 3 5 b7' },
  { id: 'kumoi', group: 'five', name: 'kumoi', formula: '1 2 b3 5 6', aliases: ['Dorian pentatonic'] },
  { id: 'hirajoshi', group: 'five', name: 'hirajoshi', formula: '1 2 b3 5 b6' },
  { id: 'in-scale', group: 'five', name: 'in scale', formula: '1 b2 4 5 b6', aliases: ['miyako-bushi'] },
  { id: 'insen', group: 'five', name: 'insen', formula: '1 b2 4 5 b7' },
  { id: 'iwato', group: 'five', name: 'iwato', formula: '1 b2 4 b5 b7' },

  { id: 'dorian', group: 'modes', name: 'Dorian', formula: '1 2 b3 4 5 6 b7' },
  { id: 'phrygian', group: 'modes', name: 'Phrygian', formula: '1 b2 b3 4 5 b6 b7' },
  { id: 'lydian', group: 'modes', name: 'Lydian', formula: '1 2 3 #4 5 6 7' },
  {
    id: 'mixolydian',
    group: 'modes',
    name: 'Mixolydian',
    formula: '1 2 3 4 5 6 b7',
    aliases: ['dominant scale'],
  },
  { id: 'locrian', group: 'modes', name: 'Locrian', formula: '1 b2 b3 4 b5 b6 b7' },

  {
    id: 'major-hexatonic',
    group: 'six',
    name: 'major without seventh',
    formula: '1 2 3 4 5 6',
    aliases: ['major hexatonic'],
  },
  {
    id: 'minor-hexatonic',
    group: 'six',
    name: 'minor without sixth',
    formula: '1 2 b3 4 5 b7',
    aliases: ['minor hexatonic'],
  },
  { id: 'whole-tone', group: 'six', name: 'whole-tone', formula: '1 2 3 #4 #5 b7' },
  { id: 'augmented', group: 'six', name: 'augmented', formula: '1 b3 3 5 b6 7' },
  {
    id: 'tritone-six',
    group: 'six',
    name: 'two triads a tritone apart',
    formula: '1 b2 3 b5 5 b7',
    aliases: ['tritone scale'],
  },

  {
    id: 'dorian-flat-2',
    group: 'melodic',
    name: 'Dorian ♭2',
    formula: '1 b2 b3 4 5 6 b7',
    aliases: ['Phrygian natural 6'],
  },
  { id: 'lydian-augmented', group: 'melodic', name: 'Lydian augmented', formula: '1 2 3 #4 #5 6 7' },
  {
    id: 'lydian-dominant',
    group: 'melodic',
    name: 'Lydian dominant',
    formula: '1 2 3 #4 5 6 b7',
    aliases: ['overtone scale', 'Mixolydian ♯4'],
  },
  {
    id: 'mixolydian-flat-6',
    group: 'melodic',
    name: 'Mixolydian ♭6',
    formula: '1 2 3 4 5 b6 b7',
    aliases: ['melodic major'],
  },
  {
    id: 'locrian-natural-2',
    group: 'melodic',
    name: 'Locrian natural 2',
    formula: '1 2 b3 4 b5 b6 b7',
    aliases: ['half-diminished scale'],
  },
  {
    id: 'altered',
    group: 'melodic',
    name: 'altered',
    formula: '1 b2 b3 b4 b5 b6 b7',
    aliases: ['super-Locrian'],
  },

  { id: 'locrian-natural-6', group: 'harmonic', name: 'Locrian natural 6', formula: '1 b2 b3 4 b5 6 b7' },
  {
    id: 'ionian-sharp-5',
    group: 'harmonic',
    name: 'major ♯5',
    formula: '1 2 3 4 #5 6 7',
    aliases: ['Ionian ♯5'],
  },
  {
    id: 'dorian-sharp-4',
    group: 'harmonic',
    name: 'Dorian ♯4',
    formula: '1 2 b3 #4 5 6 b7',
    aliases: ['Romanian minor'],
  },
  {
    id: 'phrygian-dominant',
    group: 'harmonic',
    name: 'Phrygian dominant',
    formula: '1 b2 3 4 5 b6 b7',
    aliases: ['freygish', 'Spanish'],
  },
  { id: 'lydian-sharp-2', group: 'harmonic', name: 'Lydian ♯2', formula: '1 #2 3 #4 5 6 7' },
  {
    id: 'altered-diminished',
    group: 'harmonic',
    name: 'altered ♭♭7',
    formula: '1 b2 b3 b4 b5 b6 bb7',
    aliases: ['ultra-Locrian'],
  },

  {
    id: 'double-harmonic',
    group: 'seven',
    name: 'double harmonic',
    formula: '1 b2 3 4 5 b6 7',
    aliases: ['Byzantine'],
  },
  {
    id: 'hungarian-minor',
    group: 'seven',
    name: 'Hungarian minor',
    formula: '1 2 b3 #4 5 b6 7',
    aliases: ['double harmonic minor'],
  },
  { id: 'neapolitan-minor', group: 'seven', name: 'Neapolitan minor', formula: '1 b2 b3 4 5 b6 7' },
  { id: 'neapolitan-major', group: 'seven', name: 'Neapolitan major', formula: '1 b2 b3 4 5 6 7' },

  { id: 'bebop-dominant', group: 'eight', name: 'bebop dominant', formula: '1 2 3 4 5 6 b7 7' },
  { id: 'bebop-major', group: 'eight', name: 'bebop major', formula: '1 2 3 4 5 #5 6 7' },
  {
    id: 'diminished-whole-half',
    group: 'eight',
    name: 'diminished, whole step first',
    formula: '1 2 b3 4 b5 b6 6 7',
    aliases: ['octatonic', 'whole-half'],
  },
  {
    id: 'diminished-half-whole',
    group: 'eight',
    name: 'diminished, half step first',
    formula: '1 b2 b3 3 #4 5 6 b7',
    aliases: ['octatonic', 'half-whole'],
  },
  {
    id: 'chromatic',
    group: 'eight',
    name: 'chromatic',
    formula: '1 b2 2 b3 3 4 b5 5 b6 6 b7 7',
    aliases: ['all twelve notes'],
  },

  {
    id: 'triad-major',
    group: 'chords',
    name: 'major chord',
    formula: '1 3 5',
    aliases: ['major arpeggio', 'triad'],
  },
  {
    id: 'triad-minor',
    group: 'chords',
    name: 'minor chord',
    formula: '1 b3 5',
    aliases: ['minor arpeggio', 'triad'],
  },
  {
    id: 'seventh',
    group: 'chords',
    name: 'seventh chord',
    formula: '1 3 5 b7',
    aliases: ['dominant seventh arpeggio'],
  },
  {
    id: 'minor-seventh',
    group: 'chords',
    name: 'minor seventh chord',
    formula: '1 b3 5 b7',
    aliases: ['minor seventh arpeggio'],
  },
] satisfies CatalogueRow[]);
