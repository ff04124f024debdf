import { ableInstrument } from '../../test/instruments.ts';
import { songOf } from '../../test/samples/song.ts';
import { families, type FamilyId } from '../families/index.ts';
import { quarters } from '../time/ticks.ts';
import { plainPlan } from './arrangement.ts';
import { breathPlaces } from './breaths.ts';
import type { Song } from './song.ts';
import { melodyLine } from './songLine.ts';
import { songView, type SongView } from './songView.ts';

/** More air than any of these tunes takes: where bars alone decide. */
const ENDLESS = { seconds: 1000, comfortable: 1000, uses: () => 1 };
const places = (song: Song, store = ENDLESS) =>
  breathPlaces(song, melodyLine(song), store).map(({ after, why }) => `${after} ${why}`);

const at = (perMinute: number, beat = quarters(1)) => ({ tempos: [{ at: 0, beat, perMinute }] });

function viewOn(
  family: FamilyId,
  preset: string,
  song: Song,
  { school, options = {} }: { school?: string; options?: Record<string, string> } = {},
): SongView {
  const plan = plainPlan(families[family]);
  const preferences = {
    ...plan.preferences,
    ...(school !== undefined && { preset: school }),
    playingOptions: options,
  };
  const dialect = families[family].dialects[0]!.id;
  return songView(ableInstrument(family, preset), song, { ...plan, preferences }, { naming: 'key', dialect });
}
const four = 'C4 D4 E4 F4';

test('with nothing else to go by, a breath lasts four bars', () => {
  const eight = songOf(Array(8).fill(four).join(' | '));
  expect(places(eight)).toEqual(['n16 bars']);
  expect(places(songOf(Array(3).fill(four).join(' | ')))).toEqual([]);
});

test('a rest, a long note and the end of a phrase are better places than a bar line', () => {
  const rest = songOf([four, four, 'C4 D4 E4 -', four, four, four].join(' | '));
  expect(places(rest)).toEqual(['n11 rest']);
  const long = songOf([four, four, 'C4 D4 E4*2', four, four, four].join(' | '));
  expect(places(long)).toEqual(['n11 long note']);
  const phrase = songOf(Array(6).fill(four).join(' | '), { phrases: [quarters(10)] });
  expect(places(phrase)).toEqual(['n10 phrase']);
});

test('a pickup is not counted as a bar, and a tune of one note needs no breath', () => {
  const tune = songOf(['G4', ...Array<string>(8).fill(four)].join(' | '));
  expect(places(tune)).toEqual(['n17 bars']);
  expect(places(songOf('C4*4'))).toEqual([]);
});

test('nobody breathes between an upbeat and its downbeat, where a repeat begins there neither', () => {
  const tune = songOf(['G4', ...Array<string>(8).fill(four)].join(' | '));
  const repeated = {
    ...tune,
    bars: tune.bars.map((bar, i) => ({ ...bar, ...(i === 1 && { repeatStart: true }) })),
  };
  expect(places(repeated)).toEqual(['n17 bars']);
  // The upbeat of the second part stands behind the seam.
  const parts = songOf(['C4 D4 E4 F4', four, 'C4 D4 E4', 'G4', four, four].join(' | '));
  const seam = {
    ...parts,
    bars: parts.bars.map((bar, i) => ({ ...bar, ...(i === 3 && { repeatStart: true }) })),
  };
  expect(places(seam)).toEqual(['n11 part']);
  const end = {
    ...parts,
    bars: parts.bars.map((bar, i) => ({ ...bar, ...(i === 4 && { repeatStart: true }) })),
  };
  expect(places(end)).not.toContain('n12 part');
});

test('an Anglo is never told to turn its bellows, an English concertina is', () => {
  const tune = songOf(Array(8).fill(four).join(' | '));
  const told = (family: 'anglo' | 'english') =>
    viewOn(family, families[family].presets[0]!.id, tune).breaths.map(({ what }) => what);
  expect(told('anglo')).not.toContain('turn the bellows');
  expect(told('english')).toEqual(['turn the bellows']);
});

test('whoever has drawn more breathes out, whoever has blown more breathes in', () => {
  const what = (note: string) => {
    const [first] = viewOn('diatonic', '60', songOf(Array(8).fill(`${note}*4`).join(' | '))).breaths;
    return first!.what;
  };
  // 4 blow, 4 draw; a whistle only breathes in.
  expect([what('C5'), what('D5')]).toEqual(['breathe in', 'breathe out']);
  const [place] = viewOn('whistle', '74', songOf(Array(8).fill('D5*4').join(' | '))).breaths;
  expect(place!.what).toBe('breathe');
});

test('parts of eight bars with a pickup each are breathed by fours, and where they meet', () => {
  const part = ['G4', ...Array<string>(7).fill(four), 'C4 D4 E4'];
  const once = songOf([...part, ...part].join(' | '));
  const bars = once.bars.map((bar, i) => ({
    ...bar,
    ...(i === 8 && { repeatEnd: 2 }),
    ...(i === 9 && { repeatStart: true }),
  }));
  const song = { ...once, bars };
  expect(places(song)).toEqual(['n17 bars', 'n32 part', 'n49 bars']);
});

// D2 E F | A4 | B2 A F | E4 in quarters, a bar six seconds long at forty a minute.
const AIR_TUNE = songOf(Array(2).fill('D5*2 E5 F#5 | A5*4 | B5*2 A5 F#5 | E5*4').join(' | '), at(40));

