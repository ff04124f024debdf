/** The inventory of every family, against the rule said in words. */
import fc from 'fast-check';
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { rolesOf } from '../src/harmony/role.ts';
import { mainChords } from '../src/harmony/scaleChords.ts';
import { openInstrument, specFromPreset } from '../src/instrument/instrument.ts';
import { takeInventory } from '../src/inventory/inventory.ts';
import { expectOk } from '../src/result.ts';
import { routingContext } from '../src/route/context.ts';
import { missingReason, scaleInRange } from '../src/route/missing.ts';
import { defaultPreferences, resolvePreferences } from '../src/route/preferences.ts';
import { aboveHome, keyOf, SCALES, USUAL_KEYS } from '../src/scale/scale.ts';

describe.each(FAMILY_IDS)('%s', (id) => {
  const presets = families[id].presets.map((p) => p.id);
  const anyKey = fc
    .tuple(fc.constantFrom(...SCALES), fc.constantFrom(...USUAL_KEYS), fc.nat(2))
    .map(([scale, tonic, degree]) => ({ key: keyOf(scale, tonic), chord: mainChords(scale)[degree]! }));

  test('safe is in the scale and can be relied on, leave out is outside or redundant, the rest is a risk', () => {
    fc.assert(
      fc.property(fc.constantFrom(...presets), anyKey, (preset, { key, chord }) => {
        const base = expectOk(openInstrument(specFromPreset(id, preset)));
        const instrument = base.forKey(key);
        const preferences = defaultPreferences(instrument.family);
        const { avoid } = resolvePreferences(instrument.family, preferences);
        const { byTechnique } = takeInventory(instrument, key, rolesOf(key.scale, [chord]));
        const { missing } = scaleInRange(routingContext(instrument, preferences), key);
        const items = byTechnique.flatMap((group) => group.items);
        expect(items.map((item) => item.way.id).sort()).toEqual(instrument.ways.map((way) => way.id).sort());
        for (const { technique, items: own } of byTechnique) {
          for (const { way, role, advice, redundant, chords } of own) {
            const inScale = key.scale.semitones.includes(aboveHome(key, way.pitch));
            expect(way.technique).toBe(technique.id);
            expect(inScale).toBe(['home', 'chord', 'scale'].includes(role));
            expect(redundant).toBe(way.redundantTo !== undefined);
            const expected =
              role === 'outside' || redundant
                ? 'leave'
                : role !== 'colour' && technique.safe && way.able
                  ? 'safe'
                  : 'risk';
            expect(advice).toBe(expected);
            const holding = mainChords(key.scale).filter((c) => c.tones.includes(aboveHome(key, way.pitch)));
            expect(chords).toEqual(holding.map((c) => c.name));
          }
        }
        for (const pitch of missing) {
          const why = missingReason(instrument, avoid, pitch);
          expect(key.scale.semitones).toContain(aboveHome(key, pitch));
          expect(instrument.ways.some((w) => w.pitch === pitch && w.able && !avoid.has(w.technique))).toBe(
            false,
          );
          const way = instrument.ways.find((w) => w.id === why.wayId);
          if (way) expect(way.pitch).toBe(pitch);
          else expect(instrument.ways.some((w) => w.pitch === pitch)).toBe(false);
          expect(why.text.length).toBeGreaterThan(5);
        }
      }),
      { numRuns: 25 },
    );
  });
});
