/** What counts how much, and that every preference does to a line what its label says. */
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { resolvePreferences } from '../src/route/preferences.ts';
import { aboveHome, keyOf, scaleById, USUAL_KEYS } from '../src/scale/scale.ts';
import { expectOk } from '../src/result.ts';
import type { Route } from '../src/route/route.ts';
import { ableInstrument, prefer, routeOf } from './instruments.ts';

/** The judgement behind the routes, as it was agreed on: each term's weight, then what each preset changes. */
const AGREED: Readonly<Record<FamilyId, Readonly<Record<string, string>>>> = {
  diatonic: {
    '': 'turns 0.5, jumps 0.7, bends 1, middles 1.2, highs 1, overs 1.6, over-run 1.5, breath 0.2, tone 0.4, blocks 0.4, habit 4, long-air 1.5',
    even: '',
    beginner: 'jumps 1.2',
    tone: 'tone 2.6, turns 0.7, jumps 0.4',
    air: 'turns 4, jumps 0.3',
    'no-overs': '',
    reach: 'highs 0.5, overs 0.8, over-run 0.6',
  },
  chromatic: {
    '': 'turns 0.2, slides 0.6, jumps 0.6, slid 0.6, onward 0.3, blocks 0.3, habit 4, long-air 1.5',
    even: '',
    turns: 'turns 10, slides 0.1, jumps 0.1, slid 0, onward 0, habit 0.5',
    slides: 'slides 6, slid 0',
    open: 'slid 6',
    'no-slide': '',
  },
  whistle: {
    '': 'fingers 0.35, crossed 0.8, halves 4.6, crosses 0.5, registers 1, burst 1.5, another-tenth 3, strain 1, grip 1.2, bore 1.2',
    even: '',
    fingers: 'fingers 2, crossed 3, grip 0.1',
    steady: 'grip 5, fingers 0.1, crossed 0.2',
    'no-halves': '',
    gentle: 'registers 2, strain 4',
    reach: 'strain 0.4',
  },
  english: {
    '': 'hops 3, same-hand 0.5, reach 0.5, stretch 0.5, outer 0.7, weak 0.3',
    three: '',
    two: '',
    four: 'weak 0.15',
    alternate: 'same-hand 4, outer 0',
  },
  anglo: {
    '': 'turns 0.28, rows 0.6, off-middle 1.5, hops 2.5, displaced 2, weak 0.35, hands 0.1, left 0, air-button 2',
    even: '',
    along: 'rows 6, turns 0.05, off-middle 0',
    across: 'turns 6, rows 0.05',
    harmonic: 'left 5, off-middle 0.6',
    'two-rows': '',
  },
  dulcimer: {
    '': 'crossings 0.5, shifts 0.35, spans 0.5, slides 0.7, thumb 0.8, pick 0.3, off-melody 0.2',
    across: '',
    noter: 'shifts 0.2',
    melody: 'off-melody 6',
    chord: 'shifts 1.2, off-melody 6',
    'bass-string': '',
    'middle-string': '',
    'melody-string': '',
  },
  harp: {
    '': 'flips 3, before 0.2, hurry 4, moves 0.6, crossed 0.3, stretch 0.5, again 1.4, back 0.2, ring 0.04, handed 0.8, sides 0.7, cut 0.8',
    even: '',
    ringing: 'cut 6',
    placed: 'moves 4, stretch 0.2',
    'no-flips': '',
  },
  drum: {
    '': 'same-hand 1, again 1, crossed 0.8, way 0.5',
    even: '',
    turns: 'same-hand 5, crossed 0.2',
    sides: 'crossed 6, same-hand 0.3',
  },
  custom: {
    '': 'same-hand 1, again 1, crossed 0.8, way 0.5',
    even: '',
    turns: 'same-hand 5, crossed 0.2',
    sides: 'crossed 6, same-hand 0.3',
  },
};
/** Of every family. */
const GENERAL = 'tuning 0.6, choice 5';

const figures = (text: string) =>
  Object.fromEntries(
    text
      .split(', ')
      .filter((part) => part !== '')
      .map((part) => [part.split(' ')[0]!, Number(part.split(' ')[1])]),
  );

test.each(FAMILY_IDS)('%s: every term weighs what was agreed, under every preference', (id) => {
  const family = families[id];
  const { '': own, ...presets } = AGREED[id];
  expect(Object.keys(presets)).toEqual(family.preferences.map((preset) => preset.id));
  for (const [preset, changed] of Object.entries(presets)) {
    const { weights } = resolvePreferences(family, prefer(id, preset));
    const found = Object.fromEntries(family.terms.map((term, i) => [term.id, weights[i]]));
    expect(found).toEqual({ ...figures(own!), ...figures(GENERAL), ...figures(changed) });
  }
});

