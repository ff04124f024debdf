import { needBuild, needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';
import { run } from './lib/run.mjs';

/** Sets up what is missing, builds what is old, then serves until it is stopped. */
export async function serve(what, env = {}) {
  needNode();
  await needPackages();
  await needBuild();
  say(`Serving ${what}. Stop with Ctrl C.`);
  process.exitCode = await run(process.execPath, ['apps/server/dist/main.js'], {
    env: { ...process.env, ...env },
  });
}
