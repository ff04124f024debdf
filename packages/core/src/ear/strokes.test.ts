import { isStroke, strokeOf } from './strokes.ts';

/** Levels and edges of forty frames that fade by a decibel each, with changes from a frame on. */
function fading(from: number, { level = 0, edge = 0 } = {}, edgesBelow = 30) {
  const levels = Array.from({ length: 40 }, (_, i) => -20 - i + (i >= from ? level : 0));
  return { levels, edges: levels.map((_, i) => -20 - i - edgesBelow + (i >= from ? edge : 0)) };
}

test('a stroke is told by the noise that grows with it, not by what grows louder alone', () => {
  // Over the six frames before and the six around, what fades by a decibel a frame has lost three.
  expect(isStroke(fading(20, { level: 6, edge: 12 }), 20)).toBe(true);
  expect(isStroke(fading(20, { level: 6 }), 20)).toBe(false);
  expect(isStroke(fading(99), 20)).toBe(false);
});

test('in the noise of a room it is told by what is louder for a while', () => {
  const hiss = (level: number) => ({
    levels: Array.from({ length: 40 }, (_, i) => (i >= 20 ? -20 + level : -20)),
    edges: Array.from({ length: 40 }, () => -30),
  });
  expect(isStroke(hiss(5), 20)).toBe(true);
  expect(isStroke(hiss(2), 20)).toBe(false);
  // Where what changes fast is far below the whole it is no noise.
  const quiet = { ...hiss(5), edges: hiss(5).edges.map(() => -40) };
  expect(isStroke(quiet, 20)).toBe(false);
});

test('a note begins where it was struck, though its pitch is known later', () => {
  const struck = fading(20, { level: 8, edge: 12 });
  expect(strokeOf(struck, 28, 0)).toBe(19);
  expect(strokeOf(struck, 20, 0)).toBe(19);
  // That stroke belongs to the note before.
  expect(strokeOf(struck, 30, 24)).toBeUndefined();
  // Twelve frames are not too long before, fourteen are.
  expect(strokeOf(struck, 31, 0)).toBe(19);
  expect(strokeOf(struck, 34, 0)).toBeUndefined();
});

test('an old note that comes out while all fades was not struck; what grows, and what was there at first, may have been', () => {
  expect(strokeOf(fading(99), 20, 0)).toBeUndefined();
  expect(strokeOf(fading(99), 5, 0)).toBe(5);
  const growing = { levels: fading(99).levels.map((level) => -level - 60), edges: fading(99).edges };
  expect(strokeOf(growing, 20, 0)).toBe(20);
});
