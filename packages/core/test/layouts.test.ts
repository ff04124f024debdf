/** What layouts are called, what changing them does, and how wrong ones are refused. Worked out by hand. */
import { familyById } from '../src/families/index.ts';
import type { ElementChange } from '../src/families/layoutPart.ts';
import { specFromPreset } from '../src/instrument/instrument.ts';
import { expectOk } from '../src/result.ts';

/** A choice of an option, or another pitch or values of an element. */
type Edit = readonly [what: string, value: string | ElementChange];

/** The layout of a preset after some edits, each opened anew. */
function edited(family: string, preset: string, edits: readonly Edit[]) {
  const open = (layout: unknown) => expectOk(familyById(family)!.open(layout, {}));
  let opened = open(specFromPreset(family, preset).layout);
  for (const [what, value] of edits)
    opened = open(
      typeof value === 'string' ? opened.withOption(what, value) : opened.withElement(what, value),
    );
  return opened;
}

const fret = (fitted: boolean, semitones?: number): ElementChange => ({
  values: { fitted, ...(semitones === undefined ? {} : { semitones }) },
});
const lever = (fitted: boolean): ElementChange => ({ values: { lever: fitted } });
const speaks = (does: boolean): ElementChange => ({ values: { speaks: does } });

const CALLED: readonly (readonly [family: string, preset: string, edits: readonly Edit[], text: string])[] = [
  ['diatonic', '57', [], 'A harmonica'],
  ['diatonic', '57', [['key', '54']], 'low F♯ harmonica'],
  ['diatonic', '57', [['key', '55']], 'G harmonica'],
  ['diatonic', '57', [['key', '66']], 'F♯ harmonica'],
  ['diatonic', '57', [['key', '67']], 'high G harmonica'],
  ['diatonic', '57', [['tuning', 'country']], 'A harmonica, country tuning'],
  ['diatonic', '57', [['draw.5', { pitch: 57 + 18 }]], 'A harmonica, 1 reed changed'],
  [
    'diatonic',
    '57',
    [
      ['draw.5', { pitch: 57 + 18 }],
      ['blow.3', { pitch: 57 + 9 }],
    ],
    'A harmonica, 2 reeds changed',
  ],
  // Draw 5 raised is what country tuning is, so choosing that leaves no reed changed.
  [
    'diatonic',
    '57',
    [
      ['draw.5', { pitch: 57 + 18 }],
      ['tuning', 'country'],
    ],
    'A harmonica, country tuning',
  ],
  ['chromatic', '60-12', [], 'C chromatic harmonica, 12 holes'],
  [
    'chromatic',
    '60-12',
    [['reeds.blow.1', { pitch: 61 }]],
    'C chromatic harmonica, 12 holes, 1 reed changed',
  ],
  [
    'chromatic',
    '60-12',
    [
      ['reeds.blow.1', { pitch: 61 }],
      ['reeds.drawSlide.2', { pitch: 67 }],
    ],
    'C chromatic harmonica, 12 holes, 2 reeds changed',
  ],
  [
    'chromatic',
    '60-12',
    [
      ['reeds.blow.1', { pitch: 61 }],
      ['size', '16'],
    ],
    'C chromatic harmonica, 16 holes',
  ],
  [
    'whistle',
    '74',
    [
      ['bore', 'cylindrical'],
      ['lowest', '66'],
    ],
    'low F♯ whistle, cylindrical bore',
  ],
  [
    'whistle',
    '74',
    [
      ['bore', 'conical'],
      ['lowest', '67'],
    ],
    'G whistle, conical bore',
  ],
  [
    'whistle',
    '74',
    [
      ['bore', 'conical'],
      ['lowest', '79'],
    ],
    'high G whistle, conical bore',
  ],
  [
    'whistle',
    '74',
    [
      ['bore', 'conical'],
      ['retuned.oxxooo', { pitch: 85 }],
    ],
    'D whistle, conical bore, 1 fingering changed',
  ],
  [
    'whistle',
    '74',
    [
      ['bore', 'conical'],
      ['retuned.oxxooo', { pitch: 85 }],
      ['retuned.oxxxoo', speaks(false)],
    ],
    'D whistle, conical bore, 2 fingerings changed',
  ],
  [
    'whistle',
    '74',
    [
      ['bore', 'conical'],
      ['retuned.oxxxoo', speaks(false)],
      ['retuned.oxxxoo', speaks(true)],
    ],
    'D whistle, conical bore',
  ],
  [
    'english',
    'treble',
    [['system', 'baritone']],
    'English concertina, baritone, 48 buttons, an octave lower',
  ],
  [
    'english',
    'treble',
    [['buttons.L.2.1', { pitch: 61 }]],
    'English concertina, treble, 48 buttons, 1 button changed',
  ],
  [
    'english',
    'treble',
    [
      ['buttons.L.2.1', { pitch: 61 }],
      ['buttons.R.4.6', { pitch: 95 }],
    ],
    'English concertina, treble, 48 buttons, 2 buttons changed',
  ],
  ['anglo', 'C-G-two-rows', [['key', 'G/D']], 'G/D Anglo concertina, 20 buttons, two rows'],
  [
    'anglo',
    'C-G-two-rows',
    [['rows.L.middle.1.push', { pitch: 50 }]],
    'C/G Anglo concertina, 20 buttons, two rows, 1 reed changed',
  ],
  [
    'anglo',
    'C-G-two-rows',
    [
      ['rows.L.middle.1.push', { pitch: 50 }],
      ['rows.R.inside.5.pull', { pitch: 89 }],
    ],
    'C/G Anglo concertina, 20 buttons, two rows, 2 reeds changed',
  ],
  // In other keys the same reed of the plan is no change: G/D lies a fourth lower.
  [
    'anglo',
    'C-G-two-rows',
    [
      ['key', 'G/D'],
      ['rows.L.middle.1.push', { pitch: 43 }],
    ],
    'G/D Anglo concertina, 20 buttons, two rows',
  ],
  ['dulcimer', 'd3-a3-d4', [], 'dulcimer in D3 A3 D4'],
  ['dulcimer', 'd3-a3-d4', [['capo', '3']], 'dulcimer in D3 A3 D4, capo 3'],
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['fretboard', 'plain'],
      ['tuning', 'G2 D3 G3'],
    ],
    'dulcimer in G2 D3 G3, diatonic, no half frets',
  ],
  // A capo stays where there still is its fret.
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['capo', '3'],
      ['fretboard', 'plain'],
    ],
    'dulcimer in D3 A3 D4, diatonic, no half frets, capo 3',
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['capo', '6½'],
      ['fretboard', 'plain'],
    ],
    'dulcimer in D3 A3 D4, diatonic, no half frets',
  ],
  ['dulcimer', 'd3-a3-d4', [['frets.1½', fret(true)]], 'dulcimer in D3 A3 D4, 1 fret changed'],
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['frets.1½', fret(true)],
      ['frets.6½', fret(false)],
    ],
    'dulcimer in D3 A3 D4, 2 frets changed',
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['capo', '3'],
      ['frets.3', fret(false)],
    ],
    'dulcimer in D3 A3 D4, 1 fret changed',
  ],
  ['dulcimer', 'd3-a3-d4', [['strings.middle', { pitch: 55 }]], 'dulcimer in D3 G3 D4'],
  ['harp', 'eb-34', [], 'lever harp, 34 strings from C2, E♭ major'],
  [
    'harp',
    'eb-34',
    [['strings.2', lever(false)]],
    'lever harp, 34 strings from C2, E♭ major, 1 without lever',
  ],
  [
    'harp',
    'eb-34',
    [
      ['strings.2', lever(false)],
      ['strings.1', { pitch: 35 }],
    ],
    'lever harp, 34 strings from C2, E♭ major, 1 without lever, 1 string tuned otherwise',
  ],
  [
    'harp',
    'eb-34',
    [
      ['strings.1', { pitch: 34 }],
      ['strings.2', { pitch: 37 }],
    ],
    'lever harp, 34 strings from C2, E♭ major, 2 strings tuned otherwise',
  ],
  [
    'harp',
    'eb-34',
    [
      ['double', 'true'],
      ['count', '15'],
      ['lowest', 'G3'],
      ['base', 'F'],
    ],
    'double-strung lever harp, 15 strings from G3, F major',
  ],
  ['drum', 'c-major-8', [], 'tongue drum of 8: C4 D4 E4 F4 G4 …'],
  ['drum', 'c-major-8', [['count', '5']], 'tongue drum of 5: C4 D4 E4 F4 G4'],
  [
    'drum',
    'c-major-8',
    [
      ['count', '2'],
      ['tongues.2', { values: { cents: -3 } }],
    ],
    'tongue drum of 2: C4 D4, some off by cents',
  ],
  // New tongues rise by a tone.
  [
    'drum',
    'c-major-8',
    [
      ['count', '2'],
      ['count', '4'],
    ],
    'tongue drum of 4: C4 D4 E4 F♯4',
  ],
  ['custom', 'one', [['count', '1']], 'set of pitches, 1 pitch'],
  ['custom', 'bells-8', [['count', '60']], 'row of bells, 60 pitches'],
];

test.each(CALLED)('%s %s after %j is a %s', (family, preset, edits, text) => {
  expect(edited(family, preset, edits).description).toBe(text);
});

/** The layout of a preset with some of its parts replaced, and every problem with it: `field: sentence`. */
const REFUSED: readonly (readonly [
  family: string,
  preset: string,
  change: (layout: never) => object,
  problems: readonly string[],
])[] = [
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
