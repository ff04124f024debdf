import type { Remark } from '../families/way.ts';
import { chordNamed, type Chord } from '../harmony/chord.ts';
import { rolesOf } from '../harmony/role.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { sceneIn, waysIn, type WayView } from '../map/instrumentView.ts';
import {
  lineIn,
  alternativeView,
  type AlternativeView,
  type LineView,
  type Reading,
} from '../map/lineView.ts';
import type { NotationOptions } from '../map/notation.ts';
import { noteText } from '../pitch/noteName.ts';
import { chordOver } from '../question/question.ts';
import { expectOk } from '../result.ts';
import type { AirBalance } from '../route/air.ts';
import type { RoutingContext } from '../route/context.ts';
import type { Effort } from '../route/effort.ts';
import { routeLine, type Route, type RouteNote } from '../route/route.ts';
import type { Namer } from '../scale/namer.ts';
import type { Key } from '../scale/scale.ts';
import type { Scene } from '../scene/scene.ts';
import { checkTension, type TensionCheck, type TensionLimits } from '../tension/tension.ts';
import { withAdded, type AddedNote } from './accompany.ts';
import { songAir as airOfSong, type ShortOfAir, type SongAir, type SongBreath } from './songAir.ts';
import { changeText, compareEffort } from './compareEffort.ts';
import { danceFigures } from './danceFigures.ts';
import { figuresAt, figuresChosen, withFigures, type ChosenFigure, type PlacedFigure } from './figure.ts';
import { arranged, type ArrangementPlan, type PlacedPlan } from './arrangement.ts';
import { missingNotes, type SongMissing } from './missingNotes.ts';
import { octaveOffers, placed, type OctaveOffer } from './openingOctave.ts';
import { playedWith } from './playedWith.ts';
import { holdingAt, type Song, type SongKey } from './song.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { melodyLine, countingOfSong } from './songLine.ts';
import { keyOfSongKey } from './songKey.ts';
import { songChanges, type SongChange } from './songChanges.ts';
import { namesOtherwise, songNamer } from './songNamer.ts';
import { songTab } from './songTab.ts';

/** A song on an instrument: plain data, ready to cross a worker's border. */
export interface SongView {
  /** As it is played: moved, and with what was decided about single notes. */
  readonly song: Song;
  /** Semitones from where it is written, whether somebody chose them or not. */
  readonly transpose: number;
  readonly keyName: string;
  readonly instrumentFacts: readonly string[];
  readonly line: readonly LineView[];
  /** Names of the strings that drone with every note. */
  readonly drones: readonly string[];
  /** What is played with the melody: under which of its notes, and what it costs beside the melody alone. */
  readonly added: AddedView;
  /** Bar by bar, in the chosen dialect. */
  readonly tabText: string;
  readonly scene: Scene;
  readonly ways: readonly WayView[];
  readonly effort: Effort;
  readonly exact: boolean;
  readonly air: AirBalance;
  /** Where to breathe, turn the bellows or take the air button; none for families that do not. */
  readonly breaths: readonly SongBreath[];
  /** Notes of the melody that begin with too little air. */
  readonly shortOfAir: readonly ShortOfAir[];
  readonly remarks: readonly Remark[];
  /** What is set otherwise before it or in it, such as levers, in the order in which it is needed. */
  readonly changes: readonly SongChange[];
  readonly missing: readonly SongMissing[];
  /** Ornaments that players of its dance put in. */
  readonly dance: readonly ChosenFigure[];
  /** Ways out for the whole tune: octaves in which it lacks fewer notes, those that save most first. */
  readonly octaves: readonly OctaveOffer[];
  /** The melody against the chords, those guessed where the song has none. */
  readonly tension: TensionCheck;
  /** Lowest and highest note. */
  readonly compass: string;
  readonly cautions: readonly string[];
}

/** What is played with the melody. */
export interface AddedView {
  readonly notes: readonly {
    readonly id: string;
    readonly under: string;
    /** Quarter notes since the song began. */
    readonly start: number;
    readonly note: string;
    readonly tab: string;
    readonly brief: string;
  }[];
  /** `turns of breath: 4 more`. */
  readonly price: readonly string[];
}

interface Prepared {
  readonly plan: PlacedPlan;
  readonly song: Song;
  readonly key: Key;
  readonly name: Namer;
  readonly instrument: Instrument;
  readonly context: RoutingContext;
  /** Of the melody alone. */
  readonly route: Route;
  /** With all that is added. */
  readonly whole: Route;
  readonly added: {
    readonly notes: readonly RouteNote[];
    readonly under: ReadonlyMap<string, AddedNote>;
    readonly price: readonly string[];
  };
  readonly readingAt: (onset: Ticks) => Reading;
  /** Ornaments that are put in and lie where they are, by note. */
  readonly figures: ReadonlyMap<string, PlacedFigure>;
  readonly songAir: SongAir;
}

