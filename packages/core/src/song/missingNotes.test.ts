import { ableInstrument } from '../../test/instruments.ts';
import { songOf } from '../../test/samples/song.ts';
import { quarters } from '../time/ticks.ts';
import { plainPlan, type Decision } from './arrangement.ts';
import { songView } from './songView.ts';

const whistle = ableInstrument('whistle', '74');
const plan = { ...plainPlan(whistle.family), transpose: 0 };
const lackingIn = (song: ReturnType<typeof songOf>, decisions: readonly Decision[] = []) =>
  songView(whistle, song, { ...plan, decisions }, { naming: 'key', dialect: 'circles' }).missing;
const phrases = (song: ReturnType<typeof songOf>) =>
  lackingIn(song).map(({ offers }) => offers.filter(({ decisions }) => decisions.length > 1));
const KEY = [{ at: 0, tonic: { letter: 'D' as const, accidental: 0 }, scale: 'major' }];

test('a note below a D whistle is offered an octave up, alone and with the phrase the song marks', () => {
  const song = songOf('D5 E5 A4 D5 | F#5 G5 A5 B5 | D5*4', { keys: KEY, phrases: [quarters(4)] });
  const [lacking] = lackingIn(song);
  expect(lacking!.offers.map(({ text }) => text)).toEqual([
    'an octave higher: A5',
    'the nearest note of the scale: D5',
    'leave it out',
    'the phrase from D5 to D5 an octave higher',
  ]);
  const { decisions } = lacking!.offers[3]!;
  expect(decisions).toEqual(['n1', 'n2', 'n3', 'n4'].map((noteId) => ({ noteId, kind: 'move', by: 12 })));
  expect(lackingIn(song, decisions)).toEqual([]);
});

test('without signs a phrase ends with a rest, or with every fourth bar after the pickup', () => {
  const rested = songOf('A4 D5 - E5 | F#5 G5 A5 B5', { keys: KEY });
  expect(phrases(rested).map(([offer]) => offer!.decisions.map(({ noteId }) => noteId))).toEqual([
    ['n1', 'n2'],
  ]);
  const bar = 'D5 E5 F#5 E5';
  const plain = songOf(['D5', bar, bar, bar, 'E5 A4 D5 E5', bar].join(' | '), { keys: KEY });
  const [[offer] = []] = phrases(plain);
  expect(offer!.decisions.map(({ noteId }) => Number(noteId.slice(1)))).toEqual(
    Array.from({ length: 17 }, (_, i) => i + 1),
  );
});

test('no phrase is offered where another of its notes would be lost, or where it is the whole song', () => {
  const high = songOf('A4 B6 D5 D5 | F#5 G5 A5 B5', { keys: KEY, phrases: [quarters(4)] });
  expect(phrases(high).flat()).toEqual([]);
  expect(phrases(songOf('A4 D5 E5', { keys: KEY })).flat()).toEqual([]);
});

test('at rest, or for a tone of the chord, the nearest tone of the chord is offered before the scale', () => {
  const chords = ['D', 'G', 'A7', 'D'].map((symbol, bar) => ({ at: quarters(4 * bar), symbol }));
  const offered = (text: string) =>
    lackingIn(songOf(text, { keys: KEY, chords })).map(({ offers }) =>
      offers.map(({ text: words }) => words).filter((words) => words.includes('nearest')),
    );
  const rest = 'D5 E5 F#5 G5 | G5 A5 B5 G5';
  // A whistle in D has nothing below D5. Over G at the end of bar 2's long note; over A7 in passing, and at rest.
  expect(offered('D5 E5 F#5 G5 | B4*4 | E5 F#5 G5 E5 | D5*4')).toEqual([
    ['the nearest note of the chord: D5'],
  ]);
  expect(offered(`${rest} | E5 B4 E5 G5 | D5*4`)).toEqual([
    ['the nearest note of the scale: D5', 'the nearest note of the chord: E5'],
  ]);
  expect(offered(`${rest} | E5 E5 B4*2 | D5*4`)).toEqual([
    ['the nearest note of the chord: E5', 'the nearest note of the scale: D5'],
  ]);
  // A seventh is no note to rest on: over A7, G4 becomes E5 though G5 lies in the chord.
  expect(offered(`${rest} | E5 E5 G4*2 | D5*4`)[0]![0]).toBe('the nearest note of the chord: E5');
});

test('a phrase that lacks several notes is moved as one before each of them is', () => {
  const song = songOf('A4 B4 D5 D5 | F#5 G5 A5 B5', { keys: KEY, phrases: [quarters(4)] });
  const [lacking] = lackingIn(song);
  expect(lacking!.offers[0]!.text).toBe('the phrase from A4 to D5 an octave higher');
});
