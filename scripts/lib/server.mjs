import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

/** Starts the built server; resolves when it is ready, with its address and the way to stop it. */
export function startServer(env = {}) {
  const child = spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (data) => {
      said += data;
      const address = /http:\/\/\S+/.exec(said)?.[0];
      if (!address) return;
      resolve({
        address,
        child,
        stop: async (signal = 'SIGTERM') => {
          child.kill(signal);
          await ended;
        },
      });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    void ended.then((code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
}

/** Puts the words for a first visit away, which stand on every new database. */
export async function putWelcomeAway(address) {
  const settings = `${address}/api/settings`;
  const { value, version } = await (await fetch(settings)).json();
  await fetch(settings, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ value: { ...value, welcomed: true }, version }),
  });
}
