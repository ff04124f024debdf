import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { wrap } from 'comlink';
import type { InstrumentSpec, StoredAsk, Writing } from '@same-song/core';
import type { Compute } from './worker.ts';

const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
const compute = wrap<Compute>(worker);

/** Map for a question, computed off the main thread and remembered by its content. */
export function useMapView(spec: InstrumentSpec | undefined, ask: StoredAsk, writing: Writing) {
  return useQuery({
    queryKey: ['map', spec, ask, writing],
    queryFn: () => compute.map(spec!, ask, writing),
    enabled: spec !== undefined,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  });
}
