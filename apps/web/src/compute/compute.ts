import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { proxy, wrap } from 'comlink';
import type { InstrumentSpec, NamingStyle, Preferences, Role, StoredAsk, Writing } from '@same-song/core';
import type { CabinetSuggestion, Compute, KeyAsk } from './worker.ts';

const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
const compute = wrap<Compute>(worker);

function mapQuery(spec: InstrumentSpec | undefined, ask: StoredAsk, writing: Writing) {
  return {
    queryKey: ['map', spec, ask, writing],
    queryFn: () => compute.map(spec!, ask, writing),
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  } as const;
}

/** Map for a question, computed off the main thread and remembered by its content. */
export function useMapView(spec: InstrumentSpec | undefined, ask: StoredAsk, writing: Writing) {
  return useQuery({
    ...mapQuery(spec, ask, writing),
    enabled: spec !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** Sets the worker to a map that will be asked for next, while the page still draws the question. */
export function useMapAhead() {
  const client = useQueryClient();
  return useCallback(
    (spec: InstrumentSpec, ask: StoredAsk, writing: Writing) =>
      void client.prefetchQuery(mapQuery(spec, ask, writing)),
    [client],
  );
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

/** A question to the worker, remembered by its content; an older answer stays on screen until the new one is there. */
const lasting = {
  placeholderData: keepPreviousData,
  staleTime: Infinity,
  retry: false,
  networkMode: 'always',
} as const;

export function useKeyTable(
  spec: InstrumentSpec | undefined,
  scales: readonly string[],
  preferences: Preferences,
) {
  return useQuery({
    queryKey: ['keys', spec, scales, preferences],
    queryFn: () => compute.keyTable(spec!, scales, preferences),
    enabled: spec !== undefined,
    ...lasting,
  });
}

/** The octaves of one cell of the table, each with its tab. */
export function useKeyOctaves(spec: InstrumentSpec, ask: KeyAsk, preferences: Preferences, dialect: string) {
  return useQuery({
    queryKey: ['octaves', spec, ask, preferences, dialect],
    queryFn: () => compute.keyOctaves(spec, ask, preferences, dialect),
    ...lasting,
  });
}

/** Every instrument for a key; `onProgress` gets the share that is done, and a newer question stops an older one. */
export function useEverything(
  specs: readonly InstrumentSpec[],
  ask: KeyAsk,
  onProgress: (share: number) => void,
) {
  return useQuery({
    queryKey: ['everything', specs, ask],
    queryFn: async () => {
      const found = await compute.everything(specs, ask, proxy(onProgress));
      if (!found) throw new Error('a newer question came');
      return found;
    },
    enabled: specs.length > 0,
    ...lasting,
  });
}

export function usePresetsFor(family: string, ask: KeyAsk) {
  return useQuery({
    queryKey: ['presets', family, ask],
    queryFn: () => compute.presets(family, ask),
    ...lasting,
  });
}

export function useSwitching(spec: InstrumentSpec | undefined, from: KeyAsk, to: KeyAsk, writing: Writing) {
  return useQuery({
    queryKey: ['switch', spec, from, to, writing],
    queryFn: () => compute.switching(spec!, from, to, writing),
    enabled: spec !== undefined,
    ...lasting,
  });
}

export function useChordScene(
  spec: InstrumentSpec | undefined,
  ask: KeyAsk,
  roles: readonly Role[] | undefined,
  naming: NamingStyle,
) {
  return useQuery({
    queryKey: ['chord', spec, ask, roles, naming],
    queryFn: () => compute.chordScene(spec!, ask, roles!, naming),
    enabled: spec !== undefined && roles !== undefined,
    ...lasting,
  });
}

export type { CabinetSuggestion, KeyAsk };
