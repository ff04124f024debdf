/** Layout tables against what was copied down by hand, every reed, button, fret and string. */
import { instrumentOf, pitchesOf } from './instruments.ts';
import type { Instrument } from '../src/instrument/instrument.ts';
import { pitchClass } from '../src/pitch/pitch.ts';
import { expectOk } from '../src/result.ts';
import { scaleById } from '../src/scale/scale.ts';
import * as angloExpected from '../src/families/anglo/expected.ts';
import * as chromaticExpected from '../src/families/chromatic/expected.ts';
import * as diatonicExpected from '../src/families/diatonic/expected.ts';
import { layoutOf as diatonicLayout } from '../src/families/diatonic/layout.ts';
import { DRUMS } from '../src/families/drum/expected.ts';
import * as dulcimerExpected from '../src/families/dulcimer/expected.ts';
import * as englishExpected from '../src/families/english/expected.ts';
import * as harpExpected from '../src/families/harp/expected.ts';
import { families } from '../src/families/index.ts';
import * as whistleExpected from '../src/families/whistle/expected.ts';

const pitchOf = (instrument: Instrument, wayId: string) => instrument.ways.find((w) => w.id === wayId)?.pitch;
const numbers = (count: number) => Array.from({ length: count }, (_, i) => i + 1);

describe('diatonic harmonica', () => {
  test.each(Object.entries(diatonicExpected.EXPECTED))('%s tuning', (tuning, { blow, draw }) => {
    const instrument = instrumentOf('diatonic', '60', { layout: diatonicLayout(60, tuning as 'richter') });
    expect(numbers(10).map((hole) => pitchOf(instrument, `${hole}b`)! - 60)).toEqual(blow);
    expect(numbers(10).map((hole) => pitchOf(instrument, `${hole}d`)! - 60)).toEqual(draw);
  });

  test('every tuning that can be chosen is among them', () => {
    const { choices } = instrumentOf('diatonic', '60').options.find(({ id }) => id === 'tuning')!;
    expect(choices.map(({ id }) => id)).toEqual(Object.keys(diatonicExpected.EXPECTED));
  });

  test('the usual keys', () => {
    const usual = families.diatonic.presets.filter((preset) => preset.group === 'Usual keys');
    const lowest = usual.map((preset) => pitchOf(instrumentOf('diatonic', preset.id), '1b'));
    expect(lowest).toEqual(pitchesOf(diatonicExpected.USUAL_ROOTS));
  });
});

describe('chromatic harmonica', () => {
  const row = (preset: string, suffix: string, holes: number) => {
    const instrument = instrumentOf('chromatic', preset);
    return numbers(holes).map((hole) => pitchOf(instrument, `${hole}${suffix}`));
  };
  test.each([
    ['blow', 'b'],
    ['draw', 'd'],
    ['blowSlide', 'bs'],
    ['drawSlide', 'ds'],
  ] as const)('twelve holes, %s', (name, suffix) => {
    expect(row('60-12', suffix, 12)).toEqual(pitchesOf(chromaticExpected.TWELVE_HOLES[name]));
  });
  test('fourteen and sixteen holes begin lower', () => {
    expect(row('60-14', 'b', 14)).toEqual(pitchesOf(chromaticExpected.FOURTEEN_HOLES_BLOW));
    expect(row('60-16', 'b', 16)).toEqual(pitchesOf(chromaticExpected.SIXTEEN_HOLES_BLOW));
  });
});

