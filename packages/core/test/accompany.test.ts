import { families, FAMILY_IDS } from '../src/families/index.ts';
import { openInstrument, specFromPreset } from '../src/instrument/instrument.ts';
import { parsePitch } from '../src/pitch/noteName.ts';
import { pitchClass } from '../src/pitch/pitch.ts';
import { soundingPitch } from '../src/pitch/spelledPitch.ts';
import { expectOk } from '../src/result.ts';
import { routingContext } from '../src/route/context.ts';
import {
  ADDED_VOICE,
  accompaniment,
  FULLNESSES,
  STYLES,
  type Company,
  type Fullness,
  type Style,
} from '../src/song/accompany.ts';
import { checkPlan, plainPlan, type ArrangementPlan } from '../src/song/arrangement.ts';
import { checkSong } from '../src/song/checkSong.ts';
import { planFromLink, planToLink } from '../src/song/planLink.ts';
import { songKeys } from '../src/song/songKeys.ts';
import { melodyLine } from '../src/song/songLine.ts';
import type { Song } from '../src/song/song.ts';
import { songView } from '../src/song/songView.ts';
import { readTabLine } from '../src/tab/tabLine.ts';
import { quarters } from '../src/time/ticks.ts';
import { songOf } from './samples/song.ts';

const song = songOf('E5 G5 C6 G5 | F5 A5 G5 B5 | C6*4', {
  chords: [
    { at: 0, symbol: 'C' },
    { at: quarters(4), symbol: 'F' },
    { at: quarters(6), symbol: 'G7' },
    { at: quarters(8), symbol: 'C' },
  ],
});
/** Pitch classes of each chord above its song's tonic, worked out by hand. */
const TONES: readonly (readonly [from: number, tones: readonly number[]])[] = [
  [0, [0, 4, 7]],
  [4, [5, 9, 0]],
  [6, [7, 11, 2, 5]],
  [8, [0, 4, 7]],
];

const company = (style: Style, fullness: Fullness, without: readonly string[] = []): Company => ({
  style,
  fullness,
  without,
});
/** All ways to play chords with a melody. */
const CHORDS_WITH = (['chords', 'rhythm', 'broken'] as const).flatMap((style) =>
  FULLNESSES.map((fullness) => company(style, fullness)),
);

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const instrument = expectOk(openInstrument(specFromPreset(id, family.presets[0]!.id)));
  const notation = { naming: 'key', dialect: family.dialects[0]!.id } as const;
  const base = plainPlan(family);
  const [best] = songKeys(instrument, song, base.preferences);
  const plan = (adds?: Company): ArrangementPlan => ({
    ...base,
    transpose: best!.transpose,
    ...(adds && { adds }),
  });
  const view = (adds?: Company) => songView(instrument, song, plan(adds), notation);

  test('what is added belongs to the chord, lies below the melody, and takes nothing of it away', () => {
    const alone = view();
    expect(alone.added).toEqual({ notes: [], price: [] });
    for (const company of CHORDS_WITH) {
      const { style, fullness } = company;
      const with_ = view(company);
      expect(with_.line.map(({ id, missing }) => [id, missing])).toEqual(
        alone.line.map(({ id, missing }) => [id, missing]),
      );
      const voice = with_.song.parts.flatMap(({ voices }) => voices).find((v) => v.id === ADDED_VOICE);
      expect(voice?.notes.length ?? 0).toBe(with_.added.notes.length);
      expect(checkSong(with_.song).ok).toBe(true);
      for (const note of voice?.notes ?? []) {
        const pitch = soundingPitch(note.pitch);
        const melody = with_.line.find(({ id }) => note.id.startsWith(`${id}+`))!;
        expect(pitch).toBeLessThan(melody.pitch);
        const [, tones] = TONES.findLast(([from]) => note.onset / quarters(1) >= from)!;
        expect(tones).toContain(pitchClass(pitch - best!.transpose));
      }
      if (style !== 'chords') continue;
      const most = { light: 1, medium: 2, full: 3 }[fullness];
      for (const { id: under } of with_.line)
        expect(with_.added.notes.filter((note) => note.under === under).length).toBeLessThanOrEqual(most);
    }
  });

  test('more is added the fuller it is, each note of it can be left out, and together they sound in tab', () => {
    for (const style of ['chords', 'rhythm', 'broken'] as const) {
      const counts = FULLNESSES.map((fullness) => view(company(style, fullness)).added.notes.length);
      expect(counts[0]!).toBeLessThanOrEqual(counts[1]!);
      expect(counts[1]!).toBeLessThanOrEqual(counts[2]!);
    }
    const full = view(company('chords', 'full'));
    const [first] = full.added.notes;
    if (!first) return;
    const read = full.tabText
      .split('\n')
      .flatMap((line) => expectOk(readTabLine(instrument, line, notation.dialect)))
      .filter(({ kind }) => kind === 'way' || kind === 'missing');
    expect(read).toHaveLength(full.line.length + full.added.notes.length);
    const less = view(company('chords', 'full', [first.id]));
    expect(less.added.notes.map(({ id }) => id)).toEqual(
      full.added.notes.map(({ id }) => id).filter((one) => one !== first.id),
    );
  });

  test('no two that are added clash with each other or with the melody', () => {
    const context = routingContext(instrument, base.preferences);
    const { song: moved } = view();
    const line = melodyLine(moved);
    for (const added of accompaniment(context, moved, line, company('chords', 'full'))) {
      const together = [line.find(({ id }) => id === added.under)!, added].sort((a, b) => a.pitch - b.pitch);
      const [low, high] = together.map(({ pitch }) => context.open(pitch, true));
      expect(low!.some((a) => high!.some((b) => !instrument.clash(a, b)))).toBe(true);
    }
  });

  test('it is kept with the plan and in links', () => {
    for (const { style, fullness } of STYLES.flatMap((style) =>
      FULLNESSES.map((fullness) => ({ style, fullness })),
    )) {
      const full = plan(company(style, fullness, ['n1+60', 'n2+64@480']));
      expect(planFromLink(planToLink(full, family), family)).toEqual(full);
      expect(expectOk(checkPlan(family, JSON.parse(JSON.stringify(full))))).toEqual(full);
    }
    expect(checkPlan(family, { ...plan(), adds: { style: 'chords', fullness: 'loud' } })).toMatchObject({
      problems: [{ field: 'adds.fullness' }],
    });
  });
});

