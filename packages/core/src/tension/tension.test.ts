import { parse } from '../schema.ts';
import { songOf } from '../../test/samples/song.ts';
import { quarters } from '../time/ticks.ts';
import { checkTension, TENSION_LIMITS, TENSION_LIMITS_SCHEMA, type TensionLimits } from './tension.ts';
import { guessChords } from './guessChords.ts';
import { melodyLine } from '../song/songLine.ts';

const over = (symbol: string) => ({ chords: [{ at: 0, symbol }] });
const told = (...of: Parameters<typeof songOf>) =>
  checkTension(songOf(...of)).tensions.map(
    ({ bar, note, why, kind, beats }) => `${bar} ${note} ${why}, ${kind} ${beats}`,
  );

test('tones of the chord and passing tones of the scale do not rub', () => {
  expect(told('C4 D4 E4 G4 | A4 G4 E4 C4', over('C'))).toEqual([]);
});

test('a semitone above a tone of the chord: held, resolved by step, or left', () => {
  expect(told('E4 F4*2 G4', over('C'))).toEqual(['1 F4 a semitone above E, held 2']);
  expect(told('G4 F4*1/2 E4*1/2 C4', over('C'))).toEqual(['1 F4 a semitone above E, resolved 0.5']);
  expect(told('G4 F4*1/2 C5*1/2 C4', over('C'))).toEqual(['1 F4 a semitone above E, open 0.5']);
  expect(told('G4 F4*1/2 F4*1/2 C4', over('C'))).toHaveLength(2);
});

test('the other third, and what is outside altogether', () => {
  expect(told('Eb4*2 C4*2', over('C'))).toEqual(['1 E♭4 the other third of the chord, held 2']);
  expect(told('C#5*2 A4*2', over('Am'))).toEqual(['1 C♯5 the other third of the chord, held 2']);
  expect(told('Bb4*2 C5*2', over('C'))).toEqual(['1 B♭4 outside scale and chord, held 2']);
});

test('over sevenths the blue notes are idiom', () => {
  expect(told('Eb4*2 Bb4 F#4', over('C7'))).toEqual([]);
  expect(told('Eb4*2 Bb4 F#4', over('C'))).toHaveLength(3);
});

test('the chord that sounds then is the one that counts, and the note resolves into the next one', () => {
  const chords = [
    { at: 0, symbol: 'G' },
    { at: quarters(4), symbol: 'C' },
  ];
  expect(told('G4*2 B4 C5*1/2 B4*1/2 | C5*4', { chords })).toEqual(['1 C5 a semitone above B, resolved 0.5']);
  expect(told('F4*4 | F4*4', { chords })).toEqual(['2 F4 a semitone above E, held 4']);
});

test('what is held and what resolves is the teacher’s to say', () => {
  const song = songOf('E4 F4*2 G4', over('C'));
  const kinds = (heldBeats: number) =>
    checkTension(song, { heldBeats, step: 2, gapBeats: 0.5 }).tensions.map(({ kind }) => kind);
  expect(kinds(3)).toEqual(['resolved']);
  expect(checkTension(song, { heldBeats: 3, step: 1, gapBeats: 0.5 }).tensions[0]!.kind).toBe('open');
});

test('after a change of key a note is held against the key that holds', () => {
  const key = (at: number, letter: 'C' | 'E') => ({
    at: quarters(at),
    tonic: { letter, accidental: 0 },
    scale: 'major',
  });
  const chords = [
    { at: 0, symbol: 'C' },
    { at: quarters(4), symbol: 'E' },
    { at: quarters(6), symbol: 'A' },
    { at: quarters(8), symbol: 'B' },
  ];
  const keys = [key(0, 'C'), key(4, 'E')];
  expect(told('C5 E5 G5 E5 | G#4 F#4 C#5 E5 | F#4*2 D#5 B4', { keys, chords })).toEqual([]);
});

test('a note held over a change of chord is told from two beats on, or where no step resolves it', () => {
  const overChange = (from: string, to: string, at: number) => ({
    chords: [
      { at: 0, symbol: from },
      { at: quarters(at), symbol: to },
    ],
  });
  expect(told('C5*4~ | C5*2 B4*2', overChange('Am', 'G', 4))).toEqual(['2 C5 a semitone above B, held 2']);
  // A beat of 4–3 is music.
  expect(told('C5*4~ | C5 B4*3', overChange('Am', 'G', 4))).toEqual([]);
  expect(told('C5*3 B4', overChange('F', 'E7', 2))).toEqual([]);
  expect(told('C5*3 E5', overChange('F', 'E7', 2))).toEqual(['1 C5 a semitone above B, held 1']);
});

test('blue notes are excused in a blues alone', () => {
  const inMinor = {
    keys: [{ at: 0, tonic: { letter: 'A', accidental: 0 }, scale: 'natural-minor' }],
  } as const;
  expect(told('Bb4*4', over('G7'))).toEqual(['1 B♭4 the other third of the chord, held 4']);
  expect(told('F#4*4', over('G7'))).toEqual(['1 F♯4 a semitone above F, held 4']);
  expect(told('G4*4', { ...inMinor, ...over('E7') })).toEqual(['1 G4 the other third of the chord, held 4']);
  const blues = { chords: [...over('C7').chords, { at: quarters(4), symbol: 'G7' }] };
  expect(told('Eb4*4 | Bb4*4', blues)).toEqual([]);
});

