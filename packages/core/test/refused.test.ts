/** How wrong layouts are refused: at which field, and in which words. By hand. */
import { familyById } from '../src/families/index.ts';
import { specFromPreset } from '../src/instrument/instrument.ts';

/** The layout of a preset with some of its parts replaced, and every problem with it: `field: sentence`. */
const REFUSED: readonly (readonly [
  family: string,
  preset: string,
  change: (layout: never) => object,
  problems: readonly string[],
])[] = [
  [
    'diatonic',
    '60',
    ({ blow, draw }: { blow: number[]; draw: number[] }) => ({
      root: 40,
      tuning: 'own',
      blow: blow.with(3, 6).with(5, 0.5),
      draw: draw.with(9, 99),
    }),
    [
      'root: The key must be from low G to high C.',
      'tuning: There is no tuning “own”. Known: richter, third-raised, country, natural-minor, harmonic-minor.',
      'blow.4: Hole 4 blow is lower than hole 3 blow: reeds go up from left to right.',
      'blow.6: Hole 6 blow must be a whole number of semitones.',
      'draw.10: Hole 10 draw is out of range: from C1 to C9.',
    ],
  ],
  [
    'diatonic',
    '60',
    ({ blow }: { blow: number[] }) => ({ blow: blow.slice(1), draw: 'all' }),
    ['blow: There must be 10 blow reeds, not 9 reeds.', 'draw: There must be 10 draw reeds, not all.'],
  ],
  [
    'chromatic',
    '60-10',
    ({ reeds }: { reeds: Record<string, number[]> }) => ({
      home: 40,
      reeds: { ...reeds, blow: reeds['blow']!.with(1, 0.5), draw: reeds['draw']!.with(9, 99) },
    }),
    [
      'home: The key must be from low G to F♯.',
      'reeds.blow.2: Hole 2 blow must be a whole number of semitones.',
      'reeds.draw.10: Hole 10 draw is out of range: from C1 to C9.',
    ],
  ],
  [
    'chromatic',
    '60-10',
    () => ({ size: '12' }),
    [
      'reeds.blow: There must be 12 blow reeds, not 10.',
      'reeds.blowSlide: There must be 12 blow, slide in reeds, not 10.',
      'reeds.draw: There must be 12 draw reeds, not 10.',
      'reeds.drawSlide: There must be 12 draw, slide in reeds, not 10.',
    ],
  ],
  [
    'whistle',
    '74',
    () => ({
      lowest: 80,
      bore: 'square',
      ceiling: 11,
      retuned: { xxxxxx: -2, xxxxxo: 2.5, xxxxoo: 41, oxo: 3, xxxooo: -1, xxoooo: 40 },
      mute: ['oxo'],
    }),
    [
      'lowest: The lowest note must be from C3 to G5.',
      'bore: There is no bore “square”. Known: conical, cylindrical.',
      'ceiling: The ceiling must be 12 to 26 semitones above the lowest note.',
      'retuned.xxxxxx: A fingering sounds from 1 below to 40 semitones above the lowest note.',
      'retuned.xxxxxo: A fingering sounds from 1 below to 40 semitones above the lowest note.',
      'retuned.xxxxoo: A fingering sounds from 1 below to 40 semitones above the lowest note.',
      'retuned.oxo: There is no such fingering.',
      'mute: Fingerings that do not speak must be a list of known ones.',
    ],
  ],
  ['whistle', '74', () => ({ retuned: 7 }), ['retuned: Pitches must be given by fingering.']],
  [
    'english',
    'treble',
    ({ buttons }: { buttons: Record<'L' | 'R', Record<string, number[]>> }) => ({
      seen: 'above',
      buttons: { L: { ...buttons.L, 2: [60, 67, 74, 81, 'E6', 95], 3: [57] }, R: undefined },
    }),
    [
      'seen: There is no view “above”. Known: player, opposite.',
      'buttons.L.2.5: Left hand, column 2, button 5 must be a whole number of semitones.',
      'buttons.L.3: There must be 6 buttons in left column 3, not 1.',
      'buttons.R: The buttons of the right hand are missing.',
    ],
  ],
  [
    'anglo',
    'C-G-two-rows',
    ({ rows }: { rows: Record<'L' | 'R', Record<string, unknown[]>> }) => ({
      key: 'C/F',
      rows: {
        L: { ...rows.L, middle: rows.L['middle']!.with(2, [60]) },
        R: { ...rows.R, inside: rows.R['inside']!.slice(1) },
      },
    }),
    [
      'key: There is no pair of keys “C/F”. Known: C/G, D/A, B♭/F, A♭/E♭, G/D, F/C.',
      'rows.L.middle.3.pull: Button 3 of the left middle row, pulled, must be a whole number of semitones.',
      'rows.R.inside: The right inside row must have 5 buttons.',
    ],
  ],
  [
    'anglo',
    'C-G-sharp-on-push',
    () => ({ plan: 'forty', bellows: 'huge' }),
    [
      'plan: There is no plan “forty”. Known: sharp-on-push, sharp-both-ways, two-rows.',
      'bellows: There is no size of bellows “huge”. Known: small, usual, large.',
    ],
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    () => ({ fretboard: 'fretless' }),
    ['fretboard: There is no fretboard “fretless”. Known: usual, plain, extra, chromatic.'],
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    () => ({
      frets: [
        { name: '0', semitones: 1 },
        { name: '1', semitones: 0 },
        { name: '2', semitones: 37 },
        { name: '3', semitones: 36 },
      ],
      capo: '4',
    }),
    [
      'frets.1: A fret is named 1 to 17, or such a number with ½.',
      'frets.1: Fret 1 must be 1 to 36 semitones above the open string.',
      'frets.2: Fret 2 must be 1 to 36 semitones above the open string.',
      'frets.3: Fret 3 must sound higher than fret 2 below it.',
      'capo: The capo must sit at a fret that is fitted, or at 0.',
    ],
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    () => ({
      frets: [
        { name: '2', semitones: 4 },
        { name: '1', semitones: 4 },
        { name: '2', semitones: 5 },
      ],
    }),
    ['frets.2: Fret 2 must sound higher than fret 1 below it.', 'frets.2: There are two frets 2.'],
  ],
  [
    'harp',
    'eb-22',
    ({ strings }: { strings: { pitch: number; lever: boolean }[] }) => ({
      base: 'D',
      up: [12],
      strings: strings.with(3, { pitch: 50, lever: true }).with(7, { pitch: 60, lever: 1 as never }),
    }),
    [
      'base: There is no base tuning “D”. Known: C, F, Eb.',
      'strings.8: String 8 has a lever or none.',
      'strings.4: String 4 is lower than string 3: strings go up.',
      'up: Levers set must be pitch classes 0 to 11.',
    ],
  ],
  [
    'harp',
    'eb-22',
    ({ strings }: { strings: object[] }) => ({ strings: strings.slice(0, 14) }),
    ['strings: There must be 15 to 40 strings, not 14.'],
  ],
  [
    'drum',
    'c-major-8',
    () => ({
      tongues: [
        { pitch: 60, slot: 0 },
        { pitch: 62, slot: 25, cents: 51 },
        { pitch: 64, slot: 24, cents: -50 },
        { pitch: 65, slot: 0 },
        { slot: 2 },
      ],
    }),
    [
      'tongues.2: Tongue 2 needs a place: 0 for the centre, 1 to 24 round the ring.',
      'tongues.2: Cents of tongue 2 must be a number from -50 to 50.',
      'tongues.5: Tongue 5 must be a whole number of semitones.',
      'tongues.4: Tongue 4 lies where tongue 1 lies: give it another place.',
    ],
  ],
  [
    'drum',
    'c-major-8',
    () => ({ tongues: [{ pitch: 60, slot: 0 }] }),
    ['tongues: There must be 2 to 24 tongues, not 1.'],
  ],
  [
    'custom',
    'one',
    () => ({
      what: ' ',
      spots: [
        { name: 'a', pitch: 60, x: 10, y: 10 },
        { name: 'b', pitch: 60, x: 24.9, y: 20.5 },
        { name: 'a', pitch: 62, x: 25, y: 31.2 },
        { name: 'thirteen sign', pitch: 64, x: 251, y: 111, cents: 51 },
      ],
    }),
    [
      'what: Say what it is in at most 40 characters.',
      'spots.4: The name of pitch 4 must have 1 to 12 characters; it is “thirteen sign”.',
      'spots.4: Cents of pitch 4 must be a number from -50 to 50.',
      'spots.4: The place of pitch 4 from the left must be a number from 0 to 250.',
      'spots.4: The place of pitch 4 from above must be a number from 0 to 110.',
      'spots.2: Pitch 2 lies on pitch 1: move one of them.',
      'spots.3: Two pitches are called “a”.',
    ],
  ],
];

test.each(REFUSED)('%s %s: case %#', (family, preset, change, problems) => {
  const { layout } = specFromPreset(family, preset);
  const result = familyById(family)!.open({ ...(layout as object), ...change(layout as never) }, {});
  const found = result.ok ? [] : result.problems.map(({ field, message }) => `${field}: ${message}`);
  expect(found).toEqual(problems);
});
