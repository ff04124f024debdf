import { families, FAMILY_IDS } from '../../src/families/index.ts';
import { BETWEEN, holding } from '../../src/ear/hold.ts';
import { centsAround, earFor, isPlayersOwn, soundsAt, tunedAt } from '../../src/ear/meant.ts';
import { ear, hear } from '../../src/ear/hear.ts';
import { matchRound, matchedWays } from '../../src/ear/matchRound.ts';
import { measuringOf, middles } from '../../src/ear/measuring.ts';
import { simulatedPlayer } from '../../src/ear/simulate.ts';
import { steadyNotes } from '../../src/ear/steady.ts';
import { writtenDown } from '../../src/ear/writeDown.ts';
import type { NoteFrame } from '../../src/ear/notes.ts';
import { hz, RATE, tone } from './sounds.ts';
import { openInstrument, specFromLayout, specFromPreset } from '../../src/instrument/instrument.ts';
import { MEASURING } from '../../src/ear/measuring.ts';
import { fields as fieldsOf, parse } from '../../src/schema.ts';
import { expectOk } from '../../src/result.ts';

const harmonica = expectOk(openInstrument(specFromPreset('diatonic', '60')));

/** Frames of 10 ms: so many of each pitch, null for silence. */
function frames(...runs: readonly (readonly [midi: number | null, count: number, power?: number])[]) {
  const list: NoteFrame[] = [];
  for (const [midi, count, power = 0.01] of runs)
    for (let i = 0; i < count; i += 1)
      list.push({
        time: list.length / 100,
        midi,
        clarity: 1,
        power: midi === null ? 0 : power,
        edge: power / 10,
        candidate: midi === null ? -1 : Math.round(midi),
      });
  return list;
}

/** Four seconds of syllables, three in a second, whose pitch glides as a voice does around its middle. */
function talk(middle: number): Float32Array {
  const { max, sin, sqrt } = Math;
  // What of a voice comes through an open mouth: most around 600 and 1200 Hz.
  const open = (at: number) => 1 / (1 + ((at - 600) / 250) ** 2) + 0.5 / (1 + ((at - 1200) / 300) ** 2);
  const partials = Array.from({ length: 12 }, (_, h): [number, number] => [
    h + 1,
    open((h + 1) * hz(middle)),
  ]);
  return tone({
    seconds: 4,
    partials,
    pitch: (time) => middle + 2.5 * sin(5.1 * time) + 1.2 * sin(17 * time + 1) + 0.4 * sin(37 * time),
    shape: (time) => 0.1 * sqrt(max(0, sin(19 * time))),
  });
}

describe('a note is told as soon as it stands', () => {
  const told = (struck: boolean, list: readonly NoteFrame[]) => {
    const notes = steadyNotes(struck);
    return list.flatMap((frame) => notes.push([frame]).map(({ midi }) => ({ midi, told: frame.time })));
  };

  test('once, however long it is held, and not where it only slips by', () => {
    expect(told(false, frames([60, 500]))).toEqual([{ midi: 60, told: 0.15 }]);
    expect(told(false, frames([60, 10], [null, 5], [62, 12], [64.1, 20]))).toEqual([
      { midi: 64.1, told: 0.42 },
    ]);
  });

  test('anew after a gap, but not after a moment', () => {
    expect(told(false, frames([60, 20], [null, 2], [60, 30]))).toHaveLength(1);
    expect(told(false, frames([60, 20], [null, 3], [60, 30]))).toHaveLength(2);
  });

  test('anew where what rings on is struck again', () => {
    const ringing = frames([60, 25, 0.01], [60, 10, 0.002], [60, 25, 0.01]);
    expect(told(true, ringing)).toHaveLength(2);
    expect(told(false, ringing)).toHaveLength(1);
  });

  test.each(['harp', 'dulcimer', 'drum'] as const)('not of somebody who talks beside a %s', (id) => {
    const options = earFor(expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id))));
    for (const middle of [45, 57]) {
      const notes = steadyNotes(options.struck);
      expect(notes.push(ear(RATE, options).push(talk(middle)).frames).length).toBeLessThanOrEqual(1);
    }
  });

  test('of a sound within two tenths of a second', () => {
    const { timbre } = families.diatonic;
    const sound = simulatedPlayer([{ id: 'a', midi: 67.1, at: 0.5, seconds: 1 }], { rate: 48_000, timbre });
    const listener = ear(48_000, earFor(harmonica));
    const notes = steadyNotes(false);
    const found: { readonly midi: number; readonly heard: number }[] = [];
    for (let at = 0; at + 960 <= sound.length; at += 960)
      for (const { midi } of notes.push(listener.push(sound.subarray(at, at + 960)).frames))
        found.push({ midi, heard: (at + 960) / 48_000 });
    expect(found).toHaveLength(1);
    expect(found[0]!.midi).toBeCloseTo(67.1, 2);
    expect(found[0]!.heard).toBeLessThan(0.85);
  });
});

