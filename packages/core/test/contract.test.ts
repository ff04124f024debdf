/** What every family must keep, looped over the list of families: a ninth one is tested by being listed. */
import {
  expectOk,
  families,
  FAMILY_IDS,
  keyOf,
  openInstrument,
  scaleById,
  specFromPreset,
  USUAL_KEYS,
} from '@same-song/core';
import type { ElementChange, ElementValue, Instrument } from '@same-song/core';
import { sceneIds } from '../src/scene/scene.ts';

const moment = { beats: 1, start: 0, since: 1 };

function otherValue(value: ElementValue): number | boolean | string {
  if (value.kind === 'flag') return !value.value;
  if (value.kind === 'text') return 'Tern';
  return value.value === value.highest ? value.lowest : value.value + value.step;
}

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

  test('the brief text tells a way from all others on the same side', () => {
    for (const instrument of some) {
      const texts = instrument.ways.map(
        (way) => `${instrument.sideOf({ way, grip: undefined })} ${instrument.brief(way)}`,
      );
      expect(new Set(texts).size).toBe(texts.length);
    }
  });

  test('loads are finite, not negative and as many as there are parts', () => {
    const habitChoices = family.habits.flatMap((h) => h.options.map((o) => ({ [h.id]: o.id })));
    for (const { ways, playsOf, wayLoads, stepLoads } of some) {
      for (const habits of [{}, ...habitChoices]) {
        const plays = ways.flatMap((way) => playsOf(way, habits));
        for (const from of plays.filter((_, i) => i % 11 === 0)) {
          const all = [
            wayLoads(from, moment, habits),
            ...plays.filter((_, i) => i % 3 === 0).map((to) => stepLoads(from, to, moment, habits)),
          ];
          for (const loads of all) {
            expect(loads.length).toBeLessThanOrEqual(family.parts.length);
            expect(loads.every((load) => Number.isFinite(load) && load >= 0)).toBe(true);
          }
        }
      }
    }
  });

  test('a step costs the same at any two moments that are alike in what steps hang on', () => {
    const moments = [0, 0.25, 0.5, 1, 1.75].flatMap((start) =>
      [0.25, 2].flatMap((beats) => [0, 0.5, 3].map((since) => ({ start, beats, since }))),
    );
    const hang = (at: (typeof moments)[number]) => family.stepsHangOn?.(at) ?? '';
    for (const { ways, playsOf, stepLoads } of some) {
      const plays = ways.flatMap((way) => playsOf(way, {}));
      for (const from of plays.filter((_, i) => i % 17 === 0))
        for (const to of plays.filter((_, i) => i % 5 === 0)) {
          const told = moments.map((at) => `${hang(at)}: ${stepLoads(from, to, at, {}).join(' ')}`);
          expect(new Set(told).size).toBe(new Set(moments.map(hang)).size);
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

  test('grips are of the family’s list, tell sides apart by name and play every way', () => {
    const known = new Set(family.grips.map((grip) => grip.id));
    const choices = [{}, ...family.habits.flatMap((h) => h.options.map((o) => ({ [h.id]: o.id })))];
    for (const { ways, playsOf, sideOf } of some) {
      for (const way of ways) {
        for (const play of choices.flatMap((habits) => playsOf(way, habits))) {
          if (play.grip !== undefined) expect(known.has(play.grip)).toBe(true);
          expect(family.sides[sideOf(play)]).toBeDefined();
        }
      }
    }
  });

  test('set for a key it keeps its ways’ names and pitches, and remarks name notes of the line', () => {
    for (const instrument of some) {
      const key = keyOf(expectOk(scaleById('major')), USUAL_KEYS[instrument.home]!);
      const set = instrument.forKey(key);
      expect(set.ways.map((w) => [w.id, w.pitch])).toEqual(instrument.ways.map((w) => [w.id, w.pitch]));
      const line = set.ways.slice(0, 12).map((way, index) => ({
        ...set.playsOf(way, {})[0]!,
        index,
        beats: 1,
        start: index,
      }));
      for (const remark of set.remarks(line)) {
        expect(line[remark.index]).toBeDefined();
        expect(remark.text.length).toBeGreaterThan(3);
      }
      for (const table of set.tables(key)) {
        for (const row of table.rows) expect(row.cells).toHaveLength(table.columns.length);
      }
    }
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
      const edits: ElementChange[] = [
        ...(last.pitch === undefined ? [] : [{ pitch: last.pitch + 1 }]),
        ...last.values.map((v) => ({
          values: { [v.id]: otherValue(v) },
        })),
      ];
      expect(edits.length).toBeGreaterThan(0);
      for (const edit of edits) {
        const edited = expectOk(family.open(instrument.withElement(last.id, edit), {}));
        const element = edited.elements.find((e) => e.id === last.id)!;
        expect(element).not.toEqual(last);
        if (edit.pitch !== undefined) expect(element.pitch).toBe(edit.pitch);
        for (const [id, value] of Object.entries(edit.values ?? {})) {
          expect(element.values.find((v) => v.id === id)!.value).toBe(value);
        }
      }
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
