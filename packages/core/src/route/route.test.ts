import fc from 'fast-check';
import { ableInstrument, instrumentOf, prefer, routeOf, wayIds } from '../../test/instruments.ts';
import { QUARTER } from '../time/ticks.ts';
import { evenLine, type LineNote } from './line.ts';

const air = prefer('diatonic', 'air');

test('each alternative is what a pin to it costs, for every note and as many as there are ways', () => {
  const instrument = ableInstrument('diatonic', '56');
  const pitches = [63, 67, 68, 67, 63, 68, 75];
  const line = evenLine(pitches);
  const route = routeOf(instrument, line, air);
  let seen = 0;
  for (const { id, pitch, way } of route.notes) {
    const found = route.alternatives(id);
    for (const alternative of found) {
      const pinned = routeOf(instrument, line, air, { pins: [{ noteId: id, wayId: alternative.way.id }] });
      expect(route.effort.total + alternative.difference).toBeCloseTo(pinned.effort.total, 8);
      const changed = line.filter(
        (_, i) => pinned.notes[i]!.way !== route.notes[i]!.way && line[i]!.id !== id,
      );
      expect(alternative.alsoChanges).toEqual(changed.map((note) => note.id));
      seen += 1;
    }
    const others = instrument.ways.filter((other) => other.pitch === pitch && other !== way);
    expect(found.map((a) => a.way.id).sort()).toEqual(others.map((other) => other.id).sort());
  }
  expect(seen).toBe(4);
});

test('differences by term are those between the two routes, more above 0 and fewer below', () => {
  const instrument = ableInstrument('diatonic', '60');
  const route = routeOf(instrument, [62, 67, 62], prefer('diatonic', 'even'));
  expect(wayIds(route)).toEqual(['1d', '2d', '1d']);
  // 3 blow instead: two turns of breath more, two holes jumped more, and a thinner tone.
  const [other] = route.alternatives('67.1');
  expect(other!.way.id).toBe('3b');
  expect(other!.terms.map(({ id, difference }) => [id, difference])).toEqual([
    ['turns', 2],
    ['jumps', 2],
    ['tone', 0.4],
  ]);
});

describe('2 draw or 3 blow, on an E♭ harmonica', () => {
  test.each([
    ['draw', '2d'],
    ['blow', '3b'],
  ])('who prefers %s gets %s when nothing else decides', (twin, way) => {
    const preferences = prefer('diatonic', 'even', { playingOptions: { twin } });
    expect(wayIds(routeOf(instrumentOf('diatonic', '63'), [70], preferences))).toEqual([way]);
  });
});

test('what the user chose goes before what belongs to the school', () => {
  const play = (playingOptions: Record<string, string>) =>
    routeOf(instrumentOf('dulcimer', 'd3-a3-d4'), [64], prefer('dulcimer', 'noter', { playingOptions }));
  expect(play({}).notes[0]!.fingering).toBe('n');
  expect(play({ hand: 'fingers' }).notes[0]!.fingering).not.toBe('n');
});

