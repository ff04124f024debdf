import { expose } from 'comlink';
import {
  alternatesOf,
  checkAsk,
  defaultPreferences,
  expectOk,
  mapView,
  openInstrument,
  type AlternateRow,
  type Instrument,
  type InstrumentSpec,
  type MapView,
  type StoredAsk,
  type Writing,
} from '@same-song/core';

/** Instruments opened lately, by their content. */
const opened = new Map<string, Instrument>();
const OPENED_LIMIT = 50;

function open(spec: InstrumentSpec): Instrument {
  const key = JSON.stringify(spec);
  const known = opened.get(key);
  if (known) return known;
  if (opened.size >= OPENED_LIMIT) opened.clear();
  const instrument = expectOk(openInstrument(spec));
  opened.set(key, instrument);
  return instrument;
}

const api = {
  alternates(spec: InstrumentSpec, dialect: string, least: number): readonly AlternateRow[] {
    const instrument = open(spec);
    return alternatesOf(instrument, defaultPreferences(instrument.family), dialect, least);
  },
  map(spec: InstrumentSpec, ask: StoredAsk, writing: Writing): MapView {
    const instrument = open(spec);
    return mapView(instrument, expectOk(checkAsk(instrument.family, ask)), writing);
  },
};

export type Compute = typeof api;
expose(api);