describe('whistle', () => {
  test.each(Object.entries(whistleExpected.FINGERINGS))('%s semitones up', (semitones, patterns) => {
    const { ways } = instrumentOf('whistle', '74');
    const sounding = ways.filter((way) => way.pitch === 74 + Number(semitones));
    const covered = (way: (typeof ways)[number]) =>
      (way as unknown as { fingering: { pattern: string } }).fingering.pattern;
    expect(sounding.map(covered).sort()).toEqual([...patterns].sort());
  });

  test('the second register repeats the first from 13 to 21 and at 23', () => {
    const { ways } = instrumentOf('whistle', '74');
    const at = (semitones: number) => ways.filter((way) => way.pitch === 74 + semitones).length;
    for (const semitones of [1, 2, 3, 4, 5, 6, 7, 8, 9])
      expect([semitones, at(12 + semitones)]).toEqual([semitones, at(semitones)]);
    expect(at(23)).toBeGreaterThan(0);
    expect([24, 26, 27].map((s) => at(s) > 0)).toEqual([true, true, false]);
    const strained = ways.filter((way) => way.pitch >= 74 + 24).map((way) => way.technique);
    expect(new Set(strained)).toEqual(new Set(['strained']));
  });
});

describe('English concertina', () => {
  const columns = (['L', 'R'] as const).flatMap((hand) =>
    ([1, 2, 3, 4] as const).map((column) => [hand, column] as const),
  );
  const own = (preset: string, hand: string, column: number) =>
    instrumentOf('english', preset)
      .ways.filter((way) => way.id.startsWith(`${hand}${column}.`))
      .map((way) => way.pitch);

  test.each(columns)(
    'treble, %s column %i; baritone an octave lower; the tenor-treble above its own',
    (hand, column) => {
      const expected = pitchesOf(englishExpected.TREBLE[hand][column]);
      expect(own('treble', hand, column)).toEqual(expected);
      expect(own('baritone', hand, column)).toEqual(expected.map((pitch) => pitch - 12));
      expect(own('tenor-treble', hand, column).slice(1)).toEqual(expected);
    },
  );

  test('the tenor-treble goes on down to C3', () => {
    const lowest = columns.map(([hand, column]) => own('tenor-treble', hand, column)[0]!);
    expect([...lowest].sort((a, b) => a - b)).toEqual(pitchesOf('C3 C♯3 D3 D♯3 E♭3 E3 F3 F♯3'));
  });
});

describe('Anglo concertina', () => {
  const { LEFT, RIGHT, RIGHT_OUTSIDE, LOWEST_MIDDLE } = angloExpected;
  const rowOf = (instrument: Instrument, hand: string, row: string) =>
    numbers(5).flatMap((column) =>
      ['out', 'in'].map((air) => pitchOf(instrument, `${hand}${row}${column}${air}`)),
    );
  const rows = (plan: keyof typeof RIGHT_OUTSIDE) => [
    ...Object.entries(LEFT).map(([row, names]) => ['L', row, names] as const),
    ...Object.entries(RIGHT).map(([row, names]) => ['R', row, names] as const),
    ['R', 'o', RIGHT_OUTSIDE[plan]] as const,
  ];

  test.each(['sharp-on-push', 'sharp-both-ways'] as const)('C/G, %s', (plan) => {
    const instrument = instrumentOf('anglo', `C-G-${plan}`);
    for (const [hand, row, names] of rows(plan))
      expect([hand, row, rowOf(instrument, hand, row)]).toEqual([hand, row, pitchesOf(names)]);
    expect(instrument.ways).toHaveLength(60);
  });

  test('twenty buttons are the two main rows', () => {
    const instrument = instrumentOf('anglo', 'C-G-two-rows');
    expect(instrument.ways).toHaveLength(40);
    for (const [hand, row, names] of rows('sharp-on-push').filter(([, row]) => row !== 'o'))
      expect([hand, row, rowOf(instrument, hand, row)]).toEqual([hand, row, pitchesOf(names)]);
  });

  test.each(Object.entries(LOWEST_MIDDLE))('%s lies as C/G, moved', (keys, lowest) => {
    const instrument = instrumentOf('anglo', `${keys}-sharp-on-push`);
    const moved = pitchesOf(lowest)[0]! - pitchesOf('C3')[0]!;
    expect(rowOf(instrument, 'L', 'm')).toEqual(pitchesOf(LEFT.m).map((pitch) => pitch + moved));
  });

  test.each([
    ['small', 6],
    ['usual', 10],
    ['large', 14],
  ])('%s bellows hold %i seconds of one reed, a third of it for four', (bellows, seconds) => {
    const plain = instrumentOf('anglo', 'C-G-two-rows');
    const layout = plain.withOption('bellows', bellows);
    const store = instrumentOf('anglo', 'C-G-two-rows', { layout }).airStore({})!;
    expect([store.seconds, store.uses([60]), store.uses([60, 64, 67, 72])]).toEqual([seconds, 1, 3]);
  });
});

