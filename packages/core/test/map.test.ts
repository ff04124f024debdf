/** What must hold on Map for any question on any instrument of any family. */
import fc from 'fast-check';
import {
  askFromLink,
  askToLink,
  checkAsk,
  defaultAsk,
  DIRECTIONS,
  expectOk,
  families,
  FAMILY_IDS,
  keyOf,
  LAYERS,
  mapView,
  NAMINGS,
  noteCode,
  openInstrument,
  PATTERNS,
  SCALES,
  specFromPreset,
  storedAsk,
  USUAL_KEYS,
  type Ask,
  type FamilyId,
  type Instrument,
} from '@same-song/core';

/** Any question that can be asked of a family. */
function anyAsk(id: FamilyId): fc.Arbitrary<Ask> {
  const family = families[id];
  return fc
    .record({
      tonic: fc.constantFrom(...USUAL_KEYS.map(noteCode)),
      scale: fc.constantFrom(...SCALES.map((s) => s.id)),
      span: fc.oneof(
        fc.integer({ min: 1, max: 4 }).map((octaves) => ({ kind: 'octaves' as const, octaves })),
        fc.constant({ kind: 'reach' as const }),
        fc
          .tuple(fc.integer({ min: 40, max: 96 }), fc.integer({ min: 0, max: 20 }))
          .map(([low, up]) => ({ kind: 'between' as const, low, high: low + up })),
      ),
      direction: fc.constantFrom(...DIRECTIONS),
      chord: fc.constantFrom(1, 4, 5),
      layer: fc.constantFrom(...LAYERS.map((l) => l.id)),
      pattern: fc.constantFrom(...PATTERNS.map((p) => p.id)),
      preset: fc.constantFrom(...family.preferences.map((p) => p.id)),
    })
    .map(({ preset, ...rest }) =>
      expectOk(
        checkAsk(family, {
          ...defaultAsk(family),
          ...rest,
          preferences: { preset, weights: {}, habits: {} },
        }),
      ),
    );
}

function anyInstrument(id: FamilyId): fc.Arbitrary<Instrument> {
  const presets = families[id].presets.map((p) => p.id);
  return fc
    .tuple(fc.constantFrom(...presets), fc.boolean(), fc.integer({ min: 410, max: 460 }))
    .map(([preset, everything, a4]) => {
      const spec = { ...specFromPreset(id, preset), a4 };
      if (!everything) return expectOk(openInstrument(spec));
      const { capabilityGroups } = expectOk(openInstrument(spec));
      const capability = Object.fromEntries(capabilityGroups.map((g) => [g.id, g.places]));
      return expectOk(openInstrument({ ...spec, capability }));
    });
}

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const dialects = family.dialects.map((d) => d.id);
  const writing = fc.record({ naming: fc.constantFrom(...NAMINGS), dialect: fc.constantFrom(...dialects) });

  test('the line sounds what was asked, by ways that can be played, and what is missing is said', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyAsk(id), writing, (instrument, ask, how) => {
        const view = mapView(instrument, ask, how);
        const ways = new Map(view.ways.map((way) => [way.id, way]));
        expect(view.line.map((note) => note.index)).toEqual(view.line.map((_, i) => i));
        for (const note of view.line) {
          const way = note.wayId === undefined ? undefined : ways.get(note.wayId)!;
          if (!way) {
            expect(note.missing!.length).toBeGreaterThan(5);
            expect(view.missing.map((m) => m.pitch)).toContain(note.pitch);
            expect(view.ways.some((w) => w.pitch === note.pitch && w.reachable)).toBe(false);
            continue;
          }
          expect(way.pitch).toBe(note.pitch);
          expect(way.reachable).toBe(true);
          expect(note.hz).toBeCloseTo(way.hz, 6);
          expect(note.tab).toBe(way.tab);
          expect([note.degree, note.role]).toEqual([way.degree, way.role]);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('frequencies follow the pitch standard; tab of the line reads back to its ways', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyAsk(id), writing, (instrument, ask, how) => {
        const view = mapView(instrument, ask, how);
        for (const way of view.ways) {
          const cents = 1200 * Math.log2(way.hz / instrument.spec.a4) - 100 * (way.pitch - 69);
          expect(cents).toBeCloseTo(way.cents, 4);
        }
        for (const note of view.line.filter((n) => n.tab !== undefined))
          expect(expectOk(instrument.parseTab(note.tab!, how.dialect)).id).toBe(note.wayId);
      }),
      { numRuns: 15 },
    );
  });

  test('no other way would be better, and each tells what it would change', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyAsk(id), (instrument, ask) => {
        const { line } = mapView(instrument, ask, { naming: 'key', dialect: dialects[0]! });
        for (const note of line) {
          for (const other of note.alternatives) {
            expect(other.wayId).not.toBe(note.wayId);
            const { duplicateOf } = instrument
              .forKey(keyOf(ask.scale, ask.tonic))
              .ways.find((w) => w.id === other.wayId)!;
            if (other.repeats) expect(duplicateOf).toBeDefined();
            else expect(other.difference).toBeGreaterThanOrEqual(-1e-6);
            if (other.difference > 0.5) expect(other.changes.length).toBeGreaterThan(0);
          }
        }
      }),
      { numRuns: 15 },
    );
  });

  test('a pin is kept and costs what its alternative said', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyAsk(id), fc.nat(), (instrument, ask, which) => {
        const how = { naming: 'key', dialect: dialects[0]! } as const;
        const free = mapView(instrument, ask, how);
        const choices = free.line.flatMap((n) => n.alternatives.map((a) => ({ index: n.index, ...a })));
        if (choices.length === 0) return;
        const { index, wayId, difference } = choices[which % choices.length]!;
        const pinned = mapView(instrument, { ...ask, pins: [{ index, wayId }] }, how);
        expect(pinned.line[index]).toMatchObject({ wayId, pinned: true });
        expect(pinned.effort.total).toBeCloseTo(free.effort.total + difference, 6);
        expect(pinned.brokenPins).toEqual([]);
      }),
      { numRuns: 25 },
    );
  });

  test('how notes are named changes names only', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyAsk(id), (instrument, ask) => {
        const bare = NAMINGS.map((naming) => {
          const view = mapView(instrument, ask, { naming, dialect: dialects[0]! });
          return view.line.map(({ pitch, wayId, degree, role, hz }) => ({ pitch, wayId, degree, role, hz }));
        });
        expect(bare[1]).toEqual(bare[0]);
        expect(bare[2]).toEqual(bare[0]);
      }),
      { numRuns: 10 },
    );
  });

  test('a question survives its link and its JSON', () => {
    fc.assert(
      fc.property(anyAsk(id), fc.integer({ min: 0, max: 11 }), (ask, home) => {
        const stored = storedAsk(ask);
        const link = new URLSearchParams(askToLink(stored, family)).toString();
        const back = askFromLink(Object.fromEntries(new URLSearchParams(link)), family, home);
        expect(back.problems).toEqual([]);
        expect(storedAsk(back.ask)).toEqual(stored);
        expect(storedAsk(expectOk(checkAsk(family, JSON.parse(JSON.stringify(stored)))))).toEqual(stored);
      }),
      { numRuns: 60 },
    );
  });
});
