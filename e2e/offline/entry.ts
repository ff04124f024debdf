import * as Tone from 'tone';
import { families, roundOf, type TimedNote } from '@same-song/core';
import { scheduleScore } from '../../apps/web/src/sound/score.ts';

/** Renders a looping score as the page lays it out and tells when sounds begin. Times in seconds. */
async function onsets(perMinute: number, seconds: number): Promise<readonly number[]> {
  const beats = 4;
  const notes: TimedNote[] = Array.from({ length: beats }, (_, i) => ({
    noteId: String(i),
    start: i,
    beats: 1,
    held: 0.2,
  }));
  const round = roundOf({ notes, beatsPerBar: beats, perMinute, countIn: true });
  const rate = 3000;
  const context = new Tone.OfflineContext(1, seconds, rate);
  const before = Tone.getContext();
  Tone.setContext(context);
  scheduleScore(
    {
      sounds: round.beats.map(({ at, beat }) => ({
        kind: 'click',
        at,
        seconds: 0,
        hz: beat === 1 ? 700 : 500,
      })),
      begins: round.begins,
      ends: round.ends,
      loop: true,
      mute: false,
    },
    { Tone, timbre: families.diatonic.timbre },
    { onNote: () => undefined },
  );
  const samples = (await context.render()).getChannelData(0);
  Tone.setContext(before);
  const found: number[] = [];
  const quiet = 0.05 * rate;
  for (let at = 0, last = -quiet; at < samples.length; at += 1) {
    if (Math.abs(samples[at]!) < 0.004) continue;
    if (at - last >= quiet) found.push(at / rate);
    last = at;
  }
  return found;
}

Object.assign(globalThis, { onsets });