test('families that can play chords add to a melody, in their own way', () => {
  const added = (id: keyof typeof families, fullness: Fullness) => {
    const family = families[id];
    const instrument = expectOk(openInstrument(specFromPreset(id, family.presets[0]!.id)));
    const plan = plainPlan(family);
    const [best] = songKeys(instrument, song, plan.preferences);
    return songView(
      instrument,
      song,
      { ...plan, transpose: best!.transpose, adds: company('chords', fullness) },
      { naming: 'key', dialect: family.dialects[0]!.id },
    ).added.notes.length;
  };
  // Four changes of chord; a harp has a free hand at each.
  expect(added('harp', 'light')).toBe(4);
  expect(added('english', 'light')).toBe(4);
  for (const id of ['diatonic', 'anglo', 'harp', 'english'] as const)
    expect([id, added(id, 'full') > 4]).toEqual([id, true]);
  // A whistle sounds one note at a time.
  expect(added('whistle', 'full')).toBe(0);
});

test('the notes of other voices that begin with the melody are held where the instrument can', () => {
  const [part] = songOf('C4 G3 E4 - | F4*2 G4*2 | E4*4').parts;
  const two = {
    ...song,
    parts: [
      ...song.parts,
      {
        ...part!,
        id: 'P2',
        voices: [
          {
            ...part!.voices[0]!,
            id: 'v2',
            notes: part!.voices[0]!.notes.map((note) => ({ ...note, id: `b${note.id}` })),
          },
        ],
      },
    ],
  };
  const harp = expectOk(openInstrument(specFromPreset('harp', families.harp.presets[0]!.id)));
  const plan = { ...plainPlan(families.harp), adds: company('written', 'full') } as const;
  const view = songView(harp, two, plan, { naming: 'key', dialect: families.harp.dialects[0]!.id });
  // C4, G3, E4 under the first three notes, F4 and G4 on the beats of the next bar, and E4.
  expect(view.added.notes.map(({ note }) => note)).toEqual(['C4', 'G3', 'E4', 'F4', 'G4', 'E4']);
});

