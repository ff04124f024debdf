/** What every family must keep, looped over the list of families: a ninth one is tested by being listed. */
import { expectOk, families, FAMILY_IDS, openInstrument, specFromPreset } from '@same-song/core';
import type { Instrument } from '@same-song/core';
import { sceneIds } from '../src/scene/scene.ts';

const moment = { beats: 1, start: 0 };

function everything(instrument: Instrument): Instrument {
  const capability = Object.fromEntries(instrument.capabilityGroups.map((group) => [group.id, group.places]));
  return expectOk(openInstrument({ ...instrument.spec, capability }));
}

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const presets = family.presets.map((preset) => expectOk(openInstrument(specFromPreset(id, preset.id))));
  /** First, middle and last preset: enough variety where presets only transpose. */
  const some = [0, Math.floor(presets.length / 2), presets.length - 1].map((i) => everything(presets[i]!));

  test('every preset opens, with a name of its own and ways to play', () => {
    expect(new Set(family.presets.map((p) => p.id)).size).toBe(presets.length);
    expect(new Set(presets.map((p) => p.description)).size).toBe(presets.length);
    for (const instrument of presets) expect(instrument.ways.some((way) => way.able)).toBe(true);
  });

  test('way ids are unique, techniques are known, duplicates point to an easier way of the same pitch', () => {
    const rank = (technique: string) => family.techniques.findIndex((t) => t.id === technique);
    for (const { ways } of some) {
      const byId = new Map(ways.map((way) => [way.id, way]));
      expect(byId.size).toBe(ways.length);
      for (const way of ways) {
        expect(rank(way.technique)).toBeGreaterThanOrEqual(0);
        if (way.duplicateOf === undefined) continue;
        const easier = byId.get(way.duplicateOf)!;
        expect(easier.pitch).toBe(way.pitch);
        expect(rank(easier.technique)).toBeLessThan(rank(way.technique));
      }
    }
  });

  test('tab text in every dialect is read back as the same way', () => {
    for (const instrument of some) {
      for (const { id: dialect } of family.dialects) {
        for (const way of instrument.ways) {
          expect(expectOk(instrument.parseTab(instrument.tab(way, dialect), dialect)).id).toBe(way.id);
        }
      }
    }
  });

  test('the brief text tells a way from all others in the same air', () => {
    for (const instrument of some) {
      const texts = instrument.ways.map((way) => `${way.air} ${instrument.brief(way)}`);
      expect(new Set(texts).size).toBe(texts.length);
    }
  });

  test('loads are finite, not negative and as many as there are parts', () => {
    const habitChoices = family.habits.flatMap((h) => h.options.map((o) => ({ [h.id]: o.id })));
    for (const { ways, wayLoads, stepLoads } of some) {
      for (const habits of [{}, ...habitChoices]) {
        for (const from of ways) {
          const all = [
            wayLoads(from, moment, habits),
            ...ways.map((to) => stepLoads(from, to, moment, habits)),
          ];
          for (const loads of all) {
            expect(loads).toHaveLength(family.parts.length);
            expect(loads.every((load) => Number.isFinite(load) && load >= 0)).toBe(true);
          }
        }
      }
    }
  });

  test('preferences weigh known parts and avoid known techniques; the first avoids nothing', () => {
    const parts = new Set<string>(family.parts.map((p) => p.id));
    const techniques = new Set<string>(family.techniques.map((t) => t.id));
    for (const preset of family.preferences) {
      expect(Object.keys(preset.weights).every((part) => parts.has(part))).toBe(true);
      expect(preset.avoid.every((technique) => techniques.has(technique))).toBe(true);
    }
    expect(family.preferences[0]!.avoid).toEqual([]);
  });

  test('the drawing has every way once, inside its borders', () => {
    for (const instrument of some) {
      const chip = { role: 'home', degree: '1', note: 'C', reachable: true } as const;
      const scene = instrument.scene(() => chip);
      expect(sceneIds(scene.shapes).sort()).toEqual(instrument.ways.map((way) => way.id).sort());
      for (const shape of scene.shapes) {
        if (shape.kind !== 'group' || !shape.box) continue;
        const { x, y, width, height } = shape.box;
        expect(Math.min(x, y)).toBeGreaterThanOrEqual(0);
        expect(x + width).toBeLessThanOrEqual(scene.widthMm);
        expect(y + height).toBeLessThanOrEqual(scene.heightMm);
      }
    }
  });

  test('no two chips of the drawing overlap', () => {
    for (const instrument of some) {
      const scene = instrument.scene(() => ({ role: 'scale', degree: '2', note: 'D', reachable: true }));
      const boxes = scene.shapes.flatMap((s) => (s.kind === 'group' && s.id && s.box ? [s.box] : []));
      for (const [i, a] of boxes.entries()) {
        for (const b of boxes.slice(i + 1)) {
          const apart =
            a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;
          expect(apart).toBe(true);
        }
      }
    }
  });

  test('a layout survives JSON, and changing an element or an option shows in the elements', () => {
    for (const instrument of some) {
      const copy = JSON.parse(JSON.stringify(instrument.layout)) as unknown;
      expect(expectOk(family.open(copy, {})).elements).toEqual(instrument.elements);
      const last = instrument.elements[instrument.elements.length - 1]!;
      const edited = expectOk(family.open(instrument.withElement(last.id, last.pitch + 1), {}));
      expect(edited.elements.filter((e) => e.changed).map((e) => [e.id, e.pitch])).toEqual([
        [last.id, last.pitch + 1],
      ]);
      for (const option of instrument.options) {
        expect(option.choices.map((c) => c.id)).toContain(option.value);
        for (const choice of option.choices) {
          const changed = expectOk(family.open(instrument.withOption(option.id, choice.id), {}));
          expect(changed.options.find((o) => o.id === option.id)!.value).toBe(choice.id);
        }
      }
    }
  });

  test.each([[null], [7], ['x'], [[]], [{}], [{ root: 'C' }]])(
    'the layout %p is refused with its fields named',
    (layout) => {
      const result = family.open(layout, {});
      expect(result.ok).toBe(false);
      if (!result.ok)
        for (const problem of result.problems) expect(problem.message.length).toBeGreaterThan(10);
    },
  );
});
