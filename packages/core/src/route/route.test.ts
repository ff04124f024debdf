import fc from 'fast-check';
import { expectOk } from '../result.ts';
import { families, FAMILY_IDS, familyById } from '../families/index.ts';
import { openInstrument, specFromPreset, type Instrument } from '../instrument/instrument.ts';
import { airBalance } from './air.ts';
import { defaultPreferences, resolvePreferences, type Preferences } from './preferences.ts';
import { routeLine, type Route } from './route.ts';
import type { LineNote } from './line.ts';
import type { Play, Way } from '../families/way.ts';

const family = familyById('diatonic')!;
const everyHole = { overblow: ['1', '2', '3', '4', '5', '6'], overdraw: ['7', '8', '9', '10'] };

function harmonica(preset: string, capability: Record<string, string[]> = {}): Instrument {
  return expectOk(openInstrument({ ...specFromPreset('diatonic', preset), capability }));
}

const prefer = (preset: string, rest: Partial<Preferences> = {}): Preferences => ({
  ...defaultPreferences(family),
  preset,
  ...rest,
});

const line = (pitches: readonly number[]): LineNote[] =>
  pitches.map((pitch, i) => ({ pitch, beats: 1, start: i }));
const ids = (route: Route) => route.notes.map((note) => note.way?.id);

/** Cost of one choice of plays, added up note by note with no solver in it. */
function plainCost(
  instrument: Instrument,
  notes: readonly LineNote[],
  plays: readonly Play[],
  preferences: Preferences,
): number {
  const { weights, habits } = resolvePreferences(instrument.family, preferences);
  const weigh = (loads: readonly number[]) => loads.reduce((sum, load, i) => sum + load * weights[i]!, 0);
  return plays.reduce((sum, play, i) => {
    const moment = { ...notes[i]!, since: i === 0 ? 0 : notes[i]!.start - notes[i - 1]!.start };
    const step = i === 0 ? 0 : weigh(instrument.stepLoads(plays[i - 1]!, play, moment, habits));
    return sum + weigh(instrument.wayLoads(play, moment, habits)) + step;
  }, 0);
}

/** @param openAt note at which ways that only repeat an easier one are tried as well */
function everyRoute(
  instrument: Instrument,
  notes: readonly LineNote[],
  preferences: Preferences,
  openAt?: number,
): Play[][] {
  const { avoid, habits } = resolvePreferences(instrument.family, preferences);
  const usable = (w: Way) => w.able && !avoid.has(w.technique);
  return notes.reduce<Play[][]>(
    (routes, note, index) => {
      const plays = instrument.ways
        .filter((w) => w.pitch === note.pitch && usable(w))
        .filter(
          (w) =>
            index === openAt ||
            w.duplicateOf === undefined ||
            !instrument.ways.some((e) => e.id === w.duplicateOf && usable(e)),
        )
        .flatMap((way) => instrument.playsOf(way, habits));
      return routes.flatMap((route) => plays.map((play) => [...route, play]));
    },
    [[]],
  );
}

describe.each(FAMILY_IDS)('%s', (id) => {
  const { presets, preferences: schools, habits } = families[id];
  const own = (key: string) => {
    const spec = specFromPreset(id, key);
    const { capabilityGroups, ways } = expectOk(openInstrument(spec));
    const capability = Object.fromEntries(capabilityGroups.map((group) => [group.id, group.places]));
    const measured = Object.fromEntries(ways.slice(0, 9).map((way, i) => [way.id, 4 * i - 15]));
    return expectOk(
      openInstrument({ ...spec, capability, measured, choices: ways.slice(2, 3).map((w) => w.id) }),
    );
  };

  test('of all routes of a short line the cheapest is taken, whatever the instrument and the preferences', () => {
    const habitChoice = fc.record(
      Object.fromEntries(habits.map((h) => [h.id, fc.constantFrom(...h.options.map((o) => o.id))])),
    );
    const steps = fc.array(fc.tuple(fc.nat(60), fc.constantFrom(0.5, 1, 3)), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(
        fc.constantFrom(...presets.map((p) => p.id)),
        fc.constantFrom(...schools.map((p) => p.id)),
        habitChoice,
        steps,
        (key, preset, chosen, notesAt) => {
          const instrument = own(key);
          const preferences = { preset, weights: {}, habits: chosen };
          const { avoid } = resolvePreferences(instrument.family, preferences);
          const usable = instrument.ways.filter((w) => w.able && !avoid.has(w.technique));
          const lowest = Math.min(...usable.map((w) => w.pitch));
          const playable = new Set(usable.map((w) => w.pitch));
          let start = 0;
          const notes = notesAt
            .map(([step, beats]) => ({ pitch: lowest + step, beats }))
            .filter(({ pitch }) => playable.has(pitch))
            .map((note) => ({ ...note, start: (start += note.beats) - note.beats }));
          const best = Math.min(
            ...everyRoute(instrument, notes, preferences).map((plays) =>
              plainCost(instrument, notes, plays, preferences),
            ),
          );
          const route = routeLine(instrument, notes, preferences);
          expect(route.effort.total).toBeCloseTo(best, 8);
          expect(route.notes.map((n) => n.way!.pitch)).toEqual(notes.map((n) => n.pitch));
        },
      ),
      { numRuns: 60 },
    );
  });
});

