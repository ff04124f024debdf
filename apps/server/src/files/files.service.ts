import { Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
import { Worker } from 'node:worker_threads';
import { ApiError, invalid } from '../common/errors.ts';
import type { FileResult, FileJob } from './work.ts';

/** What a job may take: the server answers others meanwhile, and one that takes more is stopped. */
const LIMITS = { seconds: 20, megabytes: 700 };
/** Jobs that wait; more are refused. */
const WAITING_LIMIT = 20;

/** Reads and writes files in a thread of its own, one after the other. */
@Injectable()
export class FilesService implements OnApplicationShutdown {
  private readonly log = new Logger('files');
  private thread: Worker | undefined;
  private last: Promise<unknown> = Promise.resolve();
  private waiting = 0;

  async run(job: FileJob): Promise<unknown> {
    if (this.waiting >= WAITING_LIMIT)
      throw new ApiError({
        status: 503,
        code: 'busy',
        message: 'Too many files are being read at once. Try again in a moment.',
        problems: [],
      });
    this.waiting += 1;
    const mine = this.last.then(() => this.inThread(job));
    this.last = mine.catch(() => undefined);
    try {
      const done = await mine;
      if (!done.ok) throw invalid(done.problems);
      return done.value;
    } finally {
      this.waiting -= 1;
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.thread?.terminate();
  }

  private inThread(job: FileJob): Promise<FileResult> {
    const thread = (this.thread ??= new Worker(new URL('./thread.js', import.meta.url), {
      resourceLimits: { maxOldGenerationSizeMb: LIMITS.megabytes },
    }));
    return new Promise((resolve, reject) => {
      const leave = () => {
        clearTimeout(timer);
        thread.off('message', answer);
        thread.off('error', fail);
      };
      const giveUp = (message: string) => {
        leave();
        this.thread = undefined;
        void thread.terminate();
        resolve({ ok: false, problems: [{ field: '', wrong: '', message }] });
      };
      const answer = (done: FileResult) => {
        leave();
        resolve(done);
      };
      const fail = (error: Error & { code?: string }) => {
        if (error.code === 'ERR_WORKER_OUT_OF_MEMORY')
          return giveUp('It takes more memory than a song needs; nothing was read.');
        leave();
        this.thread = undefined;
        this.log.error(error.stack);
        reject(error);
      };
      const timer = setTimeout(
        () => giveUp(`It takes longer than ${LIMITS.seconds} seconds; nothing was read.`),
        LIMITS.seconds * 1000,
      );
      thread.on('message', answer);
      thread.on('error', fail);
      thread.postMessage(job);
    });
  }
}
