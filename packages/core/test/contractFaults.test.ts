/** Each rule of the family contract is broken once, by a fault planted in a family; the contract must say which, and where. */
import { touched } from '../src/families/figure.ts';
import { defineFamily } from '../src/families/defineFamily.ts';
import { AGAINST_CHOICE, AIR_BUTTON, LONG_AIR, OUT_OF_TUNE } from '../src/families/generalTerms.ts';
import { families, type FamilyId } from '../src/families/index.ts';
import type * as FamilyList from '../src/families/index.ts';
import { DRAWING_RULES } from './contract/drawn.ts';
import { EFFORT_RULES } from './contract/effort.ts';
import { LAYOUT_RULES } from './contract/layouts.ts';
import { first, firstWay, term, type Definition } from './contract/plant.ts';
import { PLAYING_RULES } from './contract/playing.ts';
import type { Rule } from './contract/rule.ts';
import { RULES } from './contract/rules.ts';
import { WORD_RULES } from './contract/words.ts';

/** Stands in for the family of its id, so that instruments of it are opened. */
let mockPlanted: { readonly id: string } | undefined;
jest.mock('../src/families/index.ts', () => {
  const list = jest.requireActual<typeof FamilyList>('../src/families/index.ts');
  return {
    ...list,
    familyById: (id: string) => (mockPlanted?.id === id ? mockPlanted : list.familyById(id)),
  };
});

/** A family carries all that its definition has; general terms come again when it is defined again. */
function definitionOf(id: FamilyId): Definition {
  const family = families[id] as unknown as Definition;
  const general = new Set([OUT_OF_TUNE, AGAINST_CHOICE, AIR_BUTTON, LONG_AIR].map((term) => term.id));
  const own = family.terms.filter((term) => !general.has(term.id));
  return { ...family, terms: own };
}

/** What some rules say of a family in which something was changed. */
function sentencesOf(
  rules: readonly Rule[],
  id: FamilyId,
  change: (definition: Definition) => Partial<Definition>,
): readonly string[] {
  const sound = definitionOf(id);
  const planted = defineFamily({ ...sound, ...change(sound) });
  mockPlanted = planted;
  try {
    return rules.flatMap((rule) => rule.problemsOf(planted));
  } finally {
    mockPlanted = undefined;
  }
}

type Fault = readonly [
  fault: string,
  family: FamilyId,
  change: (definition: Definition) => Partial<Definition>,
  sentence: string,
];

