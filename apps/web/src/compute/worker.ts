import { expose } from 'comlink';
import {
  keyOf,
  keyTable,
  octavesInFull,
  parseNote,
  presetsFor,
  rankSuggestions,
  scaleById,
  sceneForKey,
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
  alternativesView,
  checkQuestion,
  defaultPreferences,
  expectOk,
  mapView,
  openInstrument,
  type AlternateRow,
  type AlternativeView,
  type Instrument,
  type InstrumentSpec,
  type MapView,
  type StoredQuestion,
  type NotationOptions,
} from '@same-song/core';

/** A scale on a tonic, as links write them. */
export interface KeyQuestion {
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

function keyFor(question: KeyQuestion): Key {
  return keyOf(expectOk(scaleById(question.scale)), expectOk(parseNote(question.tonic)));
}

const api = {
  map(spec: InstrumentSpec, question: StoredQuestion, notation: NotationOptions): MapView {
    const instrument = open(spec);
    return mapView(instrument, expectOk(checkQuestion(instrument.family, question)), notation);
  },
  /** Other ways for one note of Map's line. */
  alternatives(spec: InstrumentSpec, question: StoredQuestion, noteId: string): readonly AlternativeView[] {
    const instrument = open(spec);
    return alternativesView(instrument, expectOk(checkQuestion(instrument.family, question)), noteId);
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
  keyOctaves(spec: InstrumentSpec, question: KeyQuestion, preferences: Preferences, dialect: string) {
    return octavesInFull(open(spec), keyFor(question), preferences, dialect);
  },
  /** All instruments for a key, best first; undefined when a newer question came in between. */
  async everything(
    specs: readonly InstrumentSpec[],
    question: KeyQuestion,
    onProgress: (share: number) => void,
  ): Promise<readonly CabinetSuggestion[] | undefined> {
    newest += 1;
    const run = newest;
    const found: CabinetSuggestion[] = [];
    for (const [done, spec] of specs.entries()) {
      for (const suggestion of suggestionsFor(open(spec), keyFor(question)))
        found.push({ ...suggestion, of: done });
      onProgress((done + 1) / specs.length);
      await breathe();
      if (run !== newest) return undefined;
    }
    return rankSuggestions(found);
  },
  presets(family: string, question: KeyQuestion) {
    return presetsFor(family, keyFor(question));
  },
  switching(spec: InstrumentSpec, from: KeyQuestion, to: KeyQuestion, notation: NotationOptions): Switching {
    return switchKeys(open(spec), keyFor(from), keyFor(to), notation);
  },
  chordScene(
    spec: InstrumentSpec,
    question: KeyQuestion,
    roles: readonly Role[],
    naming: NamingStyle,
  ): Scene {
    return sceneForKey(open(spec), keyFor(question), naming, roles);
  },
};

/** A suggestion, and which of the instruments asked about it is for. */
export type CabinetSuggestion = Suggestion & { readonly of: number };

export type Compute = typeof api;
expose(api);
