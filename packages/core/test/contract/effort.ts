/** What a family's effort keeps: its terms, what they read of the notes before, and its preferences. */
import { openInstrument } from '../../src/instrument/instrument.ts';
import { expectOk } from '../../src/result.ts';
import { keyOf, scaleById, USUAL_KEYS } from '../../src/scale/scale.ts';
import { seededRandom } from '../../src/seededRandom.ts';
import type { NoteTiming } from '../../src/time/noteTiming.ts';
import { ableInstrument, routeOf } from '../instruments.ts';
import { every, namesOf, ofFamily, ofInstruments, optionChoices, type Rule } from './rule.ts';

/** Timings that differ in everything that can be felt. */
const TIMINGS: readonly NoteTiming[] = [0.25, 2].flatMap((beats) =>
  [0.15, 0.6].flatMap((since) =>
    [0.1, 0.6].flatMap((lasts) =>
      [false, true].map((offPulse) => ({ beats, since, lasts, seconds: lasts, rest: 0, offPulse })),
    ),
  ),
);

/** The twins of an English concertina lie on both hands alike, so that hands take turns wherever they can without being told. */
const IDLE: readonly string[] = ['english alternate'];

export const EFFORT_RULES: readonly Rule[] = [
  ofInstruments(
    'terms cost a finite number of 0 or more, and feel of the timing only what they say',
    (instrument, wrong) => {
      const { family, ways, layout } = instrument;
      const terms = new Set(instrument.terms.map((term) => term.id));
      if (terms.size !== instrument.terms.length) wrong('two terms have one id');
      if (instrument.terms.map((t) => t.id).join() !== family.terms.map((t) => t.id).join())
        wrong('the terms of an instrument are not those of its family, in their order');
      for (const options of optionChoices(family)) {
        const fingered = ways.flatMap((way) => instrument.fingeredWaysOf(way, options));
        const holds = every(fingered, 5).map((way) => [way]);
        for (const term of instrument.terms)
          for (const from of every(holds, 7))
            for (const to of holds) {
              const carried = instrument.carry('', from);
              const costs = TIMINGS.map((timing) => {
                const at = { layout, options, timing, carried };
                return [
                  term.onWay?.(to[0]!, at) ?? 0,
                  term.onHold?.(to, at) ?? 0,
                  term.between?.(from, to, at) ?? 0,
                  term.atStart?.(to, at) ?? 0,
                ];
              });
              const bad = costs.flat().find((cost) => !(cost >= 0 && cost < Infinity));
              if (bad !== undefined)
                return wrong(`${term.id} from ${namesOf(from)} to ${namesOf(to)} costs ${bad}`);
              const longer = instrument.carry(instrument.carry('', to), from);
              const matters = instrument.heeded(carried, to);
              const stepAt = (left: string) =>
                term.between?.(from, to, { layout, options, timing: TIMINGS[0]!, carried: left }) ?? 0;
              if (instrument.heeded(longer, to) === matters && stepAt(longer) !== stepAt(carried))
                return wrong(`${term.id} to ${namesOf(to)} heeds more than it says: “${matters}”`);
              const felt = new Map<string, string>();
              for (const [i, timing] of TIMINGS.entries()) {
                const key = (term.feels ?? []).map((field) => timing[field]).join(' ');
                const known = felt.get(key) ?? costs[i]!.join(' ');
                if (known !== costs[i]!.join(' '))
                  return wrong(
                    `${term.id} to ${namesOf(to)} feels more than it says: ${(term.feels ?? []).join(', ') || 'nothing'}`,
                  );
                felt.set(key, known);
              }
            }
      }
    },
  ),
  ofInstruments(
    'what a hold leaves behind does not depend on what is not felt: the same text from the same hold',
    (instrument, wrong) => {
      const fingered = instrument.ways.flatMap((way) => instrument.fingeredWaysOf(way, {}));
      const left = new Set<string>();
      for (const way of fingered) {
        const once = instrument.carry('', [way]);
        const twice = instrument.carry(once, [way]);
        if (instrument.carry(twice, [way]) !== twice)
          wrong(`${namesOf([way])} three times leaves something else behind than twice`);
        left.add(once);
      }
      if (left.size > 400) wrong(`${left.size} different things are left behind by single ways`);
    },
  ),
  ofFamily(
    'preferences weigh known terms and avoid known techniques; the first avoids nothing',
    (family, wrong) => {
      const terms = new Set(family.terms.map((term) => term.id));
      const techniques = new Set<string>(family.techniques.map((t) => t.id));
      for (const preset of family.preferences) {
        for (const term of Object.keys(preset.weights))
          if (!terms.has(term)) wrong(`preset ${preset.id} weighs the unknown term ${term}`);
        for (const technique of preset.avoid)
          if (!techniques.has(technique))
            wrong(`preset ${preset.id} avoids the unknown technique ${technique}`);
        for (const [option, choice] of Object.entries(preset.playingOptions ?? {})) {
          const known = family.playingOptions.find((o) => o.id === option);
          if (!known?.options.some((o) => o.id === choice))
            wrong(`preset ${preset.id} sets ${option} to ${choice}`);
        }
      }
      if (family.preferences[0]!.avoid.length > 0) wrong('the first preset leaves a technique out');
    },
  ),
  ofFamily('each preference changes some route, or asks for more of the instrument', (family, wrong) => {
    const base = ableInstrument(family.id, family.presets[0]!.id);
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
      .filter(({ id: preference, wholeRange }) => !wholeRange && !IDLE.includes(`${family.id} ${preference}`))
      .filter((preference) => routes(preference.id) === usual);
    for (const preference of idle) wrong(`preference ${preference.id} changes no route`);
  }),
];
