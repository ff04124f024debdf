/**
 * Tests that try anything throw the same dice each time, so that one which fails tells of a change and not of chance.
 * `DICE=7 npx jest …` throws others, `DICE=any` new ones at each run.
 */
import fc from 'fast-check';

const { DICE = '20261127' } = process.env;
if (DICE !== 'any') fc.configureGlobal({ seed: Number(DICE) });
