import { runTool } from './run.mjs';
import { say } from './say.mjs';

/** Everything that is checked without running the program, what takes longest first. */
const CHECKS = [
  { name: 'lint', run: () => runTool('oxlint', ['--type-aware', '--deny-warnings']) },
  { name: 'types of core', run: () => runTool('tsc', ['-p', 'packages/core/tsconfig.json']) },
  {
    name: 'core stands alone: no Node, no browser',
    run: () => runTool('tsc', ['-p', 'packages/core/tsconfig.build.json', '--noEmit']),
  },
  { name: 'types of formats', run: () => runTool('tsc', ['-p', 'packages/formats/tsconfig.json']) },
  { name: 'types of server', run: () => runTool('tsc', ['-p', 'apps/server/tsconfig.json']) },
  { name: 'types of web', run: () => runTool('tsc', ['-p', 'apps/web/tsconfig.json']) },
  { name: 'types of browser tests', run: () => runTool('tsc', ['-p', 'e2e/tsconfig.json']) },
  { name: 'format', run: () => runTool('oxfmt', ['--check', '.']) },
  {
    name: 'arrows between packages and families',
    run: () =>
      runTool('depcruise', [
        '--config',
        '.dependency-cruiser.cjs',
        'packages',
        'apps/server/src',
        'apps/web/src',
        'e2e',
      ]),
  },
];

/** Checks everything, two at a time; gives how many hold and how many do not. */
export async function runChecks() {
  const waiting = [...CHECKS];
  const counts = { passed: 0, failed: 0 };
  const work = async () => {
    for (let check = waiting.shift(); check; check = waiting.shift()) {
      say(check.name);
      const holds = (await check.run()) === 0;
      if (!holds) say(`does not hold: ${check.name}`);
      counts[holds ? 'passed' : 'failed'] += 1;
    }
  };
  await Promise.all([work(), work()]);
  return counts;
}
