/** What a family keeps of what is read and heard: its words, its sound, its ornaments. */
import { expectOk } from '../../src/result.ts';
import { keyOf, scaleById, USUAL_KEYS } from '../../src/scale/scale.ts';
import { ofFamily, ofInstruments, type Rule } from './rule.ts';

export const WORD_RULES: readonly Rule[] = [
  ofFamily(
    'everything that is read has words, dialects have ids of their own, and its sound can be heard',
    (family, wrong) => {
      const named: readonly (readonly [what: string, words: string | undefined])[] = [
        ['the family', family.label],
        ['its absent pitches', family.absent],
        ['its element', family.element],
        ...family.techniques.flatMap((one): [string, string][] => [
          [`technique ${one.id}`, one.label],
          [`what technique ${one.id} needs`, one.needs],
        ]),
        ...family.terms.flatMap((one): [string, string][] => [
          [`term ${one.id}`, one.label],
          [`what term ${one.id} is about`, one.about],
        ]),
        ...family.playingOptions.flatMap((option): [string, string][] => [
          [`playing option ${option.id}`, option.label],
          ...option.options.map((one): [string, string] => [`${option.id} ${one.id}`, one.label]),
        ]),
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
    },
  ),
  ofInstruments(
    'ornaments touch ways that are there and can be played, each under an id and words of its own',
    (instrument, wrong) => {
      const key = keyOf(expectOk(scaleById('major')), USUAL_KEYS[instrument.home]!);
      const able = new Set(instrument.ways.filter((way) => way.able).map((way) => way.id));
      for (const way of instrument.ways.filter((one) => one.able)) {
        const figures = (() => {
          try {
            return instrument.figures(way, key);
          } catch (error) {
            wrong(`the ornaments of ${way.id} cannot be asked: ${(error as Error).message}`);
            return [];
          }
        })();
        const ids = figures.map((figure) => figure.id);
        if (new Set(ids).size !== ids.length) wrong(`two ornaments of ${way.id} have one id`);
        for (const figure of figures) {
          if (figure.words.trim().length < 3) wrong(`ornament ${figure.id} of ${way.id} has no words`);
          const { before, within = [], through } = figure;
          const touches = [...before, ...within];
          if (touches.length === 0 && !through) wrong(`ornament ${figure.id} of ${way.id} touches nothing`);
          const touched = [...touches.flatMap((touch) => touch.way ?? []), ...(through ? [through] : [])];
          const strange = touched.find((one) => !able.has(one.id));
          if (strange)
            wrong(`ornament ${figure.id} of ${way.id} touches ${strange.id}, which cannot be played`);
        }
      }
    },
  ),
  ofInstruments('what can be changed on it has words', ({ options, elements, capabilityGroups }, wrong) => {
    const named = [
      ...options.map((one) => [`option ${one.id}`, one.label]),
      ...options.flatMap(({ id, choices }) => choices.map((one) => [`${id} ${one.id}`, one.label])),
      ...elements.map((one) => [`element ${one.id}`, one.label]),
      ...capabilityGroups.map((one) => [`group ${one.id}`, one.label]),
    ];
    for (const [what, words] of named) if (!words?.trim()) wrong(`${what} has no words`);
  }),
];
