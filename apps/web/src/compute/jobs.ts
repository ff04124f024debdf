import { asError } from '@same-song/core';
/** One computation of a worker. */
interface Job {
  readonly name: string;
  readonly answer: Promise<unknown>;
  /** Has the worker compute it. */
  readonly begin: () => Promise<unknown>;
  /** Lets those go who still wait for the answer of a job that was dropped. */
  readonly forgo: () => void;
  /** How many wait for the answer; nobody waits for a guess. */
  askers: number;
}

/**
 * What a worker has to do, one job at a time. Jobs that wait are kept on this side, where they can still be dropped: a
 * question when the last who asked has gone, a guess when a question or a newer guess comes. What is already waiting or
 * under way under the same name is not begun twice.
 */
export class Jobs {
  #running: Job | undefined;
  #waiting: Job[] = [];

  /**
   * The answer to a question.
   * @param name the same for two questions with the same answer
   * @param signal of the asker's going; the promise is then rejected with its reason
   */
  ask<T>(name: string, run: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    if (signal?.aborted) return Promise.reject(asError(signal.reason));
    const job = this.#known(name) ?? newJob(name, run);
    job.askers += 1;
    this.#dropGuesses();
    this.#queue(job);
    return new Promise((resolve, reject) => {
      signal?.addEventListener('abort', () => {
        job.askers -= 1;
        if (job.askers === 0) this.#drop(job);
        reject(asError(signal.reason));
      });
      job.answer.then((answer) => resolve(answer as T), reject);
    });
  }

  /** An answer that may be asked for next; undefined when the guess was dropped before its turn. */
  guess<T>(name: string, run: () => Promise<T>): Promise<T | undefined> {
    const known = this.#known(name);
    if (known) return known.answer as Promise<T | undefined>;
    this.#dropGuesses();
    const job = newJob(name, run);
    this.#queue(job);
    return job.answer as Promise<T | undefined>;
  }

  #known(name: string): Job | undefined {
    return [this.#running, ...this.#waiting].find((job) => job?.name === name);
  }

  #queue(job: Job): void {
    if (job !== this.#running && !this.#waiting.includes(job)) this.#waiting.push(job);
    if (!this.#running) void this.#runAll();
  }

  #dropGuesses(): void {
    for (const job of this.#waiting) if (job.askers === 0) this.#drop(job);
  }

  /** What is under way cannot be stopped; its answer is then for nobody. */
  #drop(job: Job): void {
    if (job === this.#running) return;
    this.#waiting = this.#waiting.filter((other) => other !== job);
    job.forgo();
  }

  async #runAll(): Promise<void> {
    while ((this.#running = this.#waiting.shift())) await this.#running.begin();
  }
}

function newJob(name: string, run: () => Promise<unknown>): Job {
  let settle = { resolve: (_: unknown) => {}, reject: (_: unknown) => {} };
  const answer = new Promise((resolve, reject) => (settle = { resolve, reject }));
  // Whoever asked hears of a failure; a guess that fails is no news.
  answer.catch(() => undefined);
  return {
    name,
    answer,
    begin: () => run().then(settle.resolve, settle.reject),
    forgo: () => settle.resolve(undefined),
    askers: 0,
  };
}
