import { expose } from 'comlink';
import { expectOk } from '@same-song/core';
import { type Scene, openInstrument, type Instrument } from '@same-song/core/instruments';
import { keyOf, parseNote, scaleById, type Key, type NamingStyle, type Role } from '@same-song/core/music';
import {
  chordChart,
  keyTable,
  octavesInFull,
  type ChartChord,
  type ChordChart,
  sameTab,
  type SameTab,
  presetsFor,
  sceneForKey,
  suggestionsFor,
  switchKeys,
  type KeyTable,
  type Preferences,
  type Suggestion,
  type Switching,
  alternatesOf,
  alternativesView,
  checkQuestion,
  defaultPreferences,
  mapView,
  type AlternateRow,
  type AlternativeView,
  type MapView,
  type StoredQuestion,
  type NotationOptions,
} from '@same-song/core/route';
import type {
  SameSongTab,
  SongInKey,
  ArrangementPlan,
  FigureOffer,
  MelodySketch,
  Song,
  SongKeyFit,
  SongTuning,
  SongView,
} from '@same-song/core/song';
import type { SongJobs } from './songJobs.ts';
import type { Subject } from './subject.ts';

/** A scale on a tonic, as links write them. */
export interface KeyQuestion {
  readonly scale: string;
  readonly tonic: string;
}

/** Instruments opened lately, by key; the last in the list was wanted last. */
const opened = new Map<string, Instrument>();
const OPENED_LIMIT = 50;

function open({ key, spec }: Subject): Instrument {
  const instrument = opened.get(key) ?? expectOk(openInstrument(spec));
  opened.delete(key);
  opened.set(key, instrument);
  const longestAgo = opened.keys().next().value;
  if (opened.size > OPENED_LIMIT && longestAgo !== undefined) opened.delete(longestAgo);
  return instrument;
}

function keyFor(question: KeyQuestion): Key {
  return keyOf(expectOk(scaleById(question.scale)), expectOk(parseNote(question.tonic)));
}

const songJobs = async (): Promise<SongJobs> => (await import('./songJobs.ts')).songJobs;

/** What a job on an opened instrument is asked from outside: by the instrument's name. */
type SongJob<Job> = Job extends (instrument: Instrument, ...asked: infer Asked) => unknown
  ? [Subject, ...Asked]
  : never;

const api = {
  map(subject: Subject, question: StoredQuestion, notation: NotationOptions): MapView {
    const instrument = open(subject);
    return mapView(instrument, expectOk(checkQuestion(instrument.family, question)), notation);
  },
  /** Other ways for one note of Map's line. */
  alternatives(subject: Subject, question: StoredQuestion, noteId: string): readonly AlternativeView[] {
    const instrument = open(subject);
    return alternativesView(instrument, expectOk(checkQuestion(instrument.family, question)), noteId);
  },
  /** What the tab of a question becomes on other instruments of its family. */
  sameTab(subject: Subject, question: StoredQuestion, others: readonly Subject[]): (SameTab | undefined)[] {
    const instrument = open(subject);
    const asked = expectOk(checkQuestion(instrument.family, question));
    return others.map((other) => sameTab(instrument, asked, open(other)));
  },
  /** A song on an instrument. What songs need is fetched with the first one, so that Map need not wait for it. */
  async song(...[subject, ...asked]: SongJob<SongJobs['view']>): Promise<SongView> {
    return (await songJobs()).view(open(subject), ...asked);
  },
  async songAlternatives(
    ...[subject, ...asked]: SongJob<SongJobs['alternatives']>
  ): Promise<readonly AlternativeView[]> {
    return (await songJobs()).alternatives(open(subject), ...asked);
  },
  /** Every key for a song on an instrument, the best first; by what its family prefers where nothing is said. */
  async songKeys(
    subject: Subject,
    song: Song,
    preferences?: Preferences,
    mode?: string,
  ): Promise<readonly SongKeyFit[]> {
    const instrument = open(subject);
    const wanted = preferences ?? defaultPreferences(instrument.family);
    return (await songJobs()).keys(instrument, song, wanted, mode);
  },
  /** How the song lies in every key, with its tab in each. */
  async songTabs(...[subject, ...asked]: SongJob<SongJobs['tabs']>): Promise<readonly SongInKey[]> {
    return (await songJobs()).tabs(open(subject), ...asked);
  },
  /** How it lies on the instrument in another tuning. */
  async songTunings(...[subject, ...asked]: SongJob<SongJobs['tunings']>): Promise<readonly SongTuning[]> {
    return (await songJobs()).tunings(open(subject), ...asked);
  },
  /** What the tab of a song becomes on other instruments of its family. */
  async songSameTab(
    subject: Subject,
    song: Song,
    plan: ArrangementPlan,
    others: readonly Subject[],
  ): Promise<(SameSongTab | undefined)[]> {
    const { sameTab: same } = await songJobs();
    return others.map((other) => same(open(subject), song, plan, open(other)));
  },
  /** Ornaments that lie well at a note of a song. */
  async songFigures(...[subject, ...asked]: SongJob<SongJobs['figures']>): Promise<readonly FigureOffer[]> {
    return (await songJobs()).figures(open(subject), ...asked);
  },
  /** Songs that are the same tune. */
  async sameTunes(sketches: readonly MelodySketch[]): Promise<readonly (readonly number[])[]> {
    return (await songJobs()).twice(sketches);
  },
  alternates(subject: Subject, dialect: string, least: number): readonly AlternateRow[] {
    const instrument = open(subject);
    return alternatesOf(instrument, defaultPreferences(instrument.family), dialect, least);
  },
  keyTable(subject: Subject, scales: readonly string[], preferences: Preferences): KeyTable {
    return keyTable(
      open(subject),
      scales.map((id) => expectOk(scaleById(id))),
      preferences,
    );
  },
  keyOctaves(subject: Subject, question: KeyQuestion, preferences: Preferences, dialect: string) {
    return octavesInFull(open(subject), keyFor(question), preferences, dialect);
  },
  suggestions(subject: Subject, question: KeyQuestion): readonly Suggestion[] {
    return suggestionsFor(open(subject), keyFor(question));
  },
  presets(family: string, question: KeyQuestion) {
    return presetsFor(family, keyFor(question));
  },
  switching(subject: Subject, from: KeyQuestion, to: KeyQuestion, notation: NotationOptions): Switching {
    return switchKeys(open(subject), keyFor(from), keyFor(to), notation);
  },
  chordChart(
    subject: Subject,
    question: KeyQuestion,
    asked: ChartChord,
    preferences: Preferences,
    notation: NotationOptions,
  ): ChordChart {
    return chordChart(open(subject), keyFor(question), asked, preferences, notation);
  },
  chordScene(subject: Subject, question: KeyQuestion, roles: readonly Role[], naming: NamingStyle): Scene {
    return sceneForKey(open(subject), keyFor(question), naming, roles);
  },
};

export type Compute = typeof api;
expose(api);