describe('pins', () => {
  const instrument = ableInstrument('diatonic', '60');
  const school = prefer('diatonic', 'no-overs');

  test('are kept, even against the preferences, and alternatives to them are still told', () => {
    const free = routeOf(instrument, [60, 72, 60], school);
    expect(wayIds(free)).toEqual(['1b', '4b', '1b']);
    const pinned = routeOf(instrument, [60, 72, 60], school, { pins: [{ noteId: '72.1', wayId: '3bo' }] });
    expect(wayIds(pinned)).toEqual(['1b', '3bo', '1b']);
    expect(pinned.notes[1]!.pinned).toBe(true);
    const [back] = pinned.alternatives('72.1');
    expect(back!.way.id).toBe('4b');
    expect(back!.difference).toBeCloseTo(free.effort.total - pinned.effort.total, 8);
  });

  test('that fit no note are reported and change nothing', () => {
    const pins = [
      { noteId: '60.1', wayId: '9b' },
      { noteId: '99.1', wayId: '1b' },
      { noteId: '62.1', wayId: 'nonsense' },
    ];
    const route = routeOf(instrument, [60, 62], school, { pins });
    expect(wayIds(route)).toEqual(['1b', '1d']);
    expect(route.brokenPins).toEqual(pins);
  });

  test('hold for their note wherever the line is changed elsewhere', () => {
    const pins = [{ noteId: '67.2', wayId: '3b' }];
    const before = routeOf(instrument, [60, 67, 64, 67], school, { pins });
    const after = routeOf(instrument, [60, 67, 64, 62, 60, 67], school, { pins });
    expect(wayIds(before)).toEqual(['1b', '3b', '2b', '3b']);
    expect(wayIds(after).at(-1)).toBe('3b');
  });

  test('hold a finger too where the family has one', () => {
    const concertina = instrumentOf('english', 'treble');
    const at = (fingering: string | undefined) =>
      routeOf(concertina, [67], undefined, {
        pins: [{ noteId: '67.1', wayId: 'L2.2', ...(fingering && { fingering }) }],
      });
    expect(at(undefined).notes[0]).toMatchObject({ pinned: true, fingering: 'Li' });
    expect(at('Lm').notes[0]).toMatchObject({ pinned: true, fingering: 'Lm' });
    expect(at('Ll').brokenPins).toHaveLength(1);
  });

  test('go before the melody where a chord cannot be had whole', () => {
    const line = [62, 64].map((pitch): LineNote => ({ id: `${pitch}`, pitch, onset: 0, length: QUARTER }));
    const free = routeOf(instrument, line, school);
    expect(wayIds(free)).toEqual([undefined, '2b']);
    expect(free.notes[0]!.missing).toMatchObject({
      reason: 'together',
      text: 'not with the others: one breath cannot blow and draw',
    });
    const pinned = routeOf(instrument, line, school, { pins: [{ noteId: '62', wayId: '1d' }] });
    expect(wayIds(pinned)).toEqual(['1d', undefined]);
  });
});

test('notes that cannot be had are passed over and named with the reason', () => {
  const instrument = instrumentOf('diatonic', '60');
  const beginner = prefer('diatonic', 'beginner');
  const route = routeOf(instrument, [59, 60, 63, 72, 82, 98], beginner);
  expect(route.notes.map((n) => n.missing?.text)).toEqual([
    'below its lowest note',
    undefined,
    'needs an overblow on 1',
    undefined,
    'needs an overblow on 6',
    'above its highest note',
  ]);
  expect(routeOf(instrument, [70], beginner).notes[0]!.missing).toMatchObject({
    reason: 'preference',
    text: 'needs a bend on 3',
  });
  expect(routeOf(instrument, [], beginner).effort.total).toBe(0);
});

test('the same line gives the same route, again and again', () => {
  const pitches = Array.from({ length: 60 }, (_, i) => 60 + ((i * 7) % 30));
  const again = () => wayIds(routeOf(ableInstrument('diatonic', '58'), pitches, prefer('diatonic', 'tone')));
  const first = again();
  for (let i = 0; i < 5; i += 1) expect(again()).toEqual(first);
});

test('two notes of one pitch at once are one, and a line may come in any order', () => {
  const note = (id: string, pitch: number, onset: number) => ({ id, pitch, onset, length: QUARTER });
  const line = [note('b', 64, QUARTER), note('a', 60, 0), note('a again', 60, 0)];
  const route = routeOf(instrumentOf('whistle', '60'), line);
  expect(wayIds(route)).toEqual(['xxxxoo', 'xxxxxx', 'xxxxxx']);
  expect(route.effort.terms.find((term) => term.id === 'fingers')!.count).toBe(2);
});

test('a line of 2,000 notes costs the sum of its halves and of the step between them', () => {
  const instrument = ableInstrument('diatonic', '61');
  const pitches = instrument.ways.map((w) => w.pitch);
  fc.assert(
    fc.property(fc.nat(40), (seed) => {
      const long = Array.from({ length: 2000 }, (_, i) => pitches[(i * 13 + seed) % pitches.length]!);
      const whole = routeOf(instrument, long, air).effort.total;
      const parts = [long.slice(0, 1000), long.slice(1000)].map(
        (half) => routeOf(instrument, half, air).effort.total,
      );
      expect(whole).toBeGreaterThanOrEqual(parts[0]! + parts[1]! - 1e-6);
      // At most a turn, all ten holes jumped and one over-note after another come in between.
      expect(whole).toBeLessThanOrEqual(parts[0]! + parts[1]! + 4 + 0.3 * 9 + 1.5);
    }),
    { numRuns: 3 },
  );
});
