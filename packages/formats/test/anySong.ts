import { expectOk } from '@same-song/core';
import { quarters, spelledIn } from '@same-song/core/music';
import { checkSong, type Song, type SongNote, type Tuplet } from '@same-song/core/song';
import fc from 'fast-check';

const MARKS = ['staccato', 'accent', 'roll', 'trill'] as const;

/** Cells of a beat or two: lengths as shares of a quarter, silences negative, and the tuplet they make. */
const CELLS: readonly {
  readonly beats: number;
  readonly lengths: readonly (readonly [number, number])[];
  readonly tuplet?: readonly [actual: number, normal: number];
}[] = [
  { beats: 1, lengths: [[1, 1]] },
  { beats: 1, lengths: [[-1, 1]] },
  {
    beats: 1,
    lengths: [
      [1, 2],
      [1, 2],
    ],
  },
  {
    beats: 1,
    lengths: [
      [3, 4],
      [1, 4],
    ],
  },
  {
    beats: 1,
    lengths: [
      [1, 4],
      [-1, 4],
      [1, 2],
    ],
  },
  {
    beats: 1,
    lengths: [
      [1, 3],
      [1, 3],
      [1, 3],
    ],
    tuplet: [3, 2],
  },
  {
    beats: 1,
    lengths: [
      [2, 3],
      [-1, 3],
    ],
    tuplet: [3, 2],
  },
  {
    beats: 1,
    lengths: [
      [1, 5],
      [2, 5],
      [1, 5],
      [1, 5],
    ],
    tuplet: [5, 4],
  },
  { beats: 2, lengths: [[2, 1]] },
  {
    beats: 2,
    lengths: [
      [3, 2],
      [1, 2],
    ],
  },
  {
    beats: 2,
    lengths: [
      [2, 3],
      [2, 3],
      [2, 3],
    ],
    tuplet: [3, 2],
  },
];

/** Modes by how many fifths their signature lies below that of major on the same tonic. */
const MODES = [
  ['lydian', -1],
  ['major', 0],
  ['mixolydian', 1],
  ['dorian', 2],
  ['natural-minor', 3],
  ['phrygian', 4],
  ['locrian', 5],
] as const;
/** Letters in the order of fifths; C is 0. */
const FIFTHS = ['F', 'C', 'G', 'D', 'A', 'E', 'B'] as const;

/** Every key of every mode that has at most seven signs. */
const KEYS = MODES.flatMap(([scale, below]) =>
  FIFTHS.flatMap((letter, i) =>
    ([-1, 0, 1] as const).flatMap((accidental) => {
      const signs = i - 1 + 7 * accidental - below;
      return Math.abs(signs) <= 7 ? [{ tonic: { letter, accidental }, scale }] : [];
    }),
  ),
);

const METRES = [
  { count: 4, unit: 4 },
  { count: 3, unit: 4 },
  { count: 6, unit: 8 },
  { count: 2, unit: 2 },
] as const;

interface Choices {
  readonly pick: (n: number) => number;
}

function makeVoice(id: string, bars: readonly { length: number }[], choices: Choices, chordal: boolean) {
  const notes: SongNote[] = [];
  const tuplets: Tuplet[] = [];
  let start = 0;
  for (const bar of bars) {
    for (let at = 0; at < bar.length;) {
      const left = (bar.length - at) / quarters(1);
      const fitting = CELLS.filter(({ beats }) => beats <= left);
      const cell = fitting[choices.pick(fitting.length)];
      if (!cell) {
        at = bar.length;
        continue;
      }
      if (cell.tuplet)
        tuplets.push({
          onset: start + at,
          length: quarters(cell.beats),
          actual: cell.tuplet[0],
          normal: cell.tuplet[1],
        });
      for (const [over, under] of cell.lengths) {
        const length = quarters(Math.abs(over), under);
        if (over > 0) {
          const pitch = 55 + choices.pick(24);
          const chord = chordal && choices.pick(6) === 0 ? [pitch, pitch + 4] : [pitch];
          for (const p of chord)
            notes.push({
              id: `${id}${notes.length}`,
              onset: start + at,
              length,
              pitch: spelledIn(p, choices.pick(2) === 0 ? -1 : 1),
              ...(choices.pick(8) === 0 && chord.length === 1 && { grace: [spelledIn(p + 2, 1)] }),
              ...(choices.pick(10) === 0 &&
                chord.length === 1 && { marks: [MARKS[choices.pick(MARKS.length)]!] }),
              ...(choices.pick(3) === 0 &&
                chord.length === 1 && {
                  lyrics: [
                    { text: 'la', ...(choices.pick(2) === 0 && { hyphen: true }) },
                    ...(choices.pick(2) === 0 ? [{ text: 'lo' }] : []),
                  ],
                }),
            });
        }
        at += length;
      }
    }
    start += bar.length;
  }
  return { id, notes: tied(notes, choices), tuplets };
}

