/** What every family must keep, looped over the list of families: a tenth one is tested by being listed. */
import { familyById, FAMILY_IDS } from '../src/families/index.ts';
import { RULES } from './contract/rules.ts';

describe.each(FAMILY_IDS)('%s', (id) => {
  test.each(RULES.map((rule) => [rule.title, rule] as const))('%s', (_, rule) => {
    expect(rule.problemsOf(familyById(id)!)).toEqual([]);
  });
});
