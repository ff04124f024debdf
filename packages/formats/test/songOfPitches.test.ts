import { expectOk } from '@same-song/core';
import { QUARTER, soundingPitch } from '@same-song/core/music';
import { melodyLine } from '@same-song/core/song';
import { songOfPitches } from '../src/index.ts';

test('notes are a quarter each, in fours where no bar line stands; what sounds together begins together', () => {
  const { song } = expectOk(songOfPitches([60, 'with', 64, 62, 'rest', 65, 67, 'with', 71, 72]));
  expect(melodyLine(song).map(({ pitch, onset }) => [pitch, onset / QUARTER])).toEqual([
    [60, 0],
    [64, 0],
    [62, 1],
    [65, 3],
    [67, 4],
    [71, 4],
    [72, 5],
  ]);
  expect(song.bars.map(({ length }) => length / QUARTER)).toEqual([4, 2]);
  const [first, second] = expectOk(songOfPitches([60, { touched: 64 }, { touched: 65 }, 62])).song.parts[0]!
    .voices[0]!.notes;
  expect(first!.grace).toBeUndefined();
  expect(second!.grace!.map(soundingPitch)).toEqual([64, 65]);
  expect(expectOk(songOfPitches(['with', 60])).song.bars).toHaveLength(1);
});
