import { soundsAt, type WantedWay } from '@same-song/core/ear';
import type { Instrument } from '@same-song/core/instruments';
import { aboveHome, frequency, type Key } from '@same-song/core/music';
import { CALL_BARS, callPhrase, type DifficultyId, type PhraseNote } from '@same-song/core/practice';
import { clickAt, type Score, type ScoreMark, type ScoreSound } from '../../sound/score.ts';
import type { RoundMark } from '../round/roundScore.ts';
import type { WantedRound } from '../round/useRoundListening.ts';

/** What may be called: the ways of a stage on an instrument, in a key. */
interface Callable {
  readonly instrument: Instrument;
  readonly key: Key;
  /** Ids of ways. */
  readonly allowed: readonly string[];
}

/** A phrase to be answered; none where nothing is allowed. */
export function phraseFor(
  { instrument, key, allowed }: Callable,
  how: { readonly difficulty: DifficultyId; readonly beats: number; readonly seed: number },
): readonly PhraseNote[] {
  const may = new Set(allowed);
  const own = instrument.ways.filter(({ id }) => may.has(id));
  const pitches = [...new Set(own.map(({ pitch }) => pitch))].sort((a, b) => a - b);
  const homes = pitches.filter((pitch) => aboveHome(key, pitch) === 0);
  return pitches.length > 0 ? callPhrase(pitches, homes, how) : [];
}

/** The notes of the answer, that begins where the phrase would begin again. */
export function wantedAnswer(
  { instrument, allowed }: Omit<Callable, 'key'>,
  phrase: readonly PhraseNote[],
  { perMinute, beats }: { readonly perMinute: number; readonly beats: number },
): WantedRound {
  const may = new Set(allowed);
  const beat = 60 / perMinute;
  return {
    notes: phrase.map(({ pitch, start }, i): WantedWay => {
      // Which of several ways it was cannot be heard.
      const way = instrument.ways.find((one) => one.pitch === pitch && may.has(one.id))!;
      return { id: String(i), wayId: way.id, midi: soundsAt(instrument, way), at: start * beat };
    }),
    leadIn: CALL_BARS * beats * beat,
    beat,
  };
}

/** A phrase with clicks, then as long a silence to answer it in: the answer is the round, and the call its count. */
export function callScore(
  phrase: readonly PhraseNote[],
  { beats, perMinute, a4 }: { readonly beats: number; readonly perMinute: number; readonly a4: number },
): Score<RoundMark> {
  const beat = 60 / perMinute;
  const length = CALL_BARS * beats * beat;
  const counted = Array.from({ length: 2 * CALL_BARS * beats }, (_, i) => i);
  const clicks = counted.map((i) => clickAt(i * beat, i % beats === 0, 0.5));
  const sounds = phrase.map(({ pitch, start, beats: long }): ScoreSound => ({
    kind: 'melody',
    at: start * beat,
    seconds: long * beat,
    hz: frequency(pitch, a4),
  }));
  const marks: ScoreMark<RoundMark>[] = [
    ...counted.map((i) => {
      const within = (i % beats) + 1;
      return {
        at: i * beat,
        mark: { kind: 'beat' as const, beat: { beat: within, said: within, of: beats } },
      };
    }),
    { at: length, mark: { kind: 'note', place: 0 } },
    { at: 2 * length, mark: { kind: 'end' } },
  ];
  return {
    sounds: [...clicks, ...sounds].sort((a, b) => a.at - b.at),
    marks: marks.sort((a, b) => a.at - b.at),
    begins: 0,
    ends: 2 * length,
    loop: false,
    mute: false,
  };
}
