import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runChecks } from './lib/checks.mjs';
import { needBuild, needChromium, needNode, needPackages } from './lib/setup.mjs';
import { runTool } from './lib/run.mjs';
import { say } from './lib/say.mjs';

needNode();
await needPackages();
await needChromium();

const [ONE, TWO] = ['--maxWorkers=1', '--maxWorkers=2'];
/** What is played to the ear in time is not heard in time where another browser is at work beside it. */
const BY_ITSELF = 'e2e/earUses';

const folder = mkdtempSync(join(tmpdir(), 'same-song-test-'));
const total = await runChecks();
await jest('unit and API tests', ['core', 'formats', 'server', 'web']);
await needBuild();
await jest('browser tests', ['browser'], [TWO, '--testPathIgnorePatterns', BY_ITSELF]);
await jest('browser tests that play in time', ['browser'], [ONE, '--testPathPatterns', BY_ITSELF]);

rmSync(folder, { recursive: true, force: true });
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
process.exitCode = total.failed === 0 ? 0 : 1;

/** Runs Jest, two files at a time at most on two cores as on many, and adds its counts; a run that ends badly without a failed test counts as one failure. */
async function jest(name, projects, options = [TWO]) {
  say(name);
  const outputFile = join(folder, `${name.replaceAll(' ', '-')}.json`);
  const code = await runTool(
    'jest',
    ['--selectProjects', ...projects, '--json', `--outputFile=${outputFile}`, ...options],
    {
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  const counts = read(outputFile);
  total.passed += counts.passed;
  total.failed += counts.failed;
  if (counts.failed === 0 && (code !== 0 || counts.passed === 0)) total.failed += 1;
}

function read(file) {
  try {
    const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(
      readFileSync(file, 'utf8'),
    );
    return { passed: numPassedTests, failed: numFailedTests + numRuntimeErrorTestSuites };
  } catch {
    return { passed: 0, failed: 0 };
  }
}