/** A song as it is arranged and routed; what all that is asked of an arrangement begins with. */
export function prepared(
  base: Instrument,
  written: Song,
  given: ArrangementPlan,
  naming: NotationOptions['naming'],
): Prepared {
  const { plan, context } = placed(base, written, given);
  const { instrument } = context;
  const song = arranged(written, plan);
  const readingAt = songReading(song, naming);
  const { key, name } = readingAt(0);
  const line = melodyLine(song);
  const songAir = airOfSong(instrument, context.chosen.options, song, line);
  const options = { pins: plan.pins, metre: countingOfSong(song), places: songAir.places };
  const { route: whole, added } = playedWith(context, song, line, plan.adds, options);
  const route = { ...whole, notes: whole.notes.filter(({ id }) => !added.has(id)) };
  const figures = figuresChosen(instrument, route.notes, (at) => readingAt(at).key, plan.figures ?? []);
  const alone = added.size > 0 ? routeLine(context, line, options).effort : whole.effort;
  return {
    plan,
    key,
    name,
    instrument,
    context,
    route,
    readingAt,
    songAir,
    song: withFigures(withAdded(song, [...added.values()]), figures),
    figures,
    whole,
    added: {
      notes: whole.notes.filter(({ id }) => added.has(id)),
      under: added,
      price: compareEffort(alone, whole.effort).map(changeText),
    },
  };
}

/** What the notes of a song are read by: the key that holds where they begin, and their chord. */
function songReading(song: Song, naming: NotationOptions['naming']): Prepared['readingAt'] {
  const keys = new Map<SongKey, { readonly key: Key; readonly name: Namer; readonly home: Chord }>();
  for (const one of song.keys) {
    const key = keyOfSongKey(one);
    const home = expectOk(chordOver(key.scale, '1'));
    keys.set(one, { key, name: songNamer(song, key, naming), home });
  }
  const known = new Map<string, Reading>();
  const otherwise = namesOtherwise(song);
  return (onset) => {
    const at = holdingAt(song.keys, onset) ?? song.keys[0]!;
    const symbol = holdingAt(song.chords, onset)?.symbol ?? '';
    const both = `${at.at} ${symbol}`;
    const { key, name, home } = keys.get(at)!;
    const reading = known.get(both) ?? {
      key,
      name,
      roles: rolesOf(key.scale, [chordNamed(symbol, key.tonic) ?? home]),
    };
    known.set(both, reading);
    const here = otherwise.get(onset);
    return here ? { ...reading, name: songNamer(song, key, naming, here) } : reading;
  };
}

/** Computes a song on an instrument. Pure. */
export function songView(
  base: Instrument,
  written: Song,
  given: ArrangementPlan,
  notation: NotationOptions,
  limits?: TensionLimits,
): SongView {
  const { plan, song, key, name, instrument, context, route, whole, added, readingAt, songAir, figures } =
    prepared(base, written, given, notation.naming);
  const remarks = route.remarks();
  const usable = new Set(context.usable.map((way) => way.id));
  const { roles } = readingAt(0);
  const pitches = route.notes.map(({ pitch }) => pitch);
  const used = new Set(route.notes.map((note) => note.way?.technique));
  return {
    song,
    transpose: plan.transpose,
    keyName: `${noteText(key.tonic)} ${key.scale.name}`,
    instrumentFacts: instrument.facts(key),
    line: lineIn(instrument, readingAt, route, remarks, notation.dialect),
    tabText: songTab(song, whole, instrument, notation.dialect, name.spelled, figures),
    drones: instrument.drones.map(name.withOctave),
    added: {
      notes: added.notes.map(({ id, way, pitch, onset }) => ({
        id,
        under: added.under.get(id)!.under,
        start: onset / QUARTER,
        note: name.withOctave(pitch),
        tab: instrument.tab(way!, notation.dialect, name.spelled(pitch)),
        brief: instrument.briefAlone(way!, name.spelled(pitch)),
      })),
      price: added.price,
    },
    scene: sceneIn(instrument, key, roles, name, usable),
    ways: waysIn(instrument, key, roles, [], usable, notation, name),
    effort: route.effort,
    exact: route.exact,
    air: route.air,
    breaths: songAir.breaths(route.air),
    shortOfAir: songAir.short(route.air),
    remarks: remarks.filter(({ routine, isChange }) => !routine && !isChange),
    changes: songChanges(song, whole.changes()),
    tension: checkTension(song, limits),
    octaves: octaveOffers(context, route.notes),
    missing: missingNotes({ song, name, context, route, decisions: plan.decisions }),
    compass: `${name.withOctave(Math.min(...pitches))} to ${name.withOctave(Math.max(...pitches))}`,
    dance: danceFigures(song, route.notes, (note) => figuresAt(instrument, note, readingAt(note.onset).key)),
    cautions: [
      ...new Set(
        instrument.family.techniques.flatMap((t) => (used.has(t.id) && t.caution ? [t.caution] : [])),
      ),
    ],
  };
}

/** Other ways for one note of the melody, and what each would change. */
export function songAlternatives(
  base: Instrument,
  written: Song,
  plan: ArrangementPlan,
  noteId: string,
): readonly AlternativeView[] {
  return prepared(base, written, plan, 'key').route.alternatives(noteId).map(alternativeView);
}
