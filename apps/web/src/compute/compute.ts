import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { proxy, wrap } from 'comlink';
import type {
  InstrumentSpec,
  NamingStyle,
  Preferences,
  Role,
  StoredQuestion,
  NotationOptions,
} from '@same-song/core';
import type { CabinetSuggestion, Compute, KeyQuestion } from './worker.ts';

const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
const compute = wrap<Compute>(worker);

function mapQuery(spec: InstrumentSpec | undefined, question: StoredQuestion, notation: NotationOptions) {
  return {
    queryKey: ['map', spec, question, notation],
    queryFn: () => compute.map(spec!, question, notation),
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  } as const;
}

/** Map for a question, computed off the main thread and remembered by its content. */
export function useMapView(
  spec: InstrumentSpec | undefined,
  question: StoredQuestion,
  notation: NotationOptions,
) {
  return useQuery({
    ...mapQuery(spec, question, notation),
    enabled: spec !== undefined,
    placeholderData: keepPreviousData,
  });
}

function alternativesQuery(spec: InstrumentSpec | undefined, question: StoredQuestion, noteId: string) {
  return {
    queryKey: ['alternatives', spec, question, noteId],
    queryFn: () => compute.alternatives(spec!, question, noteId),
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  } as const;
}

/** Other ways for one note of Map's line, worked out when it is selected. */
export function useAlternatives(
  spec: InstrumentSpec | undefined,
  question: StoredQuestion,
  noteId: string | undefined,
) {
  return useQuery({
    ...alternativesQuery(spec, question, noteId ?? ''),
    enabled: spec !== undefined && noteId !== undefined,
  });
}

/** The same when a key asks for them. */
export function useAskAlternatives() {
  const client = useQueryClient();
  return useCallback(
    (spec: InstrumentSpec, question: StoredQuestion, noteId: string) =>
      client.fetchQuery(alternativesQuery(spec, question, noteId)),
    [client],
  );
}

/** Sets the worker to a map that will be asked for next, while the page still draws the question. */
export function useMapAhead() {
  const client = useQueryClient();
  return useCallback(
    (spec: InstrumentSpec, question: StoredQuestion, notation: NotationOptions) =>
      void client.prefetchQuery(mapQuery(spec, question, notation)),
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
export function useKeyOctaves(
  spec: InstrumentSpec,
  question: KeyQuestion,
  preferences: Preferences,
  dialect: string,
) {
  return useQuery({
    queryKey: ['octaves', spec, question, preferences, dialect],
    queryFn: () => compute.keyOctaves(spec, question, preferences, dialect),
    ...lasting,
  });
}

/** Every instrument for a key; `onProgress` gets the share that is done, and a newer question stops an older one. */
export function useEverything(
  specs: readonly InstrumentSpec[],
  question: KeyQuestion,
  onProgress: (share: number) => void,
) {
  return useQuery({
    queryKey: ['everything', specs, question],
    queryFn: async () => {
      const found = await compute.everything(specs, question, proxy(onProgress));
      if (!found) throw new Error('a newer question came');
      return found;
    },
    enabled: specs.length > 0,
    ...lasting,
  });
}

export function usePresetsFor(family: string, question: KeyQuestion) {
  return useQuery({
    queryKey: ['presets', family, question],
    queryFn: () => compute.presets(family, question),
    ...lasting,
  });
}

export function useSwitching(
  spec: InstrumentSpec | undefined,
  from: KeyQuestion,
  to: KeyQuestion,
  notation: NotationOptions,
) {
  return useQuery({
    queryKey: ['switch', spec, from, to, notation],
    queryFn: () => compute.switching(spec!, from, to, notation),
    enabled: spec !== undefined,
    ...lasting,
  });
}

export function useChordScene(
  spec: InstrumentSpec | undefined,
  question: KeyQuestion,
  roles: readonly Role[] | undefined,
  naming: NamingStyle,
) {
  return useQuery({
    queryKey: ['chord', spec, question, roles, naming],
    queryFn: () => compute.chordScene(spec!, question, roles!, naming),
    enabled: spec !== undefined && roles !== undefined,
    ...lasting,
  });
}

export type { CabinetSuggestion, KeyQuestion };
