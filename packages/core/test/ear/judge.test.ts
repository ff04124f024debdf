import { families, FAMILY_IDS } from '../../src/families/index.ts';
import { centsWords, earFor, soundsAt, waysMeant } from '../../src/ear/meant.ts';
import { matchRound, matchWords } from '../../src/ear/matchRound.ts';
import { extraNotes, isClean, judgeLine } from '../../src/ear/judge.ts';
import { hear } from '../../src/ear/hear.ts';
import { measure, pitchStandard } from '../../src/ear/measure.ts';
import {
  NO_FAULTS,
  simulatedPlayer,
  type Faults,
  type PlayedNote as SimulatedNote,
} from '../../src/ear/simulate.ts';
import { openInstrument, specFromPreset } from '../../src/instrument/instrument.ts';
import { tick, TICK_HZ } from '../../src/practice/tick.ts';
import { expectOk } from '../../src/result.ts';
import { inRoom } from './sounds.ts';

const wanted = [60, 62, 64, 65].map((midi, i) => ({ id: `n${i}`, midi, at: i }));
const heard = (...notes: readonly (readonly [midi: number, onset: number])[]) =>
  notes.map(([midi, onset]) => ({ midi, onset, end: onset + 0.8 }));
const results = (...notes: readonly (readonly [midi: number, onset: number])[]) =>
  judgeLine(wanted, heard(...notes)).notes.map(({ result }) => result);

test('each note is hit, early, late, off or missed', () => {
  expect(results([60, 0.02], [62.1, 1.05], [64, 2], [65, 2.95])).toEqual(['hit', 'hit', 'hit', 'hit']);
  expect(results([60, 0.2], [62, 0.8], [64.5, 2], [65, 3])).toEqual(['late', 'early', 'off', 'hit']);
  expect(results([60, 0], [64, 2], [65, 3])).toEqual(['hit', 'missed', 'hit', 'hit']);
  // A wrong note in between is nobody's, a wrong note in its place is that one's.
  expect(results([60, 0], [62, 1], [71, 1.5], [64, 2], [65, 3])).toEqual(['hit', 'hit', 'hit', 'hit']);
  expect(results([60, 0], [63, 1], [64, 2], [65, 3])).toEqual(['hit', 'off', 'hit', 'hit']);
  expect(results()).toEqual(['missed', 'missed', 'missed', 'missed']);
  const [late] = judgeLine(wanted, heard([60.1, 0.2])).notes;
  expect(late).toMatchObject({ id: 'n0', result: 'late' });
  expect(late!.cents).toBeCloseTo(10);
  expect(late!.after).toBeCloseTo(0.2);
  expect(judgeLine([], heard([60, 0]))).toEqual({ notes: [], unused: heard([60, 0]) });
  expect(isClean([], [])).toBe(false);
});

test.each([
  [0, 'right in tune'],
  [-3, 'right in tune, 3 cents flat'],
  [8, 'in tune, 8 cents sharp'],
  [14, '14 cents sharp'],
  [-1.4, 'right in tune, 1 cent flat'],
])('%d cents are %s', (cents, words) => {
  expect(centsWords(cents)).toBe(words);
});

test('a bend may stray farther than a plain note', () => {
  expect(centsWords(-14, true)).toBe('in tune, 14 cents flat');
  expect(centsWords(-16, true)).toBe('16 cents flat');
});

