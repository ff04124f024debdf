/** What an instrument can be brought to without a workshop, against trying out everything that can be set. */
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { adjusted } from '../src/keys/adjusted.ts';
import { contextsFor, keyCell, type KeyCell } from '../src/keys/keyCell.ts';
import { everythingFor, presetsFor, suggestionsFor } from '../src/keys/suggestions.ts';
import { noteText, parseNote } from '../src/pitch/noteName.ts';
import { expectOk } from '../src/result.ts';
import { defaultPreferences } from '../src/route/preferences.ts';
import { keyOf, scaleById, type Key } from '../src/scale/scale.ts';

const key = (scale: string, tonic: string) => keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
const cellOf = (instrument: Instrument, of: Key) =>
  keyCell(instrument, of, contextsFor(defaultPreferences(instrument.family), { isRough: true }));
const first = (id: FamilyId) => expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id)));

/** Every setting of all options that are set by hand and borne, one option after the other, this instrument left out. */
function everySetting(instrument: Instrument): Instrument[] {
  const options = instrument.options.filter((option) => option.retune);
  const settings = options.reduce<Instrument[]>(
    (found, option) =>
      found.flatMap((one) =>
        option.choices.flatMap(({ id }) => {
          const now = one.options.find((o) => o.id === option.id)!;
          if (now.value === id) return one;
          if (now.retune!(id) === undefined) return [];
          return expectOk(openInstrument({ ...one.spec, layout: one.withOption(option.id, id) }));
        }),
      ),
    [instrument],
  );
  return settings.filter((one) => one !== instrument);
}

const KEYS = [key('major', 'A'), key('dorian', 'F'), key('minor-pentatonic', 'Eb')];

test.each(FAMILY_IDS)('%s: as it stands comes first; a setting only where it gives what is lacking', (id) => {
  const instrument = first(id);
  const settings = everySetting(instrument);
  for (const of of KEYS) {
    const [standing, better, ...more] = suggestionsFor(instrument, of);
    expect([standing!.spec.layout, more]).toEqual([instrument.layout, []]);
    const { octaves, have } = standing!.cell;
    const gains = settings
      .map((setting) => cellOf(setting, of))
      .filter((cell) => cell.octaves.length >= Math.max(1, octaves.length))
      .filter((cell) => cell.octaves.length > octaves.length || cell.have > have);
    expect(better !== undefined).toBe(gains.length > 0);
    if (better) {
      expect(better.todo.length).toBeGreaterThan(0);
      expect(gains.map((cell) => cell.ease)).toContain(better.cell.ease);
    }
  }
});

test('a dulcimer is not retuned for the key it is tuned in, nor beyond what its strings are strung for', () => {
  const dulcimer = expectOk(openInstrument(specFromPreset('dulcimer', 'd3-a3-d4')));
  expect(suggestionsFor(dulcimer, key('major', 'D')).map(({ todo }) => todo)).toEqual([[]]);
  // A capo takes as many notes away as it gives.
  expect(suggestionsFor(dulcimer, key('major', 'A'))).toHaveLength(1);
  const choices = (preset: string) => {
    const { options } = expectOk(openInstrument(specFromPreset('dulcimer', preset)));
    const tuning = options.find((option) => option.id === 'tuning')!;
    return tuning.choices.filter((choice) => tuning.retune!(choice.id) !== undefined).map(({ id }) => id);
  };
  // Strung for D A D: every tuning of it is borne, from every other; all three strings by a fifth is too much.
  const ofD = ['D3 A3 D4', 'D3 A3 A3', 'D3 A3 C4', 'D3 A3 G3', 'D3 G3 D4'];
  expect(choices('d3-a3-d4')).toEqual([...ofD, 'C3 G3 C4']);
  expect(choices('d3-a3-a3')).toEqual(ofD);
  expect(choices('c3-g3-c4')).toEqual(['D3 A3 D4', 'D3 A3 C4', 'D3 G3 D4', 'C3 G3 C4']);
  expect(choices('g2-d3-g3')).toEqual(['G2 D3 G3']);
});

// Home on the bass string first, then the fewest strings. By the tunings that players take.
test.each([
  ['d3-a3-d4', 'natural-minor', 'D', 'tune the melody string down a tone'],
  ['d3-a3-a3', 'natural-minor', 'D', 'tune the melody string up 3 semitones'],
  ['d3-a3-a3', 'mixolydian', 'D', 'tune the melody string up 5 semitones'],
  [
    'd3-a3-d4',
    'major',
    'C',
    'tune the bass string down a tone, tune the middle string down a tone, tune the melody string down a tone',
  ],
] as const)('%s for %s in %s: %s', (preset, scale, tonic, todo) => {
  const dulcimer = expectOk(openInstrument(specFromPreset('dulcimer', preset)));
  expect(suggestionsFor(dulcimer, key(scale, tonic)).map((one) => one.todo)).toEqual([[], [todo]]);
});

