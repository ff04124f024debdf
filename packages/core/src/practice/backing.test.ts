import { songOf } from '../../test/samples/song.ts';
import { FORMS, parseProgression } from '../harmony/progression.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';
import { quarters } from '../time/ticks.ts';
import { formOf } from '../groove/form.ts';
import { GROOVES, grooveById } from '../groove/grooves.ts';
import { songForm } from '../song/songForm.ts';
import { backing, ending, type BackingEvent } from './backing.ts';

const form = (text: string, beats = 4) => formOf(expectOk(parseProgression('', text, beats)));
const of = (events: readonly BackingEvent[], part: BackingEvent['part']) =>
  events.filter((event) => event.part === part);

/** Roots of the twelve bars in semitones above home, and the tones of each seventh, worked out by hand. */
const BLUES = [0, 0, 0, 0, 5, 5, 0, 0, 7, 5, 0, 7];

test.each(GROOVES.map(({ id }) => [id]))('%s has the chords of the progression in every key', (id) => {
  const blues = form(FORMS.find((one) => one.id === 'blues-12-sevenths')!.text);
  for (let home = 0; home < 12; home += 1) {
    const { events, chords, seconds } = backing(blues, { groove: grooveById(id), perMinute: 60, home });
    expect(seconds).toBe(48);
    expect(chords.map(({ chord }) => chord.tones[0])).toEqual(BLUES);
    for (const { at, pitch, part, play } of events) {
      const root = BLUES[Math.floor(at / 4)]! + home;
      const tones = [0, 4, 7, 10].map((tone) => pitchClass(root + tone));
      if (part === 'chords') expect(tones).toContain(pitchClass(pitch));
      if (play === 'root') expect(pitchClass(pitch)).toBe(pitchClass(root));
      if (play === 'fifth') expect(pitchClass(pitch)).toBe(pitchClass(root + 7));
      if (part === 'bass' && play !== 'drone') expect(pitch >= 34 && pitch <= 50).toBe(true);
    }
    const first = of(events, 'chords').filter(({ at }) => at < 4);
    if (id !== 'drone') expect(new Set(first.map(({ pitch }) => pitchClass(pitch))).size).toBe(4);
  }
});

test('a bass leads by a step into the next chord, and stays on the fifth where nothing changes', () => {
  const { events } = backing(form('1 4 4 5'), { groove: grooveById('straight'), perMinute: 60, home: 0 });
  const leads = events.filter(({ play }) => play === 'lead').map(({ pitch }) => pitch);
  // Into F2 from E2 (E♭ is foreign to the key), within F by its fifth C2, into G2 from F2, back to C2 from D2 above.
  expect(leads).toEqual([40, 36, 41, 38]);
});

test.each([
  // Home is C; the bass takes C2 (36) to B2 (47), chords E3 (52) to D♯4 (63).
  ['1', 36, 43, [52, 55, 60]],
  ['5', 43, 38, [55, 59, 62]],
  ['6m', 45, 40, [52, 57, 60]],
  // B, D and F: its fifth is diminished.
  ['7°', 47, 41, [53, 59, 62]],
  ['7m7♭5', 47, 41, [53, 57, 59, 62]],
  // C, E and G♯: its fifth is raised.
  ['1+', 36, 44, [52, 56, 60]],
  ['1maj7', 36, 43, [52, 55, 59, 60]],
  ['1sus4', 36, 43, [53, 55, 60]],
  // Over another bass that sounds, and the fifth is the chord's own.
  ['1/3', 40, 43, [52, 55, 60]],
  ['5/7', 47, 38, [55, 59, 62]],
  ['♭7', 46, 41, [53, 58, 62]],
] as const)('the bass of %s is %d, its fifth %d, and the chord %j', (chord, root, fifth, tones) => {
  const { events } = backing(form(`${chord} ${chord}`), {
    groove: grooveById('straight'),
    perMinute: 60,
    home: 0,
  });
  const pitches = (play: string) =>
    [...new Set(events.filter((event) => event.play === play).map(({ pitch }) => pitch))].sort(
      (a, b) => a - b,
    );
  expect(pitches('root')).toEqual([root]);
  expect(new Set([...pitches('fifth'), ...pitches('lead')])).toEqual(new Set([fifth]));
  expect(pitches('chord')).toEqual(tones);
});

test('swung eighths come at two thirds of a beat, earlier at speed; a form ends with a fill', () => {
  const hats = (perMinute: number) =>
    of(backing(form('1 1'), { groove: grooveById('shuffle'), perMinute, home: 0 }).events, 'drums')
      .filter(({ play }) => play === 'hat')
      .map(({ at }) => (at * perMinute) / 60);
  expect(hats(90).slice(0, 3)).toEqual([0, expect.closeTo(2 / 3), expect.closeTo(1)]);
  expect(hats(210)[1]).toBeCloseTo((2 / 3 + 0.54) / 2);
  expect(hats(300)[1]).toBeCloseTo(0.54);
  const { events } = backing(form('1 1'), { groove: grooveById('shuffle'), perMinute: 60, home: 0 });
  const end = of(events, 'drums').filter(({ at }) => at >= 7);
  expect(end.map(({ play, at }) => [play, at])).toEqual([
    ['snare', 7],
    ['snare', expect.closeTo(7 + 1 / 3)],
    ['snare', expect.closeTo(7 + 2 / 3)],
  ]);
});

