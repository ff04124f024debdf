import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { specFromPreset } from '@same-song/core';
import { workerCalls } from '../../test/worker.ts';
import { draftSubject } from './subject.ts';
import { useChordScene, useEverything, useKeyTable, useSwitching } from './compute.ts';

const subject = (preset: string) => draftSubject(specFromPreset('drum', preset));
const QUESTION = { scale: 'major', tonic: 'C' };
const worker = Worker as unknown as { answers: Record<string, unknown> };

function hook<T>(use: () => T) {
  const client = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  return renderHook(use, { wrapper }).result;
}

test('everything in a cabinet is asked for instrument by instrument, and its progress told; one is enough, none asks nothing', async () => {
  const cell = { octaves: [], best: undefined, ease: 1, have: 1, of: 7 };
  worker.answers = {
    suggestions: ({ spec }: { spec: object }) => [{ spec, settings: [], todo: [], cell }],
  };
  const shares: number[] = [];
  const note = (share: number) => shares.push(share);
  const two = [subject('c-major-8'), subject('bb-major-15')];
  const found = hook(() => useEverything(two, QUESTION, note));
  await waitFor(() => expect(found.current.data).toHaveLength(2));
  expect(shares).toEqual([0.5, 1]);
  expect(found.current.data!.map(({ of }) => of).sort()).toEqual([0, 1]);
  const one = [subject('g-mixolydian-10')];
  const single = hook(() => useEverything(one, QUESTION, note));
  await waitFor(() => expect(single.current.data).toHaveLength(1));
  const before = workerCalls().length;
  hook(() => useEverything([], QUESTION, note));
  await new Promise((later) => setTimeout(later, 20));
  expect(workerCalls()).toHaveLength(before);
});

test('without an instrument, or without roles, nothing is asked of the workers', async () => {
  const before = workerCalls().length;
  const preferences = { preset: 'even', weights: {}, playingOptions: {} };
  hook(() => useKeyTable(undefined, ['major'], preferences));
  hook(() => useSwitching(undefined, QUESTION, QUESTION, { naming: 'key', dialect: 'numbers' }));
  hook(() => useChordScene(subject('c-major-8'), QUESTION, undefined, 'key'));
  hook(() => useChordScene(undefined, QUESTION, ['home'], 'key'));
  await new Promise((later) => setTimeout(later, 20));
  expect(workerCalls()).toHaveLength(before);
  hook(() => useChordScene(subject('c-major-8'), QUESTION, ['home'], 'key'));
  await waitFor(() => expect(workerCalls().at(-1)?.[0]).toBe('chordScene'));
});
