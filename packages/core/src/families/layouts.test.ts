/** Layout tables against rules that do not come from them. */
import { openInstrument, specFromPreset, type Instrument } from '../instrument/instrument.ts';
import { parsePitch } from '../pitch/noteName.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { expectOk } from '../result.ts';

const open = (family: string, preset: string): Instrument =>
  expectOk(openInstrument(specFromPreset(family, preset)));
const pitch = (text: string) => expectOk(parsePitch(text));
const NATURALS = [0, 2, 4, 5, 7, 9, 11];

/** Steps on the staff above C0: naturals only. */
function staffStep(p: number): number {
  return 7 * Math.floor(p / 12) + NATURALS.indexOf(pitchClass(p));
}

describe('English concertina', () => {
  test.each(['treble', 'tenor-treble'])(
    '%s: naturals on lines are on the left, those in spaces on the right',
    (preset) => {
      // The lowest line of the treble staff is E4; lines lie two steps apart, ledger lines too.
      const line = staffStep(pitch('E4'));
      for (const way of open('english', preset).ways.filter((w) => /^.[23]/.test(w.id))) {
        const onLine = (staffStep(way.pitch) - line) % 2 === 0;
        expect([way.id, way.id[0]]).toEqual([way.id, onLine ? 'L' : 'R']);
      }
    },
  );

  test('in each natural column neighbours are a fifth apart on the staff', () => {
    for (const hand of ['L', 'R']) {
      for (const column of [2, 3]) {
        const own = open('english', 'tenor-treble').ways.filter((w) => w.id.startsWith(`${hand}${column}`));
        expect(own.length).toBeGreaterThan(3);
        for (const [i, way] of own.slice(1).entries())
          expect(staffStep(way.pitch) - staffStep(own[i]!.pitch)).toBe(4);
      }
    }
  });

  test('an accidental lies a semitone beside its natural’s row, but for the button that crowns the instrument', () => {
    const { ways } = open('english', 'treble');
    for (const way of ways.filter((w) => /^.[14]/.test(w.id) && w.id !== 'R4.6')) {
      const natural = way.id.replace(/^(.)1/, '$12').replace(/^(.)4/, '$13');
      const beside = ways.find((w) => w.id === natural)!;
      expect(Math.abs(way.pitch - beside.pitch)).toBe(1);
    }
  });
});

describe('Anglo concertina', () => {
  const { ways } = open('anglo', 'C-G-sharp-on-push');
  const own = (row: string, air: string) => ways.filter((w) => w.id[1] === row && w.id.endsWith(air));

  test.each([
    ['m', 0],
    ['i', 7],
  ])('pushed, row %s gives the tones of its own major triad', (row, home) => {
    // The lowest left button of the inside row is the one exception: it fills a gap.
    for (const way of own(row, 'out').filter((w) => w.id !== 'Li1out'))
      expect([0, 4, 7]).toContain(pitchClass(way.pitch - home));
  });

  test.each([
    ['m', 0],
    ['i', 7],
  ])('row %s keeps to its own major scale, pushed and pulled', (row, home) => {
    for (const way of [...own(row, 'out'), ...own(row, 'in')])
      expect(NATURALS).toContain(pitchClass(way.pitch - home));
  });

  test('the two main rows have every note of both majors over two octaves', () => {
    const pitches = new Set(ways.filter((w) => w.id[1] !== 'o').map((w) => w.pitch));
    for (const home of [60, 67])
      for (const step of [...NATURALS, ...NATURALS.map((s) => s + 12)])
        expect(pitches.has(home + step)).toBe(true);
  });

  test('thirty buttons have every semitone from C4 to C6, twenty do not', () => {
    const chromatic = (preset: string) => {
      const pitches = new Set(open('anglo', preset).ways.map((w) => w.pitch));
      return Array.from({ length: 25 }, (_, i) => 60 + i).every((p) => pitches.has(p));
    };
    expect(chromatic('C-G-sharp-on-push')).toBe(true);
    expect(chromatic('Bb-F-sharp-both-ways')).toBe(true);
    expect(chromatic('C-G-two-rows')).toBe(false);
  });
});