describe.each(FAMILY_IDS)('%s', (id) => {
  const instrument = expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id)));
  const { candidates, struck } = earFor(instrument);
  const plain = instrument.family.techniques[0]!.id;
  const ways = instrument.ways.filter(({ technique }) => technique === plain);
  const line = ways.slice(2, 7).map((way, i): SimulatedNote => ({
    id: way.id,
    midi: soundsAt(instrument, way),
    at: 0.4 + 0.6 * i,
    seconds: 0.3,
  }));
  const rate = 44_100;
  const played = (faults: Partial<Faults> = {}) => {
    const sound = simulatedPlayer(line, {
      rate,
      timbre: instrument.family.timbre,
      faults: { ...NO_FAULTS, ...faults },
    });
    return hear(sound, rate, { candidates, struck }).notes;
  };

  test('every way can be heard, and is known again by its pitch', () => {
    expect(struck).toBe(['harp', 'dulcimer', 'drum', 'custom'].includes(id) ? struck : false);
    for (const way of instrument.ways) {
      const midi = soundsAt(instrument, way);
      expect(candidates.some((one) => Math.abs(one - midi) < 0.02)).toBe(true);
      const [first] = waysMeant(instrument, midi + 0.04);
      expect(first!.way.pitch).toBe(way.pitch);
      expect(first!.cents).toBeCloseTo(4);
    }
  });

  test('a line that is played well is clean, however it is out of tune as a whole', () => {
    expect(judgeLine(line, played()).notes.map(({ result }) => result)).toEqual(line.map(() => 'hit'));
    for (const { cents } of judgeLine(line, played({ cents: -20 })).notes)
      expect(Math.abs(cents! + 20)).toBeLessThan(1.5);
  });

  test('what a player does wrong is told', () => {
    const late = judgeLine(line, played({ late: 0.2 })).notes;
    expect(late.map(({ result }) => result)).toEqual(line.map((_, i) => (i % 2 === 1 ? 'late' : 'hit')));
    const left = judgeLine(line, played({ leaves: 3, noise: 25 })).notes;
    expect(left.map(({ result }) => result)).toEqual(
      line.map((_, i) => ((i + 1) % 3 === 0 ? 'missed' : 'hit')),
    );
    expect(isClean(left, [])).toBe(false);
  });

  test('a click from the loudspeaker beside the microphone is no note, and spoils none', () => {
    const sound = simulatedPlayer(line, { rate, timbre: instrument.family.timbre });
    const clicks = new Float32Array(sound.length);
    for (let beat = 0; beat < 10; beat += 1) {
      const click = tick(rate, beat % 4 === 0 ? TICK_HZ.first : TICK_HZ.other);
      // On every note, and between two.
      const from = Math.round((0.4 + 0.3 * beat) * rate);
      click.forEach((x, i) => (clicks[from + i] = 0.4 * x));
    }
    for (const alone of [clicks, inRoom(clicks, 0.4, 5)])
      expect(hear(alone, rate, { candidates, struck }).notes).toEqual([]);
    const both = hear(
      sound.map((x, i) => x + clicks[i]!),
      rate,
      { candidates, struck },
    );
    const judged = judgeLine(line, both.notes);
    expect(isClean(judged.notes, extraNotes(line, judged.unused))).toBe(true);
  });
});

test('a melody is followed while open strings drone along with every note', () => {
  const dulcimer = expectOk(openInstrument(specFromPreset('dulcimer', families.dulcimer.presets[0]!.id)));
  const frets = ['0', '2', '3', '4', '5', '6½', '7', '5', '4', '2', '1'];
  const ways = frets.map((fret) => dulcimer.ways.find(({ id }) => id === `melody.${fret}`)!);
  const line = ways.map((way, i) => ({ id: `${i}`, midi: soundsAt(dulcimer, way), at: 0.4 + 0.6 * i }));
  const drones = line.flatMap(({ at }) =>
    // D3 and A3 just before the melody, as a pick comes across.
    [50, 57].map((midi, i) => ({ id: `drone ${midi}`, midi, at: at - 0.02 + 0.01 * i, seconds: 0.6 })),
  );
  const rate = 44_100;
  const of = (notes: readonly SimulatedNote[]) =>
    simulatedPlayer(notes, { rate, timbre: dulcimer.family.timbre });
  const alone = of(line.map((note) => ({ ...note, seconds: 0.6 })));
  const along = of(drones);
  const sound = alone.map((x, i) => x + 0.6 * (along[i] ?? 0));
  const fatesBy = (options: ReturnType<typeof earFor>) =>
    judgeLine(line, hear(sound, rate, options).notes).notes.map(({ result }) => result);
  const melody = earFor(
    dulcimer,
    ways.map(({ id }) => id),
  );
  expect(fatesBy(melody)).toEqual(line.map(() => 'hit'));
  // A line that has such a note itself is listened to for it.
  const bass = dulcimer.ways.find(({ id }) => id === 'bass.0')!;
  expect(earFor(dulcimer, [bass.id]).candidates).toContain(soundsAt(dulcimer, bass));
  expect(melody.candidates).not.toContain(soundsAt(dulcimer, bass));
});

