import { families, FAMILY_IDS } from '../families/index.ts';
import { openInstrument, specFromPreset } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { missingReason } from './missing.ts';
import { defaultPreferences, resolvePreferences } from './preferences.ts';

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];

  const ends = new Set([family.presets[0]!.id, family.presets.at(-1)!.id]);
  test.each([...ends])('%s: every pitch sounds or says why not', (preset) => {
    const instrument = expectOk(openInstrument(specFromPreset(id, preset)));
    for (const preference of family.preferences) {
      const { avoid } = resolvePreferences(family, {
        ...defaultPreferences(family),
        preset: preference.id,
      });
      const all = instrument.ways;
      for (let pitch = 12; pitch <= 120; pitch += 1) {
        const ways = all.filter((way) => way.pitch === pitch);
        const usable = ways.some((way) => way.able && !avoid.has(way.technique));
        if (usable) {
          expect(() => missingReason(instrument, avoid, pitch)).toThrow(`sounds ${pitch}`);
          continue;
        }
        const { reason, wayId, text } = missingReason(instrument, avoid, pitch);
        const lower = all.some((way) => way.pitch < pitch);
        const higher = all.some((way) => way.pitch > pitch);
        const expected = ways.some((way) => way.able)
          ? 'preference'
          : ways.length > 0
            ? 'capability'
            : !lower
              ? 'below'
              : !higher
                ? 'above'
                : 'gap';
        expect(reason).toBe(expected);
        expect(text.length).toBeGreaterThan(5);
        expect(text).not.toMatch(/undefined|NaN/);
        if (ways.length > 0) expect(ways.map((way) => way.id)).toContain(wayId);
        else expect(wayId).toBeUndefined();
      }
    }
  });
});
