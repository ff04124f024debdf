import { routeOf, wayIds } from '../../test/instruments.ts';
import { families, FAMILY_IDS } from '../families/index.ts';
import { frequency } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import type { Pin } from '../route/pin.ts';
import { UNHURRIED } from '../time/noteTiming.ts';
import { openInstrument, specFromPreset, type InstrumentSpec } from './instrument.ts';

const specOf = (id: string) => specFromPreset(id, families[id as 'drum'].presets[0]!.id);
const part = (spec: InstrumentSpec, wayId: string, id: string) => {
  const instrument = expectOk(openInstrument(spec));
  const way = instrument.ways.find((w) => w.id === wayId)!;
  const term = instrument.terms.find((t) => t.id === id)!;
  const at = { layout: instrument.layout, options: {}, timing: UNHURRIED, carried: '' };
  return term.onWay!({ way, fingering: undefined }, at);
};

test.each(FAMILY_IDS)('%s: what is measured counts by its size, sharp or flat, and only on its way', (id) => {
  const spec = specOf(id);
  const [way, other] = expectOk(openInstrument(spec)).ways;
  const [first, second] = [way!.id, other?.id];
  for (const cents of [-30, 30]) {
    const measured = { ...spec, measured: { [first]: { pitch: way!.pitch, cents } } };
    expect(part(measured, first, 'tuning')).toBeCloseTo(3);
    if (second) expect(part(measured, second, 'tuning')).toBe(0);
  }
});

test.each(FAMILY_IDS)('%s: the chosen way is free and its rivals are not', (id) => {
  const spec = specOf(id);
  const { ways } = expectOk(openInstrument(spec));
  const pair = ways.flatMap((a) =>
    ways.filter((b) => a !== b && a.pitch === b.pitch).map((b) => [a, b] as const),
  )[0];
  if (!pair) return;
  const chosen = { ...spec, choices: [pair[0].id] };
  expect(part(chosen, pair[0].id, 'choice')).toBe(0);
  expect(part(chosen, pair[1].id, 'choice')).toBe(1);
});

test('a choice decides between equal ways and gives way to a pin', () => {
  const spec = specFromPreset('chromatic', '58-12');
  const played = (choices: string[], pins: Pin[] = []) =>
    wayIds(routeOf(expectOk(openInstrument({ ...spec, choices })), [58 + 12], undefined, { pins }))[0];
  expect(played(['4b'])).toBe('4b');
  expect(played(['5b'])).toBe('5b');
  expect(played(['4b'], [{ noteId: '70.1', wayId: '5b' }])).toBe('5b');
});

test.each([
  [{ measured: 'sharp' }, 'measured'],
  [{ measured: { '4b': { pitch: 72, cents: 200 } } }, 'measured.4b.cents'],
  [{ measured: { '4b': { pitch: 72, cents: '3' } } }, 'measured.4b.cents'],
  [{ measured: { '4b': { cents: 3 } } }, 'measured.4b.pitch'],
  [{ measured: { '4b': 3 } }, 'measured.4b'],
  [{ measured: { '4b': { pitch: 72, cents: NaN } } }, 'measured.4b.cents'],
  [{ choices: 'all' }, 'choices'],
  [{ choices: [4] }, 'choices.0'],
  [{ choices: ['4b', '5b'] }, 'choices'],
])('%j is refused at %s', (wrong, field) => {
  const result = openInstrument({ ...specFromPreset('chromatic', '60-12'), ...wrong });
  expect(result).toMatchObject({ ok: false, problems: [{ field }] });
});

test('what was measured leaves with its way, and with the pitch it was measured at', () => {
  const drum = specFromPreset('drum', 'c-major-8');
  const measured = { t2: { pitch: 62, cents: 12 }, t3: { pitch: 64, cents: -9 } };
  const { spec, ...instrument } = expectOk(openInstrument({ ...drum, measured }));
  expect(spec.measured).toEqual(measured);
  // The second tongue is tuned up: the third keeps its cents, the second has none.
  const tuned = instrument.withElement(instrument.elements[1]!.id, { pitch: 63 });
  expect(expectOk(openInstrument({ ...spec, layout: tuned })).spec.measured).toEqual({ t3: measured.t3 });
  // Without the second tongue the third is called the second, and its pitch is not what was measured there.
  const tongues = (spec.layout as { tongues: object[] }).tongues.filter((_, i) => i !== 1);
  expect(expectOk(openInstrument({ ...spec, layout: { tongues } })).spec.measured).toEqual({});
});

test('the sign of what was measured is the sign that sounds', () => {
  const spec = specOf('chromatic');
  const [way] = expectOk(openInstrument(spec)).ways;
  const sounding = (cents: number) => {
    const measured = { [way!.id]: { pitch: way!.pitch, cents } };
    const instrument = expectOk(openInstrument({ ...spec, measured }));
    return frequency(way!.pitch, 440, instrument.centsOf(way!));
  };
  expect(sounding(50) / sounding(0)).toBeCloseTo(2 ** (50 / 1200), 9);
  expect(sounding(-50)).toBeLessThan(sounding(0));
});
