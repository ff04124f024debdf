import { escapeXml, PRINT_PALETTE, sceneToSvg } from './svg.ts';
import type { Scene } from './scene.ts';

const scene: Scene = {
  title: 'Tom & "Ada" <3',
  widthMm: 40,
  heightMm: 20,
  shapes: [
    {
      kind: 'group',
      id: '1b',
      label: '1 blow',
      shapes: [
        { kind: 'rect', x: 1 / 3, y: 0, width: 2, height: 2, fill: 'home', dashed: true, stroke: 'ink' },
      ],
    },
    { kind: 'text', x: 1, y: 2, text: 'E♭ <', sizeMm: 3, ink: 'ink', bold: true },
    { kind: 'path', d: 'M0 0 H3', fill: 'hatch' },
  ],
};

test('an SVG file carries size, ids, names and escaped text, and colours of the palette only', () => {
  const svg = sceneToSvg(scene);
  expect(svg).toContain('width="40mm" height="20mm" viewBox="0 0 40 20"');
  expect(svg).toContain('<g id="1b"><title>1 blow</title>');
  expect(svg).toContain('<title>Tom &amp; &quot;Ada&quot; &lt;3</title>');
  expect(svg).toContain('>E♭ &lt;</text>');
  expect(svg).toContain('x="0.33"');
  const colours = [...svg.matchAll(/#[0-9a-f]{6}/g)].map((m) => m[0]);
  expect(colours.length).toBeGreaterThan(2);
  for (const colour of colours) expect(Object.values(PRINT_PALETTE)).toContain(colour);
});

test('characters that XML forbids are dropped', () => {
  expect(escapeXml('a\u0000b\u001fc\n')).toBe('abc\n');
});
