import { pitchesOf, prefer, routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { noteText, parseNote, parsePitch } from '../../pitch/noteName.ts';
import { expectOk } from '../../result.ts';
import { evenLine, scaleLine, scalePitches } from '../../route/line.ts';
import { keyOf, scaleById, spellScale } from '../../scale/scale.ts';
import { QUARTER } from '../../time/ticks.ts';

const open = (preset: string, layout: object = {}): Instrument => {
  const spec = specFromPreset('anglo', preset);
  return expectOk(openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } }));
};
const pitch = (text: string) => expectOk(parsePitch(text));
const waysTo = (instrument: Instrument, text: string) =>
  instrument.ways.filter((w) => w.pitch === pitch(text)).map((w) => w.id);

function route(instrument: Instrument, tonic: string, preset: string) {
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote(tonic)));
  const lowest = Math.min(...instrument.ways.map((w) => w.pitch));
  const line = scaleLine(key, { low: lowest + 12, high: lowest + 36 }, 'up');
  return routeOf(instrument, line, { preset, weights: {}, playingOptions: {} });
}
const count = (r: ReturnType<typeof route>, id: string) => r.effort.terms.find((p) => p.id === id)!.count;

// The rows of a key are that key's major scale, so that it is by its names that a player knows them.
test.each([
  ['C-G', 'C', 'G'],
  ['G-D', 'G', 'D'],
  ['Bb-F', 'Bb', 'F'],
  ['Ab-Eb', 'Ab', 'Eb'],
  ['D-A', 'D', 'A'],
])('where no key is asked of %s its rows are named by %s and %s major', (pair, middle, inside) => {
  const instrument = open(`${pair}-sharp-on-push`);
  for (const [row, tonic] of [
    ['middle', middle],
    ['inside', inside],
  ] as const) {
    const own = spellScale(expectOk(scaleById('major')), expectOk(parseNote(tonic))).map(noteText);
    const ways = instrument.ways.filter((way) => way.words.includes(row));
    expect(ways).toHaveLength(20);
    for (const way of ways) expect(own).toContain(noteText(instrument.nameOf(way)));
  }
});

test.each([
  ['C-G', 'C', 'G', 'C4', 'D4'],
  ['G-D', 'G', 'D', 'G3', 'A3'],
  ['Bb-F', 'B♭', 'F', 'Bb3', 'C4'],
  ['Ab-Eb', 'A♭', 'E♭', 'Ab3', 'Bb3'],
  ['D-A', 'D', 'A', 'D4', 'E4'],
])(
  'in %s the third button of the left middle row gives %s when pushed',
  (pair, middle, inside, push, pull) => {
    const instrument = open(`${pair}-sharp-on-push`);
    expect(waysTo(instrument, push)).toContain('Lm3out');
    expect(waysTo(instrument, pull)).toContain('Lm3in');
    expect(instrument.facts(keyOf(expectOk(scaleById('major')), expectOk(parseNote(middle))))[0]).toContain(
      'middle row',
    );
    expect(instrument.facts(keyOf(expectOk(scaleById('major')), expectOk(parseNote(inside))))[0]).toContain(
      'inside row',
    );
  },
);

test('schools of the right accidental row: C♯5 on push only, or both ways', () => {
  expect(waysTo(open('C-G-sharp-on-push'), 'C#5').sort()).toEqual(['Ro1out']);
  expect(waysTo(open('C-G-sharp-both-ways'), 'C#5').sort()).toEqual(['Ro1in', 'Ro2out']);
});

test('along the row turns often, across the rows seldom, and each changes rows the other way round', () => {
  for (const preset of ['C-G-sharp-on-push', 'Bb-F-sharp-both-ways', 'G-D-two-rows']) {
    const instrument = open(preset);
    const tonic = { C: 'C', B: 'Bb', G: 'G' }[preset[0]!]!;
    const along = route(instrument, tonic, 'along');
    const across = route(instrument, tonic, 'across');
    expect(count(along, 'turns')).toBeGreaterThan(count(across, 'turns'));
    expect(count(along, 'rows')).toBeLessThan(count(across, 'rows'));
  }
});

test('melody right keeps to the right hand wherever it has the note', () => {
  const instrument = open('G-D-sharp-on-push');
  const right = new Set(instrument.ways.filter((w) => w.id.startsWith('R')).map((w) => w.pitch));
  const there = route(instrument, 'G', 'harmonic').notes.filter(({ pitch }) => right.has(pitch));
  expect(there.length).toBeGreaterThan(7);
  for (const note of there) expect(note.way!.id.startsWith('R')).toBe(true);
});

test('four fingers reach the five buttons of a row, and none hops where two may share', () => {
  const instrument = open('C-G-two-rows');
  for (const way of instrument.ways) {
    const fingerings = instrument.fingeredWaysOf(way, {}).map((p) => p.fingering!);
    expect(fingerings.every((fingering) => fingering[0] === way.id[0])).toBe(true);
    // Only the index finger reaches the button next to the thumb.
    const nextToThumb = way.place.startsWith('L') ? '5' : '1';
    expect(fingerings.length).toBe(way.place.endsWith(nextToThumb) ? 1 : 2);
  }
});