/** Routes through four keys of the major scale as far as the instrument goes, with leaps and with notes struck twice. */
function routesWith(family: string, instrumentPreset: string, preference: string): Route[] {
  const instrument = ableInstrument(family, instrumentPreset);
  const preferences = prefer(family, preference);
  return USUAL_KEYS.filter((_, i) => i % 3 === 0).map((tonic) => {
    const key = keyOf(expectOk(scaleById('major')), tonic);
    const set = instrument.forKey(key);
    const sounding = new Set(set.ways.filter((way) => way.able).map((way) => way.pitch));
    const scale = [...sounding]
      .filter((p) => key.scale.semitones.includes(aboveHome(key, p)))
      .sort((x, y) => x - y);
    const line = scale.flatMap((pitch, i) => [
      pitch,
      scale[(i + (i % 2 === 0 ? 4 : 9)) % scale.length]!,
      pitch,
      pitch,
    ]);
    return routeOf(set, line, preferences);
  });
}

/** How much of a term all of them have together. */
function countOf(routes: readonly Route[], term: string): number {
  return routes.reduce((sum, { effort }) => sum + effort.terms.find(({ id }) => id === term)!.count, 0);
}

/** A preference, the one it is compared with, and the term of which it has less. */
const LESS: readonly (readonly [string, string, string, string, string])[] = [
  ['diatonic', '60', 'air', 'even', 'turns'],
  ['diatonic', '60', 'tone', 'air', 'tone'],
  ['chromatic', '60-12', 'turns', 'slides', 'turns'],
  ['chromatic', '60-12', 'slides', 'turns', 'slides'],
  ['chromatic', '60-12', 'open', 'even', 'slid'],
  ['whistle', '74', 'steady', 'fingers', 'grip'],
  ['anglo', 'C-G-sharp-on-push', 'along', 'even', 'rows'],
  ['anglo', 'C-G-sharp-on-push', 'across', 'even', 'turns'],
  ['anglo', 'C-G-sharp-on-push', 'harmonic', 'across', 'left'],
  ['dulcimer', 'd3-a3-a3', 'melody', 'across', 'off-melody'],
  ['dulcimer', 'd3-a3-a3', 'chord', 'across', 'off-melody'],
  ['harp', 'c-23-double', 'ringing', 'even', 'cut'],
  ['harp', 'c-34', 'placed', 'even', 'moves'],
  ['drum', 'c-major-8', 'turns', 'sides', 'same-hand'],
  ['drum', 'c-major-8', 'sides', 'turns', 'crossed'],
];

test.each(LESS)(
  '%s %s: %s has less of its kind than %s: %s',
  (family, instrument, preference, other, term) => {
    const less = countOf(routesWith(family, instrument, preference), term);
    expect(less).toBeLessThan(countOf(routesWith(family, instrument, other), term));
  },
);

/** What a preference leaves out altogether, and another takes in. */
const WITHOUT: readonly (readonly [string, string, string, string, readonly string[]])[] = [
  ['diatonic', '60', 'beginner', 'no-overs', ['shallow-bend', 'deep-bend', 'middle-bend', 'blow-bend']],
  ['diatonic', '60', 'no-overs', 'even', ['overblow', 'overdraw']],
  ['chromatic', '60-12', 'no-slide', 'slides', ['slide']],
  ['whistle', '74', 'no-halves', 'even', ['half']],
  ['anglo', 'C-G-sharp-on-push', 'two-rows', 'even', ['accidental']],
  ['dulcimer', 'd3-a3-d4', 'noter', 'across', ['middle', 'bass']],
  ['harp', 'f-26', 'no-flips', 'even', ['flip']],
];

test.each(WITHOUT)(
  '%s %s: %s goes without what %s uses: %j',
  (family, instrument, preference, other, gone) => {
    const used = (name: string) =>
      new Set(
        routesWith(family, instrument, name).flatMap(({ notes }) => notes.map((n) => n.way?.technique)),
      );
    const without = used(preference);
    const taken = used(other);
    for (const technique of gone) {
      expect(without).not.toContain(technique);
      expect(taken).toContain(technique);
    }
  },
);

test('a preference for everything is asked over the whole reach, and no other is', () => {
  const whole = FAMILY_IDS.flatMap((id) =>
    families[id].preferences.filter((p) => p.wholeRange).map((p) => `${id} ${p.id}`),
  );
  expect(whole).toEqual(['diatonic reach', 'whistle reach']);
});
