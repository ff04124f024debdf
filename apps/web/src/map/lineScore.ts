import type { Timbre } from '@same-song/core/instruments';
import type { LineView } from '@same-song/core/route';
import type { Score, ScoreSound } from '../sound/score.ts';

/** What sounds along with a line, and how it all sounds. */
export interface Voice {
  readonly timbre: Timbre;
  /** Hz of strings that drone along; empty for none. */
  readonly drones: readonly number[];
}

/** Beats after which a drone that dies away is struck again. */
const DRONE_BEATS = 2;

/** The notes of a line that can be had, with its drones. @param tempo beats a minute */
export function lineScore(
  line: readonly Pick<LineView, 'id' | 'wayId' | 'hz' | 'start' | 'beats'>[],
  tempo: number,
  { timbre, drones }: Voice,
): Score {
  const beat = 60 / tempo;
  const notes = line
    .filter(({ wayId }) => wayId !== undefined)
    .map(({ id, hz, start, beats }): ScoreSound => ({
      kind: 'melody',
      at: start * beat,
      seconds: beats * beat,
      hz,
      noteId: id,
    }));
  const last = notes.at(-1);
  const ends = last ? last.at + last.seconds : 0;
  const every = timbre.sustain > 0 ? Math.max(ends, beat) : DRONE_BEATS * beat;
  const strokes = Array.from({ length: Math.ceil(ends / every) }, (_, i) => i * every);
  const droning = strokes.flatMap((at) =>
    drones.map((hz): ScoreSound => ({ kind: 'drone', at, seconds: Math.min(every, ends - at), hz })),
  );
  const sounds = [...droning, ...notes].sort((a, b) => a.at - b.at);
  return { sounds, begins: 0, ends, loop: false, mute: false };
}
