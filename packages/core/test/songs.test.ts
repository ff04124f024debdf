import { families, FAMILY_IDS } from '../src/families/index.ts';
import { openInstrument, specFromPreset } from '../src/instrument/instrument.ts';
import { expectOk } from '../src/result.ts';
import { defaultPreferences } from '../src/route/preferences.ts';
import { routeLine } from '../src/route/route.ts';
import { routingContext } from '../src/route/context.ts';
import { arranged, checkPlan, plainPlan, type ArrangementPlan } from '../src/song/arrangement.ts';
import { planFromLink, planToLink } from '../src/song/planLink.ts';
import { songAlternatives, songView } from '../src/song/songView.ts';
import { songKeys } from '../src/song/songKeys.ts';
import { melodyLine, metreOfSong } from '../src/song/songLine.ts';
import { transposed } from '../src/song/transpose.ts';
import { keyOf, scaleById } from '../src/scale/scale.ts';
import { quarters } from '../src/time/ticks.ts';
import { songOf } from './samples/song.ts';

const NOTATION = { naming: 'key', dialect: '' } as const;
const CHORDS = {
  chords: [
    { at: 0, symbol: 'C' },
    { at: quarters(4), symbol: 'G7' },
  ],
};
const song = songOf('C4 E4 G4 E4 | F4 D4 B3 D4 | C4*4', CHORDS);

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const instrument = expectOk(openInstrument(specFromPreset(id, family.presets[0]!.id)));
  const notation = { ...NOTATION, dialect: family.dialects[0]!.id };
  const plan = plainPlan(family);
  const keys = songKeys(instrument, song, defaultPreferences(family));
  const best = { ...plan, transpose: keys[0]!.transpose };

  test('every key is ranked once, and as a route of its own would have it', () => {
    expect(new Set(keys.map(({ transpose }) => ((transpose % 12) + 12) % 12)).size).toBe(keys.length);
    // A twentieth of the notes is not noticed, each further share counts twice.
    const costs = keys.map(({ ease, missing, notes }) => ease + 2 * Math.max(0, missing / notes - 0.05));
    for (const [i, cost] of costs.slice(1).entries()) expect(cost).toBeGreaterThanOrEqual(costs[i]! - 1e-9);
    for (const fit of keys.slice(0, 3)) {
      const moved = transposed(song, fit.transpose);
      const { tonic, scale } = moved.keys[0]!;
      const set = instrument.forKey(keyOf(expectOk(scaleById(scale)), tonic));
      const route = routeLine(routingContext(set, plan.preferences), melodyLine(moved), {
        metre: metreOfSong(moved),
      });
      const had = route.notes.filter((note) => note.way).length;
      expect(fit.missing).toBe(route.notes.length - had);
      // A twentieth for each lever that must be set, and what a seldom taken key counts.
      const unusual = set.unusual(keyOf(expectOk(scaleById(scale)), tonic));
      expect(fit.ease).toBeCloseTo(route.effort.total / had + 0.05 * set.settings.length + unusual, 6);
    }
  });

  test('its view plays the song’s own notes, in tab with a bar line after each bar', () => {
    const view = songView(instrument, song, best, notation);
    expect(view.line.map(({ pitch }) => pitch)).toEqual(
      [60, 64, 67, 64, 65, 62, 59, 62, 60].map((p) => p + best.transpose),
    );
    expect(view.missing).toHaveLength(keys[0]!.missing);
    expect(view.tabText.match(/\|/g)).toHaveLength(3);
    expect(view.line.map(({ start }) => start)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
  });

  test('a note is judged by the chord that sounds with it', () => {
    const { line } = songView(instrument, song, best, notation);
    expect(line.map(({ role }) => role)).toEqual([
      'home',
      'chord',
      'chord',
      'chord',
      'chord',
      'chord',
      'chord',
      'chord',
      'home',
    ]);
    expect(line[1]!.role).toBe('chord');
    const still = songView(instrument, { ...song, chords: [{ at: 0, symbol: 'G7' }] }, best, notation);
    expect(still.line[1]!.role).toBe('scale');
  });

  test('a pin holds, and what was offered for a note that cannot be had gives it', () => {
    const view = songView(instrument, song, best, notation);
    const [note] = view.line.filter(({ wayId }) => wayId);
    const [other] = songAlternatives(instrument, song, best, note!.id).filter(({ redundant }) => !redundant);
    if (other) {
      const pinned = songView(
        instrument,
        song,
        { ...best, pins: [{ noteId: note!.id, wayId: other.wayId }] },
        notation,
      );
      const held = pinned.line.find((n) => n.id === note!.id)!;
      expect(held).toMatchObject({ wayId: other.wayId, pinned: true });
      expect(pinned.effort.total - view.effort.total).toBeCloseTo(other.difference, 4);
    }
    const outside = songOf('C1 C4');
    const lost = songView(instrument, outside, plan, notation);
    for (const { noteId, offers } of lost.missing)
      for (const { decisions } of offers) {
        const after = songView(instrument, outside, { ...plan, decisions }, notation);
        expect(after.missing.some((still) => still.noteId === noteId)).toBe(false);
      }
  });

  test('names are those that are written, on every part of the page', () => {
    const sharp = { ...songOf('C4 G#4 A4'), chords: [{ at: 0, symbol: 'E7' }] };
    const written = { ...plan, transpose: 0 };
    const view = songView(instrument, sharp, written, notation);
    expect(view.line[1]).toMatchObject({ note: 'G♯4', bareNote: 'G♯', degree: '♯5' });
    for (const way of view.ways.filter(({ pitch }) => pitch === 68)) expect(way.note).toBe('G♯4');
    expect(view.tabText).not.toContain('A♭4');
    const simple = songView(instrument, sharp, written, { ...notation, naming: 'simple' });
    expect(simple.line[1]!.note).toBe('G♯4');
  });

  test('a plan survives its link and its JSON', () => {
    const full: ArrangementPlan = {
      transpose: -7,
      mode: 'dorian',
      preferences: { ...plan.preferences, preset: family.preferences.at(-1)!.id },
      pins: [
        { noteId: 'n1', wayId: 'x1' },
        { noteId: 'n2', wayId: 'y2', fingering: 'i' },
      ],
      decisions: [
        { noteId: 'n3', kind: 'move', by: -12 },
        { noteId: 'n4', kind: 'leave' },
      ],
    };
    expect(planFromLink(planToLink(full, family), family)).toEqual(full);
    expect(planToLink(plan, family)).toEqual({});
    expect(expectOk(checkPlan(family, JSON.parse(JSON.stringify(full))))).toEqual(full);
  });
});

