/** What every family must keep of what is read, heard and chosen: its words, its ornaments, its preferences. */
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { openInstrument } from '../src/instrument/instrument.ts';
import { seededRandom } from '../src/seededRandom.ts';
import { expectOk } from '../src/result.ts';
import { keyOf, scaleById, USUAL_KEYS } from '../src/scale/scale.ts';
import { checkPresets, problemsOf } from './contractKit.ts';
import { ableInstrument, routeOf } from './instruments.ts';

/** The twins of an English concertina lie on both hands alike, so that hands take turns wherever they can without being told. */
const IDLE: readonly string[] = ['english alternate'];

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const each = (check: Parameters<typeof checkPresets>[1]) => checkPresets(id, check);

  test('everything that is read has words, dialects have ids of their own, and its sound can be heard', () => {
    const problems = problemsOf((wrong) => {
      const named: readonly (readonly [what: string, words: string | undefined])[] = [
        ['the family', family.label],
        ['its absent pitches', family.absent],
        ['its element', family.element],
        ...family.techniques.flatMap((one): [string, string][] => [
          [`technique ${one.id}`, one.label],
          [`what technique ${one.id} needs`, one.needs],
        ]),
        ...family.terms.map((one): [string, string] => [`term ${one.id}`, one.label]),
        ...family.dialects.map((one): [string, string] => [`dialect ${one.id}`, one.label]),
        ...family.presets.map((one): [string, string] => [`preset ${one.id}`, one.label]),
        ...family.preferences.map((one): [string, string] => [`preference ${one.id}`, one.label]),
        ...family.fingerings.map((one): [string, string] => [`fingering ${one.id}`, one.words]),
      ];
      for (const [what, words] of named) if (!words?.trim()) wrong(`${what} has no words`);
      for (const [what, list] of [
        ['dialects', family.dialects],
        ['techniques', family.techniques],
        ['preferences', family.preferences],
        ['fingerings', family.fingerings],
      ] as const) {
        const ids = list.map((one) => one.id);
        const twice = ids.find((one, i) => ids.indexOf(one) !== i);
        if (twice !== undefined) wrong(`two ${what} have the id ${twice}`);
      }
      const hasOwn = family.techniques.some((one) => 'own' in one || 'glides' in one);
      if (hasOwn !== (family.ownPitches !== undefined))
        wrong(
          'it has pitches that are the player’s own without a word for them, or a word without such pitches',
        );
      const { partials, attackMs, decayMs, sustain, releaseMs } = family.timbre;
      if (!partials.some((strength) => strength > 0)) wrong('its timbre has no partial that sounds');
      if (!(sustain > 0 || decayMs > 0)) wrong('its timbre neither holds nor dies away');
      if (![attackMs, decayMs, sustain, releaseMs].every((one) => one >= 0 && Number.isFinite(one)))
        wrong('its timbre has a time that is none');
    });
    expect(problems).toEqual([]);
  });

  test('ornaments touch ways that are there and can be played, each under an id and words of its own', () =>
    each((instrument, wrong) => {
      const able = new Set(instrument.ways.filter((way) => way.able).map((way) => way.id));
      for (const way of instrument.ways.filter((one) => one.able)) {
        const figures = (() => {
          try {
            return instrument.figures(way);
          } catch (error) {
            wrong(`the ornaments of ${way.id} cannot be asked: ${(error as Error).message}`);
            return [];
          }
        })();
        const ids = figures.map((figure) => figure.id);
        if (new Set(ids).size !== ids.length) wrong(`two ornaments of ${way.id} have one id`);
        for (const figure of figures) {
          if (figure.words.trim().length < 3) wrong(`ornament ${figure.id} of ${way.id} has no words`);
          if (figure.ways.length === 0) wrong(`ornament ${figure.id} of ${way.id} touches nothing`);
          const strange = figure.ways.find((one) => !able.has(one.id));
          if (strange)
            wrong(`ornament ${figure.id} of ${way.id} touches ${strange.id}, which cannot be played`);
        }
      }
    }));

  test('each preference changes some route, or asks for more of the instrument', () => {
    const base = ableInstrument(id, family.presets[0]!.id);
    const random = seededRandom(5);
    // As it stands, and with each of its options as far as it goes.
    const variants = [
      base,
      ...base.options.map(({ id: option, choices: all }) => {
        const layout = base.withOption(option, all.at(-1)!.id);
        return expectOk(openInstrument({ ...base.spec, layout, capability: {} }));
      }),
    ];
    // Steps, leaps and repeats over whatever it has, in keys for which it is set.
    const lines = variants.flatMap((instrument) =>
      [0, 3, 10].flatMap((home) => {
        const key = keyOf(expectOk(scaleById('major')), USUAL_KEYS[home]!);
        const set = instrument.forKey(key);
        const all = [...new Set(set.ways.map((way) => way.pitch))].sort((a, b) => a - b);
        const own = all.filter((pitch) => key.scale.semitones.includes((pitch - key.home + 120) % 12));
        return [own, all].map((pitches) => {
          let at = Math.floor(pitches.length / 3);
          const walk = Array.from({ length: 80 }, () => {
            at = Math.max(0, Math.min(pitches.length - 1, at + random.below(13) - 6));
            return pitches[at]!;
          });
          return { set, pitches: [...walk, ...pitches.slice(-3)] };
        });
      }),
    );
    const routes = (preset: string) =>
      lines
        .map(({ set, pitches }) => {
          const route = routeOf(set, pitches, { preset, weights: {}, playingOptions: {} });
          return route.notes.map(({ way, fingering }) => `${way?.id ?? '-'}/${fingering ?? ''}`).join(' ');
        })
        .join('; ');
    const usual = routes(family.preferences[0]!.id);
    const idle = family.preferences
      .slice(1)
      .filter(({ id: preference, wholeRange }) => !wholeRange && !IDLE.includes(`${id} ${preference}`))
      .filter((preference) => routes(preference.id) === usual);
    expect(idle.map((preference) => `preference ${preference.id} changes no route`)).toEqual([]);
  });
});
