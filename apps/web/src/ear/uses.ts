import type { ComponentType } from 'react';
import type { Instrument } from '@same-song/core/instruments';
import type { ChosenInstrument } from '../question/reference.ts';
import type { Heard } from './heard.ts';

/** What a place that listens is given. */
export interface UseProps {
  readonly chosen: ChosenInstrument;
  readonly instrument: Instrument;
  readonly heard: Heard;
  /** What a player who is made up would play here. */
  readonly onExample: (make: Example) => void;
}

/** Samples at a rate. */
export type Example = (rate: number) => Float32Array;

/** What listening can be for, as the sentence goes on: `Listen to … and …`. */
export const USES = [
  { id: 'tune', label: 'tell me how far off I am' },
  { id: 'hold', label: 'count how long I hold a note' },
  { id: 'measure', label: 'measure every way' },
  { id: 'compare', label: 'compare the ways of one note' },
  { id: 'standard', label: 'find the pitch it stands at' },
  { id: 'write', label: 'write down what I strike' },
  { id: 'find', label: 'find the tune I begin' },
] as const;
export type UseId = (typeof USES)[number]['id'];

export type Use = ComponentType<UseProps>;
