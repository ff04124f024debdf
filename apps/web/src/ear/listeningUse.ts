import type { ComponentType } from 'react';
import type { Instrument } from '@same-song/core/instruments';
import type { ChosenInstrument } from '../question/reference.ts';
import type { Heard } from './heard.ts';

/** Samples at a rate. */
export type Example = (rate: number) => Float32Array;

/** What a place that listens is given. */
export interface UseProps {
  readonly chosen: ChosenInstrument;
  readonly instrument: Instrument;
  readonly heard: Heard;
  /** What a simulated player would play here. */
  readonly onExample: (make: Example) => void;
}

/** What an instrument is listened to for. */
export interface ListeningUse {
  readonly id: string;
  /** As the sentence goes on: `Listen to … and …`. */
  readonly label: string;
  /** Which pitches are heard: those of the instrument, or any, which are struck. */
  readonly hears: 'instrument' | 'anything';
  readonly View: ComponentType<UseProps>;
}
