/** The ear on sounds whose truth is known. Figures are those to which it is held on recordings by others. */
import { PitchDetector } from 'pitchy';
import { ear, hear } from '../../src/ear/hear.ts';
import { gatherNotes } from '../../src/ear/notes.ts';
import {
  frameScore,
  inPink,
  isStruck,
  KINDS,
  latencies,
  noises,
  notes,
  padded,
  room,
  scales,
  singles,
  together,
} from './scores.ts';
import { louder, note, RATE, scale, tone, withNoise, white } from './sounds.ts';

const EACH = 7;

test('single notes of every kind are right, to a fraction of a cent', () => {
  const { gross, wrongFiles, median, answered } = singles(undefined, EACH);
  expect(wrongFiles).toBe(0);
  expect(gross).toBeLessThanOrEqual(0.0005);
  expect(answered).toBeGreaterThan(0.99);
  expect(median).toBeLessThanOrEqual(0.35);
});

test('the same where it is 30 dB softer', () => {
  expect(singles((sound) => louder(sound, -30), EACH)).toMatchObject({ wrongFiles: 0, gross: 0 });
});

test('in noise and in a room they are still right', () => {
  const noisy = singles(inPink(10), EACH);
  expect(noisy.gross).toBeLessThanOrEqual(0.005);
  expect(noisy.answered).toBeGreaterThanOrEqual(0.97);
  const far = singles(room, EACH);
  expect(far.gross).toBeLessThanOrEqual(0.008);
  expect(far.answered).toBeGreaterThanOrEqual(0.97);
});

test('it is as fine as another detector on steady tones, and takes fewer octaves for another', () => {
  const size = 2048;
  const other = PitchDetector.forFloat32Array(size);
  const theirs: ReturnType<typeof frameScore>[] = [];
  const ours: ReturnType<typeof frameScore>[] = [];
  for (const kind of KINDS)
    notes(kind, EACH, 23).forEach(({ midi, sound }, i) => {
      const played = inPink(20)(padded(sound), i + 1);
      const truth = [{ midi, from: 0.3, to: 1.1 }];
      const frames = Array.from({ length: 130 }, (_, f) => {
        const from = Math.round(f * 0.01 * RATE);
        const [hz, clarity] = other.findPitch(played.slice(from, from + size), RATE);
        const time = (from + size / 2) / RATE;
        return { time, clarity, midi: clarity > 0.8 ? 69 + 12 * Math.log2(hz / 440) : null };
      });
      theirs.push(frameScore(frames, truth));
      ours.push(frameScore(hear(played, RATE, { struck: isStruck(kind) }).frames, truth));
    });
  const [they, we] = [together(theirs), together(ours)];
  expect(we.median).toBeLessThanOrEqual(they.median + 0.05);
  expect(we.gross).toBeLessThan(they.gross);
});

test.each(noises())('nothing is heard in $name', ({ sound }) => {
  expect(hear(sound, RATE).frames.filter(({ midi }) => midi !== null)).toEqual([]);
});

test('scales are heard note by note, in noise and in a room', () => {
  const quiet = scales();
  expect(Math.min(quiet.precision, quiet.recall)).toBeGreaterThanOrEqual(0.98);
  const faint = scales(inPink(20));
  expect(Math.min(faint.precision, faint.recall)).toBeGreaterThanOrEqual(0.97);
  const loud = scales(inPink(10));
  expect(Math.min(loud.precision, loud.recall)).toBeGreaterThanOrEqual(0.92);
  const far = scales(room);
  expect(Math.min(far.precision, far.recall)).toBeGreaterThanOrEqual(0.9);
  // Low strings that ring into each other beat, and are not struck anew.
  for (const change of [undefined, room]) {
    const low = scales(change, 55);
    expect(Math.min(low.precision, low.recall)).toBeGreaterThanOrEqual(change ? 0.92 : 0.95);
  }
});

test('a note is shown soon after it begins', () => {
  const times = latencies();
  expect(times[Math.floor(times.length / 2)]).toBeLessThanOrEqual(0.045);
  expect(times[Math.floor(0.95 * times.length)]).toBeLessThanOrEqual(0.1);
});

test('a bend that sags and a trembling note are followed', () => {
  const course = (time: number) =>
    64 - 0.9 * Math.min(1, time / 0.8) + 0.12 * Math.sin(2 * Math.PI * 5 * time);
  const sound = tone({
    seconds: 1,
    pitch: course,
    shape: () => 0.5,
    partials: [
      [1, 1],
      [2, 0.6],
      [3, 0.4],
    ],
  });
  const { frames } = hear(sound, RATE);
  const inside = frames.filter(({ time }) => time > 0.1 && time < 0.9);
  expect(inside.length).toBeGreaterThan(70);
  for (const { time, midi } of inside) expect(Math.abs(midi! - course(time))).toBeLessThan(0.12);
});

test('repeated notes are told apart, and only pitches that can sound are heard', () => {
  const played = Array.from({ length: 6 }, (_, i) => ({ midi: 74, onset: 0.3 + 0.35 * i, seconds: 0.3 }));
  for (const kind of KINDS) {
    const { notes: heard } = hear(scale(kind, played, 4), RATE, { struck: isStruck(kind) });
    expect(heard.map(({ onset }) => onset.toFixed(1))).toEqual(played.map(({ onset }) => onset.toFixed(1)));
  }
  const reed = padded(note('reed', 70, 0.6));
  const { frames } = hear(reed, RATE, { candidates: [60, 62, 64, 82, 94] });
  expect(frames.filter(({ midi }) => midi !== null)).toEqual([]);
});

test('it hears the same however the samples are cut and at other rates', () => {
  const sound = withNoise(padded(note('whistle', 79, 0.5)), white(RATE * 2, 3), 30);
  const whole = hear(sound, RATE).frames;
  const listener = ear(RATE);
  const pieces: unknown[] = [];
  for (let at = 0, cut = 1; at < sound.length; at += cut, cut = (cut * 7) % 1999)
    pieces.push(...listener.push(sound.subarray(at, at + cut)).frames);
  pieces.push(...listener.end());
  expect(pieces).toHaveLength(whole.length);
  expect(pieces).toMatchObject(whole.map(({ time, midi }) => ({ time, midi })));
  // Every third sample of one at three times the rate is one at a third of it.
  const slow = sound.filter((_, i) => i % 2 === 0);
  const middle = hear(slow, RATE / 2).frames.find(({ time }) => time > 0.5);
  expect(middle?.midi).toBeCloseTo(79, 1);
  expect(() => hear(sound, 100)).toThrow('too few');
  expect(hear(new Float32Array(0), RATE)).toEqual({ frames: [], notes: [] });
});

test('notes are told once each as they end, however long it is listened', () => {
  const played = [67, 69, 69, 71, 67].map((midi, i) => ({ midi, onset: 0.4 + 0.35 * i, seconds: 0.3 }));
  for (const kind of KINDS) {
    const sound = padded(scale(kind, played, 9), 0.6);
    const listener = ear(RATE, { struck: isStruck(kind) });
    const gather = gatherNotes(isStruck(kind));
    const told = [];
    for (let at = 0; at < sound.length; at += 1024)
      told.push(...gather.push(listener.push(sound.subarray(at, at + 1024)).frames));
    told.push(...gather.push(listener.end()));
    expect(told.map(({ midi }) => Math.round(midi))).toEqual(played.map(({ midi }) => midi));
  }
});
