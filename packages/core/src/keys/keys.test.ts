import { routeOf } from '../../test/instruments.ts';
import { families, FAMILY_IDS } from '../families/index.ts';
import { openInstrument, specFromPreset, type Instrument } from '../instrument/instrument.ts';
import { noteCode, notePitchClass, parseNote } from '../pitch/noteName.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { homeInPosition, usualInstrument } from './position.ts';
import { expectOk } from '../result.ts';
import { routingContext } from '../route/context.ts';
import { evenLine } from '../route/line.ts';
import { defaultPreferences, resolvePreferences } from '../route/preferences.ts';
import { routeLine } from '../route/route.ts';
import { keyOf, scaleById, SCALES, USUAL_KEYS } from '../scale/scale.ts';
import { octavesInFull } from './keyCell.ts';
import { keyTable } from './keyTable.ts';
import { everythingFor, presetsFor, suggestionsFor } from './suggestions.ts';
import { switchKeys } from './switching.ts';

const scale = (id: string) => expectOk(scaleById(id));
const note = (text: string) => expectOk(parseNote(text));
const open = (family: string, preset: string, more: object = {}): Instrument =>
  expectOk(openInstrument({ ...specFromPreset(family, preset), ...more }));
const firstOf = (id: string) => open(id, families[id as 'drum'].presets[0]!.id);

describe.each(FAMILY_IDS)('the table of a %s', (id) => {
  const base = firstOf(id);
  const preferences = defaultPreferences(base.family);
  const { avoid } = resolvePreferences(base.family, preferences);
  const scales = ['major', 'minor-pentatonic', 'harmonic-minor'].map(scale);
  const table = keyTable(base, scales, preferences);

  test('says what trying out every note and octave one by one says', () => {
    for (const cell of table.rows.flat()) {
      const key = keyOf(scale(cell.scale), note(cell.tonic));
      const instrument = base.forKey(key);
      const usable = instrument.ways.filter((w) => w.able && !avoid.has(w.technique)).map((w) => w.pitch);
      const members = key.scale.semitones.map((s) => pitchClass(key.home + s));
      const wanted: number[] = [];
      for (let p = Math.min(...usable); p <= Math.max(...usable); p += 1)
        if (members.includes(pitchClass(p))) wanted.push(p);
      // Of a set of pitches each pitch class counts once, as it first comes from the lowest pitch on.
      const counted = base.family.isPitchSet ? wanted.filter((p) => p < Math.min(...usable) + 12) : wanted;
      const had = base.family.isPitchSet ? usable.map(pitchClass) : usable;
      const asHad = (p: number) => (base.family.isPitchSet ? pitchClass(p) : p);
      expect(cell.of).toBe(base.family.isPitchSet ? members.length : counted.length);
      expect(cell.missing).toEqual(cell.missing.filter((p) => !had.includes(asHad(p))));
      expect(cell.missing).toHaveLength(
        base.family.isPitchSet
          ? members.filter((pc) => !had.includes(pc)).length
          : counted.filter((p) => !usable.includes(p)).length,
      );
      expect(cell.have).toBe(cell.of - cell.missing.length);
      const complete = wanted.filter(
        (p) =>
          pitchClass(p) === key.home &&
          wanted.includes(p + 12) &&
          wanted.filter((q) => q >= p && q <= p + 12).every((q) => usable.includes(q)),
      );
      expect(cell.octaves.map((o) => o.from)).toEqual(complete);
      for (const octave of cell.octaves) {
        const pitches = wanted.filter((p) => p >= octave.from && p <= octave.from + 12);
        // Keys are ranked without what is fine in what a line leaves behind.
        const rough = routingContext(instrument, preferences, { isRough: true });
        expect(octave.total).toBeCloseTo(routeLine(rough, evenLine(pitches)).effort.total, 8);
      }
      // An octave costs at most six tenths of a note's effort more for each octave that it lies nearer to where players begin.
      const near = instrument.beginsNear(key);
      const costs = cell.octaves.map(({ from, total }) => {
        return total / cell.notes + (near === undefined ? 0 : (0.6 * Math.abs(from - near)) / 12);
      });
      expect(cell.best === undefined).toBe(costs.length === 0);
      if (cell.best !== undefined)
        expect(costs[cell.best]! - Math.min(...costs)).toBeLessThanOrEqual(
          (0.1 * Math.max(...cell.octaves.map(({ total }) => total))) / cell.notes,
        );
    }
  });

  test('every octave in full is the route of its line: its tab, and its effort in parts', () => {
    const dialect = base.family.dialects[0]!.id;
    for (const cell of [table.rows[2]![0]!, table.rows[10]![1]!]) {
      const key = keyOf(scale(cell.scale), note(cell.tonic));
      const instrument = base.forKey(key);
      const octaves = octavesInFull(base, key, preferences, dialect);
      expect(octaves.map(({ from, total, hard }) => ({ from, total, hard }))).toEqual(cell.octaves);
      if (cell.best !== undefined) expect(octaves[cell.best]!.demands).toEqual(cell.demands);
      for (const octave of octaves) {
        const pitches = [...key.scale.semitones.map((s) => octave.from + s), octave.from + 12];
        const route = routeOf(instrument, pitches, preferences);
        const nameOf = (pitch: number) => key.names[pitchClass(pitch - key.home)];
        const tab = route.notes.map((n) => instrument.tab(n.way!, dialect, nameOf(n.pitch)));
        expect(octave.tab).toEqual(tab);
        const counted = route.effort.terms.filter((p) => p.count > 0).map((p) => [p.id, p.count]);
        expect(octave.demands.map((p) => [p.id, p.count])).toEqual(counted);
      }
    }
  });
});

