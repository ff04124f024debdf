/** What a family's drawing keeps. */
import { sceneIds } from '../../src/scene/scene.ts';
import { ofInstruments, type Rule } from './rule.ts';

export const DRAWING_RULES: readonly Rule[] = [
  ofInstruments(
    'the drawing has every way once, inside its borders, and no two chips overlap',
    (instrument, wrong) => {
      const scene = instrument.scene(() => ({ role: 'scale', degree: '2', note: 'D', usable: true }));
      const drawn = sceneIds(scene.shapes);
      for (const way of instrument.ways) {
        const times = drawn.filter((name) => name === way.id).length;
        if (times !== 1) wrong(`way ${way.id} is drawn ${times} times`);
      }
      for (const name of drawn)
        if (!instrument.ways.some((way) => way.id === name)) wrong(`${name} is drawn and no way`);
      const boxes = scene.shapes.flatMap((s) =>
        s.kind === 'group' && s.id && s.box ? [{ id: s.id, ...s.box }] : [],
      );
      for (const [i, a] of boxes.entries()) {
        if (Math.min(a.x, a.y) < 0 || a.x + a.width > scene.widthMm || a.y + a.height > scene.heightMm)
          wrong(`the chip of ${a.id} leaves the drawing`);
        for (const b of boxes.slice(i + 1)) {
          const apart =
            a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;
          if (!apart) wrong(`the chips of ${a.id} and ${b.id} overlap`);
        }
      }
    },
  ),
  ofInstruments(
    'what is written beside the chips is not covered by one, nor cut off',
    (instrument, wrong) => {
      const scene = instrument.scene(() => ({ role: 'scale', degree: '2', note: 'D', usable: true }));
      const chips = scene.shapes.flatMap((s) => (s.kind === 'group' && s.id && s.box ? [s.box] : []));
      for (const shape of scene.shapes) {
        if (shape.kind !== 'text') continue;
        // Capitals and figures are about so wide and so high.
        const width = 0.5 * shape.sizeMm * shape.text.length;
        const height = 0.66 * shape.sizeMm;
        const x = shape.x - { start: 0, middle: width / 2, end: width }[shape.anchor ?? 'start'];
        const y = shape.y - height;
        if (x < -0.5 || y < 0 || x + width > scene.widthMm + 0.5 || shape.y > scene.heightMm)
          wrong(`“${shape.text}” leaves the drawing`);
        for (const chip of chips) {
          const apart =
            x + width <= chip.x || chip.x + chip.width <= x || shape.y <= chip.y || chip.y + chip.height <= y;
          if (!apart) wrong(`“${shape.text}” is covered by a chip`);
        }
      }
    },
  ),
];
