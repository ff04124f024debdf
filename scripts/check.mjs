import { CHECKS } from './lib/checks.mjs';
import { needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';

needNode();
await needPackages();
let failed = 0;
for (const check of CHECKS) {
  say(check.name);
  if ((await check.run()) !== 0) failed += 1;
}
say(failed === 0 ? 'All checks hold.' : `${failed} of ${CHECKS.length} checks do not hold.`);
process.exitCode = failed === 0 ? 0 : 1;
