import { expectOk, seededRandom } from '@same-song/core';
import { isPlayersOwn, tuned } from '@same-song/core/ear';
import { openInstrument, type Instrument } from '@same-song/core/instruments';
import type { LogEntry } from '@same-song/core/practice';
import type { Exchanged } from '@same-song/core/records';

const WEEK = 7 * 86_400_000;

/**
 * What was heard of each way: bends begin flat and come nearer, notes come late and less so. @param share how far the
 * player has come, from 0 to 1
 */
export function withSounds(
  ways: LogEntry['ways'],
  instrument: Instrument,
  { share, seed }: { readonly share: number; readonly seed: number },
): LogEntry['ways'] {
  const random = seededRandom(seed);
  const about = (middle: number, spread: number) => middle + spread * (random.next() + random.next() - 1);
  return Object.fromEntries(
    Object.entries(ways).map(([id, { played, missed }]) => {
      const way = instrument.ways.find((one) => one.id === id)!;
      const own = isPlayersOwn(instrument, way);
      const heard = Array.from({ length: Math.max(0, played - missed) }, () => {
        const cents = about(own ? -22 + 14 * share : 3, own ? 14 : 9);
        return { how: tuned(cents, own), cents, ms: about(55 - 30 * share, 90) };
      });
      if (heard.length === 0) return [id, { played, missed }];
      const mean = (numbers: readonly number[]) =>
        Math.round((10 * numbers.reduce((sum, one) => sum + one, 0)) / numbers.length) / 10;
      const sound = {
        times: heard.length,
        cents: mean(heard.map(({ cents }) => cents)),
        sharp: heard.filter(({ how }) => how === 'sharp').length,
        flat: heard.filter(({ how }) => how === 'flat').length,
        ms: mean(heard.map(({ ms }) => ms)),
        early: heard.filter(({ ms }) => ms < -120).length,
        late: heard.filter(({ ms }) => ms > 120).length,
      };
      return [id, { played, missed, sound }];
    }),
  );
}

/**
 * Instruments of the room that were measured in other months.
 * @param instruments those of the cabinet @param now ms since 1970 @param id of the one of a number
 */
export function demoMeasurings(
  instruments: readonly Exchanged<'instruments'>[],
  now: number,
  id: (n: number) => string,
): readonly Exchanged<'measurings'>[] {
  const measured = [
    { family: 'whistle', weeks: [9, 1], off: (i: number) => ((i * 37) % 19) - 8 },
    { family: 'anglo', weeks: [6], off: (i: number) => ((i * 23) % 11) - 2 },
  ];
  return measured.flatMap(({ family, weeks, off }, group) => {
    const { id: instrumentId, ...spec } = instruments.find((one) => one.family === family)!;
    const { ways } = expectOk(openInstrument(spec));
    return weeks.map((back, time) => ({
      id: id(900 + 10 * group + time),
      name: spec.name,
      instrumentId,
      a4: spec.a4,
      at: new Date(Math.floor(now / 86_400_000) * 86_400_000 - back * WEEK + 18 * 3_600_000).toISOString(),
      ways: Object.fromEntries(
        ways
          .filter(({ able, redundantTo }) => able && redundantTo === undefined)
          .map(({ id: way, pitch }, i) => [
            way,
            { pitch, cents: off(i) + time, spread: 2 + (i % 5), count: 2 + (i % 3) },
          ]),
      ),
    }));
  });
}