test('of octaves that cost the same the best is where a player begins: on a harp the nearest to middle C', () => {
  const table = keyTable(open('harp', 'eb-34'), [scale('major')], defaultPreferences(families.harp));
  const { octaves, best } = table.rows[7]![0]!;
  expect(octaves.map(({ from }) => from)).toEqual([43, 55, 67, 79]);
  expect(new Set(octaves.map(({ total }) => total.toFixed(6))).size).toBe(1);
  // G3 lies 5 semitones below C4, G4 7 above it.
  expect(octaves[best!]!.from).toBe(55);
  // Without such a place it is the lowest.
  const low = keyTable(open('drum', 'bb-major-15'), [scale('major')], defaultPreferences(families.drum));
  const drum = low.rows[10]![0]!;
  expect(drum.octaves.map(({ total }) => total)).toEqual([0, 0].slice(0, drum.octaves.length));
  expect(drum.best).toBe(0);
});

test('positions of all twelve keys on all twelve harmonicas: steps of fifths from the instrument’s key, plus one', () => {
  for (const preset of families.diatonic.presets.filter((p) => p.group === 'Usual keys')) {
    const instrument = open('diatonic', preset.id);
    let pc = instrument.home;
    for (let position = 1; position <= 12; position += 1) {
      const key = keyOf(scale('major'), USUAL_KEYS[pc]!);
      expect(instrument.facts(key)[0]).toMatch(new RegExp(`^${position}(st|nd|rd|th) position$`));
      pc = pitchClass(pc + 7);
    }
    expect(pc).toBe(instrument.home);
  }
});

test('one position gives three octaves of a scale and another fewer, whatever the key of the harmonica', () => {
  for (const preset of ['56', '58', '65']) {
    const capability = { overblow: ['1', '4', '5', '6'], overdraw: ['7', '9', '10'] };
    const instrument = open('diatonic', preset, { capability });
    const table = keyTable(instrument, [scale('major')], defaultPreferences(instrument.family));
    const octaves = (position: number) =>
      table.rows[pitchClass(instrument.home + 7 * (position - 1))]![0]!.octaves.length;
    expect(octaves(1)).toBe(3);
    expect(octaves(2)).toBe(2);
  }
});

test('what to do for a key is enough: on the layout it leads to, nothing more is missing than is told', () => {
  const key = keyOf(scale('major'), note('A'));
  for (const id of FAMILY_IDS) {
    for (const { spec, cell } of suggestionsFor(firstOf(id), key)) {
      const instrument = expectOk(openInstrument(spec)).forKey(key);
      const usable = instrument.ways.filter((w) => w.able).map((w) => w.pitch);
      expect(cell.missing.every((pitch) => !usable.includes(pitch))).toBe(true);
    }
  }
});

