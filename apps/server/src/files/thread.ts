import { parentPort } from 'node:worker_threads';
import { work, type Job } from './work.ts';

parentPort?.on('message', (job: Job) => {
  parentPort!.postMessage(work(job));
});