const basses = (text: string, beats: number, groove: string, home = 0) =>
  of(backing(form(text, beats), { groove: grooveById(groove), perMinute: 60, home }).events, 'bass');

test('a drone holds home and the fifth above it, whatever the chord', () => {
  // In A: A2 and E3, home the lower.
  const pitches = basses('1 4 5 1', 2, 'drone', 9).map(({ pitch }) => pitch);
  expect(pitches).toEqual(Array.from({ length: 8 }, () => [45, 52]).flat());
});

test('a waltz has root and fifth in turn while a chord lasts', () => {
  const downbeats = basses('1 1 1 4 4 5', 3, 'waltz').filter(({ at }) => at % 3 === 0);
  // C2 G2 C2, F2 C2, G2.
  expect(downbeats.map(({ pitch }) => pitch)).toEqual([36, 43, 36, 41, 36, 43]);
});

test('where the chord changes within a bar the bass takes its root', () => {
  const steady = (text: string) => basses(text, 2, 'jig').filter(({ play }) => play !== 'lead');
  expect(steady('1,5 1').map(({ at, pitch }) => [at, pitch])).toEqual([
    [0, 36],
    [1, 43],
    [2, 36],
    [3, 43],
  ]);
  const changes = steady('1,4 1').map(({ pitch }) => pitch);
  // C2, F2 at the change, C2 and its fifth.
  expect(changes).toEqual([36, 41, 36, 43]);
});

test.each([
  ['jig', 2 / 3],
  ['reel', 1 / 2],
  ['march', 1 / 2],
])('in a %s the bass leads into another chord, and into the same one it does not', (groove, within) => {
  const leads = basses('1 1 4 4', 2, groove).filter(({ play }) => play === 'lead');
  // C2 goes to F2 from E2, F2 back to C2 from D2; nothing between the bars of one chord.
  expect(leads.map(({ at, pitch }) => [at, pitch])).toEqual([
    [expect.closeTo(3 + within), 40],
    [expect.closeTo(7 + within), 38],
  ]);
});

test('drums have a fill in the last beat of every eighth bar, an upbeat not counted, and at the end', () => {
  const fills = (count: number, upbeat: boolean) => {
    const bars = Array.from({ length: count }, (_, i) => ({ at: 4 * i, beats: 4 }));
    const [chord] = form('1').chords;
    const long = {
      bars: upbeat
        ? [{ at: 0, beats: 1, before: 3 }, ...bars.map((bar) => ({ ...bar, at: bar.at + 1 }))]
        : bars,
      chords: [{ ...chord!, beats: 4 * count + (upbeat ? 1 : 0) }],
    };
    const { events } = backing(long, { groove: grooveById('reel'), perMinute: 60, home: 0 });
    // A reel has no snare but in its fill.
    return [...new Set(events.filter(({ play }) => play === 'snare').map(({ at }) => Math.floor(at)))];
  };
  expect(fills(20, false)).toEqual([31, 63, 79]);
  expect(fills(10, true)).toEqual([32, 40]);
});

test('every second phrase of eight bars has the other version of a groove, and a form may begin with it', () => {
  const chords = (version: 0 | 1) =>
    of(
      backing(form('1 '.repeat(17).trim(), 2), {
        groove: grooveById('reel'),
        perMinute: 60,
        home: 0,
        version,
      }).events,
      'chords',
    )
      .filter(({ pitch }) => pitch === 52)
      .map(({ at }) => at);
  const inBar = (version: 0 | 1, bar: number) =>
    chords(version)
      .filter((at) => Math.floor(at / 2) === bar)
      .map((at) => at - 2 * bar);
  // Once after each beat, then twice: bars 1 and 8, 9 and 16, and 17 as at first.
  for (const bar of [0, 7, 16]) expect(inBar(0, bar)).toEqual([0.5, 1.5]);
  for (const bar of [8, 15]) expect(inBar(0, bar)).toEqual([0.5, 0.75, 1.5, 1.75]);
  expect(inBar(1, 0)).toEqual([0.5, 0.75, 1.5, 1.75]);
  expect(inBar(1, 8)).toEqual([0.5, 1.5]);
});

