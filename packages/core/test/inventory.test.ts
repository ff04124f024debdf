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

  test('in is of the scale or the chord, a risk is a colour note by a technique to rely on, the rest is left out', () => {
    fc.assert(
      fc.property(fc.constantFrom(...presets), anyKey, (preset, { key, chord }) => {
        const base = expectOk(openInstrument(specFromPreset(id, preset)));
        const instrument = base.forKey(key);
        const preferences = defaultPreferences(instrument.family);
        const { avoid } = resolvePreferences(instrument.family, preferences);
        const items = takeInventory(instrument, key, rolesOf(key.scale, [chord]));
        const { missing } = scaleInRange(routingContext(instrument, preferences), key);
        expect(items.map((item) => item.way.id).sort()).toEqual(instrument.ways.map((way) => way.id).sort());
        for (const { way, role, music, redundant, chords } of items) {
          const above = aboveHome(key, way.pitch);
          const technique = families[id].techniques.find((one) => one.id === way.technique)!;
          const belongs = key.scale.semitones.includes(above) || chord.tones.includes(above);
          expect(belongs).toBe(['home', 'chord', 'scale'].includes(role));
          expect(redundant).toBe(way.redundantTo !== undefined);
          expect(music).toBe(belongs ? 'in' : role === 'colour' && technique.safe ? 'risk' : 'leave');
          const holding = mainChords(key.scale).filter((c) => c.tones.includes(above));
          expect(chords).toEqual(holding.map((c) => c.name));
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
