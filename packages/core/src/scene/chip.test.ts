import { ROLES, type Role } from '../harmony/role.ts';
import { chipShape } from './chip.ts';
import type { PathShape, RectShape, TextShape } from './scene.ts';

const SIZES = {
  wide: { width: 20, height: 10 },
  tight: { width: 14, height: 10 },
  narrow: { width: 9, height: 10 },
};

function drawn(role: Role, size: keyof typeof SIZES, usable = true) {
  const box = { x: 100, y: 50, ...SIZES[size] };
  const { shapes } = chipShape({
    ...box,
    id: '3d',
    label: '3 draw',
    role,
    usable,
    degree: '♭7',
    note: 'B♭',
    mark: '″',
  });
  const texts = shapes.filter((shape): shape is TextShape => shape.kind === 'text');
  return {
    body: shapes[0] as RectShape | PathShape,
    degree: texts.find(({ text }) => text === '♭7'),
    note: texts.find(({ text }) => text === 'B♭')!,
    mark: texts.find(({ text }) => text === '″')!,
  };
}

/** Within the chip, with room for half of a text of two letters to each side. */
function liesInside({ x, y, sizeMm }: TextShape, size: keyof typeof SIZES): boolean {
  const { width, height } = SIZES[size];
  return x - sizeMm / 2 > 99.5 && x + sizeMm / 2 < 100.5 + width && y - sizeMm * 0.7 > 50 && y < 50 + height;
}

test.each(ROLES)('%s: texts lie within the chip, the mark beside it', (role) => {
  for (const size of ['wide', 'narrow'] as const) {
    const { degree, note, mark } = drawn(role, size);
    expect([role, size, degree === undefined]).toEqual([role, size, role === 'outside']);
    for (const text of [degree, note])
      if (text) expect([size, text, liesInside(text, size)]).toEqual([size, text, true]);
    expect(mark.x).toBeGreaterThan(100 + SIZES[size].width);
    expect(mark.x).toBeLessThan(102 + SIZES[size].width);
  }
});

test('a wide chip has its note beside the degree, a narrow one below it', () => {
  const wide = drawn('scale', 'wide');
  expect([wide.degree!.y, wide.degree!.x < wide.note.x - 5]).toEqual([wide.note.y, true]);
  const narrow = drawn('scale', 'narrow');
  expect([narrow.degree!.x, narrow.degree!.y < narrow.note.y - 2]).toEqual([narrow.note.x, true]);
  expect(wide.degree!.sizeMm).toBeGreaterThan(wide.note.sizeMm);
});

test.each(['wide', 'tight'] as const)('two signs in one %s chip stand apart and within it', (size) => {
  for (const role of ['scale', 'colour'] as const) {
    const { degree, note } = drawn(role, size);
    // Half of two letters each, half as wide as high, and some air.
    const reach = (text: TextShape) => 2 * 0.25 * text.sizeMm;
    expect(note.x - reach(note) - (degree!.x + reach(degree!))).toBeGreaterThan(0.8);
    expect(degree!.x - reach(degree!)).toBeGreaterThan(100.4);
    expect(note.x + reach(note)).toBeLessThan(99.6 + SIZES[size].width);
  }
});

test('every role has a body of its own, and what cannot be had is dashed', () => {
  const bodyOf = (role: Role) => drawn(role, 'wide').body;
  expect(bodyOf('home')).toMatchObject({ kind: 'rect', radius: 5, fill: 'home' });
  expect(bodyOf('chord')).toMatchObject({ kind: 'rect', radius: 1, fill: 'chord' });
  expect(bodyOf('scale')).toMatchObject({ kind: 'rect', radius: 1, fill: 'leaf', stroke: 'chord' });
  // A lozenge: its points in the middle of the left and right edges.
  expect(bodyOf('colour')).toMatchObject({
    d: 'M100 55 L102.2 50 H117.8 L120 55 L117.8 60 H102.2 Z',
    stroke: 'colour',
  });
  expect(bodyOf('outside')).toMatchObject({ kind: 'path', fill: 'soft' });
  for (const role of ROLES) {
    const { body } = drawn(role, 'wide', false);
    if (role === 'outside') expect(body).toMatchObject({ fill: 'paper', stroke: 'soft' });
    else expect(body).toMatchObject({ fill: 'paper', dashed: true });
  }
});

test('roles that cannot be had are still told apart: by outline or by the weight of their line', () => {
  const looks = ROLES.filter((role) => role !== 'outside').map((role) => {
    const { body } = drawn(role, 'wide', false);
    const { kind, strokeMm } = body;
    return [kind, kind === 'rect' ? body.radius : undefined, strokeMm].join();
  });
  expect(new Set(looks).size).toBe(looks.length);
});
