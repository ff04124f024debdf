import { expectOk } from '@same-song/core';
import { openInstrument, specFromPreset } from '@same-song/core/instruments';
import { roundOf } from '@same-song/core/practice';
import type { LineView } from '@same-song/core/route';
import type { Playable } from '../stand/playable.ts';
import { wantedRound } from './wantedRound.ts';

const instrument = expectOk(
  openInstrument({ ...specFromPreset('diatonic', '60'), measured: { '3d1': { pitch: 70, cents: -30 } } }),
);

/** A line of ways, a note a beat, all of the same time where two stand together. */
function playable(wayIds: readonly (string | undefined)[], starts: readonly number[]): Playable {
  const hzOf = (wayId: string) =>
    440 * 2 ** ((instrument.ways.find(({ id }) => id === wayId)!.pitch - 69) / 12);
  const notes = wayIds.map((_, i) => ({ noteId: `n${i}`, start: starts[i]!, beats: 1, held: 0.9 }));
  const layOut = (perMinute: number) => roundOf({ notes, beatsPerBar: 4, perMinute, countIn: true });
  const line = wayIds.map((wayId, i) => {
    const note = { id: `n${i}`, hz: wayId === undefined ? 0 : hzOf(wayId), wayId };
    return [note.id, note as unknown as LineView] as const;
  });
  return { instrument, line: new Map(line), layOut } as unknown as Playable;
}

test('the notes of a round are wanted by their place, the first at 0, of those together the highest', () => {
  const { notes, leadIn } = wantedRound(playable(['4b', '5b', '6b', undefined, '4b'], [0, 0, 1, 2, 3]), 120);
  // 4 blow and 5 blow begin together; the fourth note cannot be had.
  expect(notes.map(({ id, wayId, at, midi }) => [id, wayId, at, Math.round(midi)])).toEqual([
    ['1', '5b', 0, 76],
    ['2', '6b', 0.5, 79],
    ['4', '4b', 1.5, 72],
  ]);
  // Two bars of four at 120.
  expect(leadIn).toBe(4);
});

test('a bend is wanted where it ought to be, however it was measured', () => {
  const bend = instrument.ways.find(({ id }) => id === '3d1')!;
  const flat = playable(['3d1'], [0]);
  const line = new Map([['n0', { ...flat.line.get('n0')!, hz: 440 * 2 ** ((bend.pitch - 0.3 - 69) / 12) }]]);
  expect(wantedRound({ ...flat, line }, 60).notes[0]!.midi).toBeCloseTo(bend.pitch);
});
