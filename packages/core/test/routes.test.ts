/** Routes of every family against brute force: all holds of all onsets, one after the other, with nothing remembered. */
import fc from 'fast-check';
import { families, FAMILY_IDS } from '../src/families/index.ts';
import type { FingeredWay, Hold, Way } from '../src/families/way.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { expectOk } from '../src/result.ts';
import { routingContext } from '../src/route/context.ts';
import type { LineNote } from '../src/route/line.ts';
import { onsetsOf } from '../src/route/onsets.ts';
import { effortAlong, planOf } from '../src/route/plan.ts';
import { resolvePreferences, type Preferences } from '../src/route/preferences.ts';
import { routeLine } from '../src/route/route.ts';
import { metre } from '../src/time/metre.ts';
import { timingsOf } from '../src/time/noteTiming.ts';
import { QUARTER, quarters } from '../src/time/ticks.ts';

const TIME = metre('3/4', QUARTER);

/** An instrument on which everything is possible and some ways are measured and chosen. */
function own(id: string, preset: string): Instrument {
  const spec = specFromPreset(id, preset);
  const { capabilityGroups, ways } = expectOk(openInstrument(spec));
  const capability = Object.fromEntries(capabilityGroups.map((group) => [group.id, group.places]));
  const measured = Object.fromEntries(
    ways.slice(0, 9).map(({ id, pitch }, i) => [id, { pitch, cents: 4 * i - 15 }]),
  );
  const choices = ways.slice(2, 3).map((way) => way.id);
  return expectOk(openInstrument({ ...spec, capability, measured, choices }));
}

const combinations = <T>(lists: readonly (readonly T[])[]): T[][] =>
  lists.reduce<T[][]>((all, list) => all.flatMap((one) => list.map((item) => [...one, item])), [[]]);

/** Everything that may be chosen, asked of the instrument pair by pair. */
function oracle(instrument: Instrument, preferences: Preferences) {
  const { weights, avoid, options } = resolvePreferences(instrument.family, preferences);
  const usable = instrument.ways.filter((way) => way.able && !avoid.has(way.technique));
  const worthIt = (way: Way) => !usable.some((easier) => easier.id === way.redundantTo);
  const open = (pitch: number, inChord: boolean) =>
    usable
      .filter((way) => way.pitch === pitch && worthIt(way))
      .flatMap((way) => instrument.fingeredWaysOf(way, options, inChord));
  const soundsTogether = (hold: Hold) =>
    hold.every((high, i) => hold.slice(0, i).every((low) => !instrument.clash(low, high))) &&
    !instrument.holdClash(hold);
  const holdsOf = (pitches: readonly number[], inChord: boolean): Hold[] =>
    combinations(pitches.map((pitch) => open(pitch, inChord))).filter(soundsTogether);

  /** The pitches of a chord that sound: the highest, the lowest, then downwards, each if it can with those before. */
  const heard = (pitches: readonly number[]) => {
    const falling = [...new Set(pitches)].filter((p) => open(p, false).length > 0).sort((a, b) => b - a);
    const inChord = new Set(pitches).size > 1;
    const wanted = [falling[0], falling.at(-1), ...falling.slice(1, -1)];
    let kept: number[] = [];
    for (const pitch of new Set(wanted.filter((p) => p !== undefined))) {
      const tried = [...kept, pitch].sort((a, b) => a - b);
      if (holdsOf(tried, inChord).length > 0) kept = tried;
    }
    return { pitches: kept, holds: kept.length > 0 ? holdsOf(kept, inChord) : [] };
  };

  /** Weighted cost of one sequence of holds. */
  const costOf = (holds: readonly Hold[], onsets: readonly { onset: number; length: number }[]) => {
    const timings = timingsOf(TIME, onsets);
    const store = instrument.airStore(options);
    const shortage = instrument.family.terms.findIndex(({ id }) => id === 'air-button' || id === 'long-air');
    let [cost, carried, used] = [0, '', 0];
    // Since air was last had: where the bellows went, or how long it went one way; in twentieths of the whole.
    let [open, lowest, highest, way, lasted] = [0, 0, 0, '', 0];
    for (const [i, hold] of holds.entries()) {
      const at = { layout: instrument.layout, options, timing: timings[i]!, carried };
      for (const [t, term] of instrument.terms.entries()) {
        const ways = hold.reduce((sum, way) => sum + (term.onWay?.(way, at) ?? 0), 0);
        const step = i === 0 ? term.atStart?.(hold, at) : term.between?.(holds[i - 1]!, hold, at);
        const { within = 1, atLeisure = 1, atOnce = 1 } = term.haste ?? {};
        const times = (seconds: number) => {
          const share = Math.min(1, seconds / within);
          return share * atLeisure + (1 - share) * atOnce;
        };
        const { lasts, since } = timings[i]!;
        cost += weights[t]! * times(lasts) * (ways + (term.onHold?.(hold, at) ?? 0));
        cost += weights[t]! * times(since) * (step ?? 0);
      }
      carried = instrument.carry(carried, hold);
      const { air } = hold[0]!.way;
      if (!store || shortage < 0 || air === undefined) continue;
      const { seconds, rest } = timings[i]!;
      if (rest >= 0.4) [open, lowest, highest, way, lasted] = [0, 0, 0, '', 0];
      const before = Math.round((20 * used) / store.seconds);
      used += seconds * store.uses(hold.map((one) => one.way.pitch));
      const units = Math.round((20 * used) / store.seconds) - before;
      if (instrument.family.airKind === 'lungs') {
        if (way !== air) [way, lasted] = [air, 0];
        if (lasted >= 20) cost += weights[shortage]!;
        lasted += units;
        continue;
      }
      open += (air === 'in' ? 1 : -1) * Math.min(20, units);
      if (Math.max(highest, open) - Math.min(lowest, open) > 20) {
        cost += weights[shortage]!;
        [lowest, highest] = [0, 0];
        open = (air === 'in' ? 1 : -1) * Math.min(20, units);
      }
      [lowest, highest] = [Math.min(lowest, open), Math.max(highest, open)];
    }
    return cost;
  };
  return { heard, costOf, usable, open };
}

