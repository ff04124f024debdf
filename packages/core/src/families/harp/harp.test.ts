import { fingered, questionOf, routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { mapView } from '../../map/mapView.ts';
import { noteText, parseNote, parsePitch } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { expectOk } from '../../result.ts';
import { evenLine, scaleLine, type LineNote } from '../../route/line.ts';
import { keyOf, scaleById, spellScale, USUAL_KEYS } from '../../scale/scale.ts';
import { QUARTER, quarters } from '../../time/ticks.ts';
import { neighbours } from './hand.ts';

const open = (preset: string, layout: object = {}): Instrument => {
  const spec = specFromPreset('harp', preset);
  return expectOk(openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } }));
};
const keyIn = (tonic: string, scale = 'major') =>
  keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
const prefer = (preset: string, playingOptions = {}) => ({ preset, weights: {}, playingOptions });

/** Major keys all of whose notes are there once the levers are set, with no lever touched after that. */
function keysOf(preset: string): string[] {
  return USUAL_KEYS.filter((tonic) => {
    const key = keyOf(expectOk(scaleById('major')), tonic);
    const set = open(preset)
      .forKey(key)
      .ways.filter((w) => w.technique === 'set');
    const classes = new Set(set.map((w) => pitchClass(w.pitch)));
    return key.scale.semitones.every((s) => classes.has(pitchClass(key.home + s)));
  })
    .map(noteText)
    .sort();
}

test.each([
  ['eb-34', ['A', 'B♭', 'C', 'D', 'E', 'E♭', 'F', 'G']],
  ['f-34', ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'F♯']],
  ['c-34', ['A', 'B', 'C', 'D', 'D♭', 'E', 'F♯', 'G']],
])('%s gives eight major keys by its levers alone', (preset, keys) => {
  // F♯ and D♭ stand for G♭ and C♯: the same strings, named by the usual key.
  expect(keysOf(preset)).toEqual([...keys].sort());
});

test('the stretch of a hold is looked at within each hand, not from one hand to the other', () => {
  const { ways } = open('c-34');
  const pluck = (id: string, fingering: string) => ({ way: ways.find((way) => way.id === id)!, fingering });
  const hold = [pluck('8down', 'L3'), pluck('10down', 'L1'), pluck('20down', 'R3'), pluck('22down', 'R1')];
  const pairs = neighbours(hold as never).map((pair) =>
    pair.map(({ way, fingering }) => `${way.id}/${fingering}`),
  );
  expect(pairs).toEqual([
    ['8down/L3', '10down/L1'],
    ['20down/R3', '22down/R1'],
  ]);
});

test('where a string fits both as it is and raised, its lever stays down', () => {
  expect(open('c-22').forKey(keyIn('C', 'chromatic')).settings).toEqual([]);
});

test('C and F strings are drawn strong, as they are coloured on the harp', () => {
  const { scene } = open('c-22');
  const { shapes } = scene(() => ({ role: 'scale', degree: '1', note: 'C', usable: true }));
  const named = shapes.flatMap((shape) =>
    shape.kind === 'text' && /^[A-G]\d$/.test(shape.text) ? [shape.text] : [],
  );
  expect(named).toEqual(['C3', 'F3', 'C4', 'F4', 'C5', 'F5', 'C6']);
});

test.each([
  ['eb-36', 'Bb', ['A']],
  ['eb-36', 'F', ['A', 'E']],
  ['eb-36', 'E', ['A', 'B', 'C', 'D', 'E', 'F', 'G']],
  ['c-22', 'A', ['C', 'F', 'G']],
  ['f-26', 'C', ['B']],
])('on %s %s major takes levers %j up, and applying them gives the scale', (preset, tonic, letters) => {
  const key = keyIn(tonic);
  const instrument = open(preset).forKey(key);
  const up = instrument
    .tables(key)[0]!
    .rows.filter((row) => row.cells[1] === 'up')
    .map((row) => row.cells[0]);
  expect([...up].sort()).toEqual(letters);
  const set = instrument.ways.filter((w) => w.technique === 'set');
  const scale = new Set(key.scale.semitones.map((s) => pitchClass(key.home + s)));
  expect(set.every((w) => scale.has(pitchClass(w.pitch)))).toBe(true);
  const names = new Set(spellScale(key.scale, key.tonic).map(noteText));
  expect(set.every((w) => names.has(instrument.brief(w).replace(/\d+$/, '')))).toBe(true);
});

