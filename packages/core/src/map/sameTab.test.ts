import { instrumentOf, questionOf } from '../../test/instruments.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { checkQuestion, type Question, type StoredQuestion } from '../question/question.ts';
import { expectOk } from '../result.ts';
import { mapView } from './mapView.ts';
import { sameTab } from './sameTab.ts';

const NOTATION = { naming: 'key', dialect: 'signs' } as const;

/** The tab of a question, and the tab of what it becomes on another instrument. */
function bothTabs(from: Instrument, asked: Partial<StoredQuestion>, to: Instrument) {
  const first = questionOf(from, asked);
  const same = sameTab(from, first, to)!;
  const tabOf = (on: Instrument, q: Question) => mapView(on, q, NOTATION).tabText;
  const second = expectOk(checkQuestion(to.family, same.question));
  return { same, before: tabOf(from, first), after: tabOf(to, second) };
}

test('second position on a B♭ harmonica is second position on a low E♭ one: F blues becomes B♭ blues', () => {
  const [from, low] = [instrumentOf('diatonic', '58'), instrumentOf('diatonic', '51')];
  const asked = { tonic: 'F', scale: 'blues-six', direction: 'up' } as const;
  const { same, before, after } = bothTabs(from, asked, low);
  expect(same.question).toMatchObject({ tonic: 'Bb', scale: 'blues-six' });
  expect(same).toMatchObject({ kept: 7, of: 7 });
  expect(after).toBe(before);
});

test('pins go along, and the tab is pinned where the other instrument would take another way', () => {
  const [from, high] = [instrumentOf('diatonic', '55'), instrumentOf('diatonic', '65')];
  const pinned = { noteId: '62.1', wayId: '3b' };
  const asked = {
    tonic: 'D',
    scale: 'major',
    direction: 'up',
    range: OCTAVE_FROM_D,
    pins: [pinned],
  } as const;
  const { same, before, after } = bothTabs(from, asked, high);
  expect(before).toBe('+3  −3″  −3  +4  −4  +5  (C♯5)  +6');
  expect(after).toBe('+3  −3″  −3  +4  −4  +5  (B5)  +6');
  expect(same.question).toMatchObject({ tonic: 'C', range: { kind: 'octaves', octaves: 1, from: 72 } });
  expect(same.question.pins).toContainEqual({ noteId: '72.1', wayId: '3b' });
});

const OCTAVE_FROM_D = { kind: 'octaves', octaves: 1, from: 62 } as const;

test('a tuning with other reeds gives another scale: major from 4 blow in natural minor is minor', () => {
  const major = instrumentOf('diatonic', '60');
  const minor = instrumentOf('diatonic', '60', { layout: major.withOption('tuning', 'natural-minor') });
  const { same, before, after } = bothTabs(major, { tonic: 'C', scale: 'major', direction: 'up' }, minor);
  expect(before).toBe('+4  −4  +5  −5  +6  −6  −7  +7');
  // In natural minor blow 5 sounds ♭3 and draw 7 ♭7; draw 6 stays.
  expect(same.question).toMatchObject({ tonic: 'C', scale: 'dorian' });
  expect(after).toBe(before);
});

test('what the other instrument does not have is counted, and another family has no such tab', () => {
  const [eight, fifteen] = [instrumentOf('drum', 'c-major-8'), instrumentOf('drum', 'bb-major-15')];
  const whole = questionOf(fifteen, { range: { kind: 'whole' }, direction: 'up' });
  expect(sameTab(fifteen, whole, eight)).toMatchObject({ of: 15, kept: 8 });
  expect(sameTab(fifteen, whole, instrumentOf('diatonic', '60'))).toBeUndefined();
});

test('where tab names strings it is the same strings, however many lie below them', () => {
  const [small, large] = [instrumentOf('harp', 'f-26'), instrumentOf('harp', 'f-34')];
  const asked = { tonic: 'A', scale: 'harmonic-minor', direction: 'up' } as const;
  const first = questionOf(small, asked);
  expect(sameTab(small, first, large)).toMatchObject({
    question: { tonic: 'A', scale: 'harmonic-minor' },
    kept: 8,
    of: 8,
  });
});
