import { hashKey, keepPreviousData, type QueryKey } from '@tanstack/react-query';
import { wrap, type Remote } from 'comlink';
import { Jobs } from './jobs.ts';
import type { Subject } from './subject.ts';
import type { Compute } from './worker.ts';

/** A worker and what it has to do; it is started with its first job. */
function lazyWorker() {
  let compute: Remote<Compute> | undefined;
  const start = () => wrap<Compute>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));
  return { jobs: new Jobs(), compute: () => (compute ??= start()) };
}

export type LazyWorker = ReturnType<typeof lazyWorker>;

/** Answers what is on screen within a blink. */
export const foreground = lazyWorker();
/** Works on tables and whole cabinets, so that nothing quick ever waits behind them. */
export const background = lazyWorker();

/** What was computed once holds for its key, needs no network, and would fail again as it failed. */
export const IMMUTABLE = { staleTime: Infinity, retry: false, networkMode: 'always' } as const;

/** Something to compute, remembered by its key; what nobody waits for any more is dropped before its turn. */
export function computed<T>(
  worker: LazyWorker,
  queryKey: QueryKey,
  run: (compute: Remote<Compute>) => Promise<T>,
) {
  const begin = () => run(worker.compute());
  return {
    queryKey,
    queryFn: ({ signal }: { signal: AbortSignal }) => worker.jobs.ask(hashKey(queryKey), begin, signal),
    /** The same, computed only when the worker has nothing to do that was asked for. */
    guess: () => worker.jobs.guess(hashKey(queryKey), begin),
    ...IMMUTABLE,
  } as const;
}

/** Of all that a page knows of an instrument, what the worker needs. It is asked for nothing without one. */
export function forWorker(subject: Subject | undefined): Subject {
  const { key, spec } = subject!;
  return { key, spec };
}

/** An older answer stays on screen until the new one is there. */
export const keepPrevious = { placeholderData: keepPreviousData } as const;