/** Some notes that follow at once are of the same pitch, tied. */
function tied(notes: readonly SongNote[], { pick }: Choices): SongNote[] {
  const made = [...notes];
  const alone = (i: number) => made.filter(({ onset }) => onset === made[i]?.onset).length === 1;
  for (let i = 0; i + 1 < made.length; i += 1) {
    const [note, next] = [made[i]!, made[i + 1]!];
    if (note.onset + note.length !== next.onset || pick(6) !== 0 || !alone(i) || !alone(i + 1)) continue;
    made[i] = { ...note, tied: true };
    const { lyrics: _lyrics, grace: _grace, ...plain } = next;
    made[i + 1] = { ...plain, pitch: note.pitch };
  }
  return made;
}

/** Songs in which every format can hold everything but what it is said not to. */
export const anySong: fc.Arbitrary<Song> = fc
  .record({
    metre: fc.constantFrom(...METRES),
    key: fc.constantFrom(...KEYS),
    second: fc.option(fc.constantFrom(...KEYS), { nil: undefined }),
    bars: fc.integer({ min: 1, max: 5 }),
    pickup: fc.boolean(),
    voices: fc.integer({ min: 1, max: 2 }),
    signs: fc.constantFrom('none', 'repeat', 'endings', 'capo'),
    tempo: fc.option(
      fc.record({
        beat: fc.constantFrom(quarters(1), quarters(1, 2), quarters(3, 2), quarters(2)),
        perMinute: fc.integer({ min: 40, max: 200 }),
      }),
      { nil: undefined },
    ),
    seeds: fc.array(fc.nat(1000), { minLength: 40, maxLength: 40 }),
  })
  .map(({ metre, key, second, bars: count, pickup, voices, signs, tempo, seeds }) => {
    let used = 0;
    const pick = (n: number) => (seeds[used++ % seeds.length]! + used) % n;
    const length = quarters(4 * metre.count, metre.unit);
    const bars = [
      ...(pickup ? [{ length: quarters(1) }] : []),
      ...Array.from({ length: count }, (_, i) => ({
        length,
        ...(signs === 'repeat' && i === 0 && { repeatStart: true }),
        ...(signs === 'repeat' && i === count - 1 && { repeatEnd: 2 }),
        ...(signs === 'endings' && count > 2 && i === count - 2 && { endings: [1], repeatEnd: 2 }),
        ...(signs === 'endings' && count > 2 && i === count - 1 && { endings: [2] }),
        ...(signs === 'capo' && i === 0 && { fine: true }),
        ...(signs === 'capo' && i === count - 1 && { jump: 'start' as const }),
      })),
    ];
    const written = Array.from({ length: voices }, (_, i) =>
      makeVoice(`v${i + 1}-`, bars, { pick }, i === 0),
    );
    const full = written[0]!.notes.length > 0 ? written : [makeVoice('v1-', bars, { pick: () => 0 }, false)];
    const lastBar = bars.slice(0, -1).reduce((sum, bar) => sum + bar.length, 0);
    return expectOk(
      checkSong({
        title: 'Trial',
        composer: 'Nobody',
        source: '',
        licence: '',
        tags: [],
        keys: [
          { at: 0, ...key },
          ...(second && second !== key && bars.length > 1 ? [{ at: lastBar, ...second }] : []),
        ],
        metres: [{ at: 0, ...metre }],
        tempos: tempo ? [{ at: 0, ...tempo }] : [],
        bars,
        parts: full
          .filter(({ notes }) => notes.length > 0)
          .map((voice, i) => ({ id: `P${i + 1}`, name: '', voices: [voice] })),
        melody: full[0]!.id,
        chords: [{ at: full[0]!.notes[0]!.onset, symbol: 'Am7' }],
        phrases: [],
      }),
    );
  });
