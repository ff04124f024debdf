import { runChecks } from './lib/checks.mjs';
import { needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';

needNode();
await needPackages();
const { passed, failed } = await runChecks();
say(failed === 0 ? 'All checks hold.' : `${failed} of ${passed + failed} checks do not hold.`);
process.exitCode = failed === 0 ? 0 : 1;