describe('mountain dulcimer', () => {
  const { FRETS, HALF_FRETS, TUNINGS, MODES } = dulcimerExpected;
  const melody = (preset: string) => {
    const instrument = instrumentOf('dulcimer', preset);
    const own = instrument.ways.filter((way) => way.id.startsWith('melody.') && way.id !== 'melody.0');
    const open = pitchOf(instrument, 'melody.0')!;
    return own.map((way) => `${way.id.split('.')[1]}:${way.pitch - open}`);
  };

  test('every named fret of a chromatic fretboard gives its semitones', () => {
    const chromatic = melody('d-a-d-chromatic');
    for (const fret of FRETS.split(' ')) expect(chromatic).toContain(fret);
  });

  test.each(Object.entries(HALF_FRETS))('%s has the half frets %j', (preset, halves) => {
    const names = melody(preset).map((fret) => fret.split(':')[0]!);
    expect(names.filter((name) => name.includes('½'))).toEqual(halves);
    expect(names.filter((name) => !name.includes('½'))).toEqual(numbers(17).map(String));
  });

  test.each(TUNINGS)('tuned %s', (tuning) => {
    const instrument = instrumentOf('dulcimer', tuning.toLowerCase().replaceAll(' ', '-'));
    const open = ['bass.0', 'middle.0', 'melody.0'].map((id) => pitchOf(instrument, id));
    expect(open).toEqual(pitchesOf(tuning));
  });

  test.each(Object.entries(MODES))('without half frets the scale from fret %s is %s', (fret, id) => {
    const frets = new Map(
      melody('d-a-d-plain').map((text) => [text.split(':')[0]!, Number(text.split(':')[1])]),
    );
    frets.set('0', 0);
    const from = Number(fret);
    const steps = numbers(8).map((_, i) => frets.get(String(from + i))! - frets.get(fret)!);
    expect(steps.slice(0, 7).map(pitchClass)).toEqual(expectOk(scaleById(id)).semitones);
    expect(steps[7]).toBe(12);
  });
});

describe('lever harp', () => {
  const down = (preset: string) =>
    instrumentOf('harp', preset)
      .ways.filter((way) => way.id.endsWith('down') && !way.id.startsWith('R'))
      .map((way) => way.pitch);

  test.each(Object.entries(harpExpected.OCTAVES))('tuned in %s', (base, names) => {
    const strings = pitchesOf(names);
    expect(down(`${base}-34`).filter((p) => p >= strings[0]! && p <= strings.at(-1)!)).toEqual(strings);
  });

  test.each(Object.entries(harpExpected.SIZES))('%s goes from %s', (preset, ends) => {
    const strings = down(preset);
    expect([strings[0], strings.at(-1)]).toEqual(pitchesOf(ends));
    expect(strings).toHaveLength(Number(/\d+/.exec(preset)![0]));
  });

  test('every lever raises its string a semitone', () => {
    const { ways } = instrumentOf('harp', 'f-26');
    for (const way of ways.filter((w) => w.id.endsWith('up')))
      expect(way.pitch).toBe(ways.find((w) => w.id === way.id.replace('up', 'down'))!.pitch + 1);
  });
});

describe('tongue drum', () => {
  test.each(Object.entries(DRUMS))('%s', (preset, names) => {
    expect(instrumentOf('drum', preset).ways.map((way) => way.pitch)).toEqual(pitchesOf(names));
  });
});