// A harp in C has no B♭ and A, no E♭ and D, no A♭ and G at once; with B raised to C its C strings are free for D♭.
test.each([
  ['Bb', 'major', ['A'], ['A', 'E♭']],
  ['Eb', 'major', ['A', 'D'], ['A♭', 'D']],
  ['Ab', 'major', ['A', 'B', 'C', 'D', 'G'], ['G']],
  ['F', 'major', [], ['B♭']],
  ['F', 'natural-minor', ['A', 'B', 'C', 'D', 'G'], ['G']],
])('%s %s cannot be had whole in C: levers %j save tonic, fifth and third, %j are lacking', (...asked) => {
  const [tonic, scale, letters, lacking] = asked;
  const key = keyIn(tonic, scale);
  const instrument = open('c-34').forKey(key);
  expect(instrument.settings.map((setting) => setting.id).sort()).toEqual(letters);
  const classes = new Set(
    instrument.ways.filter((w) => w.technique === 'set').map((w) => pitchClass(w.pitch)),
  );
  const missing = key.scale.semitones.filter((s) => !classes.has(pitchClass(key.home + s)));
  expect(missing.map((s) => noteText(key.names[s]!)).sort()).toEqual([...lacking].sort());
});

test('a string that the key calls by another letter is written by both names, and read back', () => {
  const base = open('c-34');
  const key = keyIn('Bb');
  const instrument = base.forKey(key);
  const write = (id: string, dialect = 'notes') => {
    const way = instrument.ways.find((w) => w.id === id)!;
    return instrument.tab(way, dialect, key.names[pitchClass(way.pitch - key.home)]);
  };
  // String 13 is A3, 14 B3, 17 E4 of a harp from C2.
  expect([write('13up'), write('13down'), write('17down'), write('14down')]).toEqual([
    'A=B♭3',
    'A3',
    'E4',
    'B=C♭4',
  ]);
  expect(write('13up', 'numbers')).toBe('13↑');
  for (const typed of ['A=B♭3', 'a=bb3', 'A#3'])
    expect([typed, expectOk(instrument.parseTab(typed, 'notes')).id]).toEqual([typed, '13up']);
  expect(instrument.parseTab('G=B♭3', 'notes').ok).toBe(false);
  const double = open('c-22', { double: true });
  expect(expectOk(double.parseTab('R A=B♭3', 'notes')).id).toMatch(/^R\d+up$/);
  const view = mapView(base, questionOf(base, { tonic: 'Bb', scale: 'major', direction: 'up' }), {
    naming: 'key',
    dialect: 'notes',
  });
  expect(view.line[0]).toMatchObject({ tab: 'A=B♭3', brief: 'A=B♭3', note: 'B♭3' });
  expect(view.tabText).not.toContain('♯');
});

test('a note outside the key is told as a lever to flip, when, and back again', () => {
  const instrument = open('c-34').forKey(keyIn('C'));
  const line = [60, 65, 66, 67, 65];
  const route = routeOf(instrument, line, prefer('even'));
  expect(route.notes[2]!.way!.technique).toBe('flip');
  expect(route.remarks().map((r) => [r.noteId, r.mark])).toEqual([
    ['66.1', 'F up'],
    ['65.2', 'F down'],
  ]);
  // The first in the middle of the line, an eighth note after another: the left hand has nothing else to do.
  expect(route.remarks()[0]!.text).toBe(
    'Flip the F4 lever up before this note. Damp the string first, it still sounds. The left hand is free for it.',
  );
  expect(routeOf(instrument, line, prefer('no-flips')).notes[2]!.missing!.text).toBe(
    'needs a lever flipped on F',
  );
});

test('a lever whose string was not played yet is set before beginning, and told at the first note', () => {
  const told = (tonic: string, scale: string, pitches: readonly number[]) =>
    routeOf(open('eb-34').forKey(keyIn(tonic, scale)), pitches, prefer('even'))
      .remarks()
      .map(({ noteId, text }) => [noteId, text.split('.')[0]]);
  // A c e a | g♯ e d B | c A E A | G♯ B d e | a: every G is G♯, on two strings.
  const everyG = [69, 72, 76, 81, 80, 76, 74, 71, 72, 69, 64, 69, 68, 71, 74, 76, 81];
  expect(told('A', 'natural-minor', everyG)).toEqual([
    ['69.1', 'Flip the G5 lever up before you begin'],
    ['69.1', 'Flip the G4 lever up before you begin'],
  ]);
  // G4 and then G♯4 between As; G♯5, whose string has not sounded.
  const both = [69, 81, 67, 71, 68, 80, 81, 69];
  expect(told('A', 'natural-minor', both)).toEqual([
    ['69.1', 'Flip the G5 lever up before you begin'],
    ['68.1', 'Flip the G4 lever up before this note'],
  ]);
});

