/** Things that must hold between answers: there and back, both ways round, and sums that add up. */
import fc from 'fast-check';
import { alternatesOf } from '../src/alternates/alternates.ts';
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { parseProgression } from '../src/harmony/progression.ts';
import { notesOver, scaleFit, suitableScales } from '../src/harmony/suitability.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { suggestionsFor } from '../src/keys/suggestions.ts';
import { switchKeys } from '../src/keys/switching.ts';
import { compareMaps } from '../src/map/compare.ts';
import { mapView } from '../src/map/mapView.ts';
import { PATTERNS } from '../src/route/pattern.ts';
import { checkQuestion, defaultQuestion } from '../src/question/question.ts';
import { expectOk } from '../src/result.ts';
import { routingContext } from '../src/route/context.ts';
import { DIRECTIONS } from '../src/route/direction.ts';
import { evenLine, scaleLine } from '../src/route/line.ts';
import { defaultPreferences } from '../src/route/preferences.ts';
import { routeLine } from '../src/route/route.ts';
import { commonNotes } from '../src/scale/common.ts';
import { fitsFrom } from '../src/scale/identify.ts';
import { aboveHome, keyOf, SCALES, USUAL_KEYS, type Key } from '../src/scale/scale.ts';
import { QUARTER } from '../src/time/ticks.ts';

const anyKey = fc
  .tuple(fc.constantFrom(...SCALES), fc.constantFrom(...USUAL_KEYS))
  .map(([scale, tonic]) => keyOf(scale, tonic));