test('small bellows last six seconds of one reed: ten notes of six tenths, then the air button', () => {
  const instrument = open('C-G-sharp-on-push', { bellows: 'small' });
  // With nothing against it the air button is pressed; C4 is only pushed.
  const helps = (notes: number) =>
    routeOf(
      instrument,
      Array.from({ length: notes }, () => pitch('C4')),
      prefer('anglo', 'even', { weights: { 'air-button': 0 } }),
    ).air.helps.length;
  expect([helps(10), helps(11), helps(20), helps(21)]).toEqual([0, 1, 1, 2]);
});

test('buttons are counted from the index finger or from the left', () => {
  const words = (counting: string) =>
    open('C-G-two-rows', { counting }).ways.find((w) => w.id === 'Lm1out')!.words;
  expect(words('index')).toBe('left middle 5 push');
  expect(words('left')).toBe('left middle 1 push');
});

test.each([
  [{ key: 'H/X' }, 'layout.key'],
  [{ plan: 'forty' }, 'layout.plan'],
  [{ bellows: 'endless' }, 'layout.bellows'],
  [{ rows: { L: {}, R: {} } }, 'layout.rows.L.middle'],
])('a layout with %j is refused at %s', (layout, field) => {
  const spec = specFromPreset('anglo', 'C-G-two-rows');
  const result = openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } });
  expect(result.ok ? [] : result.problems.map((p) => p.field)).toContain(field);
});

const octaveLine = (tonic: string, low: string) => {
  const key = keyOf(expectOk(scaleById('major')), expectOk(parseNote(tonic)));
  return scalePitches(key, { low: pitch(low), high: pitch(low) + 12 });
};
const octave = (tonic: string, low: string, preset: string) =>
  routeOf(open('C-G-sharp-on-push'), octaveLine(tonic, low), { preset, weights: {}, playingOptions: {} });

// At leisure a turn costs little, so the row is kept to; as taught.
test.each([
  ['C', 'C4', 'even', 'Lm3out Lm3in Lm4out Lm4in Lm5out Lm5in Rm1in Rm1out'],
  ['D', 'D4', 'even', 'Lm3in Lm4out Li2in Lm5out Lm5in Rm1in Ro1out Rm2in'],
  ['G', 'G4', 'along', 'Li3out Li3in Li4out Li4in Li5out Li5in Ri1in Ri1out'],
  ['C', 'C5', 'harmonic', 'Rm1out Rm2in Rm2out Rm3in Rm3out Rm4in Rm5in Rm4out'],
] as const)('%s major from %s, %s', (tonic, low, preset, ways) => {
  expect(
    octave(tonic, low, preset)
      .notes.map((note) => note.way!.id)
      .join(' '),
  ).toBe(ways);
});

test('in quick eighths the bellows count more than the row: fewer turns, more notes off it', () => {
  const scale = octaveLine('C', 'C4');
  const at = (length: number) => routeOf(open('C-G-sharp-on-push'), evenLine(scale, length));
  const [slow, quick] = [at(QUARTER), at(QUARTER / 4)];
  expect(count(slow, 'turns')).toBe(6);
  expect(count(quick, 'turns')).toBeLessThan(5);
  expect(count(quick, 'off-middle')).toBeGreaterThan(count(slow, 'off-middle'));
});

test('fingers keep their columns: none takes the button of another, none reaches across, none hops', () => {
  for (const [tonic, low] of [
    ['C', 'C4'],
    ['D', 'D4'],
  ] as const)
    for (const preset of ['even', 'along']) {
      const route = octave(tonic, low, preset);
      expect([tonic, preset, count(route, 'displaced')]).toEqual([tonic, preset, 0]);
    }
});

test('one finger takes one button as long as its hand stays: a bar that comes back is fingered alike', () => {
  // Of a reel in G, four times the same two bars.
  const bar = pitchesOf('G4 A4 B4 D5 B4 A4 G4 B4 A4 B4 C5 A4 F#4 A4 D4 F#4');
  const route = routeOf(open('C-G-sharp-on-push'), evenLine([...bar, ...bar, ...bar, ...bar], QUARTER / 2));
  const taken = route.notes.map((note) => `${note.way!.id} ${note.fingering!}`);
  // The first time it begins from nowhere.
  expect(taken.slice(32, 48)).toEqual(taken.slice(16, 32));
  const fingers = new Map<string, Set<string>>();
  for (const { way, fingering } of route.notes) {
    const button = way!.place;
    fingers.set(button, (fingers.get(button) ?? new Set()).add(fingering!));
  }
  for (const [button, used] of fingers) expect([button, used.size]).toEqual([button, 1]);
});

test('the melody keeps to the right hand where it can: all of C major from C5 up', () => {
  expect(octave('C', 'C5', 'harmonic').notes.every((note) => note.way!.id.startsWith('R'))).toBe(true);
});