test('what is decided about a note goes for all that is tied to it', () => {
  const tied = songOf('C4 D4*3~ | D4*2 E4*2');
  const plan = { transpose: 0, decisions: [{ noteId: 'n2', kind: 'move', by: 12 }] } as const;
  expect(melodyLine(arranged(tied, plan)).map(({ pitch, length }) => [pitch, length / quarters(1)])).toEqual([
    [60, 1],
    [74, 5],
    [64, 2],
  ]);
  const without = arranged(tied, { transpose: 0, decisions: [{ noteId: 'n2', kind: 'leave' }] });
  expect(melodyLine(without).map(({ pitch }) => pitch)).toEqual([60, 64]);
});

test('of a link what cannot be understood is left at its default', () => {
  const family = families.whistle;
  const base = plainPlan(family);
  expect(
    planFromLink({ by: 'far', mode: 'major-pentatonic', with: 'loud', out: 'n1:+1.5', pin: '' }, family),
  ).toEqual(base);
  expect(planFromLink({ by: '3', with: 'loud' }, family)).toEqual({ ...base, transpose: 3 });
});

test('long notes fill the bellows by their length', () => {
  const instrument = expectOk(openInstrument(specFromPreset('anglo', families.anglo.presets[0]!.id)));
  const plan = plainPlan(families.anglo);
  const notation = { ...NOTATION, dialect: families.anglo.dialects[0]!.id };
  const slow = songOf('C4*4 | D4*4 | E4*4 | F4*4 | G4*4 | A4*4 | B4*4 | C5*4');
  const view = songView(instrument, slow, plan, notation);
  expect(view.air.most - view.air.least).toBeGreaterThan(3);
});

test('after a change of key degrees and roles are those of the key that holds', () => {
  const keys = [
    { at: 0, tonic: { letter: 'B', accidental: -1 }, scale: 'major' },
    { at: quarters(4), tonic: { letter: 'C', accidental: 0 }, scale: 'major' },
  ] as const;
  const two = songOf('Bb4 D5 F5 A5 | C5 E5 G5 B5', { keys });
  const english = expectOk(openInstrument(specFromPreset('english', 'treble')));
  const { line } = songView(english, two, plainPlan(families.english), {
    ...NOTATION,
    dialect: families.english.dialects[0]!.id,
  });
  expect(line.map(({ degree }) => degree)).toEqual(['1', '3', '5', '7', '1', '3', '5', '7']);
  const half = ['home', 'chord', 'chord', 'scale'];
  expect(line.map(({ role }) => role)).toEqual([...half, ...half]);
});

test('one note that lacks does not put the easiest key behind keys of half-holes', () => {
  const bar = 'E5 F#5 G5 B5 | D6 E6 B5 G5 |';
  const lament = songOf(`B4 | ${bar} ${bar} ${bar} E5*4`, {
    keys: [{ at: 0, tonic: { letter: 'E', accidental: 0 }, scale: 'natural-minor' }],
  });
  const whistle = expectOk(openInstrument(specFromPreset('whistle', '74')));
  const keys = songKeys(whistle, lament, defaultPreferences(families.whistle));
  // Only the upbeat lies below the lowest note of a D whistle.
  const here = keys.find(({ transpose }) => transpose === 0)!;
  expect([here.missing, here.notes]).toEqual([1, 26]);
  expect(keys.slice(0, 2).map(({ keyName }) => keyName)).toContain('E');
});

test('a pitch that is written in two ways is called at each note as it is written there', () => {
  const chromatic = songOf('C5 C#5 D5 Db5 | C5*4', {
    keys: [{ at: 0, tonic: { letter: 'F', accidental: 0 }, scale: 'major' }],
  });
  const instrument = expectOk(openInstrument(specFromPreset('chromatic', '60-12')));
  const { line } = songView(
    instrument,
    chromatic,
    { ...plainPlan(families.chromatic), transpose: 0 },
    { naming: 'key', dialect: 'signs' },
  );
  expect(line.map(({ bareNote, degree }) => `${bareNote} ${degree}`)).toEqual([
    ...['C 5', 'C♯ ♯5', 'D 6', 'D♭ ♭6'],
    'C 5',
  ]);
});
