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

/** Pitches with at least so many ways, side by side, for an instrument as it stands in the editor. */
export function useAlternates(spec: InstrumentSpec, dialect: string, least: number) {
  return useQuery({
    queryKey: [
      'alternates',
      spec.family,
      spec.layout,
      spec.capability,
      spec.measured,
      spec.choices,
      dialect,
      least,
    ],
    queryFn: () => compute.alternates(spec, dialect, least),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  });
}
