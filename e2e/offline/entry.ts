import { families } from '@same-song/core/instruments';
import { roundOf, type TimedNote } from '@same-song/core/practice';
import { Agenda } from '../../apps/web/src/sound/clock.ts';
import { scheduleScore } from '../../apps/web/src/sound/score.ts';

/** Time between two looks at the clock, in seconds. */
const TICK = 0.2;

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
  const context = new OfflineAudioContext(1, seconds * rate, rate);
  const agenda = new Agenda();
  for (let at = TICK; at < seconds; at += TICK)
    void context.suspend(at).then(() => {
      agenda.runUntil(context.currentTime);
      return context.resume();
    });
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
    {
      clock: { context, now: () => context.currentTime, at: (time, run) => agenda.add(time, run) },
      timbre: families.diatonic.timbre,
    },
    { onNote: () => undefined },
    () => undefined,
  );
  const samples = (await context.startRendering()).getChannelData(0);
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
