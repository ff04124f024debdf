// Adds lock entries for optional platform packages the registry view here lacks, so that `npm ci` accepts the lock.
import { readFileSync, writeFileSync } from 'node:fs';
const f = process.argv[2] ?? 'package-lock.json';
const lock = JSON.parse(readFileSync(f, 'utf8'));
let n = 0;
for (const [path, p] of Object.entries(lock.packages))
  for (const [name, range] of Object.entries(p.optionalDependencies ?? {})) {
    const nested = `${path ? path + '/' : ''}node_modules/${name}`,
      top = `node_modules/${name}`;
    if (lock.packages[nested] || lock.packages[top]) continue;
    const os = /(darwin|win32|freebsd|android|openharmony|linux|aix|sunos)/.exec(name)?.[1];
    lock.packages[top] = {
      version: range.replace(/^[\^~]/, ''),
      optional: true,
      ...(p.dev ? { dev: true } : {}),
      ...(os === 'linux'
        ? { os: ['linux'], cpu: [/-(arm|arm64|loong64|ppc64|riscv64|s390x)/.exec(name)?.[1] ?? 'none'] }
        : { os: [os ?? 'none'] }),
    };
    n++;
  }
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(f, JSON.stringify(lock, null, 2) + '\n');
process.stdout.write(`added ${n}\n`);