test('a form that is over ends on the chord of home, as the form has it, for four beats', () => {
  const end = (text: string) =>
    ending(form(text), { groove: grooveById('shuffle'), perMinute: 120, home: 7 });
  const pitches = (text: string) =>
    end(text)
      .filter(({ part }) => part !== 'drums')
      .map(({ pitch }) => pitch);
  // In G: G2 below G3 B3 D4 and, in a blues of sevenths, F3.
  expect(pitches('1 4 5')).toEqual([43, 55, 59, 62]);
  expect(pitches('4 1 7 5')).not.toContain(53);
  expect(pitches('17 47 57')).toEqual([43, 55, 59, 62, 53]);
  expect(end('1 5').map(({ at, seconds, play }) => (play === 'kick' ? at : seconds))).toEqual([
    0, 2, 2, 2, 2,
  ]);
});

test('bars of other lengths repeat or cut the groove, and nothing sounds past their end', () => {
  for (const { id } of GROOVES)
    for (const beats of [2, 3, 5, 7]) {
      const { events, seconds } = backing(form('1 4,5 1', beats), {
        groove: grooveById(id),
        perMinute: 120,
        home: 3,
      });
      expect(seconds).toBeCloseTo((3 * beats) / 2);
      expect(events.length).toBeGreaterThan(0);
      for (const { at } of events) expect(at >= 0 && at < seconds).toBe(true);
      expect([...events].sort((a, b) => a.at - b.at).map(({ at }) => at)).toEqual(events.map(({ at }) => at));
    }
});

test('no chord is a silence of chords and bass, not of the drums', () => {
  const { events } = backing(form('1 N.C.'), { groove: grooveById('march'), perMinute: 60, home: 0 });
  expect(of(events, 'bass').every(({ at }) => at < 4)).toBe(true);
  expect(of(events, 'chords').every(({ at }) => at < 4)).toBe(true);
  expect(of(events, 'drums').some(({ at }) => at >= 4)).toBe(true);
});

test.each(GROOVES.map(({ id }) => [id]))(
  '%s stands on no bass and no kick before the first whole bar',
  (id) => {
    const jig = songOf('G4*1/2 | C4*3/2 E4*3/2 | G4*5/2', {
      metres: [{ at: 0, count: 6, unit: 8 }],
      chords: [{ at: 0, symbol: 'C' }],
    });
    const form = songForm(jig)!;
    // An eighth is a third of the counted beat, the last of the measure's six.
    expect(form.bars[0]).toEqual({ at: 0, beats: 1 / 3, before: 5 / 3 });
    const { events } = backing(form, { groove: grooveById(id), perMinute: 60, home: 0 });
    const upbeat = events.filter(({ at }) => at < 1 / 3 - 1e-9);
    expect(upbeat.filter(({ part, play }) => part === 'bass' || play === 'kick')).toEqual([]);
    const bass = events.find(({ part }) => part === 'bass');
    expect(bass?.at).toBeCloseTo(1 / 3);
  },
);

test('a song brings its own chords, its pickup without one', () => {
  const song = songOf('D4 | G4*2 B4 | C5*3', {
    metres: [{ at: 0, count: 3, unit: 4 }],
    keys: [{ at: 0, tonic: { letter: 'G', accidental: 0 }, scale: 'major' }],
    chords: [
      { at: quarters(1), symbol: 'G' },
      { at: quarters(3), symbol: 'D7/F♯' },
      { at: quarters(4), symbol: 'C' },
    ],
  });
  const own = songForm(song)!;
  expect(own.bars).toEqual([
    { at: 0, beats: 1, before: 2 },
    { at: 1, beats: 3, before: 0 },
    { at: 4, beats: 3, before: 0 },
  ]);
  expect(own.chords.map(({ chord, at, beats }) => [chord.tones[0], at, beats])).toEqual([
    [undefined, 0, 1],
    [0, 1, 2],
    [7, 3, 1],
    [5, 4, 3],
  ]);
  const { events } = backing(own, { groove: grooveById('waltz'), perMinute: 60, home: 7 });
  // The bass of D7 over F♯ is F♯2; chords of a bar that begins anew follow the bar.
  expect(events.find(({ at, play }) => at === 4 && play === 'root')!.pitch).toBe(36);
  expect(songForm(songOf('C4'))).toBeUndefined();
});

test.each([40, 92, 208])(
  'at %d a minute ten minutes of forms stay on their beats to the millisecond',
  (perMinute) => {
    const groove = grooveById('reel');
    const { events, seconds } = backing(form('1 4 5 1', 2), { groove, perMinute, home: 0 });
    const kicks = events.filter(({ play }) => play === 'kick');
    // Each form is laid at a whole number of forms from the first, as a player lays them.
    let beat = 0;
    for (let round = 0; round * seconds < 600; round += 1)
      for (const { at } of kicks) {
        const isFill = beat % 8 === 7;
        if (isFill) beat += 1;
        const ideal = (beat * 60) / perMinute;
        expect(Math.abs(round * seconds + at - ideal)).toBeLessThan(1e-6);
        beat += 1;
      }
  },
);
