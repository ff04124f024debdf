import { resolve } from 'node:path';
import { StartError } from './startError.ts';

/** Everything the environment decides. */
export interface Config {
  readonly host: string;
  readonly port: number;
  /** True when PORT was given: then no other port is tried. */
  readonly portFixed: boolean;
  /** Path of the SQLite file. */
  readonly databaseFile: string;
  /** Folder of the built web application. */
  readonly webFolder: string;
  /** Host names that requests may be addressed to, besides this machine's own. */
  readonly allowedHosts: readonly string[];
  readonly requestsPerMinute: number;
  /** Fill an empty database with the demo data. */
  readonly demo: boolean;
}

const PROJECT = resolve(import.meta.dirname, '../../..');

/** Reads the environment. @throws StartError naming the variable that is wrong */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const demo = env['SAME_SONG_DEMO'] === '1';
  return {
    // Set to nothing it is left out: an empty name would open the server to every network.
    host: env['HOST']?.trim() || '127.0.0.1',
    port: wholeNumber(env, 'PORT', 4870, 0, 65535),
    portFixed: env['PORT'] !== undefined,
    databaseFile: resolve(PROJECT, env['SAME_SONG_DB'] ?? `data/${demo ? 'demo' : 'same-song'}.sqlite`),
    webFolder: resolve(PROJECT, env['SAME_SONG_WEB'] ?? 'apps/web/dist'),
    allowedHosts: (env['ALLOWED_HOSTS'] ?? '')
      .split(',')
      .map((h) => h.trim().toLowerCase())
      .filter((h) => h !== ''),
    requestsPerMinute: wholeNumber(env, 'REQUESTS_PER_MINUTE', 6000, 1, 1_000_000),
    demo,
  };
}

function wholeNumber(
  env: NodeJS.ProcessEnv,
  name: string,
  byDefault: number,
  least: number,
  most: number,
): number {
  const text = env[name];
  if (text === undefined) return byDefault;
  const value = Number(text);
  if (text.trim() !== '' && Number.isInteger(value) && value >= least && value <= most) return value;
  throw new StartError(`${name} must be a whole number from ${least} to ${most}; it is “${text}”.`);
}
