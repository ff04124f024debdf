import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { specFromPreset } from '@same-song/core/instruments';
import { workerCalls } from '../../test/worker.ts';
import { draftSubject } from './subject.ts';
import {
  useAlternates,
  useChordScene,
  useEverything,
  useKeyOctaves,
  useKeyTable,
  usePresetsFor,
  useSameTabs,
  useSwitching,
} from './compute.ts';

const subject = (preset: string) => draftSubject(specFromPreset('drum', preset));
const QUESTION = { scale: 'major', tonic: 'C' };
const worker = Worker as unknown as { answers: Record<string, unknown> };

function inClient() {
  const client = new QueryClient();
  return ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
}

function hook<T>(use: () => T) {
  return renderHook(use, { wrapper: inClient() }).result;
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

const PREFERENCES = { preset: 'even', weights: {}, playingOptions: {} };
const NOTATION = { naming: 'key', dialect: 'numbers' } as const;
const OTHER = { scale: 'dorian', tonic: 'D' };
const ignore = () => undefined;
const spec = (preset: string) => specFromPreset('drum', preset);
const asked = { tonic: 'C', scale: 'major' } as never;

/** Each with what it asks first, and then with one thing after the other changed. */
const ASKED: Record<string, readonly (() => unknown)[]> = {
  'the table of keys': [
    () => useKeyTable(subject('c-major-8'), ['major'], PREFERENCES),
    () => useKeyTable(subject('d-minor-9'), ['major'], PREFERENCES),
    () => useKeyTable(subject('c-major-8'), ['major', 'dorian'], PREFERENCES),
    () => useKeyTable(subject('c-major-8'), ['major'], { ...PREFERENCES, preset: 'ringing' }),
  ],
  'the octaves of a cell': [
    () => useKeyOctaves(subject('c-major-8'), QUESTION, PREFERENCES, 'numbers'),
    () => useKeyOctaves(subject('d-minor-9'), QUESTION, PREFERENCES, 'numbers'),
    () => useKeyOctaves(subject('c-major-8'), OTHER, PREFERENCES, 'numbers'),
    () => useKeyOctaves(subject('c-major-8'), QUESTION, { ...PREFERENCES, preset: 'ringing' }, 'numbers'),
    () => useKeyOctaves(subject('c-major-8'), QUESTION, PREFERENCES, 'words'),
  ],
  'everything in a cabinet': [
    () => useEverything([subject('c-major-8')], QUESTION, ignore),
    () => useEverything([subject('d-minor-9')], QUESTION, ignore),
    () => useEverything([subject('c-major-8')], OTHER, ignore),
  ],
  'which to take': [
    () => usePresetsFor('drum', QUESTION),
    () => usePresetsFor('harp', QUESTION),
    () => usePresetsFor('drum', OTHER),
  ],
  switching: [
    () => useSwitching(subject('c-major-8'), QUESTION, OTHER, NOTATION),
    () => useSwitching(subject('d-minor-9'), QUESTION, OTHER, NOTATION),
    () => useSwitching(subject('c-major-8'), OTHER, OTHER, NOTATION),
    () => useSwitching(subject('c-major-8'), QUESTION, QUESTION, NOTATION),
    () => useSwitching(subject('c-major-8'), QUESTION, OTHER, { ...NOTATION, naming: 'sharps' }),
  ],
  'the drawing of a chord': [
    () => useChordScene(subject('c-major-8'), QUESTION, ['chord'], 'key'),
    () => useChordScene(subject('d-minor-9'), QUESTION, ['chord'], 'key'),
    () => useChordScene(subject('c-major-8'), OTHER, ['chord'], 'key'),
    () => useChordScene(subject('c-major-8'), QUESTION, ['scale'], 'key'),
    () => useChordScene(subject('c-major-8'), QUESTION, ['chord'], 'sharps'),
  ],
  'the same tab elsewhere': [
    () => useSameTabs(subject('c-major-8'), asked, [subject('d-minor-9')]),
    () => useSameTabs(subject('g-mixolydian-10'), asked, [subject('d-minor-9')]),
    () => useSameTabs(subject('c-major-8'), OTHER as never, [subject('d-minor-9')]),
    () => useSameTabs(subject('c-major-8'), asked, [subject('bb-major-15')]),
  ],
  'notes with several ways': [
    () => useAlternates(spec('c-major-8'), 'numbers', 2),
    () => useAlternates(spec('d-minor-9'), 'numbers', 2),
    () => useAlternates(spec('c-major-8'), 'words', 2),
    () => useAlternates(spec('c-major-8'), 'numbers', 3),
  ],
};

test.each(Object.entries(ASKED))(
  '%s is asked anew for whatever it hangs on, and once for each',
  async (_, asks) => {
    const anything = () => [];
    worker.answers = Object.fromEntries(
      [
        'keyTable',
        'keyOctaves',
        'suggestions',
        'presets',
        'switching',
        'chordScene',
        'sameTab',
        'alternates',
      ].map((name) => [name, anything]),
    );
    const begun = workerCalls().length;
    const { rerender } = renderHook(({ use }) => use(), {
      wrapper: inClient(),
      initialProps: { use: asks[0]! },
    });
    for (const [i, use] of asks.entries()) {
      rerender({ use });
      await waitFor(() => expect(workerCalls().length - begun).toBe(i + 1));
    }
    // What was asked before is known.
    rerender({ use: asks[0]! });
    await new Promise((later) => setTimeout(later, 20));
    expect(workerCalls().length - begun).toBe(asks.length);
  },
);
