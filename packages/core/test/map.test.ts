/** What must hold on Map for any question on any instrument of any family. */
import fc from 'fast-check';
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { LAYERS } from '../src/harmony/layer.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { alternativesView, mapView } from '../src/map/mapView.ts';
import { noteCode } from '../src/pitch/noteName.ts';
import { PATTERNS } from '../src/route/pattern.ts';
import { questionFromLink, questionToLink } from '../src/question/link.ts';
import { checkQuestion, defaultQuestion, storedQuestion, type Question } from '../src/question/question.ts';
import { expectOk } from '../src/result.ts';
import { DIRECTIONS } from '../src/route/direction.ts';
import { keyOf, SCALES, USUAL_KEYS } from '../src/scale/scale.ts';
import { NAMINGS } from '../src/settings/settings.ts';

/** Any question that can be asked of a family. */
function anyQuestion(id: FamilyId): fc.Arbitrary<Question> {
  const family = families[id];
  return fc
    .record({
      tonic: fc.constantFrom(...USUAL_KEYS.map(noteCode)),
      scale: fc.constantFrom(...SCALES.map((s) => s.id)),
      range: fc.oneof(
        fc.integer({ min: 1, max: 4 }).map((octaves) => ({ kind: 'octaves' as const, octaves })),
        fc.constant({ kind: 'whole' as const }),
        fc
          .tuple(fc.integer({ min: 40, max: 96 }), fc.integer({ min: 0, max: 20 }))
          .map(([low, up]) => ({ kind: 'between' as const, low, high: low + up })),
      ),
      direction: fc.constantFrom(...DIRECTIONS),
      chords: fc.subarray(['1', '4', '5', '2', 'IV7', 'bVII', 'N.C.'], { minLength: 1 }),
      layer: fc.constantFrom(...LAYERS.map((l) => l.id)),
      pattern: fc.constantFrom(...PATTERNS.map((p) => p.id)),
      preset: fc.constantFrom(...family.preferences.map((p) => p.id)),
    })
    .map(({ preset, ...rest }) =>
      expectOk(
        checkQuestion(family, {
          ...defaultQuestion(family),
          ...rest,
          preferences: { preset, weights: {}, playingOptions: {} },
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
  const notation = fc.record({ naming: fc.constantFrom(...NAMINGS), dialect: fc.constantFrom(...dialects) });

  test('the line sounds what was asked, by ways that can be played, and what is missing is said', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyQuestion(id), notation, (instrument, question, how) => {
        const view = mapView(instrument, question, how);
        const ways = new Map(view.ways.map((way) => [way.id, way]));
        expect(view.line.map((note) => note.index)).toEqual(view.line.map((_, i) => i));
        for (const note of view.line) {
          const way = note.wayId === undefined ? undefined : ways.get(note.wayId)!;
          if (!way) {
            expect(note.missing!.length).toBeGreaterThan(5);
            expect(view.missing.map((m) => m.pitch)).toContain(note.pitch);
            expect(view.ways.some((w) => w.pitch === note.pitch && w.usable)).toBe(false);
            continue;
          }
          expect(way.pitch).toBe(note.pitch);
          expect(way.usable).toBe(true);
          expect(note.hz).toBeCloseTo(way.hz, 6);
          expect(note.tab).toBe(way.tab);
          expect([note.degree, note.role]).toEqual([way.degree, way.role]);
        }
      }),
      { numRuns: 20 },
    );
  });

  test('frequencies follow the pitch standard; tab of the line reads back to its ways', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyQuestion(id), notation, (instrument, question, how) => {
        const view = mapView(instrument, question, how);
        for (const way of view.ways) {
          const cents = 1200 * Math.log2(way.hz / instrument.spec.a4) - 100 * (way.pitch - 69);
          // A blue third is aimed at the middle of its semitone.
          const aimed = way.between?.startsWith('Hold it between') ? 50 : 0;
          expect(cents).toBeCloseTo(way.cents + aimed, 4);
        }
        for (const note of view.line.filter((n) => n.tab !== undefined))
          expect(expectOk(instrument.parseTab(note.tab!, how.dialect)).id).toBe(note.wayId);
      }),
      { numRuns: 15 },
    );
  });

  test('no other way would be better, each tells what it would change, and a pin to it costs what it said', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyQuestion(id), fc.nat(), (instrument, question, which) => {
        const how = { naming: 'key', dialect: dialects[0]! } as const;
        const free = mapView(instrument, question, how);
        const note = free.line[which % Math.max(1, free.line.length)];
        if (!note) return;
        for (const other of alternativesView(instrument, question, note.id).slice(0, 2)) {
          const { wayId, difference, changes } = other;
          expect(wayId).not.toBe(note.wayId);
          const { redundantTo } = instrument
            .forKey(keyOf(question.scale, question.tonic))
            .ways.find((w) => w.id === wayId)!;
          if (other.redundant) expect(redundantTo).toBeDefined();
          else if (free.exact) expect(difference).toBeGreaterThanOrEqual(-1e-6);
          if (difference > 0.5) expect(changes.length).toBeGreaterThan(0);
          const pinned = mapView(instrument, { ...question, pins: [{ noteId: note.id, wayId }] }, how);
          expect(pinned.line[note.index]).toMatchObject({ wayId, pinned: true });
          if (free.exact && pinned.exact)
            expect(pinned.effort.total).toBeCloseTo(free.effort.total + difference, 6);
          expect(pinned.brokenPins).toEqual([]);
        }
      }),
      { numRuns: 12 },
    );
  });

  test('how notes are named changes names only', () => {
    fc.assert(
      fc.property(anyInstrument(id), anyQuestion(id), (instrument, question) => {
        const bare = NAMINGS.map((naming) => {
          const view = mapView(instrument, question, { naming, dialect: dialects[0]! });
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
      fc.property(anyQuestion(id), fc.integer({ min: 0, max: 11 }), (question, home) => {
        const stored = storedQuestion(question);
        const link = new URLSearchParams(questionToLink(stored, family)).toString();
        const back = questionFromLink(Object.fromEntries(new URLSearchParams(link)), family, {
          home,
          ownScale: 'major',
        });
        expect(back.problems).toEqual([]);
        expect(storedQuestion(back.question)).toEqual(stored);
        expect(storedQuestion(expectOk(checkQuestion(family, JSON.parse(JSON.stringify(stored)))))).toEqual(
          stored,
        );
      }),
      { numRuns: 30 },
    );
  });
});

test('a way is told to be in the main chords and in the one that was asked for, once each', () => {
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '60')));
  const chordsOf = (id: string, ...chords: string[]) => {
    const question = { ...defaultQuestion(families.diatonic), tonic: 'C', chords };
    const asked = expectOk(checkQuestion(families.diatonic, question));
    return mapView(instrument, asked, { naming: 'key', dialect: 'words' }).ways.find((w) => w.id === id)!
      .chords;
  };
  expect(chordsOf('1d', 'bVII7')).toEqual(['V', '♭VII7']);
  expect(chordsOf('1b', 'bVII7')).toEqual(['I', 'IV']);
  expect(chordsOf('1b', '4')).toEqual(['I', 'IV']);
});
