import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { openInstrument, specFromPreset } from '../src/instrument/instrument.ts';
import { noteText } from '../src/pitch/noteName.ts';
import { expectOk } from '../src/result.ts';
import { ADDED_VOICE, type Company, type Fullness } from '../src/song/accompany.ts';
import { plainPlan } from '../src/song/arrangement.ts';
import type { Song, SongNote } from '../src/song/song.ts';
import { playedWith } from '../src/song/playedWith.ts';
import { countingOfSong, melodyLine } from '../src/song/songLine.ts';
import { songAlternatives, songView, type SongView } from '../src/song/songView.ts';
import { routingContext } from '../src/route/context.ts';
import { quarters } from '../src/time/ticks.ts';
import { songOf } from './samples/song.ts';

const WALTZ = songOf('E5*2 G5 | C6*2 G5 | A5*2 F5 | E5*3', {
  metres: [{ at: 0, count: 3, unit: 4 }],
  chords: [
    { at: 0, symbol: 'C' },
    { at: quarters(6), symbol: 'F' },
    { at: quarters(9), symbol: 'C' },
  ],
});

const JIG = songOf('A4*1/2 | D5*1/2 F♯5*1/2 A5*1/2 A5*3/2 | G5*3/2 F♯5*3/2', {
  metres: [{ at: 0, count: 6, unit: 8 }],
  keys: [{ at: 0, tonic: { letter: 'D', accidental: 0 }, scale: 'major' }],
  chords: [
    { at: 0, symbol: 'D' },
    { at: quarters(7, 2), symbol: 'G' },
    { at: quarters(10, 2), symbol: 'D' },
  ],
});

const REEL = songOf('G4 B4*1/2 D5*1/2 G5*1/2 D5*1/2 B4*1/2 D5*1/2 | D5*2 G5*2', {
  keys: [{ at: 0, tonic: { letter: 'G', accidental: 0 }, scale: 'major' }],
  chords: [
    { at: 0, symbol: 'G' },
    { at: quarters(4), symbol: 'D' },
    { at: quarters(6), symbol: 'G' },
  ],
});

function played(id: FamilyId, preset: string, song: Song, fullness: Fullness): SongView {
  const family = families[id];
  const instrument = expectOk(openInstrument(specFromPreset(id, preset)));
  const plan = {
    ...plainPlan(family),
    transpose: 0,
    adds: { style: 'rhythm' as const, fullness, without: [] },
  };
  return songView(instrument, song, plan, { naming: 'key', dialect: family.dialects[0]!.id });
}

function addedNotes({ song }: SongView): readonly SongNote[] {
  return song.parts.flatMap(({ voices }) => voices).find(({ id }) => id === ADDED_VOICE)?.notes ?? [];
}

/** What begins together, in quarters since the song began: `0 C3`. */
function asText(view: SongView): readonly string[] {
  const at = new Map<number, string[]>();
  for (const { onset, pitch } of addedNotes(view)) {
    const quarter = Math.round((1000 * onset) / quarters(1)) / 1000;
    at.set(quarter, [...(at.get(quarter) ?? []), `${noteText(pitch)}${pitch.octave}`]);
  }
  return [...at].map(([quarter, names]) => `${quarter} ${names.join(' ')}`);
}

describe('bass and chords in the rhythm of the dance, by hand', () => {
  test('a waltz has the bass on one and the chord on two and three, root and fifth in turn', () => {
    expect(asText(played('harp', 'c-34', WALTZ, 'medium'))).toEqual([
      ...['0 C3', '1 E4 G4', '2 E4 G4'],
      ...['3 G3', '4 E4 G4', '5 E4 G4'],
      ...['6 F3', '7 A4 C5', '8 A4 C5'],
      ...['9 C3', '10 E4 G4', '11 E4 G4'],
    ]);
  });

  test('a jig has the bass on the dotted beats and the chord on the last eighth of each, nothing in the upbeat', () => {
    // The upbeat is an eighth; D3 and its fifth, then G3 and D3 at the change.
    expect(asText(played('harp', 'c-34', JIG, 'medium'))).toEqual([
      ...['0.5 D3', '1.5 F♯4 A4', '2 A3', '3 F♯4 A4'],
      ...['3.5 G3', '4.5 B4 D5', '5 D3', '6 F♯4 A4'],
    ]);
  });

  test('a reel in four is felt in two: bass on one and three, chords between', () => {
    expect(asText(played('english', 'tenor-treble', REEL, 'light'))).toEqual([
      '0 G3',
      '2 D4',
      '4 D3',
      '6 G3',
    ]);
    const times = addedNotes(played('english', 'tenor-treble', REEL, 'full')).map(
      ({ onset }) => onset / quarters(1),
    );
    expect([...new Set(times)]).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
  });

  test('each note lasts until the next, and in a light waltz the bass fills its bar', () => {
    const lengths = (fullness: Fullness) =>
      addedNotes(played('harp', 'c-34', WALTZ, fullness)).map(({ length }) => length / quarters(1));
    expect(lengths('light')).toEqual([3, 3, 3, 3]);
    expect(new Set(lengths('medium'))).toEqual(new Set([1]));
  });

  test('what rings by itself rings on while its hand plays elsewhere, until its own string is struck', () => {
    const low = songOf('G3 B3 A3 | G3 G2 B3', {
      metres: [{ at: 0, count: 3, unit: 4 }],
      keys: [{ at: 0, tonic: { letter: 'G', accidental: 0 }, scale: 'major' }],
      chords: [{ at: 0, symbol: 'G' }],
    });
    const [first, second] = addedNotes(played('harp', 'c-34', low, 'light'));
    // The left hand has the tune too; in the second bar D3 is the bass, which nothing else strikes.
    expect([first!.length, second!.length].map((length) => length / quarters(1))).toEqual([3, 3]);
    const struck = songOf('G3 G2 A3', {
      ...low,
      bars: low.bars.slice(0, 1),
      parts: songOf('G3 G2 A3').parts,
    });
    const [cut] = addedNotes(played('harp', 'c-34', struck, 'light'));
    expect(cut!.length).toBe(quarters(1));
  });
});