test('a slow air is breathed every two bars, the same tune at speed every four', () => {
  const bars = (song: Song) => viewOn('whistle', '74', song).breaths.map(({ bar }) => bar);
  expect(bars(AIR_TUNE)).toEqual([2, 4, 6]);
  expect(bars({ ...AIR_TUNE, ...at(200) })).toEqual([4]);
});

test('eight seconds are aimed at: four bars of more than ten are breathed by twos', () => {
  const plain = songOf(Array(8).fill('A5 B5 A5 G5').join(' | '));
  const bars = (perMinute: number) =>
    viewOn('whistle', '74', { ...plain, ...at(perMinute) }).breaths.map(({ bar }) => bar);
  // Four bars last 9.6 seconds, and 11.4.
  expect(bars(100)).toEqual([4]);
  expect(bars(84)).toEqual([2, 4, 6]);
});

test('nobody blows a whistle longer than twelve seconds where a place offers itself, nor a child than six', () => {
  // A waltz-like lament at 54: a bar of four beats lasts 4.4 seconds.
  const lament = songOf(
    Array(4).fill('B4 E5 F#5 G5 | A5 G5 F#5 E5 | D5 E5 F#5 A5 | B5*2 G5 E5').join(' | '),
    at(54),
  );
  const stretches = (breath: string) => {
    const { breaths } = viewOn('whistle', '74', lament, { options: { breath } });
    const ends = [...breaths.map(({ bar }) => bar), 16];
    return ends.map((bar, i) => ((bar - (ends[i - 1] ?? 0)) * 4 * 60) / 54);
  };
  expect(Math.max(...stretches('grown'))).toBeLessThan(12);
  expect(Math.max(...stretches('child'))).toBeLessThan(6);
  expect(stretches('grown')).toHaveLength(8);
});

test('a harmonica that draws for long takes the blown twin in time, and breath begins the count anew', () => {
  // In 2nd position at eighty: every note is drawn but the G that 3 blow has too.
  const drawn = songOf(
    [
      'G4 G4 B4 D5',
      'D5 B4 G4 G4',
      'G4 B4 D5 F5',
      'D5*4',
      'G4 G4 B4 D5',
      'D5 B4 G4 G4',
      'G4 B4 D5 F5',
      'D5*4',
    ].join(' | '),
    at(80),
  );
  const { line, shortOfAir } = viewOn('diatonic', '60', drawn);
  const blown = line.filter(({ wayId }) => wayId === '3b').map(({ start }) => Math.floor(start / 4));
  expect(blown.length).toBeGreaterThan(0);
  // Never more than two bars and two beats, eight seconds, in one direction.
  expect(shortOfAir).toEqual([]);
  // At four times the speed nothing of it is needed.
  const quick = viewOn('diatonic', '60', { ...drawn, ...at(320) });
  expect(quick.line.filter(({ wayId }) => wayId === '3b')).toEqual([]);
});

test('where the lungs are full and nothing helps, the bar is told', () => {
  const long = songOf(Array(4).fill('B4 D5 B4 D5').join(' | '), at(60));
  const { shortOfAir } = viewOn('diatonic', '60', long, { options: { breath: 'child' } });
  expect(shortOfAir[0]).toMatchObject({ bar: 2, what: 'the lungs are full' });
});

// Eighteen beats pulled across the rows, with two beats of rest in bar 3.
const PULLED = songOf('D5 F#5 A5 B5 | A5 F#5 D5*2 | -*2 D5 F#5 | A5 B5 A5 F#5 | D5*4', at(100));

test('bellows that start shut last for a pulled line with a rest in it: no air button', () => {
  const view = viewOn('anglo', 'C-G-sharp-on-push', PULLED, { school: 'across' });
  expect(view.line.every(({ air }) => air === 'in')).toBe(true);
  expect(view.air.start).toBe('shut');
  expect([view.breaths, view.air.helps]).toEqual([[], []]);
});

test('air is a matter of seconds and of reeds: slower tunes and chords ask for the air button more often', () => {
  const line = songOf(Array(8).fill('D5 F#5 A5 B5').join(' | '));
  const helps = (song: Song) =>
    viewOn('anglo', 'C-G-sharp-on-push', song, { school: 'across' }).air.helps.length;
  expect(helps({ ...line, ...at(60) })).toBeGreaterThan(helps({ ...line, ...at(180) }));
  const chords = songOf(Array(8).fill('D5+F#5+A5*4').join(' | '), at(120));
  const single = songOf(Array(8).fill('A5*4').join(' | '), at(120));
  expect(helps(chords)).toBeGreaterThan(helps(single));
});

test('the air button is taken where a phrase ends rather than at the last moment', () => {
  // Eighteen seconds pulled of ten: once, after the eighth note at the earliest, where a phrase ends.
  const line = songOf([...Array(4).fill('D5 F#5 A5 B5'), 'D5 F#5 -*2'].join(' | '), {
    ...at(60),
    phrases: [quarters(8)],
  });
  const { breaths } = viewOn('anglo', 'C-G-sharp-on-push', line, { school: 'across' });
  expect(breaths[0]).toMatchObject({
    after: 'n8',
    bar: 2,
    why: 'phrase',
    what: 'air button, close the bellows',
  });
});
