import { quarters } from '../time/ticks.ts';
import type { Bar } from './song.ts';
import { PLAYED_BARS_LIMIT, unfold } from './unfold.ts';

const SIGNS =
  /^(?<section>[A-Z]=)?(?<open>\|:)?(?:\[(?<endings>[\d,]+))?(?<segno>\$)?(?<coda>@)?(?<name>[a-z])(?<close>:\|(?<times>\d)?)?(?<after>dc|ds)?(?<fine>fine)?(?<to>to)?$/;

/** Bars by a letter each with their signs: `|:a [1b:| [2c`, `$` segno, `@` coda, `to` to the coda, `X=` a section. */
function bars(text: string): Bar[] {
  return text.split(' ').map((token): Bar => {
    const g = SIGNS.exec(token)?.groups;
    if (!g) throw new Error(`no bar: ${token}`);
    return {
      length: quarters(4),
      ...(g['section'] && { section: g['section'][0]! }),
      ...(g['open'] && { repeatStart: true }),
      ...(g['endings'] && { endings: g['endings'].split(',').map(Number) }),
      ...(g['segno'] && { segno: true }),
      ...(g['coda'] && { coda: true }),
      ...(g['close'] && { repeatEnd: Number(g['times'] ?? 2) }),
      ...(g['after'] && { jump: g['after'] === 'dc' ? ('start' as const) : ('segno' as const) }),
      ...(g['fine'] && { fine: true }),
      ...(g['to'] && { toCoda: true }),
    };
  });
}

function playedBars(text: string, order?: string): string {
  const names = text.split(' ').map((token) => SIGNS.exec(token)!.groups!['name']!);
  const unfolded = unfold({ metres: [], bars: bars(text), ...(order && { order: [...order] }) });
  return unfolded.order.map((i) => names[i]).join('');
}

test.each([
  ['no signs', 'a b c', 'abc'],
  ['a repeat', 'a |:b c:| d', 'abcbcd'],
  ['from the beginning where nothing begins it', 'a b:| c', 'ababc'],
  ['from where the last one ended', 'a b:| c d:|', 'ababcdcd'],
  ['one bar that ends and the next that begins', '|:a:| |:b:|', 'aabb'],
  ['three times', '|:a:|3 b', 'aaab'],
  ['two endings', '|:a [1b:| [2c d', 'abacd'],
  ['two endings of several bars, the second with a sign too', '|:a [1b [1c:| [2d [2e:| f', 'abcadef'],
  ['three endings', '|:a [1b:| [2c:| [3d e', 'abacade'],
  ['an ending for two times', '|:a [1,2b:| [3c', 'ababac'],
  ['a first ending alone', '|:a [1b:| c', 'abac'],
  ['endings without a repeat open', 'a [1b:| [2c |:d:|', 'abacdd'],
  ['endings without any sign of repeat', 'a [1b [2c d', 'abacd'],
  ['a second part after endings goes back to its own beginning', '|:a [1b:| [2c d e:|', 'abacdede'],
  ['both parts with endings', '|:a [1b:| [2c |:d [1e:| [2f', 'abacdedf'],
  ['da capo', 'a bdc', 'abab'],
  ['da capo al fine, repeats once only after it', '|:a:| bfine cdc', 'aabcab'],
  ['da capo takes the last ending', '|:a [1b:| [2c d:| edc', 'abac' + 'dd' + 'e' + 'acde'],
  ['dal segno al fine', 'a $b cfine dds', 'abcdbc'],
  ['dal segno al coda', 'a $b cto dds @e f', 'abcdbcef'],
  ['to the coda only after the jump', 'ato b cdc @d', 'abcad'],
  ['a jump out of a repeat, after its second time', '|:a bfine c:|dc', 'abcabcab'],
  ['no segno to go to', 'a bds', 'abab'],
  ['no coda to go to', 'ato bdc', 'abab'],
])('%s: %s', (_, text, expected) => {
  expect(playedBars(text)).toBe(expected);
});

test('sections in their order, each with its own repeats; what stands before them once', () => {
  expect(playedBars('A=|:a:| B=b', 'ABA')).toBe('aabaa');
  expect(playedBars('x A=a b B=c', 'BA')).toBe('xcab');
  expect(playedBars('A=a B=b', 'AC')).toBe('a');
});

test('says what it had to assume, and only then', () => {
  const said = (text: string, order?: string[]) =>
    unfold({ metres: [], bars: bars(text), ...(order && { order }) }).remarks;
  expect(said('|:a [1b:| [2c')).toEqual([]);
  expect(said('a b:|')).toEqual([
    'Nothing begins the repeat that ends with bar 2; it goes back to the beginning.',
  ]);
  expect(said('|:a:| b c:|')).toEqual([
    'Nothing begins the repeat that ends with bar 3; it goes back to bar 2.',
  ]);
  expect(said('a [1b [2c')).toContain('Ending 1 has no sign of repeat; another follows, so it is repeated.');
  expect(said('a bds').join()).toContain('back to the sign, but there is none');
  expect(said('ato bdc').join()).toContain('go to the coda, but there is none');
  expect(said('A=a', ['B']).join()).toContain('Section B');
});

test('ends where the repeats would go on too long', () => {
  const many = Array.from({ length: 1000 }, () => '|:a:|9 b:|9').join(' ');
  const { order, remarks } = unfold({ metres: [], bars: bars(many), order: [] });
  expect(order.length).toBe(18_000);
  expect(remarks.join()).not.toContain('longer');
  const more = unfold({ metres: [], bars: bars(`${many} |:a:|9 ${many}`) });
  expect(more.order).toHaveLength(PLAYED_BARS_LIMIT);
  expect(more.remarks.join()).toContain(`longer than ${PLAYED_BARS_LIMIT} bars`);
});