test.each([
  ['c-34', 'C'],
  ['eb-34', 'Eb'],
  ['f-22', 'F'],
] as const)('the harp %s is first of all in %s, in which no lever is up', (preset, tonic) => {
  const table = keyTable(open('harp', preset), [scale('major')], defaultPreferences(families.harp));
  const cells = table.rows.flat().sort((a, b) => a.ease - b.ease);
  expect(cells[0]!.tonic).toBe(tonic);
});

test('a dulcimer in C G C is told to be tuned or capoed for D, and the harp which levers to raise', () => {
  const key = keyOf(scale('major'), note('D'));
  const [standing, better] = suggestionsFor(open('dulcimer', 'c3-g3-c4'), key);
  expect(standing!.todo).toEqual([]);
  expect(better!.todo.join()).toMatch(/tune the|capo/);
  expect(better!.cell.octaves.length).toBeGreaterThan(standing!.cell.octaves.length);
  expect(suggestionsFor(open('harp', 'c-34'), key)[0]!.todo).toEqual([
    'raise the F levers',
    'raise the C levers',
  ]);
});

test('everything I have for E♭: the best comes first, and what cannot play it last', () => {
  const instruments = [
    open('drum', 'c-major-8'),
    open('diatonic', '56'),
    open('whistle', '75'),
    open('anglo', 'C-G-two-rows'),
  ];
  const ranked = everythingFor(instruments, keyOf(scale('major'), note('Eb')));
  expect(ranked[0]!.spec.name).toContain('E♭ whistle');
  expect(ranked.at(-1)!.cell.best).toBeUndefined();
  expect(everythingFor([], keyOf(scale('major'), note('Eb')))).toEqual([]);
});

test('which whistle for B♭ major: B♭ itself and F, whose fourth it is, before those that need half-holes', () => {
  const ranked = presetsFor('whistle', keyOf(scale('major'), note('Bb')));
  const easy = ranked
    .filter((s) => s.cell.octaves[s.cell.best ?? -1]?.hard.length === 0)
    .map((s) => s.spec.name);
  expect(easy.some((name) => name.startsWith('B♭ whistle'))).toBe(true);
  expect(ranked).toHaveLength(families.whistle.presets.length);
});

describe('switching', () => {
  test.each([
    ['C', 'G', ['raise the F levers']],
    ['A', 'C', ['lower the F levers', 'lower the C levers', 'lower the G levers']],
  ])('a harp from %s to %s: levers, applied one after the other, give the other key', (from, to, todo) => {
    const harp = open('harp', 'c-34');
    const keyTo = keyOf(scale('major'), note(to));
    const change = switchKeys(harp, keyOf(scale('major'), note(from)), keyTo, {
      dialect: 'notes',
      naming: 'key',
    });
    expect(change.todo).toEqual(todo);
    const up = new Set(harp.forKey(keyOf(scale('major'), note(from))).settings.map((s) => s.id));
    for (const step of change.todo) {
      const letter = / the (.) levers/.exec(step)![1]!;
      if (step.startsWith('raise')) up.add(letter);
      else up.delete(letter);
    }
    expect([...up].sort()).toEqual(
      harp
        .forKey(keyTo)
        .settings.map((s) => s.id)
        .sort(),
    );
  });

  test('from G major to its blues a harmonica keeps the thirds, sixths and seconds of the chords', () => {
    const change = switchKeys(
      open('diatonic', '60'),
      keyOf(scale('major'), note('G')),
      keyOf(scale('blues-six'), note('G')),
      { dialect: 'words', naming: 'key' },
    );
    const kept = change.keep.map(({ id }) => id);
    expect(kept).toEqual(expect.arrayContaining(['2b', '3d', '5b', '6d', '7d', '8b']));
    expect(change.take.map(({ id }) => id)).toContain('3d1');
  });

  test('a harmonica from its own key to a fifth up: ways left out, ways taken in, and nothing both', () => {
    const change = switchKeys(
      open('diatonic', '58'),
      keyOf(scale('major'), note('Bb')),
      keyOf(scale('major'), note('F')),
      { dialect: 'words', naming: 'key' },
    );
    const ids = (ways: readonly { id: string }[]) => ways.map((w) => w.id);
    expect(change.todo).toEqual([]);
    expect(ids(change.drop)).toEqual(expect.arrayContaining(['5d', '9d']));
    expect(ids(change.take)).toEqual(expect.arrayContaining(['2d1']));
    expect(
      ids(change.keep).filter((id) => ids(change.drop).includes(id) || ids(change.take).includes(id)),
    ).toEqual([]);
    expect(change.facts).toEqual([['1st position'], ['2nd position']]);
  });
});