test('ways are measured from what was played, and an old instrument’s standard is found', () => {
  const instrument = expectOk(openInstrument(specFromPreset('english', families.english.presets[0]!.id)));
  const [a, b, c] = instrument.ways.filter(
    ({ pitch }, i, all) => all.findIndex((way) => way.pitch === pitch) === i && pitch > 62,
  );
  const at = (way: typeof a, cents: number) => ({ midi: soundsAt(instrument, way!) + cents / 100 });
  const measured = measure(instrument, [
    ...[at(a, 20), at(a, 24), at(a, 21)],
    ...[at(b, 26), at(b, 30)],
    at(c, 24),
    // Nothing of this instrument lies there.
    { midi: 20 },
  ]);
  expect(measured.map(({ way }) => way.id).sort()).toEqual([a!.id, b!.id, c!.id].sort());
  const of = (way: typeof a) => measured.find((one) => one.way.id === way!.id)!;
  expect(of(a).cents).toBeCloseTo(21);
  expect(of(a).spread).toBeCloseTo(4);
  expect(of(b).cents).toBeCloseTo(28);
  const standard = pitchStandard(instrument, measured)!;
  // 24 cents above 440 Hz.
  expect(standard.a4).toBeCloseTo(446.14, 2);
  expect(standard.uneven).toBe(false);
  expect(pitchStandard(instrument, measured.slice(0, 2))).toBeUndefined();
  const uneven = measure(instrument, [at(a, -8), at(b, 0), at(c, 8)]);
  expect(pitchStandard(instrument, uneven)).toMatchObject({ uneven: true });
});

test('wrong notes between the right ones make a round unclean, a right one begun again does not', () => {
  const right = [
    [60, 0],
    [62, 1],
    [64, 2],
    [65, 3],
  ] as const;
  const round = (...more: readonly { midi: number; onset: number; end: number }[]) =>
    matchRound(
      wanted,
      [...heard(...right), ...more].sort((a, b) => a.onset - b.onset),
    );
  const wrong = round({ midi: 71, onset: 1.5, end: 1.8 }, { midi: 58, onset: 2.5, end: 2.7 });
  expect(wrong.notes.every(({ result }) => result === 'hit')).toBe(true);
  expect(wrong.extra.map(({ midi }) => midi)).toEqual([71, 58]);
  expect(wrong.clean).toBe(false);
  expect(matchWords(wrong)).toBe('All 4 notes were hit, and 2 others were played.');
  // The D once more, an E early in its place, a click of 50 ms, and what is played before and after the line.
  for (const fine of [
    { midi: 62.2, onset: 1.5, end: 1.9 },
    { midi: 64, onset: 1.6, end: 1.9 },
    { midi: 71, onset: 1.5, end: 1.55 },
    { midi: 71, onset: -0.6, end: -0.4 },
    { midi: 71, onset: 3.5, end: 3.9 },
  ])
    expect(round(fine)).toMatchObject({ clean: true, extra: [] });
});

test('what all notes are late together is the devices’, and what one is late is the player’s', () => {
  const late = matchRound(wanted, heard([60, 0.21], [62, 1.2], [64, 2.2], [65, 3.19]));
  expect(late.clean).toBe(true);
  expect(late.delay).toBeCloseTo(0.2);
  expect(matchWords(late)).toBe('All 4 notes were hit.');
  const one = matchRound(wanted, heard([60, 0.2], [62, 1.4], [64, 2.2], [65, 3.2]));
  expect(one.notes.map(({ result }) => result)).toEqual(['hit', 'late', 'hit', 'hit']);
  expect(matchWords(one)).toBe('3 of 4 notes were hit.');
  expect(matchWords(matchRound(wanted, []))).toBe('0 of 4 notes were hit.');
  expect(matchRound(wanted, []).clean).toBe(false);
});