const length = fc.constantFrom(quarters(1, 3), quarters(1, 2), QUARTER, 3 * QUARTER, 7 * QUARTER);

describe.each(FAMILY_IDS)('%s', (id) => {
  const { presets, preferences: schools, playingOptions } = families[id];
  const chosenOptions = fc.record(
    Object.fromEntries(
      playingOptions.map((o) => [o.id, fc.constantFrom(...o.options.map((choice) => choice.id))]),
    ),
  );
  const setting = fc.record({
    preset: fc.constantFrom(...presets.map((p) => p.id)),
    school: fc.constantFrom(...schools.map((p) => p.id)),
    chosen: chosenOptions,
  });

  /** Routes onsets of pitches and compares them with the best of all sequences. */
  const compare = (
    { preset, school, chosen }: { preset: string; school: string; chosen: Record<string, string> },
    steps: readonly { up: readonly number[]; length: number; rest: number }[],
  ) => {
    const instrument = own(id, preset);
    const preferences = { preset: school, weights: {}, playingOptions: chosen };
    const { heard, costOf, usable } = oracle(instrument, preferences);
    const playable = [...new Set(usable.map((way) => way.pitch))].sort((a, b) => a - b);
    let onset = 0;
    const line: LineNote[] = steps.flatMap(({ up, length: lasts, rest }, step) => {
      const pitches = [...new Set(up.map((n) => playable[n % playable.length]!))];
      const notes = pitches.map((pitch) => ({ id: `${step}.${pitch}`, pitch, onset, length: lasts }));
      onset += lasts + rest;
      return notes;
    });
    const onsets = [...new Set(line.map((note) => note.onset))].map((at) => {
      const notes = line.filter((note) => note.onset === at);
      return { onset: at, length: notes[0]!.length, ...heard(notes.map((note) => note.pitch)) };
    });
    const sequences = combinations(onsets.map(({ holds }) => holds));
    const best = Math.min(...sequences.map((holds) => costOf(holds, onsets)));
    const route = routeLine(routingContext(instrument, preferences), line, { metre: TIME });
    expect(route.effort.total).toBeCloseTo(best, 8);
    for (const note of route.notes) {
      const sounds = onsets.find(({ onset: at }) => at === note.onset)!.pitches.includes(note.pitch);
      expect(note.way?.pitch).toBe(sounds ? note.pitch : undefined);
      if (!sounds) expect(note.missing).toMatchObject({ reason: 'together' });
    }
    const taken = onsets.map(({ onset: at }) =>
      route.notes
        .filter((note) => note.onset === at && note.way)
        .map(({ way, fingering }): FingeredWay => ({ way: way!, fingering }))
        .sort((a, b) => a.way.pitch - b.way.pitch),
    );
    expect(costOf(taken, onsets)).toBeCloseTo(best, 8);
  };

  test('of all ways to play a short line the cheapest is taken', () => {
    const step = fc.record({
      up: fc.array(fc.nat(60), { minLength: 1, maxLength: 1 }),
      length,
      rest: fc.constantFrom(0, 0, QUARTER),
    });
    fc.assert(fc.property(setting, fc.array(step, { minLength: 1, maxLength: 4 }), compare), { numRuns: 40 });
  });

  test('of all ways to play chords and single notes in turn the cheapest is taken, or as much as sounds', () => {
    const step = fc.record({
      up: fc.oneof(
        fc.tuple(fc.nat(60)),
        fc.tuple(fc.nat(60), fc.nat(60)),
        fc.nat(50).chain((low) => fc.tuple(fc.constant(low), fc.constant(low + 1), fc.constant(low + 2))),
      ),
      length,
      rest: fc.constant(0),
    });
    fc.assert(fc.property(setting, fc.array(step, { minLength: 1, maxLength: 2 }), compare), { numRuns: 30 });
  });
});

