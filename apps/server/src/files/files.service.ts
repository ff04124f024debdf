import { Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
import { Worker } from 'node:worker_threads';
import PQueue from 'p-queue';
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
  private readonly jobs = new PQueue({ concurrency: 1 });

  async run(job: FileJob): Promise<unknown> {
    if (this.jobs.size + this.jobs.pending >= WAITING_LIMIT)
      throw new ApiError({
        status: 503,
        code: 'busy',
        message: 'Too many files are being read at once. Try again in a moment.',
        problems: [],
      });
    const done = await this.jobs.add(() => this.inThread(job));
    if (!done.ok) throw invalid(done.problems);
    return done.value;
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
