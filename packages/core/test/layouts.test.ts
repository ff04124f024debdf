/** What layouts are called, and what changing them does. Worked out by hand. */
import { familyById } from '../src/families/index.ts';
import { specFromPreset } from '../src/instrument/instrument.ts';
import { expectOk } from '../src/result.ts';

/** `true` and `false` as what they say, all else that is written as a number as one. */
const valueOf = (text: string) => (text === 'true' || text === 'false' ? text === 'true' : Number(text));

/**
 * The layout of a preset after some edits, each opened anew: `capo=3` chooses an option, `draw.5 @75` gives an element
 * another pitch, `strings.2 lever=false` another value.
 */
function edited(family: string, preset: string, edits: string) {
  const open = (layout: unknown) => expectOk(familyById(family)!.open(layout, {}));
  let opened = open(specFromPreset(family, preset).layout);
  for (const edit of edits.split('; ').filter((text) => text !== '')) {
    const [, element, pitch, name, value] = /^(\S+) (?:@(\d+)|(\w+)=(\S+))$/.exec(edit) ?? [];
    const [option, choice] = edit.split('=') as [string, string];
    opened = open(
      element === undefined
        ? opened.withOption(option, choice)
        : opened.withElement(
            element,
            pitch ? { pitch: Number(pitch) } : { values: { [name!]: valueOf(value!) } },
          ),
    );
  }
  return opened;
}

const CALLED: readonly (readonly [
  family: string,
  preset: string,
  cases: readonly (readonly [edits: string, text: string])[],
])[] = [
  [
    'diatonic',
    '57',
    [
      ['', 'A harmonica'],
      ['key=54', 'low F♯ harmonica'],
      ['key=55', 'G harmonica'],
      ['key=66', 'F♯ harmonica'],
      ['key=67', 'high G harmonica'],
      ['tuning=country', 'A harmonica, country tuning'],
      ['draw.5 @75', 'A harmonica, 1 reed changed'],
      ['draw.5 @75; blow.3 @66', 'A harmonica, 2 reeds changed'],
      // Draw 5 raised is what country tuning is, so choosing that leaves no reed changed.
      ['draw.5 @75; tuning=country', 'A harmonica, country tuning'],
    ],
  ],
  [
    'chromatic',
    '60-12',
    [
      ['', 'C chromatic harmonica, 12 holes'],
      ['reeds.blow.1 @61', 'C chromatic harmonica, 12 holes, 1 reed changed'],
      ['reeds.blow.1 @61; reeds.drawSlide.2 @67', 'C chromatic harmonica, 12 holes, 2 reeds changed'],
      ['reeds.blow.1 @61; size=16', 'C chromatic harmonica, 16 holes'],
    ],
  ],
  [
    'whistle',
    '74',
    [
      ['bore=cylindrical; lowest=66', 'low F♯ whistle, cylindrical bore'],
      ['bore=conical; lowest=67', 'G whistle, conical bore'],
      ['bore=conical; lowest=79', 'high G whistle, conical bore'],
      ['bore=conical; retuned.oxxooo @85', 'D whistle, conical bore, 1 fingering changed'],
      [
        'bore=conical; retuned.oxxooo @85; retuned.oxxxoo speaks=false',
        'D whistle, conical bore, 2 fingerings changed',
      ],
      ['bore=conical; retuned.oxxxoo speaks=false; retuned.oxxxoo speaks=true', 'D whistle, conical bore'],
    ],
  ],
  [
    'english',
    'treble',
    [
      ['system=baritone', 'English concertina, baritone, 48 buttons, an octave lower'],
      ['buttons.L.2.1 @61', 'English concertina, treble, 48 buttons, 1 button changed'],
      ['buttons.L.2.1 @61; buttons.R.4.6 @95', 'English concertina, treble, 48 buttons, 2 buttons changed'],
    ],
  ],
  [
    'anglo',
    'C-G-two-rows',
    [
      ['key=G/D', 'G/D Anglo concertina, 20 buttons, two rows'],
      ['rows.L.middle.1.push @50', 'C/G Anglo concertina, 20 buttons, two rows, 1 reed changed'],
      [
        'rows.L.middle.1.push @50; rows.R.inside.5.pull @89',
        'C/G Anglo concertina, 20 buttons, two rows, 2 reeds changed',
      ],
      // In other keys the same reed of the plan is no change: G/D lies a fourth lower.
      ['key=G/D; rows.L.middle.1.push @43', 'G/D Anglo concertina, 20 buttons, two rows'],
    ],
  ],
  [
    'dulcimer',
    'd3-a3-d4',
    [
      ['', 'dulcimer in D3 A3 D4'],
      ['capo=3', 'dulcimer in D3 A3 D4, capo 3'],
      ['fretboard=plain; tuning=G2 D3 G3', 'dulcimer in G2 D3 G3, diatonic, no half frets'],
      // A capo stays where there still is its fret.
      ['capo=3; fretboard=plain', 'dulcimer in D3 A3 D4, diatonic, no half frets, capo 3'],
      ['capo=6½; fretboard=plain', 'dulcimer in D3 A3 D4, diatonic, no half frets'],
      ['frets.1½ fitted=true', 'dulcimer in D3 A3 D4, 1 fret changed'],
      ['frets.1½ fitted=true; frets.6½ fitted=false', 'dulcimer in D3 A3 D4, 2 frets changed'],
      ['capo=3; frets.3 fitted=false', 'dulcimer in D3 A3 D4, 1 fret changed'],
      ['strings.middle @55', 'dulcimer in D3 G3 D4'],
    ],
  ],
  [
    'harp',
    'eb-34',
    [
      ['', 'lever harp, 34 strings from C2, E♭ major'],
      ['strings.2 lever=false', 'lever harp, 34 strings from C2, E♭ major, 1 without lever'],
      [
        'strings.2 lever=false; strings.1 @35',
        'lever harp, 34 strings from C2, E♭ major, 1 without lever, 1 string tuned otherwise',
      ],
      ['strings.1 @34; strings.2 @37', 'lever harp, 34 strings from C2, E♭ major, 2 strings tuned otherwise'],
      ['double=true; count=15; lowest=G3; base=F', 'double-strung lever harp, 15 strings from G3, F major'],
    ],
  ],
  [
    'drum',
    'c-major-8',
    [
      ['', 'tongue drum of 8: C4 D4 E4 F4 G4 …'],
      ['count=5', 'tongue drum of 5: C4 D4 E4 F4 G4'],
      ['count=2; tongues.2 cents=-3', 'tongue drum of 2: C4 D4, some off by cents'],
      // New tongues rise by a tone.
      ['count=2; count=4', 'tongue drum of 4: C4 D4 E4 F♯4'],
    ],
  ],
  ['custom', 'one', [['count=1', 'set of pitches, 1 pitch']]],
  ['custom', 'bells-8', [['count=60', 'row of bells, 60 pitches']]],
];

