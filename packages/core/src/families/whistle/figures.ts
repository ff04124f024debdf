import { figureWith, LONG_ROLL, SHORT_ROLL, type Figure, type Touch } from '../figure.ts';
import { CRAN_FINGERS, CUT_FINGER } from './tables.ts';
import type { WhistleWay } from './ways.ts';

/**
 * Cuts by one finger that is lifted, strikes by one that falls, rolls of both and crans of two cuts, in every register: on
 * fingerings whose covered holes lie together from the mouth, since on all others more than one finger would move. Slides
 * come up from a half-hole.
 */
export function figures(
  _: unknown,
  way: WhistleWay,
  ways: readonly WhistleWay[],
): readonly Figure<WhistleWay>[] {
  const covered = coveredFromTop(way);
  if (covered === undefined) return [];
  const sounding = (count: number) => wayWith(ways, way, 'x'.repeat(count).padEnd(HOLES, 'o'));
  /** What is heard while a covered hole is open. */
  const opened = (finger: number): readonly Flick[] => flick(sounding(finger - 1), finger);
  const [cut] = covered > 0 ? opened(Math.min(covered, CUT_FINGER)) : [];
  const [strike] = covered < HOLES ? flick(sounding(covered + 1), covered + 1) : [];
  const crans = covered === HOLES ? CRAN_FINGERS.flatMap(opened) : [];
  const halved = `${'x'.repeat(covered)}h`.padEnd(HOLES, 'o');
  const slid = covered < HOLES ? wayWith(ways, way, halved) : undefined;
  return [
    ...(cut ? [single('cut', cut, `cut with finger ${cut.finger}`)] : []),
    ...(strike ? [single('strike', strike, `strike with finger ${strike.finger}`)] : []),
    ...(cut && strike ? rolls('roll', cut, strike, `fingers ${cut.finger} and ${strike.finger}`) : []),
    ...(crans.length === 2
      ? rolls('cran', crans[0]!, crans[1]!, `fingers ${CRAN_FINGERS.join(' and ')}`)
      : []),
    ...figureWith('slide', slid?.able ? slid : undefined, () => `slide up off hole ${covered + 1}`),
  ];
}

const HOLES = 6;

/** A finger that moves for a moment. */
interface Flick extends Touch<WhistleWay> {
  readonly finger: number;
}

function flick(heard: WhistleWay | undefined, finger: number): readonly Flick[] {
  return heard ? [{ pitch: heard.pitch, finger }] : [];
}

/** How many holes are covered, where these are the first from the mouth and all others open; undefined elsewhere. */
function coveredFromTop({ fingering }: WhistleWay): number | undefined {
  const [, covered] = /^(x*)o*$/.exec(fingering.pattern) ?? [];
  return covered?.length;
}

function wayWith(ways: readonly WhistleWay[], { register }: WhistleWay, pattern: string) {
  return ways.find((other) => other.register === register && other.fingering.pattern === pattern);
}

function single(sign: 'cut' | 'strike', { pitch }: Flick, words: string): Figure<WhistleWay> {
  return { id: sign, words, sign, before: [{ pitch }] };
}

/** The long figure, flicked on the second and third eighth of a note, and the short one, begun with the first flick. */
function rolls(
  sign: 'roll' | 'cran',
  first: Flick,
  second: Flick,
  words: string,
): readonly Figure<WhistleWay>[] {
  const how = { sign, mark: 'roll' } as const;
  const [one, two] = [{ pitch: first.pitch }, { pitch: second.pitch }];
  return [
    {
      ...how,
      id: sign,
      words: `long ${sign}: ${words}`,
      before: [],
      within: [
        { ...one, after: LONG_ROLL.first },
        { ...two, after: LONG_ROLL.second },
      ],
      lengths: { from: LONG_ROLL.from },
    },
    {
      ...how,
      id: `short-${sign}`,
      words: `short ${sign}: ${words}`,
      before: [one],
      within: [{ ...two, after: SHORT_ROLL.second }],
      lengths: { from: SHORT_ROLL.from, below: LONG_ROLL.from },
    },
  ];
}
