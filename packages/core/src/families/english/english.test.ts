import { lineFromLowest, routeOf } from '../../../test/instruments.ts';
import { openInstrument, specFromPreset, type Instrument } from '../../instrument/instrument.ts';
import { parseNote } from '../../pitch/noteName.ts';
import { pitchClass } from '../../pitch/pitch.ts';
import { expectOk } from '../../result.ts';
import { keyOf, scaleById } from '../../scale/scale.ts';

const open = (preset: string): Instrument => expectOk(openInstrument(specFromPreset('english', preset)));

function route(instrument: Instrument, tonic: string, scale: string, preset: string) {
  const key = keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
  const compass = instrument.ways.map((w) => w.pitch);
  const line = lineFromLowest(key, compass, 2);
  return routeOf(instrument, line, { preset, weights: {}, playingOptions: {} });
}
const count = (r: ReturnType<typeof route>, id: string) => r.effort.terms.find((p) => p.id === id)!.count;

test.each([
  ['treble', 48, 55, 96],
  ['tenor-treble', 56, 48, 96],
  ['baritone', 48, 43, 84],
])(
  '%s has %d buttons and every semitone from its lowest to its highest note',
  (preset, buttons, low, high) => {
    const { ways } = open(preset);
    expect(ways).toHaveLength(buttons);
    const pitches = [...new Set(ways.map((w) => w.pitch))].sort((a, b) => a - b);
    // The highest accidental stands alone: a treble goes up to C7 with every semitone.
    expect(pitches).toEqual(Array.from({ length: high - low + 1 }, (_, i) => low + i));
  },
);

test('naturals in columns 2 and 3, accidentals in 1 and 4, but for the highest button', () => {
  const naturals = new Set([0, 2, 4, 5, 7, 9, 11]);
  const odd = open('treble').ways.filter(
    (w) => naturals.has(pitchClass(w.pitch)) !== ['2', '3'].includes(w.id[1]!),
  );
  expect(odd.map((w) => w.id)).toEqual(['R4.6']);
});

test('a scale of naturals goes from hand to hand, on every kind', () => {
  for (const preset of ['treble', 'tenor-treble', 'baritone']) {
    const hands = route(open(preset), 'G', 'mixolydian', 'three').notes.map((n) => n.way!.id[0]);
    expect(hands.length).toBeGreaterThan(7);
    for (const [i, hand] of hands.slice(1).entries()) expect(hand).not.toBe(hands[i]);
  }
});

test('twins: G♯ and D♯ are on the other hand as A♭ and E♭, and are chosen by their neighbours', () => {
  const { ways } = open('treble');
  const at = (pitch: number) => ways.filter((w) => w.pitch === pitch).map((w) => w.id[0]);
  expect(at(68)).toEqual(['L', 'R']);
  expect(at(75)).toEqual(['L', 'R']);
  const sameHand = (preset: string) => count(route(open('treble'), 'Ab', 'major', preset), 'same-hand');
  expect(sameHand('alternate')).toBeLessThanOrEqual(sameHand('three'));
});

test('three fingers hop less than two in a key with accidentals', () => {
  const hopsIn = (preset: string) => count(route(open('treble'), 'B', 'major', preset), 'hops');
  expect(hopsIn('three')).toBeLessThanOrEqual(hopsIn('two'));
  const fingers = route(open('treble'), 'B', 'major', 'two').notes.map((n) => n.fingering!.slice(1));
  expect(new Set(fingers)).toEqual(new Set(['i', 'm']));
});

test('a button that does not work is gone around by its twin or is missing', () => {
  const spec = specFromPreset('english', 'treble');
  const places = open('treble').ways.map((w) => w.place);
  const without = (place: string) =>
    expectOk(openInstrument({ ...spec, capability: { buttons: places.filter((p) => p !== place) } }));
  const note = (instrument: Instrument, pitch: number) =>
    routeOf(instrument, [pitch], {
      preset: 'three',
      weights: {},
      playingOptions: {},
    }).notes[0]!;
  expect(note(without('L1.2'), 68).way!.id).toBe('R1.3');
  expect(note(without('L2.1'), 60).missing!.reason).toBe('capability');
});

test.each([
  [{ system: 'organ' }, 'layout.system'],
  [{ buttons: { L: {}, R: {} } }, 'layout.buttons.L.1'],
  [{ buttons: 7 }, 'layout.buttons.L'],
])('a layout with %j is refused at %s', (layout, field) => {
  const spec = specFromPreset('english', 'treble');
  const result = openInstrument({ ...spec, layout: { ...(spec.layout as object), ...layout } });
  expect(result.ok ? [] : result.problems.map((p) => p.field)).toContain(field);
});