test('the same line with no time for a lever is told as hurried', () => {
  const instrument = open('c-34').forKey(keyIn('C'));
  const hurry = (parts: number) => {
    const line = evenLine([65, 66], quarters(1, parts));
    return routeOf(instrument, line, prefer('even')).effort.terms.find((p) => p.id === 'hurry')!.count;
  };
  // A sixteenth leaves a quarter of a beat.
  expect(hurry(4)).toBe(1);
  expect(hurry(1)).toBe(0);
});

test.each([
  ['at the start, and no hand is spoken for', [66, 67], {}, 'Flip the F4 lever up before you begin.'],
  [
    'a sixteenth after a note of the same hand',
    [65, 67, 66],
    { parts: 4 },
    'Flip the F4 lever up in less than a beat. Damp the string first, it still sounds. The left hand is free for it.',
  ],
  [
    'after a low note of the left hand',
    [65, 50, 66],
    {},
    'Flip the F4 lever up before this note. Damp the string first, it still sounds. The left hand must leave its string for it.',
  ],
  [
    'both in the left hand',
    [53, 50, 54],
    {},
    'Flip the F3 lever up before this note. Damp the string first, it still sounds. The left hand must leave its string for it.',
  ],
] as const)(
  'a lever to flip %s',
  (_, pitches, { parts = 1, hands }: { parts?: number; hands?: string }, text) => {
    const line = evenLine(pitches, quarters(1, parts));
    const instrument = open('c-34').forKey(keyIn('C'));
    const preferences = prefer('even', hands === undefined ? {} : { hands });
    expect(routeOf(instrument, line, preferences).remarks()[0]!.text).toBe(text);
  },
);

test('strings without a lever cannot be raised', () => {
  const plain = open('c-22').elements.find((e) => e.column === 'F')!;
  const layout = open('c-22').withElement(plain.id, { values: { lever: false } }) as object;
  const instrument = open('c-22', layout);
  expect(instrument.description).toContain('1 without lever');
  expect(instrument.ways.some((w) => w.id === `${plain.id.replace('strings.', '')}up`)).toBe(false);
});

test('double-strung: a repeated note goes to the other row, so that the first rings on', () => {
  const instrument = open('c-23-double').forKey(keyIn('C'));
  const line = evenLine([67, 67, 67, 67], quarters(1, 2));
  const rows = routeOf(instrument, line, prefer('even')).notes.map((n) => n.way!.id[0]);
  expect(rows).toHaveLength(4);
  for (const [i, row] of rows.slice(1).entries()) expect(row).not.toBe(rows[i]);
});

test('four notes up are taken from ring finger to thumb, and down the other way', () => {
  const instrument = open('c-34').forKey(keyIn('C'));
  const key = keyIn('C');
  const line = scaleLine(key, { low: 60, high: 65 }, 'up');
  expect(routeOf(instrument, line, prefer('even')).notes.map((n) => n.fingering)).toEqual([
    'R4',
    'R3',
    'R2',
    'R1',
  ]);
  const down = line.map((note) => note.pitch).reverse();
  expect(routeOf(instrument, down, prefer('even')).notes.map((n) => n.fingering)).toEqual([
    'R1',
    'R2',
    'R3',
    'R4',
  ]);
  const low = routeOf(instrument, [48], prefer('even'));
  expect(low.notes[0]!.fingering![0]).toBe('L');
});

test.each([
  ['an arpeggio up', [60, 64, 67, 72], 'R4 R3 R2 R1'],
  ['an arpeggio down', [72, 67, 64, 60], 'R1 R2 R3 R4'],
  ['a scale up, crossed once', [60, 62, 64, 65, 67, 69, 71, 72], 'R4 R3 R2 R1 R4 R3 R2 R1'],
])('%s is placed in groups of four: %j', (_, pitches, fingers) => {
  const route = routeOf(open('c-34').forKey(keyIn('C')), pitches, prefer('even'));
  expect(route.notes.map((note) => note.fingering).join(' ')).toBe(fingers);
});

// Each hand is placed on the strings to come, at most four, and the fingers fall on them in any order.
test.each([
  ['three strings to and fro', 'G4 B4 G4 D5 G4 B4 G4', 'R3 R2 R3 R1 R3 R2 R3'],
  ['broken thirds', 'C4 E4 D4 F4 E4 G4 F4 A4', 'R4 R2 R3 R1 R4 R2 R3 R1'],
  ['fours', 'C4 D4 E4 F4 D4 E4 F4 G4 E4 F4 G4 A4', 'R4 R3 R2 R1 R4 R3 R2 R1 R4 R3 R2 R1'],
  ['an arpeggio up and down', 'C4 E4 G4 C5 G4 E4 C4', 'R4 R3 R2 R1 R2 R3 R4'],
  ['a scale through middle C', 'G3 A3 B3 C4 D4 E4 F4 G4', 'L4 L3 L2 L1 R4 R3 R2 R1'],
  ['one note below middle C among others', 'B3 D4 G4 B4', 'R4 R3 R2 R1'],
])('%s, %s, is placed as it is taught: %s', (_, line, fingers) => {
  const pitches = line.split(' ').map((text) => expectOk(parsePitch(text)));
  const route = routeOf(open('c-34').forKey(keyIn('C')), pitches, prefer('even'));
  expect(route.notes.map((note) => note.fingering).join(' ')).toBe(fingers);
});

