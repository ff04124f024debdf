import { parentPort } from 'node:worker_threads';
import { work, type FileJob } from './work.ts';

parentPort?.on('message', (job: FileJob) => {
  parentPort!.postMessage(work(job));
});
