import type { ChildProcess } from 'node:child_process';

export interface StartedServer {
  readonly address: string;
  readonly child: ChildProcess;
  stop(signal?: NodeJS.Signals): Promise<void>;
}
export function startServer(env?: Record<string, string>): Promise<StartedServer>;
export function putWelcomeAway(address: string): Promise<void>;