test('chords are guessed bar by bar where there are none, and marked so', () => {
  const song = songOf('C4 E4 G4 E4 | F4 A4 C5 A4 | G4 B4 D5 B4 | -*4 | C4*4');
  expect(guessChords(song, melodyLine(song)).map(({ at, symbol }) => [at / quarters(4), symbol])).toEqual([
    [0, 'C'],
    [1, 'F'],
    [2, 'G'],
    [4, 'C'],
  ]);
  expect(checkTension(song).guessed).toBe(true);
  expect(checkTension(songOf('C4', over('C'))).guessed).toBe(false);
});

test('guessed chords prefer 1, 4 and 5, are never diminished, and change in the middle of a bar where they must', () => {
  const guessed = (...of: Parameters<typeof songOf>) => {
    const song = songOf(...of);
    return guessChords(song, melodyLine(song)).map(({ at, symbol }) => [at / quarters(1), symbol]);
  };
  const inKey = (letter: 'A' | 'D', scale: string) => ({
    keys: [{ at: 0, tonic: { letter, accidental: 0 }, scale }],
  });
  // The scale's own chord on the seventh degree holds five of the eight.
  const run = 'E5*1/2 G5*1/2 F#5*1/2 E5*1/2 D5*1/2 C#5*1/2 B4*1/2 C#5*1/2';
  expect(guessed(run, inKey('D', 'major'))).toEqual([[0, 'A']]);
  expect(guessed('E5 G#5 B5 E5', inKey('A', 'natural-minor'))).toEqual([[0, 'E']]);
  expect(guessed('E5 G5 B5 E5', inKey('A', 'natural-minor'))).toEqual([[0, 'Em']]);
  expect(guessed('D5*1/2 G4*1/2 B4 C5 E5*1/2 G5*1/2', {})).toEqual([
    [0, 'G'],
    [2, 'C'],
  ]);
});

test('a beat is the one that is counted', () => {
  const jig = { metres: [{ at: 0, count: 6, unit: 8 }], ...over('C') };
  expect(told('E4 F4 G4', jig)).toEqual(['1 F4 a semitone above E, resolved 0.6666666666666666']);
});

test('limits are those of the teacher: what is held, how far a step is, how long a silence', () => {
  // F over C for half a beat, then E: passing by a step.
  const song = songOf('F4*1/2 E4*1/2 G4*3', { chords: [{ at: 0, symbol: 'C' }] });
  const kind = (limits: Partial<TensionLimits>) =>
    checkTension(song, { ...TENSION_LIMITS, ...limits }).tensions.map((one) => one.kind);
  expect(kind({})).toEqual(['resolved']);
  expect(kind({ heldBeats: 0.5 })).toEqual(['held']);
  const leap = songOf('F4*1/2 -*1/2 D4*3', { chords: [{ at: 0, symbol: 'C' }] });
  expect(checkTension(leap).tensions[0]!.kind).toBe('open');
  expect(parse(TENSION_LIMITS_SCHEMA, { heldBeats: 2, step: 1, gapBeats: 0 })).toMatchObject({ ok: true });
  expect(parse(TENSION_LIMITS_SCHEMA, { heldBeats: 2, step: 9, gapBeats: 'x' })).toMatchObject({
    problems: [{ field: 'step' }, { field: 'gapBeats' }],
  });
});

test.each([
  ['heldBeats', 0.25, 8, 0.01],
  ['step', 1, 4, 0.5],
  ['gapBeats', 0, 4, 0.25],
] as const)('the limit %s goes from %d to %d and no further', (field, least, most, beyond) => {
  const check = (value: unknown) => parse(TENSION_LIMITS_SCHEMA, { ...TENSION_LIMITS, [field]: value });
  expect([check(least), check(most)]).toMatchObject([
    { value: { [field]: least } },
    { value: { [field]: most } },
  ]);
  for (const value of [least - beyond, most + beyond, undefined, String(least), NaN])
    expect(check(value)).toMatchObject({ ok: false, problems: [{ field }] });
});

test.each([
  // A silence of half a beat after the note still resolves, one longer does not.
  ['F4*1/2 -*1/2 E4*3', 'resolved'],
  ['F4*1/2 -*3/4 E4*11/4', 'open'],
  // Two semitones are a step, three are none.
  ['F4*1/2 G4*1/2 C4*3', 'resolved'],
  ['Db4*1/2 E4*1/2 C4*3', 'open'],
  // One beat is held, three quarters are not.
  ['F4 E4*3', 'held'],
  ['F4*3/4 E4*13/4', 'resolved'],
] as const)('by the usual limits the first note of %s is %s', (text, kind) => {
  expect(checkTension(songOf(text, over('C'))).tensions[0]).toMatchObject({ kind });
});
