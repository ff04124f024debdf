import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { InstrumentSpec } from '@same-song/core/instruments';
import type { NamingStyle, Role } from '@same-song/core/music';
import {
  rankSuggestions,
  type ChartChord,
  type NotationOptions,
  type Preferences,
  type StoredQuestion,
  type Suggestion,
} from '@same-song/core/route';
import {
  computed,
  IMMUTABLE,
  keepPrevious,
  foreground,
  forWorker,
  background,
  type LazyWorker,
} from './computed.ts';
import { draftSubject, type Subject } from './subject.ts';
import type { KeyQuestion } from './worker.ts';

function mapQuery(subject: Subject | undefined, question: StoredQuestion, notation: NotationOptions) {
  return computed(foreground, ['map', subject?.key, question, notation], (compute) =>
    compute.map(forWorker(subject), question, notation),
  );
}

/** Map for a question. */
export function useMapView(
  subject: Subject | undefined,
  question: StoredQuestion,
  notation: NotationOptions,
) {
  return useQuery({
    ...mapQuery(subject, question, notation),
    enabled: subject !== undefined,
    ...keepPrevious,
  });
}

/** Sets the worker to a map that may be asked for next, while the page still draws the question. */
export function useMapAhead() {
  const client = useQueryClient();
  return useCallback(
    async (subject: Subject, question: StoredQuestion, notation: NotationOptions) => {
      const { queryKey, guess } = mapQuery(subject, question, notation);
      if (client.getQueryData(queryKey) !== undefined) return;
      const view = await guess();
      if (view !== undefined) client.setQueryData(queryKey, view);
    },
    [client],
  );
}

function alternativesQuery(subject: Subject | undefined, question: StoredQuestion, noteId: string) {
  return computed(foreground, ['alternatives', subject?.key, question, noteId], (compute) =>
    compute.alternatives(forWorker(subject), question, noteId),
  );
}

/** Other ways for one note of Map's line, worked out when it is selected. */
export function useAlternatives(
  subject: Subject | undefined,
  question: StoredQuestion,
  noteId: string | undefined,
) {
  return useQuery({
    ...alternativesQuery(subject, question, noteId ?? ''),
    enabled: subject !== undefined && noteId !== undefined,
  });
}

/** The same when a key asks for them. */
export function useAskAlternatives() {
  const client = useQueryClient();
  return useCallback(
    (subject: Subject, question: StoredQuestion, noteId: string) =>
      client.fetchQuery(alternativesQuery(subject, question, noteId)),
    [client],
  );
}

function sameTabQuery(
  worker: LazyWorker,
  subject: Subject | undefined,
  question: StoredQuestion,
  others: readonly Subject[],
) {
  const keys = others.map(({ key }) => key);
  return computed(worker, ['same-tab', subject?.key, question, keys], (compute) =>
    compute.sameTab(forWorker(subject), question, others.map(forWorker)),
  );
}

/** The tab of a question on other instruments of its family. */
export function useSameTabs(
  subject: Subject | undefined,
  question: StoredQuestion,
  others: readonly Subject[],
) {
  const { data } = useQuery({
    ...sameTabQuery(background, subject, question, others),
    enabled: subject !== undefined && others.length > 0,
  });
  return data;
}

/** The same for one of them, when a key asks for it. */
export function useAskSameTab() {
  const client = useQueryClient();
  return useCallback(
    async (subject: Subject, question: StoredQuestion, other: Subject) => {
      const [same] = await client.fetchQuery(sameTabQuery(foreground, subject, question, [other]));
      return same;
    },
    [client],
  );
}

/** Pitches with at least so many ways, side by side, for an instrument as it stands in the editor. */
export function useAlternates(spec: InstrumentSpec, dialect: string, least: number) {
  const subject = draftSubject(spec);
  return useQuery({
    ...computed(foreground, ['alternates', subject.key, dialect, least], (compute) =>
      compute.alternates(forWorker(subject), dialect, least),
    ),
    ...keepPrevious,
  });
}

export function useKeyTable(
  subject: Subject | undefined,
  scales: readonly string[],
  preferences: Preferences,
) {
  return useQuery({
    ...computed(background, ['keys', subject?.key, scales, preferences], (compute) =>
      compute.keyTable(forWorker(subject), scales, preferences),
    ),
    enabled: subject !== undefined,
    ...keepPrevious,
  });
}

/** The octaves of one cell of the table, each with its tab. */
export function useKeyOctaves(
  subject: Subject,
  question: KeyQuestion,
  preferences: Preferences,
  dialect: string,
) {
  return useQuery({
    ...computed(foreground, ['octaves', subject.key, question, preferences, dialect], (compute) =>
      compute.keyOctaves(forWorker(subject), question, preferences, dialect),
    ),
    ...keepPrevious,
  });
}

/** A suggestion, and which of the instruments asked about it is for. */
export type CabinetSuggestion = Suggestion & { readonly of: number };

/** Every instrument for a key, best first; `onProgress` gets the share that is done. */
export function useEverything(
  subjects: readonly Subject[],
  question: KeyQuestion,
  onProgress: (share: number) => void,
) {
  const client = useQueryClient();
  const suggestionsOf = (subject: Subject) =>
    client.fetchQuery(
      computed(background, ['suggestions', subject.key, question], (compute) =>
        compute.suggestions(forWorker(subject), question),
      ),
    );
  return useQuery({
    queryKey: ['everything', subjects.map((subject) => subject.key), question],
    queryFn: async ({ signal }): Promise<readonly CabinetSuggestion[]> => {
      const found: CabinetSuggestion[] = [];
      for (const [of, subject] of subjects.entries()) {
        for (const suggestion of await suggestionsOf(subject)) found.push({ ...suggestion, of });
        signal.throwIfAborted();
        onProgress((of + 1) / subjects.length);
      }
      return rankSuggestions(found);
    },
    enabled: subjects.length > 0,
    ...IMMUTABLE,
    ...keepPrevious,
  });
}

export function usePresetsFor(family: string, question: KeyQuestion) {
  return useQuery({
    ...computed(background, ['presets', family, question], (compute) => compute.presets(family, question)),
    ...keepPrevious,
  });
}

export function useSwitching(
  subject: Subject | undefined,
  from: KeyQuestion,
  to: KeyQuestion,
  notation: NotationOptions,
) {
  return useQuery({
    ...computed(foreground, ['switch', subject?.key, from, to, notation], (compute) =>
      compute.switching(forWorker(subject), from, to, notation),
    ),
    enabled: subject !== undefined,
    ...keepPrevious,
  });
}

/** Every hold of a chord. */
export function useChordChart(
  subject: Subject | undefined,
  question: KeyQuestion,
  asked: ChartChord | undefined,
  preferences: Preferences,
  notation: NotationOptions,
) {
  return useQuery({
    ...computed(foreground, ['holds', subject?.key, question, asked, preferences, notation], (compute) =>
      compute.chordChart(forWorker(subject), question, asked!, preferences, notation),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...keepPrevious,
  });
}

export function useChordScene(
  subject: Subject | undefined,
  question: KeyQuestion,
  roles: readonly Role[] | undefined,
  naming: NamingStyle,
) {
  return useQuery({
    ...computed(foreground, ['chord', subject?.key, question, roles, naming], (compute) =>
      compute.chordScene(forWorker(subject), question, roles!, naming),
    ),
    enabled: subject !== undefined && roles !== undefined,
    ...keepPrevious,
  });
}

export type { KeyQuestion };
