import { runTool } from './run.mjs';

/** Everything that is checked without running the program. */
export const CHECKS = [
  { name: 'types of core', run: () => runTool('tsc', ['-p', 'packages/core/tsconfig.json']) },
  {
    name: 'core stands alone: no Node, no browser',
    run: () => runTool('tsc', ['-p', 'packages/core/tsconfig.build.json', '--noEmit']),
  },
  { name: 'types of server', run: () => runTool('tsc', ['-p', 'apps/server/tsconfig.json']) },
  { name: 'types of web', run: () => runTool('tsc', ['-p', 'apps/web/tsconfig.json']) },
  { name: 'types of browser tests', run: () => runTool('tsc', ['-p', 'e2e/tsconfig.json']) },
  { name: 'lint', run: () => runTool('eslint', ['.', '--max-warnings', '0']) },
  { name: 'format', run: () => runTool('prettier', ['--check', '--log-level', 'warn', '.']) },
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