test('bellows that run out steer the choice: where both directions have the note, the air button is spared', () => {
  const instrument = own('anglo', 'C-G-sharp-on-push');
  // G4 pushed on the left C row and G row, pulled on the accidental row: twelve long ones in a row.
  const line = Array.from({ length: 12 }, (_, i) => ({
    id: String(i),
    pitch: 67,
    onset: i * 4 * QUARTER,
    length: 4 * QUARTER,
  }));
  // Ten seconds from shut to open, 2.4 a note: four pulled or pushed in a row, then the button.
  const button = (weight: number) => {
    const weights = { 'air-button': weight, turns: 1 };
    const context = routingContext(instrument, { preset: 'even', weights, playingOptions: {} });
    return routeLine(context, line).air.helps.length;
  };
  expect(button(0)).toBe(2);
  expect(button(10)).toBe(0);
});

test('two rows and every lever to flip: more than can be tried is said, and one row alone is never better', () => {
  const instrument = own('harp', 'c-23-double');
  const context = routingContext(instrument, { preset: 'even', weights: {}, playingOptions: {} });
  const line = Array.from({ length: 49 }, (_, i) => ({
    id: String(i),
    pitch: i <= 24 ? 60 + i : 108 - i,
    onset: i * QUARTER,
    length: QUARTER,
  }));
  const free = routeLine(context, line);
  expect(free.exact).toBe(false);
  for (const row of ['L', 'R']) {
    const pins = free.notes.map(({ id, way }) => ({ noteId: id, wayId: way!.id.replace(/^[LR]/, row) }));
    const inOneRow = routeLine(context, line, { pins });
    expect(inOneRow).toMatchObject({ exact: true, brokenPins: [] });
    expect(inOneRow.effort.total).toBeGreaterThan(free.effort.total);
  }
  expect(routeLine(context, line.slice(0, 5)).exact).toBe(true);
});

test('a long line of many lever settings costs what its path adds up to', () => {
  const instrument = own('harp', 'c-23-double');
  const context = routingContext(instrument, { preset: 'even', weights: {}, playingOptions: {} });
  const line = Array.from({ length: 400 }, (_, i) => ({
    id: String(i),
    pitch: 56 + ((i * 7 + (i >> 3)) % 38),
    onset: i * QUARTER,
    length: QUARTER,
  }));
  const { onsets } = onsetsOf(context, line, []);
  const plan = planOf(context, onsets, timingsOf(TIME, onsets));
  expect(plan.solution.total).toBeCloseTo(effortAlong(context, plan.played(plan.solution.path)).total, 6);
});
