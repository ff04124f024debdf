/** Time between two looks at the clock of the sound, in ms. */
const TICK = 20;

setInterval(() => postMessage(0), TICK);