test('each alternative is the cheapest route that holds it, and its difference is the truth', () => {
  const instrument = harmonica('56', everyHole);
  const preferences = prefer('air');
  const notes = line([63, 67, 68, 67, 63, 68, 75]);
  const route = routeLine(instrument, notes, preferences);
  let seen = 0;
  for (const note of route.notes) {
    for (const alternative of route.alternatives(note.index)) {
      const holding = everyRoute(instrument, notes, preferences, note.index).filter(
        (plays) => plays[note.index]!.way.id === alternative.way.id,
      );
      const best = Math.min(...holding.map((ways) => plainCost(instrument, notes, ways, preferences)));
      expect(route.effort.total + alternative.difference).toBeCloseTo(best, 8);
      seen += 1;
    }
  }
  expect(seen).toBe(4);
});

describe('2 draw or 3 blow, on an E♭ harmonica', () => {
  const instrument = harmonica('63');
  const low = 70;

  test('the habit decides when nothing else does', () => {
    expect(ids(routeLine(instrument, line([low]), prefer('even', { habits: { twin: 'draw' } })))).toEqual([
      '2d',
    ]);
    expect(ids(routeLine(instrument, line([low]), prefer('even', { habits: { twin: 'blow' } })))).toEqual([
      '3b',
    ]);
  });
});

test('pins are kept, even against the preferences, and alternatives to them are still told', () => {
  const instrument = harmonica('60', everyHole);
  const notes = line([60, 72, 60]);
  const free = routeLine(instrument, notes, prefer('no-overs'));
  expect(ids(free)).toEqual(['1b', '4b', '1b']);
  const pinned = routeLine(instrument, notes, prefer('no-overs'), [{ index: 1, wayId: '3bo' }]);
  expect(ids(pinned)).toEqual(['1b', '3bo', '1b']);
  expect(pinned.notes[1]!.pinned).toBe(true);
  const back = pinned.alternatives(1)[0]!;
  expect(back.way.id).toBe('4b');
  expect(back.difference).toBeCloseTo(free.effort.total - pinned.effort.total, 8);
});

test('pins that fit no note are reported and change nothing', () => {
  const instrument = harmonica('60');
  const pins = [
    { index: 0, wayId: '9b' },
    { index: 7, wayId: '1b' },
    { index: 1, wayId: 'nonsense' },
  ];
  const route = routeLine(instrument, line([60, 62]), prefer('even'), pins);
  expect(ids(route)).toEqual(['1b', '1d']);
  expect([...route.brokenPins].sort((a, b) => a.index - b.index).map((p) => p.index)).toEqual([0, 1, 7]);
});

test('notes that cannot be had are passed over and named with the reason', () => {
  const route = routeLine(harmonica('60'), line([59, 60, 63, 72, 82, 98]), prefer('beginner'));
  expect(route.notes.map((n) => n.missing?.text)).toEqual([
    'below its lowest note',
    undefined,
    'needs an overblow on 1',
    undefined,
    'needs an overblow on 6',
    'above its highest note',
  ]);
  expect(routeLine(harmonica('60'), line([71 - 1]), prefer('beginner')).notes[0]!.missing).toMatchObject({
    reason: 'preference',
    text: 'needs a middle bend on 3',
  });
  expect(routeLine(harmonica('60'), [], prefer('even')).effort.total).toBe(0);
});

test('the same line gives the same route, again and again', () => {
  const instrument = harmonica('58', everyHole);
  const notes = line(Array.from({ length: 60 }, (_, i) => 60 + ((i * 7) % 30)));
  const first = ids(routeLine(instrument, notes, prefer('tone')));
  for (let i = 0; i < 5; i += 1)
    expect(ids(routeLine(harmonica('58', everyHole), notes, prefer('tone')))).toEqual(first);
});

test('a thread of 2,000 notes keeps every note', () => {
  const instrument = harmonica('61', everyHole);
  const pitches = instrument.ways.map((w) => w.pitch);
  const notes = line(Array.from({ length: 2000 }, (_, i) => pitches[(i * 13) % pitches.length]!));
  const route = routeLine(instrument, notes, prefer('even'));
  expect(route.notes).toHaveLength(2000);
  expect(route.effort.total).toBeCloseTo(
    plainCost(
      instrument,
      notes,
      route.notes.map((n) => ({ way: n.way!, grip: n.grip })),
      prefer('even'),
    ),
    5,
  );
});

test('air is beats drawn less beats blown', () => {
  const notes: LineNote[] = [
    { pitch: 60, beats: 2, start: 0 },
    { pitch: 62, beats: 3, start: 2 },
    { pitch: 63, beats: 1, start: 5 },
    { pitch: 74, beats: 1, start: 6 },
  ];
  const air = airBalance(routeLine(harmonica('60'), notes, prefer('even')).notes);
  expect(air.points.map((p) => p.balance)).toEqual([0, -2, 1, 1, 2]);
  expect([air.most, air.least]).toEqual([2, -2]);
});
