import type { Instrument } from '../instrument/instrument.ts';
import { waysTogether, type WayCount } from './waySound.ts';
import { extraNotes, isClean, judgeLine, type JudgedNote, type WantedNote } from './judge.ts';
import { counted } from '../words.ts';
import { PITCH_TOLERANCE } from './listening.ts';
import { isPlayersOwn, tuned } from './meant.ts';
import type { HeardNote } from './notes.ts';

/** How a round was followed. */
export interface MatchedRound {
  readonly notes: readonly JudgedNote[];
  /** Notes that were played and not wanted; rising. */
  readonly extra: readonly HeardNote[];
  readonly clean: boolean;
  /** Seconds by which all came late together: what the devices take, and is nobody's fault. */
  readonly delay: number;
}

/** A delay of the devices is not longer, in seconds; before what is seen a player may be by less. */
const DELAYS = Object.freeze({ least: -0.2, most: 0.4, step: 0.02 });
/** Notes within it are together while the delay is looked for, in seconds. */
const TOGETHER = 0.08;

/**
 * Follows a round: the delay that all notes have in common is taken out, then each is judged. @param wanted and @param
 * heard in seconds on one clock, rising @param most delay that the devices can have, in seconds
 */
export function matchRound(
  wanted: readonly WantedNote[],
  heard: readonly HeardNote[],
  most: number = DELAYS.most,
): MatchedRound {
  const delay = commonDelay(wanted, heard, most);
  const moved = heard.map((note) => ({ ...note, onset: note.onset - delay, end: note.end - delay }));
  const { notes, unused } = judgeLine(wanted, moved);
  const extra = extraNotes(wanted, unused);
  return { notes, extra, clean: isClean(notes, extra), delay };
}

/** The delay with which most notes are where they are wanted, the shortest of those that are as good. */
function commonDelay(wanted: readonly WantedNote[], heard: readonly HeardNote[], most: number): number {
  const apart = wanted.flatMap(({ midi, at }) =>
    heard
      .filter((note) => Math.abs(note.midi - midi) <= PITCH_TOLERANCE)
      .map(({ onset }) => onset - at)
      .filter((by) => by >= DELAYS.least - TOGETHER && by <= most + TOGETHER),
  );
  const near = (delay: number) => apart.filter((by) => Math.abs(by - delay) <= TOGETHER);
  let best = 0;
  for (let delay = DELAYS.step; delay <= most; delay += DELAYS.step)
    for (const one of [delay, -delay])
      if (one >= DELAYS.least && near(one).length > near(best).length) best = one;
  const middle = near(best).sort((a, b) => a - b);
  return middle[Math.floor(middle.length / 2)] ?? 0;
}

/** A note that is to be played in a certain way. */
export interface WantedWay extends WantedNote {
  readonly wayId: string;
}

/**
 * How each way went in a round that was followed, and how it sounded. What was another pitch altogether tells nothing of
 * how its way sounds. @param wanted as they were followed
 */
export function matchedWays(
  instrument: Instrument,
  wanted: readonly WantedWay[],
  { notes }: MatchedRound,
): Readonly<Record<string, WayCount>> {
  const own = new Map(instrument.ways.map((way) => [way.id, isPlayersOwn(instrument, way)]));
  return notes.reduce<Readonly<Record<string, WayCount>>>((sum, { result, cents, after }, i) => {
    const { wayId } = wanted[i]!;
    const isHeard = cents !== undefined && after !== undefined && Math.abs(cents) <= 100 * PITCH_TOLERANCE;
    const how = isHeard ? tuned(cents, own.get(wayId)) : undefined;
    const count: WayCount = {
      played: 1,
      missed: Number(result !== 'hit'),
      ...(isHeard && {
        sound: {
          times: 1,
          cents: round(cents),
          sharp: Number(how === 'sharp'),
          flat: Number(how === 'flat'),
          ms: round(1000 * after),
          early: Number(result === 'early'),
          late: Number(result === 'late'),
        },
      }),
    };
    return waysTogether(sum, { [wayId]: count });
  }, {});
}

/** To a tenth. */
function round(value: number): number {
  return Math.round(10 * value) / 10;
}

/** `All 8 notes were hit.`, `6 of 8 notes were hit, and 1 was played that is not in the line.` */
export function matchWords({ notes, extra }: MatchedRound): string {
  const hit = notes.filter(({ result }) => result === 'hit').length;
  const words =
    hit === notes.length ? `All ${hit} notes were hit` : `${hit} of ${notes.length} notes were hit`;
  const more = extra.length === 0 ? '' : `, and ${counted(extra.length, 'other was', 'others were')} played`;
  return `${words}${more}.`;
}
