/** Where a tick begins, in Hz: on the first beat of a bar, and on all others. */
export const TICK_HZ = Object.freeze({ first: 9000, other: 5000 });

/** So much lower it ends. */
const FALLS = 5;
/** How long it is, how fast it comes, dies away to a third and ends; in seconds. */
const LASTS = 0.02;
const COMES = 0.0005;
const FADES = 0.01;
const ENDS = 0.003;

/**
 * A tick of a metronome: a dry tock that falls by more than two octaves at once. It stays nowhere, so it has no pitch that
 * could clash with a key, nor be taken for a note by an ear that listens along.
 * @param rate samples a second @param hz where it begins, at most nearly half the rate @returns samples from −1 to 1
 */
export function tick(rate: number, hz: number): Float32Array<ArrayBuffer> {
  const from = Math.min(hz, 0.45 * rate);
  const fall = Math.log(FALLS) / LASTS;
  return Float32Array.from({ length: Math.round(LASTS * rate) }, (_, i) => {
    const time = i / rate;
    const turns = (from / fall) * (1 - Math.exp(-fall * time));
    const loud = Math.min(1, time / COMES, (LASTS - time) / ENDS) * Math.exp(-time / FADES);
    return loud * Math.sin(2 * Math.PI * turns);
  });
}
