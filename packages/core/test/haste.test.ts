/** What speed changes in how a line is played. By hand. */
import { evenLine } from '../src/route/line.ts';
import { metre } from '../src/time/metre.ts';
import { QUARTER, quarters, type Ticks } from '../src/time/ticks.ts';
import type { FamilyId } from '../src/families/index.ts';
import { instrumentOf, pitchesOf, prefer, routeOf } from './instruments.ts';

const SIXTEENTH = quarters(1, 4);

/** Ways of a line of equal notes, counted in quarters a hundred times a minute. */
function ways(family: FamilyId, preset: string, notes: string, length: Ticks, pace = 1): string[] {
  const counted = { metres: [{ at: 0, metre: metre('4/4') }], paces: [{ at: 0, pace }] };
  const line = evenLine(pitchesOf(notes), length);
  const route = routeOf(instrumentOf(family, preset), line, prefer(family), { metre: counted });
  return route.notes.map(({ way, fingering }) => way!.id + (fingering === undefined ? '' : `/${fingering}`));
}

test('a chromatic’s shake of C and B is one breath and the slide at speed, open notes at leisure', () => {
  expect(ways('chromatic', '60-12', 'C5 B4 C5 B4', SIXTEENTH)).toEqual(['4ds', '4d', '4ds', '4d']);
  expect(ways('chromatic', '60-12', 'C5 B4 C5 B4', QUARTER)).toEqual(['4b', '4d', '4b', '4d']);
  // The same sixteenths four times as slow are quarters.
  expect(ways('chromatic', '60-12', 'C5 B4 C5 B4', SIXTEENTH, 0.25)).toEqual(['4b', '4d', '4b', '4d']);
});

test('hands take turns on one tongue of a drum at speed; at leisure the nearer hand strikes it', () => {
  const hands = (length: Ticks) =>
    ways('drum', 'c-major-8', 'E4 E4 E4 E4', length).map((way) => way.split('/')[1]);
  const quick = hands(SIXTEENTH);
  expect(quick).toEqual([quick[0], quick[0] === 'L' ? 'R' : 'L', quick[0], quick[0] === 'L' ? 'R' : 'L']);
  expect(new Set(hands(QUARTER)).size).toBe(1);
});
