import { instrumentOf, questionOf } from '../../test/instruments.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { mapView } from './mapView.ts';

const viewOf = (on: Instrument, tonic: string, scale: string) =>
  mapView(on, questionOf(on, { tonic, scale, direction: 'up' }), {
    naming: 'key',
    dialect: on.family.dialects[0]!.id,
  });

test('the blue third of G blues on a C harmonica is hole 3 draw bent less than to B♭', () => {
  const { line, ways, facts } = viewOf(instrumentOf('diatonic', '60'), 'G', 'blues-blue-third');
  const third = line.find((note) => note.pitch === 70)!;
  expect(third).toMatchObject({ degree: '~3', bareNote: 'B♭', tab: '3 draw ′', role: 'scale' });
  // B♭4 is 466.16 Hz, B4 493.88; half way in cents lies √(466.16 · 493.88).
  expect(third.hz).toBeCloseTo(479.82, 2);
  expect(ways.find((way) => way.id === third.wayId)).toMatchObject({
    hz: third.hz,
    between: 'Hold it between B♭4 and B4, anywhere up to 100 cents above B♭4.',
  });
  const others = line.filter((note) => note.degree !== '~3');
  expect(others.map((note) => ways.find((way) => way.id === note.wayId)!.between)).toEqual(
    others.map(() => undefined),
  );
  expect(facts.between).toEqual(['~3 lies between ♭3 and 3, 300 to 400 cents above home']);
  expect(facts.againstMajor).toBe('7 lowered; ~3 in between; ♭5 added; 2 and 6 left out');
});

test('a drum cannot hold a note in between: it gives the lower edge and says so', () => {
  const drum = instrumentOf('drum', 'c-major-8');
  const { line, ways } = viewOf(drum, 'A', 'custom:1-~3-4-5');
  const third = line.find((note) => note.degree === '~3')!;
  expect(third.pitch % 12).toBe(0);
  expect(third.hz).toBeCloseTo(440 * 2 ** ((third.pitch - 69) / 12), 6);
  expect(ways.find((way) => way.id === third.wayId)!.between).toMatch(
    /^Meant to lie between C\d and C♯\d; this way gives C\d,/,
  );
});