test('a scale of twelve notes and one of two are answered like any other', () => {
  for (const id of ['chromatic', 'custom:1-5'].map((s) => SCALES.find((x) => x.id === s)?.id ?? s)) {
    const found = scaleById(id);
    if (!found.ok) continue;
    const table = keyTable(open('english', 'treble'), [found.value], defaultPreferences(families.english));
    expect(table.rows.flat().every((cell) => cell.have === cell.of && cell.octaves.length > 0)).toBe(true);
    expect(table.rows.map((row) => row[0]!.home)).toEqual(Array.from({ length: 12 }, (_, i) => i));
    expect(table.rows.every((row) => notePitchClass(note(row[0]!.tonic)) === row[0]!.home)).toBe(true);
    expect(noteCode(note(table.rows[0]![0]!.tonic))).toBe(table.rows[0]![0]!.tonic);
  }
});

test.each([
  // Key, position, harmonica: blues in G is played on C in 2nd, on F in 3rd position.
  [7, 2, 0],
  [7, 3, 5],
  [7, 1, 7],
  [0, 12, 7],
  [10, 2, 3],
])('pitch class %i in position %i lies on the harmonica in %i', (key, position, home) => {
  expect(homeInPosition(key, position)).toBe(home);
  const { family, preset } = usualInstrument(home);
  expect(open(family, preset).facts(keyOf(scale('major'), USUAL_KEYS[key]!))[0]).toMatch(
    new RegExp(`^${position}(st|nd|rd|th) position$`),
  );
});