test('a broken chord rises from the root with every half beat and begins anew with bar and chord', () => {
  const harp = expectOk(openInstrument(specFromPreset('harp', families.harp.presets[0]!.id)));
  const adds = company('broken', 'full');
  const view = (of: Song) =>
    songView(harp, of, { ...plainPlan(families.harp), adds }, { naming: 'key', dialect: 'notes' });
  const slow = songOf('C6*4 | B5*2 A5 -', {
    chords: [
      { at: 0, symbol: 'C' },
      { at: quarters(6), symbol: 'F' },
    ],
  });
  const shown = view(slow);
  // Root within 28 semitones of the melody (C4 under C6, F3 under A5), its fifth, octave and tenth; twice a bar.
  expect(shown.added.notes.map(({ note }) => note)).toEqual([
    ...['C4', 'G4', 'C5', 'E5', 'C4', 'G4', 'C5', 'E5'],
    ...['C4', 'G4', 'C5', 'E5', 'F3', 'C4'],
  ]);
  const voice = shown.song.parts.flatMap(({ voices }) => voices).find(({ id }) => id === ADDED_VOICE)!;
  expect(voice.notes.map(({ onset }) => (2 * onset) / quarters(1)).slice(-3)).toEqual([11, 12, 13]);
  expect(checkSong(shown.song).ok).toBe(true);
  // In a jig three to a beat, and none in the rest before it begins.
  const jig = songOf('- C6*3/2 G5*1/2', {
    metres: [{ at: 0, count: 6, unit: 8 }],
    chords: [{ at: 0, symbol: 'C' }],
  });
  const onsets = view(jig)
    .song.parts.at(-1)!
    .voices[0]!.notes.map(({ onset }) => (2 * onset) / quarters(1));
  expect(onsets).toEqual([2, 3, 4, 5]);
});

test('a broken chord rises from the lowest root that the instrument has', () => {
  const { presets } = families.harp;
  const little = expectOk(
    openInstrument(specFromPreset('harp', presets.find(({ id }) => id === 'f-22')!.id)),
  );
  const slow = songOf('A4*4', {
    keys: [{ at: 0, tonic: { letter: 'F', accidental: 0 }, scale: 'major' }],
    chords: [{ at: 0, symbol: 'F' }],
  });
  const context = routingContext(little, plainPlan(families.harp).preferences);
  const pitches = accompaniment(context, slow, melodyLine(slow), company('broken', 'full')).map(
    ({ pitch }) => pitch,
  );
  // F2 lies within reach below A4, but this harp begins above it: F3, C4.
  expect(context.has(41)).toBe(false);
  expect(pitches.slice(0, 2)).toEqual([53, 60]);
});

test('where notes do not ring on a broken chord has its notes with those of the melody', () => {
  const anglo = expectOk(openInstrument(specFromPreset('anglo', families.anglo.presets[0]!.id)));
  const context = routingContext(anglo, plainPlan(families.anglo).preferences);
  const line = melodyLine(song);
  const onsets = new Set(line.map(({ onset }) => onset));
  const added = accompaniment(context, song, line, company('broken', 'full'));
  expect(added.length).toBeGreaterThan(3);
  for (const { onset } of added) expect(onsets.has(onset)).toBe(true);
});