describe('holding', () => {
  const band = { low: -15, high: 15 };

  test('counts seconds in the band, and once each time it was long enough', () => {
    const hold = holding(63, band, 1);
    expect(hold.push(frames([63.1, 51]))).toMatchObject({
      seconds: 0.5,
      times: 0,
      cents: expect.closeTo(10),
    });
    const all = holding(63, band, 1).push(frames([63.1, 301], [63.3, 20], [62.9, 121]));
    expect(all).toMatchObject({ times: 2, longest: 3, seconds: expect.closeTo(1.2) });
    expect(all.sway).toBeCloseTo(0);
    expect(holding(63, band, 1).push(frames([63.14, 10], [62.86, 10])).sway).toBeCloseTo(28);
  });

  test('forgives a moment and no more; another note is not told in cents', () => {
    expect(holding(63, band, 1).push(frames([63, 60], [63.5, 5], [63, 60]))).toMatchObject({ times: 1 });
    expect(holding(63, band, 1).push(frames([63, 60], [63.5, 7], [63, 60]))).toMatchObject({ times: 0 });
    expect(holding(63, band, 1).push(frames([65, 60])).cents).toBeUndefined();
    expect(holding(63, band, 1).push(frames([63, 5], [null, 9]))).toMatchObject({ seconds: 0, times: 0 });
  });

  test('what lies between minor and major is near neither', () => {
    const between = (midi: number) => holding(63, BETWEEN, 0.2).push(frames([midi, 40])).times;
    expect([63, 63.2, 63.3, 63.5, 63.7, 63.8, 64].map(between)).toEqual([0, 0, 1, 1, 1, 0, 0]);
  });
});

test('whose pitch is the player’s own: bends and over-notes, half-holes; no button, string or fret', () => {
  const own = (instrument: typeof harmonica) =>
    new Set(instrument.ways.filter((way) => isPlayersOwn(instrument, way)).map(({ technique }) => technique));
  expect(own(harmonica)).toEqual(
    new Set(['shallow-bend', 'deep-bend', 'middle-bend', 'blow-bend', 'overblow', 'overdraw']),
  );
  for (const id of ['anglo', 'english', 'dulcimer', 'chromatic', 'drum', 'harp'] as const)
    expect(own(expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id)))).size).toBe(0);
});

test('a bend is judged where it ought to be, or against the reeds around it', () => {
  const [reed, bend, above] = ['4d', '4d1', '5d'].map((id) => harmonica.ways.find((way) => way.id === id)!);
  const measured = Object.fromEntries(
    [reed!, bend!].map(({ id, pitch }) => [id, { pitch, cents: id === '4d' ? -8 : -30 }]),
  );
  const known = expectOk(openInstrument({ ...harmonica.spec, measured }));
  expect(soundsAt(known, bend!)).toBeCloseTo(bend!.pitch);
  expect(soundsAt(known, reed!)).toBeCloseTo(reed!.pitch - 0.08);
  expect(tunedAt(known, reed!)).toBeCloseTo(reed!.pitch);
  // 4 draw lies above its bend; below it nothing was measured.
  expect(centsAround(known, bend!)).toBe(-8);
  expect(centsAround(known, reed!)).toBe(0);
  expect(centsAround(harmonica, bend!)).toBe(0);
  const four = harmonica.ways.find(({ id }) => id === '4b')!;
  const both = {
    ...measured,
    '4b': { pitch: four.pitch, cents: 2 },
    '5d': { pitch: above!.pitch, cents: 40 },
  };
  expect(centsAround(expectOk(openInstrument({ ...harmonica.spec, measured: both })), bend!)).toBe(-3);
});

describe('what is struck is written down', () => {
  test('tongue by tongue, each once, its cents in the middle of its strikes', () => {
    const a442 = 12 * Math.log2(442 / 440);
    const struck = [50.1, 57, 62.06, 57.04, 62, 50.06, 50].map((midi) => ({ midi: midi + a442 }));
    expect(writtenDown(struck, 442)).toEqual([
      { pitch: 50, cents: 6, times: 3 },
      { pitch: 57, cents: 2, times: 2 },
      { pitch: 62, cents: 3, times: 2 },
    ]);
    expect(writtenDown([], 440)).toEqual([]);
  });

  test.each(FAMILY_IDS.filter((id) => families[id].fromPitches))('a %s is made of them', (id) => {
    const family = families[id];
    const pitches = [
      { pitch: 50, cents: 6 },
      { pitch: 62, cents: -20 },
      { pitch: 57, cents: 0 },
    ];
    const made = expectOk(openInstrument(specFromLayout(id, expectOk(family.fromPitches!(pitches)))));
    expect(made.ways.map((way) => [way.pitch, made.centsOf(way)])).toEqual([
      [50, 6],
      [62, -20],
      [57, 0],
    ]);
    expect(family.fromPitches!([]).ok).toBe(false);
    expect(family.fromPitches!(Array.from({ length: 61 }, (_, i) => ({ pitch: 40 + i, cents: 0 }))).ok).toBe(
      false,
    );
  });

  test('by the sound of a drum whose tuning nobody knows', () => {
    const pitches = [50, 57.2, 60, 64.9, 67];
    const notes = [...pitches, 57.2].map((midi, i) => ({ id: String(i), midi, at: 0.3 + i, seconds: 0.8 }));
    const sound = simulatedPlayer(notes, { rate: 44_100, timbre: families.drum.timbre });
    const { notes: heard } = hear(sound, 44_100, { struck: true });
    const written = writtenDown(heard, 440);
    expect(written.map(({ pitch, times }) => [pitch, times])).toEqual([
      [50, 1],
      [57, 2],
      [60, 1],
      [65, 1],
      [67, 1],
    ]);
    expect(written[1]!.cents).toBeGreaterThan(17);
    expect(written[3]!.cents).toBeLessThan(-7);
  });
});