test('tab with notes in it is spelled as the key is', () => {
  const treble = open('english', 'treble');
  const [c, dFlat, b] = ['C', 'Db', 'B'].map((tonic) => keyOf(scale('major'), note(tonic)));
  const { drop, take } = switchKeys(treble, c!, dFlat!, { dialect: 'notes', naming: 'key' });
  const tabs = (ways: readonly { readonly tab: string }[]) =>
    ways.map(({ tab }) => tab.replace(/^[LR] /, ''));
  // D is not in D♭ major and G♭ is; C and F stay.
  expect(tabs(drop).some((tab) => tab.startsWith('D4'))).toBe(true);
  expect(tabs(take).some((tab) => tab.startsWith('G♭4'))).toBe(true);
  expect(tabs(take).some((tab) => /[♯#]/.test(tab))).toBe(false);
  const [octave] = octavesInFull(treble, b!, defaultPreferences(treble.family), 'notes');
  expect(octave!.tab.map((tab) => /[A-G][♯♭]?/.exec(tab.slice(1))![0])).toEqual([
    'B',
    'C♯',
    'D♯',
    'E',
    'F♯',
    'G♯',
    'A♯',
    'B',
  ]);
});

describe('which drum', () => {
  const drumsFor = (tonic: string, id: string) =>
    presetsFor('drum', keyOf(scale(id), note(tonic))).map(({ label }) => label);

  test.each([
    ['D', 'natural-minor', 'D natural minor, 9'],
    // It has all of F major; C major lacks B♭, B♭ major lacks E.
    ['F', 'major', 'D natural minor, 9'],
    // It has the notes of C major and two tongues more than the drum in C.
    ['C', 'major', 'G Mixolydian, 10'],
    ['F', 'major-pentatonic', 'F major pentatonic, 8'],
    ['A', 'minor-pentatonic', 'A minor pentatonic, 13'],
    ['G', 'mixolydian', 'G Mixolydian, 10'],
  ])('for %s %s is taken first: %s', (tonic, id, first) => {
    expect(drumsFor(tonic, id)[0]).toBe(first);
  });

  test('a drum that has the whole scale stands before what lacks some of it, on every family', () => {
    const instruments = [
      ...['55', '60', '62'].map((preset) => open('diatonic', preset)),
      open('whistle', '74'),
      ...['c-major-8', 'd-minor-9', 'f-major-five-8'].map((preset) => open('drum', preset)),
    ];
    const ranked = everythingFor(instruments, keyOf(scale('natural-minor'), note('D')));
    expect(ranked[0]!.spec.name).toBe(open('drum', 'd-minor-9').spec.name);
    expect(ranked[0]!.cell).toMatchObject({ have: 7, of: 7, lies: true, missing: [] });
    // Five notes of seven: no B♭ and no E on the F major pentatonic drum (F G A C D).
    const five = ranked.find(({ spec }) => spec.name === open('drum', 'f-major-five-8').spec.name)!;
    expect(five.cell).toMatchObject({ have: 5, of: 7, lies: false });
  });
});

test.each([
  // The highest note of each, and where an octave begins that lacks only its last note, by hand.
  ['whistle', '74', 'major', 'D', [74], [86]], // D5 to C♯7: D7 is not there.
  ['english', 'treble', 'major', 'Db', [61, 73], [85]], // up to C7: D♭7 is not there.
  ['english', 'treble', 'major', 'C', [60, 72, 84], []],
  ['chromatic', '60-12', 'major', 'Eb', [63, 75], [87]], // up to D7: E♭7 is not there.
  ['diatonic', '60', 'minor-pentatonic', 'D', [62, 74], [86]], // up to C7: D7 is not there.
] as const)('%s %s in %s on %s: complete octaves, and those that lack only their end', (...told) => {
  const [id, preset, scaleId, tonic, octaves, almost] = told;
  const base = open(id, preset);
  const table = keyTable(base, [scale(scaleId)], defaultPreferences(base.family));
  const cell = table.rows.flat().find((one) => one.home === notePitchClass(note(tonic)))!;
  expect(cell.octaves.map(({ from }) => from)).toEqual(octaves);
  expect(cell.almost).toEqual(almost);
});

test('ease is the effort of a note in the easiest octave, and what is lacking beyond one note in twenty counts twice', () => {
  for (const id of ['chromatic', 'whistle', 'english', 'dulcimer'] as const) {
    const base = firstOf(id);
    for (const cell of keyTable(base, [scale('major')], defaultPreferences(base.family)).rows.flat()) {
      const lacking = 2 * Math.max(0, cell.missing.length / cell.of - 0.05);
      // Eight notes from home to home; without a complete octave a key does not lie there at all.
      const effort = Math.min(800, ...cell.octaves.map(({ total }) => total)) / 8;
      expect(cell.ease).toBeCloseTo(effort + lacking, 10);
    }
  }
});

test('on a set of pitches lacking notes weigh before those outside, the fewer pitches and a lowest that is not home', () => {
  const ease = (preset: string, scaleId: string, tonic: string) => {
    const base = open('drum', preset);
    const { rows } = keyTable(base, [scale(scaleId)], defaultPreferences(base.family));
    return rows.flat().find(({ home }) => home === notePitchClass(note(tonic)))!.ease;
  };
  // C major on eight tongues of C major: nothing lacks, nothing is outside, home is lowest.
  expect(ease('c-major-8', 'major', 'C')).toBeCloseTo(1e-5 * (100 - 8), 12);
  // The same notes from A on: only that the lowest is not home.
  expect(ease('c-major-8', 'natural-minor', 'A')).toBeCloseTo(1e-5 * (100 - 8) + 1e-6, 12);
  // G major lacks F♯, one of seven; F of eight tongues is outside.
  expect(ease('c-major-8', 'major', 'G')).toBeCloseTo(2 / 7 + 0.1 / 8 + 1e-5 * (100 - 8) + 1e-6, 12);
});
