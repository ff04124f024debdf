import { needBuild, needChromium, needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';

needNode();
await needPackages();
await needChromium();
await needBuild();
say('Measuring; a ratio of at most 1 keeps within what it is held against …');
// Loaded only now: what they measure may just have been built.
const { solverRatios } = await import('./bench/solver.mjs');
const { routeRatios } = await import('./bench/routes.mjs');
const { repaintRatios } = await import('./bench/page.mjs');
const { songRatios } = await import('./bench/songs.mjs');
const { sizeRatios, startRatio } = await import('./bench/web.mjs');
const { earRatios } = await import('./bench/ear.mjs');
const { listRatios } = await import('./bench/lists.mjs');
const ratios = [
  ...(await solverRatios()),
  ...(await routeRatios()),
  ...(await songRatios()),
  ...(await earRatios()),
  ...sizeRatios(),
  await startRatio(),
  ...(await listRatios()),
  ...(await repaintRatios()),
];
process.stdout.write(`${JSON.stringify({ ratios }, null, 2)}\n`);
