import { asError } from '@same-song/core';
import 'reflect-metadata';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { readConfig, type Config } from './config.ts';
import { createApp } from './createApp.ts';
import { StartError } from './startError.ts';

/** Ports tried after the first one, when none was asked for. */
const PORTS_TRIED = 20;

try {
  const config = readConfig(process.env);
  const app = await createApp(config);
  const port = await listen(app, config);
  process.stdout.write(`Same Song is ready: http://${config.host}:${port}\n`);
} catch (error) {
  const known = error instanceof StartError;
  process.stderr.write(known ? `Same Song cannot start. ${error.message}\n` : `${asError(error).stack}\n`);
  process.exit(1);
}

/** Takes the port asked for, or the first free one after the usual one. */
async function listen(app: NestExpressApplication, { host, port, portFixed }: Config): Promise<number> {
  for (let next = port; next < port + PORTS_TRIED; next += 1) {
    try {
      await app.listen(next, host);
      return (app.getHttpServer().address() as { port: number }).port;
    } catch (error) {
      const { code, message } = error as NodeJS.ErrnoException;
      if (code === 'EADDRINUSE' && !portFixed) continue;
      await app.close();
      const reason =
        code === 'EADDRINUSE'
          ? `Port ${port} is taken`
          : `Port ${port} on ${host} cannot be opened (${message})`;
      throw new StartError(`${reason}. Set PORT to another one, or leave it out to have the next free one.`);
    }
  }
  await app.close();
  throw new StartError(
    `All ports from ${port} to ${port + PORTS_TRIED - 1} are taken. Set PORT to a free one.`,
  );
}