describe('measurings', () => {
  const [four] = harmonica.ways.filter(({ id }) => id === '4b');
  const measuring = (cents: number, a4 = 440) =>
    measuringOf(
      expectOk(openInstrument({ ...harmonica.spec, a4 })),
      [{ way: four!, count: 3, cents, spread: 4.04 }],
      '2026-05-04T17:30:00.000Z',
    );

  test('keep cents from the pitch, those of the layout among them', () => {
    const way = { ...four!, cents: -5 };
    const kept = measuringOf(harmonica, [{ way, count: 3, cents: 8.26, spread: 4.04 }], 'now');
    expect(kept.ways).toEqual({ '4b': { pitch: four!.pitch, cents: 3.3, spread: 4, count: 3 } });
  });

  test('their middle counts from the instrument’s own A', () => {
    expect(middles(harmonica, [measuring(4), measuring(9), measuring(5)])['4b']!.cents).toBe(5);
    // An A of 442 Hz lies 7.85 cents above one of 440.
    expect(middles(harmonica, [measuring(-4, 442)])['4b']!.cents).toBe(4);
    expect(middles(harmonica, [])).toEqual({});
    const other = { ...measuring(4), ways: { '4b': { ...measuring(4).ways['4b']!, pitch: 61 } } };
    expect(middles(harmonica, [other])).toEqual({});
    // More than can be kept with an instrument is no tuning of this pitch.
    expect(middles(harmonica, [measuring(95)])).toEqual({});
  });

  test('what is none is refused at its field', () => {
    const whole = { ...measuring(4) };
    const check = (value: unknown) => parse(fieldsOf(MEASURING), value);
    expect(check(whole)).toEqual({ ok: true, value: whole });
    const fields = (change: object) => {
      const checked = check({ ...whole, ...change });
      return checked.ok ? [] : checked.problems.map(({ field }) => field);
    };
    expect(fields({ at: 'yesterday' })).toEqual(['at']);
    expect(fields({ a4: 300 })).toEqual(['a4']);
    expect(fields({ ways: {} })).toEqual(['ways']);
    expect(fields({ ways: { '4b': { pitch: 72, cents: 1, spread: 2 } } })).toEqual(['ways.4b.count']);
    expect(fields({ ways: { '4b': { pitch: 72, cents: 900, spread: 2, count: 1 } } })).toEqual([
      'ways.4b.cents',
    ]);
    expect(fields({ ways: { '4b': { pitch: 72, cents: NaN, spread: 2, count: 1 } } })).toEqual([
      'ways.4b.cents',
    ]);
  });
});

test('a round that was followed tells of each way how it sounded', () => {
  const ids = ['4b', '4d1', '4b', '5b'];
  const wanted = ids.map((wayId, i) => ({
    id: `n${i}`,
    wayId,
    at: i,
    midi: soundsAt(
      harmonica,
      harmonica.ways.find(({ id }) => id === wayId)!,
    ),
  }));
  const off = [0.12, 0.14, -0.04, 7];
  const after = [0, 0, 0.2, 0];
  const heard = wanted.map(({ midi, at }, i) => ({
    midi: midi + off[i]!,
    onset: at + after[i]!,
    end: at + 0.9,
  }));
  const ways = matchedWays(harmonica, wanted, matchRound(wanted, heard));
  expect(ways).toEqual({
    // 12 cents are too sharp for a plain note, 14 are not for a bend; late is 200 ms.
    '4b': {
      played: 2,
      missed: 1,
      sound: { times: 2, cents: 4, sharp: 1, flat: 0, ms: 100, early: 0, late: 1 },
    },
    '4d1': {
      played: 1,
      missed: 0,
      sound: { times: 1, cents: 14, sharp: 0, flat: 0, ms: 0, early: 0, late: 0 },
    },
    // Another pitch altogether: missed, and nothing is known of its sound.
    '5b': { played: 1, missed: 1 },
  });
});
