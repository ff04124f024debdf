/** Every family's drawing as a file: well-formed, complete, black on white, and nothing smaller than print allows. */
import { families, FAMILY_IDS } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { ROLES } from '../harmony/role.ts';
import { PRINT_PALETTE, sceneToSvg } from './svg.ts';
import type { Shape } from './scene.ts';

/** Tags opened and closed in order; throws at the first that does not match. */
function parseXml(text: string): string[] {
  const open: string[] = [];
  const seen: string[] = [];
  for (const [, close, name, selfClosing] of text.matchAll(/<(\/?)([a-z]+)[^<>]*?(\/?)>/g)) {
    if (close) {
      if (open.pop() !== name) throw new Error(`</${name}> closes nothing`);
    } else {
      seen.push(name!);
      if (!selfClosing) open.push(name!);
    }
  }
  if (open.length > 0) throw new Error(`<${open.join()}> stays open`);
  return seen;
}

function textsOf(shapes: readonly Shape[]): { text: string; sizeMm: number }[] {
  return shapes.flatMap((s) => (s.kind === 'text' ? [s] : s.kind === 'group' ? textsOf(s.shapes) : []));
}

describe.each(FAMILY_IDS)('%s', (id) => {
  const opened = () => families[id].presets.map((p) => expectOk(openInstrument(specFromPreset(id, p.id))));

  test('is a well-formed file with a name for every way', () => {
    const instrument = opened()[0]!;
    const scene = instrument.scene((way) => ({
      role: 'scale',
      degree: '♭3',
      note: '<&">',
      usable: way.able,
    }));
    const svg = sceneToSvg(scene);
    const tags = parseXml(svg);
    expect(tags.filter((tag) => tag === 'g').length).toBeGreaterThanOrEqual(instrument.ways.length);
    for (const way of instrument.ways) expect(svg).toContain(`<g id="${way.id.replace(/&/g, '&amp;')}">`);
    expect(svg).not.toContain('<&">');
    const colours = new Set(svg.match(/#[0-9a-f]{6}/g));
    for (const colour of colours) expect(Object.values(PRINT_PALETTE)).toContain(colour);
  });

  test('is the same for equal input, and every role is told without colour', () => {
    const instrument = opened()[0]!;
    const drawn = ROLES.map((role) =>
      sceneToSvg(instrument.scene(() => ({ role, degree: '1', note: 'C', usable: true }))).replace(
        /#[0-9a-f]{6}/g,
        '#',
      ),
    );
    expect(new Set(drawn).size).toBeGreaterThanOrEqual(4);
    const again = sceneToSvg(
      instrument.scene(() => ({ role: 'home', degree: '1', note: 'C', usable: true })),
    );
    expect(again.replace(/#[0-9a-f]{6}/g, '#')).toBe(drawn[0]);
  });

  test('is wide rather than high, with writing that can be read on paper', () => {
    for (const instrument of opened()) {
      const scene = instrument.scene(() => ({ role: 'chord', degree: '♭7', note: 'B♭', usable: true }));
      expect(scene.widthMm / scene.heightMm).toBeGreaterThan(1.6);
      for (const { text, sizeMm } of textsOf(scene.shapes)) {
        expect(text.length).toBeGreaterThan(0);
        // On A4 the drawing is 186 mm wide at most.
        expect((sizeMm * 186) / scene.widthMm).toBeGreaterThan(1.3);
      }
    }
  });
});
