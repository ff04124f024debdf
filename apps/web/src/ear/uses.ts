import { lazyPart } from '../frame/lazyPart.tsx';
import type { ListeningUse } from './listeningUse.ts';

const WHAT = 'What is heard';

/** What listening can be for; each is fetched when it is chosen. */
export const USES: readonly ListeningUse[] = [
  {
    id: 'tune',
    label: 'tell me how far off I am',
    hears: 'instrument',
    View: lazyPart(WHAT, async () => (await import('./TuneUse.tsx')).TuneUse),
  },
  {
    id: 'hold',
    label: 'count how long I hold a note',
    hears: 'instrument',
    View: lazyPart(WHAT, async () => (await import('./HoldUse.tsx')).HoldUse),
  },
  {
    id: 'measure',
    label: 'measure every way',
    hears: 'instrument',
    View: lazyPart(WHAT, async () => (await import('./MeasureUse.tsx')).MeasureUse),
  },
  {
    id: 'compare',
    label: 'compare the ways of one note',
    hears: 'instrument',
    View: lazyPart(WHAT, async () => (await import('./CompareUse.tsx')).CompareUse),
  },
  {
    id: 'standard',
    label: 'find the pitch it stands at',
    hears: 'instrument',
    View: lazyPart(WHAT, async () => (await import('./StandardUse.tsx')).StandardUse),
  },
  {
    id: 'write',
    label: 'write down what I strike',
    hears: 'anything',
    View: lazyPart(WHAT, async () => (await import('./WriteUse.tsx')).WriteUse),
  },
  {
    id: 'find',
    label: 'find the tune I begin',
    hears: 'instrument',
    View: lazyPart(WHAT, async () => (await import('./FindUse.tsx')).FindUse),
  },
];
