import { createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp, say } from './say.mjs';
import { has, ROOT, run, runTool } from './run.mjs';

const LEAST_NODE = [20, 11];

/** Ends the command when Node.js is too old for what is installed. */
export function needNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return;
  giveUp(
    `Same Song needs Node.js ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}. Install a newer one, then try again.`,
  );
}

const STAMP = join(ROOT, 'node_modules', '.installed-for');

function lockHash() {
  return createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
}

/** Installs the packages of the lock file, unless they are there. */
export async function needPackages() {
  const installed = existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lockHash();
  if (!installed) {
    const headers = existsSync('/usr/include/sqlite3.h');
    const missing = ['python3', 'make', 'g++'].filter((tool) => !has(tool));
    if (missing.length > 0) {
      giveUp(
        `SQLite must be compiled here and ${missing.join(', ')} is missing. On Debian: apt-get install python3 make g++`,
      );
    }
    say(
      headers
        ? 'Installing packages (SQLite against the headers of this machine, about a minute) …'
        : 'Installing packages (SQLite is compiled whole, about four minutes; libsqlite3-dev would make it one) …',
    );
    const env = { ...process.env, ...(headers ? { GYP_DEFINES: 'sqlite=/usr' } : {}) };
    const code = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { env });
    if (code !== 0)
      giveUp(
        'The packages could not be installed. Is the package registry within reach? The lines above tell more.',
      );
    writeFileSync(STAMP, lockHash());
  }
  if (spawnSync(process.execPath, ['-e', 'require("sqlite3")'], { cwd: ROOT }).status !== 0) {
    say('SQLite was built for another Node.js: building it again …');
    const code = await run('npm', ['rebuild', 'sqlite3']);
    if (code !== 0)
      giveUp('SQLite could not be built. Remove node_modules and try again; the lines above tell more.');
  }
}

/** Newest change of a file, or within a folder, in ms; 0 where there is none. */
function newest(path) {
  const stat = statSync(path, { throwIfNoEntry: false });
  if (!stat?.isDirectory()) return stat?.mtimeMs ?? 0;
  return readdirSync(path, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .reduce(
      (latest, entry) => Math.max(latest, statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs),
      0,
    );
}

const PARTS = [
  {
    name: 'core',
    sources: ['packages/core/src'],
    made: 'packages/core/dist/index.js',
    tool: 'tsc',
    args: ['-p', 'packages/core/tsconfig.build.json'],
  },
  {
    name: 'formats',
    sources: ['packages/formats/src', 'packages/core/src'],
    made: 'packages/formats/dist/index.js',
    tool: 'tsc',
    args: ['-p', 'packages/formats/tsconfig.build.json'],
  },
  {
    name: 'server',
    sources: ['apps/server/src', 'packages/core/src', 'packages/formats/src'],
    made: 'apps/server/dist/main.js',
    tool: 'tsc',
    args: ['-p', 'apps/server/tsconfig.build.json'],
  },
  {
    name: 'web application',
    sources: [
      'apps/web/src',
      'apps/web/public',
      'apps/web/vite.config.ts',
      'packages/core/src',
      'packages/formats/src',
    ],
    made: 'apps/web/dist/index.html',
    tool: 'vite',
    args: ['build', 'apps/web', '--logLevel', 'warn'],
  },
];

/** Builds what is older than its sources or than the installed packages. */
export async function needBuild() {
  const packages = existsSync(STAMP) ? statSync(STAMP).mtimeMs : 0;
  for (const { name, sources, made, tool, args } of PARTS) {
    const built = existsSync(join(ROOT, made)) ? statSync(join(ROOT, made)).mtimeMs : 0;
    if (built > Math.max(packages, ...sources.map((folder) => newest(join(ROOT, folder))))) continue;
    say(`Building the ${name} …`);
    if ((await runTool(tool, args)) !== 0)
      giveUp(`The ${name} could not be built; the lines above tell why.`);
  }
}

/** Finds or installs what the browser tests use: Chromium, and pdftotext to read what was printed. */
export async function needChromium() {
  const missing = [
    ...(process.env.CHROMIUM || existsSync('/usr/bin/chromium') ? [] : ['chromium']),
    ...(has('pdftotext') ? [] : ['poppler-utils']),
  ];
  if (missing.length === 0) return;
  const prefix = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const help = `Install ${missing.join(' and ')} (on Debian: apt-get install ${missing.join(' ')}), or point CHROMIUM at a browser.`;
  if (!has('apt-get') || (prefix.length > 0 && !has('sudo')))
    giveUp(`The browser tests need ${missing.join(' and ')}. ${help}`);
  say(`Installing ${missing.join(' and ')} from Debian's packages …`);
  const apt = (...args) => {
    const [command, ...rest] = [...prefix, 'apt-get', ...args];
    return run(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  };
  await apt('update');
  if ((await apt('install', '-y', '--no-install-recommends', ...missing)) !== 0) {
    giveUp(`No rights or no way to install ${missing.join(' and ')} here. ${help}`);
  }
}