function routed(id: FamilyId, preset: string, song: Song, company: Company) {
  const instrument = expectOk(openInstrument(specFromPreset(id, preset)));
  const context = routingContext(instrument, plainPlan(families[id]).preferences);
  const line = melodyLine(song);
  const { route, added } = playedWith(context, song, line, company, { metre: countingOfSong(song) });
  return {
    melody: route.notes.filter(({ id: noteId }) => !added.has(noteId)),
    added: route.notes.flatMap((note) => {
      const found = added.get(note.id);
      return found ? [{ ...note, length: found.length }] : [];
    }),
  };
}

test.each([
  ['anglo', 'C-G-sharp-on-push'],
  ['english', 'treble'],
  ['diatonic', '60'],
  ['dulcimer', 'c3-g3-c4'],
] as const)('%s: a note of the melody is held while chords are played under it', (id, preset) => {
  const { melody, added } = routed(id, preset, WALTZ, { style: 'rhythm', fullness: 'full', without: [] });
  const between = added.filter(({ onset }) => melody.every((note) => note.onset !== onset));
  expect(between.length).toBeGreaterThan(1);
  const before = melody.map(({ pitch, way }) => [pitch, way?.pitch]);
  expect(before).toEqual(melody.map(({ pitch }) => [pitch, pitch]));
  for (const { onset, way } of between) {
    const held = melody.findLast((note) => note.onset <= onset)!;
    expect(held.onset + held.length).toBeGreaterThan(onset);
    expect(way!.air).toBe(held.way!.air);
    expect(way).not.toBe(held.way);
  }
});

test('on an Anglo the tune is taken so that every beat of a waltz has its bass or chord', () => {
  const waltz = songOf('E5*2 G5 | C6*2 G5 | A5*2 F5 | D5*3 | B4*3 | C5*3', {
    metres: [{ at: 0, count: 3, unit: 4 }],
    chords: [
      { at: 0, symbol: 'C' },
      { at: quarters(6), symbol: 'F' },
      { at: quarters(9), symbol: 'Dm' },
      { at: quarters(12), symbol: 'G7' },
      { at: quarters(15), symbol: 'C' },
    ],
  });
  const { added } = routed('anglo', 'C-G-sharp-on-push', waltz, {
    style: 'rhythm',
    fullness: 'full',
    without: [],
  });
  const beats = new Set(added.map(({ onset }) => onset / quarters(1)));
  expect([...beats]).toEqual(Array.from({ length: 18 }, (_, beat) => beat));
});

test('a tongue rings on while its hand strikes others', () => {
  const drum = songOf('D5 F5 D5 | F5 D5 F5', {
    metres: [{ at: 0, count: 3, unit: 4 }],
    keys: [{ at: 0, tonic: { letter: 'B', accidental: -1 }, scale: 'major' }],
    chords: [{ at: 0, symbol: 'Bb' }],
  });
  const { added } = routed('drum', 'bb-major-15', drum, { style: 'rhythm', fullness: 'light', without: [] });
  expect(added.map(({ length }) => length / quarters(1))).toEqual([3, 3]);
});

test('what is added ends where the bellows turn, and where it began an eighth is written as long as it sounds', () => {
  const { melody, added } = routed('anglo', 'C-G-sharp-on-push', REEL, {
    style: 'rhythm',
    fullness: 'full',
    without: [],
  });
  const cut = added.filter(({ length }) => length < quarters(1));
  expect(cut.length).toBeGreaterThan(0);
  for (const { onset, length, way } of added)
    for (const note of melody.filter((one) => one.onset > onset && one.onset < onset + length))
      expect([note.id, note.way!.air]).toEqual([note.id, way!.air]);
  for (const { onset, length, way } of cut)
    expect(melody.find((one) => one.onset === onset + length)!.way!.air).not.toBe(way!.air);
});

test.each(FAMILY_IDS)('%s: with chords between its notes every other way of a note can be pinned', (id) => {
  const family = families[id];
  const instrument = expectOk(openInstrument(specFromPreset(id, family.presets[0]!.id)));
  const notation = { naming: 'key', dialect: family.dialects[0]!.id } as const;
  const plan = {
    ...plainPlan(family),
    adds: { style: 'rhythm', fullness: 'full', without: [] },
  } as const;
  for (const { id: noteId, wayId } of songView(instrument, WALTZ, plan, notation).line) {
    const others = wayId === undefined ? [] : songAlternatives(instrument, WALTZ, plan, noteId);
    for (const other of others) {
      const pinned = { ...plan, pins: [{ noteId, wayId: other.wayId }] };
      const note = songView(instrument, WALTZ, pinned, notation).line.find((one) => one.id === noteId);
      expect([noteId, note?.wayId]).toEqual([noteId, other.wayId]);
    }
  }
});
