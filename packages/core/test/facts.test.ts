/** What is offered of every family, and what is said of a key on it. By hand. */
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { parseNote } from '../src/pitch/noteName.ts';
import { expectOk } from '../src/result.ts';
import { keyOf, scaleById } from '../src/scale/scale.ts';
import { instrumentOf } from './instruments.ts';

const TWELVE = 'G, A♭, A, B♭, B, C, D♭, D, E♭, E, F, F♯'.split(', ');
const all = (pattern: string, keys: readonly string[]) => keys.map((key) => pattern.replace('*', key));
const ANGLO_KEYS = 'C/G, D/A, B♭/F, A♭/E♭, G/D, F/C'.split(', ');
const HARPS = [
  '34 strings from C2',
  '36 strings from C2',
  '30 strings from C3',
  '26 strings from G2',
  '22 strings from C3',
  'twice 23 strings from G3',
];

/** Labels of presets by group, in the order shown. */
const OFFERED: Readonly<Record<string, Readonly<Record<string, readonly string[]>>>> = {
  diatonic: { 'Usual keys': TWELVE, Low: all('low *', TWELVE), High: all('high *', TWELVE.slice(0, 6)) },
  chromatic: {
    'In C': ['C, 12 holes', 'C, 10 holes', 'C, 14 holes', 'C, 16 holes'],
    'Other keys': all(
      '*, 12 holes',
      TWELVE.filter((key) => key !== 'C'),
    ),
    Low: all('low *, 12 holes', TWELVE),
  },
  whistle: {
    Usual: 'D, C, B♭, A, A♭, G, D♭, B, E♭, E, F, F♯, high G'.split(', '),
    Low: all('low *', 'D, C, F, E, E♭, B♭, A, G'.split(', ')),
  },
  english: {
    Systems: ['treble, 48 buttons', 'tenor-treble, 56 buttons', 'baritone, 48 buttons, an octave lower'],
  },
  anglo: {
    '30 buttons, C♯ (in C/G) on push only': ANGLO_KEYS,
    '30 buttons, C♯ (in C/G) both ways': ANGLO_KEYS,
    '20 buttons, two rows': ANGLO_KEYS,
  },
  dulcimer: {
    'Tunings, bass to melody': 'D3 A3 D4, D3 A3 A3, D3 A3 C4, D3 A3 G3, D3 G3 D4, C3 G3 C4, G2 D3 G3'.split(
      ', ',
    ),
    'Other frets, in D3 A3 D4': ['diatonic, no half frets', 'with 1½, 6½, 8½ and 13½', 'chromatic'],
  },
  harp: {
    'Levers down: E♭ major': HARPS,
    'Levers down: C major': HARPS,
    'Levers down: F major': HARPS,
  },
  drum: {
    Tunings: [
      'C major, 8',
      'D natural minor, 9',
      'E minor pentatonic, 11',
      'F major pentatonic, 8',
      'A minor pentatonic, 13',
      'G Mixolydian, 10',
      'B♭ major, 15',
    ],
  },
  custom: {
    'Begin with': [
      '8 bells, C major',
      '13 bars, two rows',
      '5 glasses, G major pentatonic',
      'one pitch, to begin from',
    ],
  },
};

test.each(FAMILY_IDS)('%s: what can be begun with', (id) => {
  const groups: Record<string, string[]> = {};
  for (const { group, label } of families[id].presets) (groups[group] ??= []).push(label);
  expect(groups).toEqual(OFFERED[id]);
  expect(Object.keys(groups)).toEqual(Object.keys(OFFERED[id]!));
});

/** Positions go round the circle of fifths from the instrument's own key. */
const POSITIONS =
  'C 1st, G 2nd, D 3rd, A 4th, E 5th, B 6th, F# 7th, Db 8th, Ab 9th, Eb 10th, Bb 11th, F 12th';

test.each(POSITIONS.split(', ').map((pair) => pair.split(' ')))(
  '%s is %s position on a C harmonica',
  (tonic, nth) => {
    for (const [family, preset] of [
      ['diatonic', '60'],
      ['chromatic', '60-12'],
    ] as const)
      expect(factsOf(family, preset, tonic, 'major')).toEqual([`${nth} position`]);
  },
);

function factsOf(family: string, preset: string, tonic: string, scale: string): readonly string[] {
  const key = keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
  return instrumentOf(family, preset).forKey(key).facts(key);
}

/** Family, preset, tonic, scale, and what is said. */
const SAID: readonly (readonly [string, string, string, string, readonly string[]])[] = [
  ['whistle', '74', 'D', 'major', ['home on the lowest note', 'no half-holes']],
  ['whistle', '74', 'G', 'major', ['home 5 semitones up', 'no half-holes, one cross-fingering']],
  ['whistle', '74', 'A', 'major', ['home 7 semitones up', '1 note needs a half-hole or an alternate']],
  ['whistle', '74', 'Eb', 'major', ['home 1 semitone up', '4 notes need a half-hole or an alternate']],
  ['anglo', 'C-G-sharp-on-push', 'C', 'major', ['the key of the middle row']],
  ['anglo', 'C-G-sharp-on-push', 'G', 'major', ['the key of the inside row']],
  ['anglo', 'C-G-sharp-on-push', 'D', 'major', ['middle row in C, inside row in G']],
  [
    'dulcimer',
    'd3-a3-d4',
    'D',
    'major',
    ['lies whole from the open melody string', 'every open string suits the scale'],
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    'G',
    'major',
    ['lies whole from fret 3 of the melody string', 'every open string suits the scale'],
  ],
  ['harp', 'c-34', 'C', 'major', ['all levers down (C major)']],
  ['harp', 'eb-34', 'Eb', 'major', ['all levers down (E♭ major)']],
  ['harp', 'eb-34', 'Bb', 'major', ['levers up: A']],
  ['harp', 'eb-34', 'A', 'major', ['levers up: F C G A E B']],
  ['drum', 'c-major-8', 'F', 'major', ['anchor on tongue 4', 'has 6 of the scale’s 7 notes']],
  ['drum', 'c-major-8', 'A', 'natural-minor', ['anchor on tongue 6', 'has 7 of the scale’s 7 notes']],
  ['custom', 'bells-8', 'C', 'major', ['anchor on 1', 'has 7 of the scale’s 7 notes']],
];

test.each(SAID)('%s %s in %s %s: %j', (family, preset, tonic, scale, said) => {
  expect(factsOf(family, preset, tonic, scale)).toEqual(said);
});
