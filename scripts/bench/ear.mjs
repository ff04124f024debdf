import { expectOk } from '@same-song/core';
import { earFor, hear, judgeLine, NO_FAULTS, simulatedPlayer, soundsAt } from '@same-song/core/ear';
import { families, FAMILY_IDS, openInstrument, specFromPreset } from '@same-song/core/instruments';
import { medianMs, ratio } from './measure.mjs';

const RATE = 48_000;
/** How long a second of sound may take, in ms. */
const BUDGET = 60;
/** Share of notes that may be missed where there is noise at 20 and 10 dB. */
const MISSED = { 20: 0.03, 10: 0.08 };

/** A line of an instrument as it is played, with noise so many decibels under it. */
function lineOf(id, noise) {
  const instrument = expectOk(openInstrument(specFromPreset(id, families[id].presets[0].id)));
  const plain = instrument.family.techniques[0].id;
  const ways = instrument.ways.filter(({ technique }) => technique === plain).slice(0, 12);
  const line = ways.map((way, i) => ({
    id: way.id,
    midi: soundsAt(instrument, way),
    at: 0.4 + 0.5 * i,
    seconds: 0.35,
  }));
  const faults = { ...NO_FAULTS, noise };
  const sound = simulatedPlayer(line, { rate: RATE, timbre: instrument.family.timbre, faults });
  return { line, sound, options: earFor(instrument) };
}

/** How fast the ear is, and how much it misses of lines of every family in noise. */
export async function earRatios() {
  const { sound, options } = lineOf('anglo', 20);
  const seconds = sound.length / RATE;
  const blown = (await medianMs(() => hear(sound, RATE), 3)) / seconds;
  const struck = (await medianMs(() => hear(sound, RATE, { struck: true }), 3)) / seconds;
  const known = (await medianMs(() => hear(sound, RATE, options), 3)) / seconds;
  const missed = (noise) => {
    const results = FAMILY_IDS.flatMap((id) => {
      const one = lineOf(id, noise);
      const { notes } = hear(one.sound, RATE, one.options);
      return judgeLine(one.line, notes).notes.map(({ result }) => result);
    });
    return results.filter((result) => result !== 'hit').length / results.length;
  };
  return [
    ratio('a second of sound, any pitch', blown / BUDGET, `${BUDGET} ms`),
    ratio('the same as if it were struck', struck / BUDGET, `${BUDGET} ms`),
    ratio('a second of sound, a concertina', known / BUDGET, `${BUDGET} ms`),
    ...Object.entries(MISSED).map(([noise, most]) =>
      ratio(`notes not hit of a line, noise at ${noise} dB`, missed(Number(noise)) / most, `${100 * most} %`),
    ),
  ];
}