describe('an English concertina plays chords under E5 G5 C6 G5 A5 | F5 A5 G5 B5, C then F then G7', () => {
  const melody = songOf('E5 G5 C6 G5*1/2 A5*1/2 | F5 A5 G5 B5', {
    chords: [
      { at: 0, symbol: 'C' },
      { at: quarters(4), symbol: 'F' },
      { at: quarters(6), symbol: 'G7' },
    ],
  });
  /**
   * By hand, note by note: one root a chord, the lowest within 28 semitones below its notes (C3 under E5) and a fifth at most
   * from the one before; then fifth and third, over G7 third and seventh, the nearest below the melody; what the
   * melody has comes last, and not at all where it is B, the leading note. A5, short and beside the chord, has none.
   */
  const CHORDS = {
    // From C3 on.
    'tenor-treble': [
      ['C3', 'G4', 'E4'],
      ['C3', 'E5', 'G4'],
      ['C3', 'G5', 'E5'],
      ['C3', 'E5', 'G4'],
      [],
      ['F3', 'C5', 'A4'],
      ['F3', 'C5', 'A4'],
      ['G3', 'B4', 'F5'],
      ['G3', 'F5', 'D5'],
    ],
    // From G3 on: no C3, no F3.
    treble: [
      ['C4', 'G4', 'E4'],
      ['C4', 'E5', 'G4'],
      ['C4', 'G5', 'E5'],
      ['C4', 'E5', 'G4'],
      [],
      ['F4', 'C5', 'A4'],
      ['F4', 'C5', 'A4'],
      ['G4', 'B4', 'F5'],
      ['G4', 'F5', 'D5'],
    ],
  };
  /** Places of the notes that get something: where a chord begins, on every beat, all. */
  const PLACES = { light: [0, 5, 7], medium: [0, 1, 2, 3, 5, 6, 7, 8], full: [0, 1, 2, 3, 4, 5, 6, 7, 8] };
  const MOST = { light: 1, medium: 2, full: 3 };

  test.each([
    ['treble', 'light'],
    ['treble', 'medium'],
    ['treble', 'full'],
    ['tenor-treble', 'light'],
    ['tenor-treble', 'medium'],
    ['tenor-treble', 'full'],
  ] as const)('%s, %s', (preset, fullness) => {
    const instrument = expectOk(openInstrument(specFromPreset('english', preset)));
    const context = routingContext(instrument, plainPlan(families.english).preferences);
    const line = melodyLine(melody);
    const added = accompaniment(context, melody, line, company('chords', fullness));
    const byHand = PLACES[fullness].flatMap((place) =>
      CHORDS[preset][place]!.slice(0, MOST[fullness]).map((name) => ({
        under: line[place]!.id,
        onset: line[place]!.onset,
        length: line[place]!.length,
        pitch: expectOk(parsePitch(name)),
      })),
    );
    expect(added.map(({ under, onset, length, pitch }) => ({ under, onset, length, pitch }))).toEqual(byHand);
  });
});

/**
 * On a C harmonica 1 and 4 are an octave apart blown and drawn, so are 3 and 7 drawn; F5 and A5 (5 and 6 draw) have none. A
 * is the fifth of D minor, whose root 4 draw goes with it across one hole.
 */
test.each([
  ['light', ['C4', undefined, undefined, undefined, 'C4']],
  ['medium', ['C4', 'D4', undefined, 'B4', 'C4']],
  ['full', ['C4', 'D4', 'D5', 'B4', 'C4']],
] as const)('the melody in octaves on a harmonica, %s: %j', (fullness, below) => {
  const tune = songOf('C5*1/2 D5*1/2 A5*1/2 B5*1/2 | C5', {
    metres: [{ at: 0, count: 2, unit: 4 }],
    chords: [
      { at: 0, symbol: 'C' },
      { at: quarters(1), symbol: 'Dm' },
      { at: quarters(2), symbol: 'C' },
    ],
  });
  const instrument = expectOk(openInstrument(specFromPreset('diatonic', '60')));
  const plan = { ...plainPlan(families.diatonic), adds: company('octaves', fullness) };
  const view = songView(instrument, tune, plan, { naming: 'key', dialect: 'signs' });
  const added = view.line.map(({ id }) => view.added.notes.find(({ under }) => under === id)?.note);
  expect(added).toEqual(below);
});

test('chord style on a dulcimer: the tune stays on its string, in holds that a hand spans', () => {
  const tune = songOf('A4*4 | D5*4 | E5*4', {
    chords: ['G', 'D', 'G'].map((symbol, bar) => ({ at: quarters(4 * bar), symbol })),
  });
  const dulcimer = expectOk(openInstrument(specFromPreset('dulcimer', 'd3-a3-d4')));
  const base = plainPlan(families.dulcimer);
  const { tabText } = songView(
    dulcimer,
    tune,
    {
      ...base,
      transpose: 0,
      preferences: { ...base.preferences, preset: 'chord' },
      adds: company('chords', 'medium'),
    },
    { naming: 'key', dialect: families.dulcimer.dialects[0]!.id },
  );
  expect(tabText.replace(/bass |mid |mel /g, '').replaceAll(' + ', '-')).toBe('3-3-4 | 0-7-7 | 10-10-8 |');
});