const FAULTS: readonly (readonly [rules: readonly Rule[], faults: readonly Fault[]])[] = [
  [
    LAYOUT_RULES,
    [
      [
        'a preset that is no layout',
        'whistle',
        ({ presets }) => ({
          presets: [...presets, { id: 'p', group: 'P', label: 'P', layout: { lowest: 99, bore: 'conical' } }],
        }),
        'preset p is refused at lowest: The lowest note must be from C3 to G5.',
      ],
      [
        'two presets described alike',
        'whistle',
        ({ presets }) => ({ presets: [...presets, { ...presets[0]!, id: 'twin' }] }),
        'and twin are both described as',
      ],
      [
        'an option that keeps its value',
        'whistle',
        () => ({ withOption: (layout) => layout }),
        'lowest set to 48 is 74',
      ],
      [
        'an element that keeps its pitch',
        'whistle',
        () => ({ withElement: (layout) => layout }),
        'changed by {"pitch":',
      ],
      [
        'a layout read from anything',
        'whistle',
        ({ check, presets }) => ({
          check: (stored) => (stored === null ? check(presets[0]!.layout) : check(stored)),
        }),
        'null is taken for a layout',
      ],
      [
        'a refusal without a sentence',
        'whistle',
        ({ check }) => ({
          check: (stored) => {
            const checked = check(stored);
            return checked.ok ? checked : { ok: false, problems: [{ field: '', wrong: '', message: 'No.' }] };
          },
        }),
        'null is refused with “No.”',
      ],
      [
        'a table that is no rectangle',
        'drum',
        () => ({
          tables: () => [
            {
              id: 'lean',
              title: 'Lean',
              about: 'Lean.',
              columns: ['a', 'b'],
              rows: [{ head: 'x', cells: ['1'] }],
            },
          ],
        }),
        'table lean has a row of 1 cells',
      ],
      [
        'remarks on notes that are not there',
        'whistle',
        () => ({ remarks: () => [{ noteId: 'n99', text: 'Here.', mark: 'x', routine: false }] }),
        'a remark is for n99',
      ],
    ],
  ],
  [
    PLAYING_RULES,
    [
      [
        'two ways of one id',
        'whistle',
        (sound) => ({ ways: (layout, can) => [...sound.ways(layout, can), sound.ways(layout, can)[0]!] }),
        'two ways have one id',
      ],
      [
        'a pitch that is not whole',
        'whistle',
        (sound) => ({ ways: firstWay(sound, { pitch: 62.5 }) }),
        'way xxxxxx sounds 62.5, which is no pitch',
      ],
      [
        'an unknown technique',
        'whistle',
        (sound) => ({ ways: firstWay(sound, { technique: 'hum' }) }),
        'way xxxxxx has the unknown technique hum',
      ],
      [
        'a way redundant to one of another pitch',
        'whistle',
        (sound) => ({ ways: firstWay(sound, { redundantTo: 'xxxxxo' }) }),
        'xxxxxx is redundant to xxxxxo of another pitch',
      ],
      [
        'a default that is no place',
        'whistle',
        ({ capabilityGroups }) => ({
          capabilityGroups: (layout) => first(capabilityGroups(layout), { byDefault: ['attic'] }),
        }),
        'There is no place “attic” on this instrument.',
      ],
      [
        'tab of two ways alike',
        'whistle',
        ({ dialects }) => ({ dialects: first(dialects, { write: () => 'x' }) }),
        'is read as xxxxxx',
      ],
      ['ways told alike', 'whistle', () => ({ brief: () => 'x' }), 'are both “below x”'],
      [
        'twins that clash only one way round',
        'drum',
        (sound) => ({
          ways: firstWay(sound, { pitch: sound.ways(sound.presets[0]!.layout, () => true)[1]!.pitch }),
          clash: (_, low, high) =>
            low.way.id < high.way.id ? { reason: 'place', text: 'one tongue sounds once' } : undefined,
        }),
        'clash only one way round',
      ],
      [
        'a clash without a reason',
        'whistle',
        () => ({ clash: () => ({ reason: 'air', text: 'no' }) }),
        'clash without a reason',
      ],
      [
        'an unknown fingering',
        'english',
        () => ({ fingeringsFor: () => ['toe'] }),
        '/toe has an unknown fingering',
      ],
      [
        'a side without a name',
        'whistle',
        ({ sides }) => ({ sides: { ...sides, above: '' } }),
        'is on a side without a name',
      ],
    ],
  ],
  [
    EFFORT_RULES,
    [
      [
        'a cost below nothing',
        'whistle',
        ({ terms }) => ({ terms: [...terms, term({ onWay: () => -1 })] }),
        'planted from xxxxxx to xxxxxx costs -1',
      ],
      [
        'a cost that feels what it does not say',
        'whistle',
        ({ terms }) => ({ terms: [...terms, term({ feels: ['beats'], onWay: (_, at) => at.timing.since })] }),
        'planted to xxxxxx feels more than it says: beats',
      ],
      [
        'a cost by more of what was left behind than matters',
        'whistle',
        ({ terms }) => ({
          terms: [...terms, term({ between: (_from, _to, at) => at.carried.length })],
          carries: [
            { carry: (before: string) => (before.length < 2 ? `${before}x` : before), heeded: () => '' },
          ],
        }),
        'planted to xxxxxx heeds more than it says: “”',
      ],
      [
        'something left behind that grows',
        'whistle',
        () => ({ carries: [{ carry: (before: string) => `${before}x` }] }),
        'three times leaves something else behind than twice',
      ],
      [
        'a preference of an unknown term',
        'whistle',
        ({ preferences }) => ({ preferences: first(preferences, { weights: { luck: 1 } }) }),
        'weighs the unknown term luck',
      ],
      [
        'a preference that changes nothing',
        'whistle',
        ({ preferences }) => ({
          preferences: [
            ...preferences,
            { id: 'idle', label: 'Idle', about: 'Idle.', weights: {}, avoid: [] },
          ],
        }),
        'preference idle changes no route',
      ],
    ],
  ],
  [
    DRAWING_RULES,
    [
      [
        'chips on one another',
        'drum',
        (sound) => ({
          diagram: (layout, ways) => ({
            ...sound.diagram(layout, ways),
            place: () => sound.diagram(layout, ways).place(ways[0]!),
          }),
        }),
        'overlap',
      ],
      [
        'a drawing that is too small',
        'drum',
        (sound) => ({ diagram: (layout, ways) => ({ ...sound.diagram(layout, ways), widthMm: 40 }) }),
        'leaves the drawing',
      ],
    ],
  ],
  [
    WORD_RULES,
    [
      [
        'two dialects of one id',
        'whistle',
        ({ dialects }) => ({ dialects: [...dialects, dialects[0]!] }),
        'two dialects have the id',
      ],
      [
        'a technique without words',
        'whistle',
        ({ techniques }) => ({ techniques: first(techniques, { label: ' ' }) }),
        'has no words',
      ],
      [
        'nothing said of absent pitches',
        'whistle',
        () => ({ absent: '' }),
        'its absent pitches has no words',
      ],
      [
        'an option without words',
        'whistle',
        ({ options }) => ({ options: (layout) => first(options(layout), { label: '' }) }),
        'option lowest has no words',
      ],
      [
        'a sound that nobody hears',
        'whistle',
        ({ timbre }) => ({ timbre: { ...timbre, partials: [0, 0] } }),
        'its timbre has no partial that sounds',
      ],
      [
        'an ornament by a way that is not there',
        'whistle',
        () => ({
          figures: (_, way) => [{ id: 'tap', words: 'tap it', before: [touched({ ...way, id: 'attic' })] }],
        }),
        'ornament tap of xxxxxx touches attic, which cannot be played',
      ],
      [
        'two ornaments of one id',
        'whistle',
        () => ({
          figures: (_, way) => [
            { id: 'tap', words: 'tap it', before: [touched(way)] },
            { id: 'tap', words: 'tap it again', before: [touched(way)] },
          ],
        }),
        'two ornaments of xxxxxx have one id',
      ],
      [
        'ornaments that throw',
        'whistle',
        () => ({
          figures: () => {
            throw new Error('no finger');
          },
        }),
        'the ornaments of xxxxxx cannot be asked: no finger',
      ],
    ],
  ],
];

describe.each(FAULTS)('rules %#', (rules, faults) => {
  test.each(faults)('%s in a family is told', (_, family, change, sentence) => {
    expect(sentencesOf(rules, family, change)).toContainEqual(expect.stringContaining(sentence));
  });
});

test('of a family as it stands nothing is told', () => {
  expect(sentencesOf(RULES, 'whistle', () => ({}))).toEqual([]);
});
