import { isClean, judgeLine, type JudgedNote, type NoteFate, type WantedNote } from './judge.ts';
import { REACH } from './listening.ts';
import type { HeardNote } from './notes.ts';

/** How a round was followed. */
export interface Followed {
  readonly notes: readonly JudgedNote[];
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
export function follow(
  wanted: readonly WantedNote[],
  heard: readonly HeardNote[],
  most: number = DELAYS.most,
): Followed {
  const delay = commonDelay(wanted, heard, most);
  const moved = heard.map((note) => ({ ...note, onset: note.onset - delay, end: note.end - delay }));
  const notes = judgeLine(wanted, moved);
  return { notes, clean: isClean(notes), delay };
}

/** The delay with which most notes are where they are wanted, the shortest of those that are as good. */
function commonDelay(wanted: readonly WantedNote[], heard: readonly HeardNote[], most: number): number {
  const apart = wanted.flatMap(({ midi, at }) =>
    heard
      .filter((note) => Math.abs(note.midi - midi) <= REACH)
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

const FATE_WORDS: Readonly<Record<Exclude<NoteFate, 'hit'>, string>> = {
  early: 'early',
  late: 'late',
  off: 'another pitch',
  missed: 'not heard',
};
/** More are not told one by one. */
const TOLD = 4;

/** `All 8 notes were hit.`, `6 of 8: note 3 late, note 5 not heard.` */
export function followedWords({ notes }: Followed): string {
  const wrong = notes.flatMap(({ fate }, i) => (fate === 'hit' ? [] : [`note ${i + 1} ${FATE_WORDS[fate]}`]));
  if (wrong.length === 0) return `All ${notes.length} notes were hit.`;
  const told = wrong.slice(0, TOLD).join(', ') + (wrong.length > TOLD ? ' …' : '');
  return `${notes.length - wrong.length} of ${notes.length}: ${told}.`;
}