// A harp in E♭ has A♭ on its A strings, lever down, and on its G strings, lever up.
test.each([
  // Every string of B major but A is set up: both G up and A down sound G♯, and it is written G.
  ['B', 'major', ['G♯4', 'G♯3'], ['G♯4', 'G♯3']],
  // A minor has A up and G down; its G♯ is a lever to flip, of the G string.
  ['A', 'natural-minor', ['A4', 'G♯4', 'A4'], ['A4', 'G♯4', 'A4']],
  ['Eb', 'major', ['G4', 'Ab4'], ['G4', 'A♭4']],
])('in %s %s %j is taken on the strings of its letters: %j', (tonic, scale, notes, strings) => {
  const pitches = notes.map((text) => expectOk(parsePitch(text)));
  for (const preset of ['eb-34', 'eb-23-double']) {
    const instrument = open(preset).forKey(keyIn(tonic, scale));
    const written = routeOf(
      instrument,
      pitches.map((p) => (preset === 'eb-34' ? p : p + 12)),
      prefer('even'),
    );
    const names = written.notes.map(({ way }) => instrument.brief(way!).replace(/^[LR] /, ''));
    const up =
      preset === 'eb-34'
        ? strings
        : strings.map((name) => name.slice(0, -1) + String(Number(name.at(-1)) + 1));
    expect(names).toEqual(up);
  }
});

test('a natural hand is remembered with all its strings, one that stretches only with its last', () => {
  const instrument = open('c-34');
  const lying = (...texts: readonly string[]) =>
    texts
      .reduce((carried, text) => instrument.carry(carried, [fingered(instrument, text)]), '')
      .split('/')[1];
  // From the 17th string, Q, seven strings up to the 24th, X, lie naturally from ring finger to thumb; nine do not.
  expect(lying('17down/R4', '24down/R1')).toBe('|X..Q1');
  expect(lying('17down/R4', '26down/R1')).toBe('|Z...1');
});

test('double-strung, everything ringing: strings that come again at once are struck in the other row', () => {
  const pitches = [60, 64, 60, 64];
  const route = routeOf(open('c-23-double').forKey(keyIn('C')), pitches, prefer('ringing'));
  const rows = route.notes.map((note) => note.way!.id[0]);
  expect([rows[0], rows[1]]).not.toEqual([rows[2], rows[3]]);
  expect(new Set([rows[0], rows[2]]).size).toBe(2);
  expect(new Set([rows[1], rows[3]]).size).toBe(2);
});

test.each([
  [{ strings: [{ pitch: 60, lever: true }] }, 'layout.strings'],
  [{ strings: Array.from({ length: 22 }, (_, i) => ({ pitch: 80 - i, lever: true })) }, 'layout.strings.2'],
  [{ strings: Array.from({ length: 22 }, (_, i) => ({ pitch: 50 + i })) }, 'layout.strings.1'],
  [{ base: 'H' }, 'layout.base'],
  [{ lowest: 'C9' }, 'layout.lowest'],
  [{ up: [12] }, 'layout.up'],
])('a layout with %j is refused at %s', (layout, field) => {
  const spec = specFromPreset('harp', 'c-22');
  const result = openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } });
  expect(result.ok ? [] : result.problems.map((p) => p.field)).toContain(field);
});

test('double-strung: the tune lies in the right row, as on one row, and a chord in the right hand', () => {
  const scale = [60, 62, 64, 65, 67, 69, 71, 72];
  const rows = (preset: string, line: readonly LineNote[] | readonly number[]) =>
    routeOf(open(preset).forKey(keyIn('C')), line, prefer('even')).notes.map(
      ({ way, fingering }) => way!.id.replace(/\d.*/, '') || fingering![0]!,
    );
  expect(rows('c-23-double', scale).join('')).toBe('RRRRRRRR');
  const chord = [60, 64, 67, 72].map((pitch, i) => ({ id: String(i), pitch, onset: 0, length: QUARTER }));
  expect(rows('c-34', chord).join('')).toBe('RRRR');
});