const instrumentOf = (id: string, index: number): Instrument => {
  const { presets } = families[id as 'drum'];
  return expectOk(openInstrument(specFromPreset(id, presets[index % presets.length]!.id)));
};
const ids = (ways: readonly { readonly id: string }[]) => ways.map((way) => way.id).sort();

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const dialect = family.dialects[0]!.id;
  const notation = { dialect, naming: 'key' as const };
  const anyIndex = fc.nat(40);

  test('switching there and back leaves out what was taken in, and undoes what was set', () => {
    fc.assert(
      fc.property(anyIndex, anyKey, anyKey, (index, from, to) => {
        const instrument = instrumentOf(id, index);
        const there = switchKeys(instrument, from, to, notation);
        const back = switchKeys(instrument, to, from, notation);
        expect(ids(back.drop)).toEqual(ids(there.take));
        expect(ids(back.take)).toEqual(ids(there.drop));
        expect(ids(back.keep)).toEqual(ids(there.keep));
        expect(back.facts).toEqual([there.facts[1], there.facts[0]]);
        const pitchOf = new Map(instrument.ways.map((way) => [way.id, way.pitch]));
        const had = new Set([...there.take, ...there.keep].map((way) => pitchOf.get(way.id)! % 12));
        expect(had.size + there.missing.length).toBe(to.scale.semitones.length);
        expect(back.scenes).toEqual([there.scenes[1], there.scenes[0]]);
        const settings = (key: Key) => instrument.forKey(key).settings.map((s) => s.id);
        const changed = settings(from).filter((s) => !settings(to).includes(s));
        const added = settings(to).filter((s) => !settings(from).includes(s));
        expect(there.todo).toHaveLength(changed.length + added.length);
        expect(switchKeys(instrument, from, from, notation)).toMatchObject({ todo: [], drop: [], take: [] });
      }),
      { numRuns: 15 },
    );
  });

  test('two scales compared the other way round swap what is dropped and added', () => {
    fc.assert(
      fc.property(anyIndex, anyKey, fc.constantFrom(...SCALES), (index, key, other) => {
        const instrument = instrumentOf(id, index);
        const view = (scale: string) => {
          const base = defaultQuestion(family, { home: key.home, ownScale: 'major' });
          return mapView(instrument, expectOk(checkQuestion(family, { ...base, scale })), {
            naming: 'key',
            dialect,
          });
        };
        const first = view(key.scale.id);
        const second = view(other.id);
        const one = compareMaps(first, second, true);
        const two = compareMaps(second, first, true);
        expect(ids(one.dropped)).toEqual(ids(two.added));
        expect(ids(one.added)).toEqual(ids(two.dropped));
        expect(ids(one.kept)).toEqual(ids(two.kept));
        expect(one.notes.dropped).toEqual(two.notes.added);
        expect(one.terms.map((p) => [p.label, p.first, p.second]).sort()).toEqual(
          two.terms.map((p) => [p.label, p.second, p.first]).sort(),
        );
        const inScale = first.ways.filter((w) => w.usable && ['home', 'chord', 'scale'].includes(w.role));
        expect(ids([...one.kept, ...one.dropped])).toEqual(ids(inScale));
      }),
      { numRuns: 12 },
    );
  });

  test('the recommended way of a pitch costs least between its neighbours, measurements counted', () => {
    fc.assert(
      fc.property(
        anyIndex,
        fc.array(fc.integer({ min: -40, max: 40 }), { minLength: 8, maxLength: 8 }),
        (index, cents) => {
          const base = instrumentOf(id, index);
          const measured = Object.fromEntries(
            base.ways.slice(0, 8).map(({ id, pitch }, i) => [id, { pitch, cents: cents[i]! }]),
          );
          const instrument = expectOk(openInstrument({ ...base.spec, measured }));
          const preferences = defaultPreferences(family);
          for (const row of alternatesOf(instrument, preferences, dialect).slice(0, 12)) {
            const best = Math.min(...row.candidates.map((c) => c.total));
            expect(row.candidates.find((c) => c.recommended)!.total).toBeCloseTo(best, 9);
            for (const candidate of row.candidates)
              expect(candidate.measured).toBe(measured[candidate.wayId]?.cents);
          }
        },
      ),
      { numRuns: 6 },
    );
  });

  test('a line keeps to its notes, its ends and its direction, in every pattern', () => {
    fc.assert(
      fc.property(
        anyKey,
        fc.constantFrom(...PATTERNS),
        fc.constantFrom(...DIRECTIONS),
        fc.integer({ min: 36, max: 90 }),
        fc.nat(30),
        (key, pattern, direction, low, span) => {
          const line = scaleLine(key, { low, high: low + span }, { direction, pattern });
          for (const [i, note] of line.entries()) {
            expect(note.pitch).toBeGreaterThanOrEqual(low);
            expect(note.pitch).toBeLessThanOrEqual(low + span);
            expect(key.scale.semitones).toContain(aboveHome(key, note.pitch));
            expect([note.onset, note.length]).toEqual([i * QUARTER, QUARTER]);
          }
          if (pattern.id === 'straight') {
            const steps = line.slice(1).map((note, i) => Math.sign(note.pitch - line[i]!.pitch));
            expect(steps.map((step) => ({ 1: 'u', 0: 'x', '-1': 'd' })[step]).join('')).toMatch(
              { up: /^u*$/, down: /^d*$/, both: /^u*d*$/, 'down-up': /^d*u*$/ }[direction],
            );
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  test('what is suggested for a key is never worse than the instrument as it stands', () => {
    fc.assert(
      fc.property(fc.constantFrom(0, 1), anyKey, (index, key) => {
        const found = suggestionsFor(instrumentOf(id, index), key);
        expect(found.length).toBeGreaterThanOrEqual(1);
        expect(found.length).toBeLessThanOrEqual(2);
        const [standing, better] = found;
        if (better) {
          expect(better.cell.octaves.length).toBeGreaterThanOrEqual(standing!.cell.octaves.length);
          expect(better.todo.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 5 },
    );
  });
});

test('a route of no notes and of notes that nothing sounds is answered', () => {
  for (const id of FAMILY_IDS) {
    const instrument = instrumentOf(id, 0);
    const preferences = defaultPreferences(families[id]);
    expect(routeLine(routingContext(instrument, preferences), []).notes).toEqual([]);
    const far = routeLine(routingContext(instrument, preferences), evenLine([12]));
    expect(far.notes[0]!.missing!.reason).toBe('below');
    expect(far.effort.total).toBe(0);
    expect(far.remarks()).toEqual([]);
  }
});

describe('scales over chords', () => {
  const chords = fc.array(
    fc.tuple(
      fc.constantFrom('', 'b', '#'),
      fc.integer({ min: 1, max: 7 }),
      fc.constantFrom('', 'm', '7', 'm7', 'maj7', '+'),
    ),
    { minLength: 1, maxLength: 8 },
  );

  test('every note is of the chord, passing or a clash with its reason; what is told instead does not clash', () => {
    fc.assert(
      fc.property(chords, fc.constantFrom(...SCALES), (list, scale) => {
        const text = list.map(([sign, degree, quality]) => `${sign}${degree}${quality}`).join(' ');
        const progression = expectOk(parseProgression('x', text, 4));
        expect(progression.bars).toHaveLength(list.length);
        for (const [chord] of progression.bars) {
          const over = notesOver(scale, chord!);
          expect(over.map((note) => note.semitone)).toEqual(scale.semitones);
          for (const note of over) {
            expect(note.fit === 'chord').toBe(chord!.tones.includes(note.semitone));
            expect(note.why !== undefined).toBe(note.fit === 'clash');
            if (note.instead !== undefined)
              expect(over.find((n) => n.semitone === note.instead)!.fit).not.toBe('clash');
          }
        }
        const fit = scaleFit(scale, progression);
        expect(fit.score).toBeLessThanOrEqual(fit.covers);
        expect(fit.covers).toBeGreaterThanOrEqual(0);
        expect(fit.covers).toBeLessThanOrEqual(1);
        expect(suitableScales(progression).scales.length).toBeGreaterThan(20);
      }),
      { numRuns: 20 },
    );
  });
});

describe('what a set of notes makes', () => {
  const sets = fc.uniqueArray(fc.integer({ min: 0, max: 11 }), { minLength: 1, maxLength: 9 });

  test('lacking and strange are the true differences, and nearer fits come first', () => {
    fc.assert(
      fc.property(sets, (list) => {
        const set = new Set(list);
        const fits = fitsFrom(set, list[0]!);
        const distance = (f: (typeof fits)[number]) => f.lacking.length + 2 * f.strange.length;
        for (const [i, fit] of fits.entries()) {
          const above = list.map((pc) => (pc - list[0]! + 12) % 12);
          expect(fit.lacking).toEqual(fit.scale.semitones.filter((s) => !above.includes(s)));
          expect(fit.strange).toEqual(
            above.filter((s) => !fit.scale.semitones.includes(s)).sort((a, b) => a - b),
          );
          if (i > 0) expect(distance(fits[i - 1]!)).toBeLessThanOrEqual(distance(fit));
        }
      }),
      { numRuns: 30 },
    );
  });

  test('sharing with oneself changes nothing', () => {
    fc.assert(
      fc.property(sets, (list) => {
        const set = new Set(list);
        expect(commonNotes([set, set])).toEqual(commonNotes([set]));
        expect(commonNotes([set]).notes).toEqual([...list].sort((a, b) => a - b));
      }),
    );
  });
});