test('which harmonica for a blues in G: C in 2nd position, F in 3rd, G in 1st; the minor pentatonic lies plain in 5th and 4th', () => {
  const usual = families.diatonic.presets.slice(0, 12);
  const ranked = (scale: string) =>
    presetsFor('diatonic', key(scale, 'G'))
      .filter(({ preset }) => usual.some((one) => one.id === preset))
      .map(({ label }) => label);
  expect(ranked('blues-six').slice(0, 3)).toEqual(['C', 'F', 'G']);
  expect(ranked('minor-pentatonic').slice(0, 4)).toEqual(['C', 'F', 'E♭', 'B♭']);
  expect(ranked('major')[0]).toBe('G');
  expect(ranked('mixolydian')[0]).toBe('C');
});

test('how easy a key is: effort a note, twice the share lacking beyond a twentieth, 0.7 for each tone of the chords', () => {
  const cell = (preset: string, scale: string, tonic: string) =>
    cellOf(expectOk(openInstrument(specFromPreset('diatonic', preset))), key(scale, tonic));
  const perNote = ({ octaves, best, notes }: KeyCell) => octaves[best!]!.total / notes;
  const c = cell('60', 'major', 'C');
  expect(c.have).toBe(c.of);
  expect(c.ease).toBeCloseTo(perNote(c));
  // On a C harmonica in G two of nineteen notes are lacking; 3 and 6 come plain, B and E.
  const blues = cell('60', 'blues-six', 'G');
  expect([blues.have, blues.of]).toEqual([17, 19]);
  expect(blues.ease).toBeCloseTo(perNote(blues) + 2 * (2 / 19 - 0.05));
  // On an F harmonica B is a bend, and 3rd position is taken less than 2nd.
  const third = cell('65', 'blues-six', 'G');
  expect(third.ease).toBeCloseTo(perNote(third) + 2 * Math.max(0, 1 / 19 - 0.05) + 0.7 + 0.12);
});

test.each(FAMILY_IDS)(
  '%s: a suggestion keeps its word: set as it says, the instrument gives that cell',
  (id) => {
    for (const of of KEYS) {
      for (const { spec, settings, cell, todo } of suggestionsFor(first(id), of)) {
        const there = expectOk(adjusted(first(id), settings));
        expect(there.instrument.spec).toEqual(spec);
        expect(todo.slice(0, there.todo.length)).toEqual(there.todo);
        const set = expectOk(openInstrument(spec));
        expect(cellOf(set, of)).toEqual(cell);
        expect(new Set(todo).size).toBe(todo.length);
        for (const step of todo) expect(step).toMatch(/^[a-z]/);
      }
    }
  },
);

test('a whole cabinet is ranked: complete octaves before none; then by what is hard; what must be set first counts half a note’s effort more', () => {
  const cabinet = FAMILY_IDS.map(first);
  for (const of of KEYS) {
    const ranked = everythingFor(cabinet, of);
    expect(new Set(ranked.map((s) => s.spec.family)).size).toBe(FAMILY_IDS.length);
    const whole = ranked.map(({ cell }) => cell.octaves.length > 0);
    expect(whole.lastIndexOf(true)).toBeLessThan(whole.includes(false) ? whole.indexOf(false) : Infinity);
    const hard = ranked.map(({ cell }) => cell.octaves[cell.best ?? -1]?.hard.length ?? 9);
    expect(hard).toEqual([...hard].sort((a, b) => a - b));
    const ease = ranked.map(({ cell, settings }) => cell.ease + 0.5 * settings.length);
    for (const [i, rank] of ease.entries())
      if (hard[i] === hard[i - 1]) expect(rank).toBeGreaterThanOrEqual(ease[i - 1]!);
  }
});

test('an empty cabinet suggests nothing', () => {
  expect(everythingFor([], KEYS[0]!)).toEqual([]);
  expect(noteText(KEYS[1]!.tonic)).toBe('F');
});

test('what cannot be set on the spot is refused, and what is set already asks nothing', () => {
  const dulcimer = first('dulcimer');
  const fieldOf = (option: string, choice: string) => {
    const result = adjusted(dulcimer, [{ option, choice }]);
    return result.ok ? undefined : result.problems[0]!.field;
  };
  expect(fieldOf('fretboard', 'chromatic')).toBe('option');
  expect(fieldOf('wings', '2')).toBe('option');
  expect(fieldOf('capo', '99')).toBe('choice');
  expect(expectOk(adjusted(dulcimer, [{ option: 'capo', choice: '0' }]))).toEqual({
    instrument: dulcimer,
    todo: [],
    parts: 0,
    semitones: 0,
  });
  const capo = expectOk(adjusted(dulcimer, [{ option: 'capo', choice: '3' }]));
  const back = expectOk(adjusted(capo.instrument, [{ option: 'capo', choice: '0' }]));
  expect(back.todo).toEqual(['take the capo off']);
  expect(back.instrument.layout).toEqual(dulcimer.layout);
});
