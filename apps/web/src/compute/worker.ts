import { expose } from 'comlink';
import {
  keyOf,
  keyTable,
  octavesInFull,
  parseNote,
  presetsFor,
  rankSuggestions,
  scaleById,
  sceneWithRoles,
  suggestionsFor,
  switchKeys,
  type Key,
  type KeyTable,
  type NamingStyle,
  type Preferences,
  type Role,
  type Scene,
  type Suggestion,
  type Switching,
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

/** A scale on a tonic, as links write them. */
export interface KeyAsk {
  readonly scale: string;
  readonly tonic: string;
}

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

/** The newest run over many instruments; older ones stop when they see it. */
let newest = 0;

/** Lets messages that wait be handled, so that a newer question can stop an older one. */
const breathe = () => new Promise((resolve) => setTimeout(resolve));

function keyFor(ask: KeyAsk): Key {
  return keyOf(expectOk(scaleById(ask.scale)), expectOk(parseNote(ask.tonic)));
}

const api = {
  map(spec: InstrumentSpec, ask: StoredAsk, writing: Writing): MapView {
    const instrument = open(spec);
    return mapView(instrument, expectOk(checkAsk(instrument.family, ask)), writing);
  },
  alternates(spec: InstrumentSpec, dialect: string, least: number): readonly AlternateRow[] {
    const instrument = open(spec);
    return alternatesOf(instrument, defaultPreferences(instrument.family), dialect, least);
  },
  keyTable(spec: InstrumentSpec, scales: readonly string[], preferences: Preferences): KeyTable {
    return keyTable(
      open(spec),
      scales.map((id) => expectOk(scaleById(id))),
      preferences,
    );
  },
  keyOctaves(spec: InstrumentSpec, ask: KeyAsk, preferences: Preferences, dialect: string) {
    return octavesInFull(open(spec), keyFor(ask), preferences, dialect);
  },
  /** All instruments for a key, best first; undefined when a newer question came in between. */
  async everything(
    specs: readonly InstrumentSpec[],
    ask: KeyAsk,
    onProgress: (share: number) => void,
  ): Promise<readonly CabinetSuggestion[] | undefined> {
    newest += 1;
    const run = newest;
    const found: CabinetSuggestion[] = [];
    for (const [done, spec] of specs.entries()) {
      for (const suggestion of suggestionsFor(open(spec), keyFor(ask)))
        found.push({ ...suggestion, of: done });
      onProgress((done + 1) / specs.length);
      await breathe();
      if (run !== newest) return undefined;
    }
    return rankSuggestions(found);
  },
  presets(family: string, ask: KeyAsk) {
    return presetsFor(family, keyFor(ask));
  },
  switching(spec: InstrumentSpec, from: KeyAsk, to: KeyAsk, writing: Writing): Switching {
    return switchKeys(open(spec), keyFor(from), keyFor(to), writing);
  },
  chordScene(spec: InstrumentSpec, ask: KeyAsk, roles: readonly Role[], naming: NamingStyle): Scene {
    return sceneWithRoles(open(spec), keyFor(ask), roles, naming);
  },
};

/** A suggestion, and which of the instruments asked about it is for. */
export type CabinetSuggestion = Suggestion & { readonly of: number };

export type Compute = typeof api;
expose(api);
