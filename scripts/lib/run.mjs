import { spawn, spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** The project's root, wherever the command was called from. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url));

/** Runs a command in the project, its output shown. Resolves to its exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], ...options });
    child.on('error', () => resolve(127));
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** Runs a tool of an installed package. */
export function runTool(name, args, options) {
  return run(process.execPath, [`${ROOT}node_modules/${TOOLS[name]}`, ...args], options);
}

const TOOLS = {
  tsc: 'typescript/bin/tsc',
  oxlint: 'oxlint/bin/oxlint',
  oxfmt: 'oxfmt/bin/oxfmt',
  depcruise: 'dependency-cruiser/bin/dependency-cruise.mjs',
  jest: 'jest/bin/jest.js',
  vite: 'vite/bin/vite.js',
};

/** Whether a command can be found on this machine. */
export function has(command) {
  return spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;
}