describe('dulcimer', () => {
  test('whole frets are a Mixolydian scale from the open string, 6½ makes it major', () => {
    const { ways } = open('dulcimer', 'c3-g3-c4');
    const on = (frets: readonly string[]) =>
      frets.map((f) => ways.find((w) => w.id === `melody.${f}`)!.pitch - pitch('C4'));
    expect(on(['0', '1', '2', '3', '4', '5', '6', '7'])).toEqual([0, 2, 4, 5, 7, 9, 10, 12]);
    expect(on(['6½', '13½'])).toEqual([11, 23]);
    expect(on(['8', '9', '10', '11', '12', '13', '14']).map((s) => s - 12)).toEqual([2, 4, 5, 7, 9, 10, 12]);
  });

  test('a chromatic fretboard has every semitone', () => {
    const { ways } = open('dulcimer', 'd-a-d-chromatic');
    const melody = ways.filter((w) => w.id.startsWith('melody')).map((w) => w.pitch);
    expect(melody).toEqual(Array.from({ length: 30 }, (_, i) => 62 + i));
  });
});

describe('whistle', () => {
  test('lifting one more finger from the bottom climbs the major scale of the lowest note', () => {
    const { ways } = open('whistle', '70');
    const ladder = ['xxxxxx', 'xxxxxo', 'xxxxoo', 'xxxooo', 'xxoooo', 'xooooo', 'oooooo'];
    expect(ladder.map((id) => ways.find((w) => w.id === id)!.pitch - 70)).toEqual(NATURALS);
  });

  test('half-covering a hole sounds a semitone below that hole open', () => {
    const { ways } = open('whistle', '74');
    const find = (id: string) => ways.find((w) => w.id === id);
    const pairs = ways
      .filter((w) => /h/.test(w.id) && !w.id.endsWith('++'))
      .map((way) => [way, find(way.id.replace('h', 'o'))] as const)
      .filter(([, open]) => open);
    expect(pairs.length).toBeGreaterThan(5);
    for (const [way, open] of pairs) expect(open!.pitch - way.pitch).toBe(1);
  });

  test('overblown, every fingering of both registers sounds an octave higher', () => {
    const { ways } = open('whistle', '67');
    const pairs = ways
      .filter((w) => w.id.endsWith('+') && !w.id.endsWith('++'))
      .map((way) => [ways.find((w) => w.id === way.id.slice(0, -1)), way] as const)
      .filter(([low]) => low);
    expect(pairs.length).toBeGreaterThan(5);
    for (const [low, way] of pairs) expect(way.pitch - low!.pitch).toBe(12);
  });
});

describe('chromatic harmonica', () => {
  test('the slide raises every reed a semitone, and four holes on all is an octave higher', () => {
    const { ways } = open('chromatic', '60-16');
    const at = (id: string) => ways.find((w) => w.id === id)?.pitch;
    for (const way of ways.filter((w) => !w.id.endsWith('s'))) {
      expect(at(`${way.id}s`)! - way.pitch).toBe(1);
      const hole = Number(way.place);
      const higher = at(way.id.replace(String(hole), String(hole + 4)));
      if (higher !== undefined) expect(higher - way.pitch).toBe(12);
    }
  });
});

describe('lever harp', () => {
  test.each([
    ['c-36', 'C2', 36],
    ['eb-34', 'C2', 34],
    ['f-26', 'G2', 26],
  ])(
    '%s: seven strings to the octave, each a second above the one before, all levers a semitone',
    (preset, lowest, count) => {
      const { ways, elements } = open('harp', preset);
      expect(elements).toHaveLength(count);
      expect(elements[0]!.label).toContain(lowest);
      for (const [i, string] of elements.entries()) {
        if (i > 0) expect([1, 2]).toContain(string.pitch! - elements[i - 1]!.pitch!);
        if (i >= 7) expect(string.pitch! - elements[i - 7]!.pitch!).toBe(12);
        const positions = ways
          .filter((w) => w.id === `${i + 1}down` || w.id === `${i + 1}up`)
          .map((w) => w.pitch);
        expect(positions).toEqual([string.pitch, string.pitch! + 1]);
      }
    },
  );
});