test.each(CALLED)('%s %s', (family, preset, cases) => {
  expect(cases.map(([edits]) => [edits, edited(family, preset, edits).description])).toEqual(cases);
});

test.each([
  ['anglo', 'C-G-two-rows', 'bellows', 'usual'],
  ['anglo', 'C-G-two-rows', 'counting', 'index'],
  ['anglo', 'C-G-two-rows', 'seen', 'player'],
  ['english', 'treble', 'seen', 'player'],
  ['whistle', '74', 'ceiling', '23'],
  ['chromatic', '60-12', 'topRaised', 'false'],
  ['dulcimer', 'd3-a3-d4', 'capo', '0'],
  ['harp', 'eb-34', 'double', 'false'],
])('%s %s stored without its %s has %s', (family, preset, option, value) => {
  const layout = { ...(specFromPreset(family, preset).layout as object), [option]: undefined };
  const opened = expectOk(familyById(family)!.open(layout, {}));
  expect(opened.options.find(({ id }) => id === option)!.value).toBe(value);
});

test.each([
  ['drum', 'c-major-8', 'cents', [-50, 50, 1]],
  ['drum', 'c-major-8', 'slot', [0, 24, 1]],
  ['custom', 'one', 'cents', [-50, 50, 1]],
  ['custom', 'one', 'x', [0, 250, 1]],
  ['custom', 'one', 'y', [0, 110, 1]],
  ['dulcimer', 'd3-a3-d4', 'semitones', [1, 36, 1]],
])('a part of a %s %s has %s from, to and in steps of %j', (family, preset, id, wanted) => {
  const values = edited(family, preset, '').elements.flatMap((element) => element.values);
  const value = values.find((one) => one.id === id)!;
  expect(value.kind === 'number' && [value.lowest, value.highest, value.step]).toEqual(wanted);
});
