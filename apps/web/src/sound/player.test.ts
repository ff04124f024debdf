import { families } from '@same-song/core/instruments';
import { playNote, playScore, stopPlaying } from './player.ts';
import type { Score } from './score.ts';

const { timbre } = families.diatonic;
const SCORE: Score = {
  sounds: [{ kind: 'melody', at: 0, seconds: 1, hz: 440, noteId: 'a' }],
  begins: 0,
  ends: 1,
  loop: false,
  mute: false,
};

/** A clock that comes when it is let through, and what was struck on it. */
const mockSound = { struck: [] as number[], ended: 0, coming: Promise.resolve() };
jest.mock('./clock.ts', () => ({
  liveClock: () =>
    mockSound.coming.then(() => ({
      context: { currentTime: 10 },
      now: () => 10,
      at: () => () => undefined,
    })),
}));
jest.mock('./voices.ts', () => ({
  voicesOf: () => ({
    strike: (hz: number) => mockSound.struck.push(hz),
    end: () => (mockSound.ended += 1),
  }),
}));

beforeEach(() => {
  stopPlaying();
  Object.assign(mockSound, { struck: [], ended: 0, coming: Promise.resolve() });
});

test('a score sounds and is silenced, which is told once', async () => {
  const told: (string | undefined)[] = [];
  await playScore(SCORE, timbre, (id) => told.push(id));
  expect(mockSound.struck).toEqual([440]);
  stopPlaying();
  stopPlaying();
  expect([told, mockSound.ended]).toEqual([[undefined], 1]);
});

test('stopped while the sound is still being made ready nothing sounds, neither score nor note', async () => {
  let begin: () => void = () => undefined;
  mockSound.coming = new Promise<void>((started) => (begin = started));
  const told: (string | undefined)[] = [];
  const score = playScore(SCORE, timbre, (id) => told.push(id));
  const note = playNote(262, timbre);
  stopPlaying();
  expect(told).toEqual([undefined]);
  begin();
  await Promise.all([score, note]);
  expect(mockSound.struck).toEqual([]);
});

test('another score silences the one that plays; a single note does not', async () => {
  const told: string[] = [];
  await playScore(SCORE, timbre, (id) => told.push(`first ${id ?? 'over'}`));
  await playNote(262, timbre);
  expect(told).toEqual([]);
  await playScore(SCORE, timbre, (id) => told.push(`second ${id ?? 'over'}`));
  expect(told).toEqual(['first over']);
});

test('where no sound can be made, that is told', async () => {
  mockSound.coming = Promise.reject(new Error('no device'));
  await expect(playNote(440, timbre)).rejects.toThrow('no device');
  await expect(playScore(SCORE, timbre, () => undefined)).rejects.toThrow('no device');
});
