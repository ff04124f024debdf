/** What an instrument can be brought to without a workshop, against trying out everything that can be set. */
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { adjusted } from '../src/keys/adjusted.ts';
import { byEase, contextsFor, keyCell, type KeyCell } from '../src/keys/keyCell.ts';
import { everythingFor, suggestionsFor } from '../src/keys/suggestions.ts';
import { noteText, parseNote } from '../src/pitch/noteName.ts';
import { expectOk } from '../src/result.ts';
import { defaultPreferences } from '../src/route/preferences.ts';
import { keyOf, scaleById, type Key } from '../src/scale/scale.ts';

const key = (scale: string, tonic: string) => keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
const cellOf = (instrument: Instrument, of: Key) =>
  keyCell(instrument, of, contextsFor(defaultPreferences(instrument.family)));
const first = (id: FamilyId) => expectOk(openInstrument(specFromPreset(id, families[id].presets[0]!.id)));

/** Every setting of all options that are set by hand, one option after the other, this instrument included. */
function everySetting(instrument: Instrument): Instrument[] {
  const options = instrument.options.filter((option) => option.retune);
  return options.reduce<Instrument[]>(
    (settings, option) =>
      settings.flatMap((one) =>
        option.choices.map(({ id }) => {
          const now = one.options.find((o) => o.id === option.id)!;
          if (now.value === id) return one;
          return expectOk(openInstrument({ ...one.spec, layout: one.withOption(option.id, id) }));
        }),
      ),
    [instrument],
  );
}

const KEYS = [key('major', 'A'), key('dorian', 'F'), key('minor-pentatonic', 'Eb')];

test.each(FAMILY_IDS)('%s: no setting by hand serves better than what is suggested', (id) => {
  const instrument = first(id);
  const settings = everySetting(instrument);
  for (const of of KEYS) {
    const found = suggestionsFor(instrument, of);
    const best = found[0]!.cell;
    for (const setting of settings) expect(byEase(best, cellOf(setting, of))).toBeLessThanOrEqual(0);
    expect(found.length).toBeLessThanOrEqual(2);
    const standing = found.at(-1)!;
    expect(standing.spec.layout).toEqual(instrument.layout);
    if (found.length === 2) {
      expect(byEase(best, standing.cell)).toBeLessThan(0);
      expect(found[0]!.todo.length).toBeGreaterThan(0);
    }
  }
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

test('a whole cabinet is ranked: complete octaves before none, and never a worse one before a better', () => {
  const cabinet = FAMILY_IDS.map(first);
  for (const of of KEYS) {
    const ranked = everythingFor(cabinet, of);
    expect(new Set(ranked.map((s) => s.spec.family)).size).toBe(FAMILY_IDS.length);
    const cells: KeyCell[] = ranked.map((s) => s.cell);
    for (const [i, cell] of cells.entries())
      if (i > 0) expect(byEase(cells[i - 1]!, cell)).toBeLessThanOrEqual(0);
    const whole = cells.map((cell) => cell.octaves.length > 0);
    expect(whole.lastIndexOf(true)).toBeLessThan(whole.includes(false) ? whole.indexOf(false) : Infinity);
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
  });
  const capo = expectOk(adjusted(dulcimer, [{ option: 'capo', choice: '3' }]));
  const back = expectOk(adjusted(capo.instrument, [{ option: 'capo', choice: '0' }]));
  expect(back.todo).toEqual(['take the capo off']);
  expect(back.instrument.layout).toEqual(dulcimer.layout);
});
