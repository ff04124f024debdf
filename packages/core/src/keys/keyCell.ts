import { isBlues } from '../harmony/scaleChords.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { noteCode } from '../pitch/noteName.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { bestStart } from '../route/range.ts';
import { scaleInRange, scaleOn } from '../route/missing.ts';
import type { Preferences } from '../route/preferences.ts';
import { routingContext, type RoutingContext } from '../route/context.ts';
import { quickRoute, type QuickRoute } from '../route/route.ts';
import { namer } from '../scale/namer.ts';
import { aboveHome, type Key } from '../scale/scale.ts';

/** A complete octave of a scale, home to home, and what it costs upwards. */
export interface OctaveFit {
  readonly from: Pitch;
  /** Weighted effort of the octave; only ranks. */
  readonly total: number;
  /** Techniques used that an average pupil cannot rely on, and those with a caution. */
  readonly hard: readonly string[];
}

/** What a line asks: the parts of its effort that are not nothing, counted as the player counts. */
export type Demands = readonly { readonly id: string; readonly label: string; readonly count: number }[];

/** How well one key lies on one instrument. */
export interface KeyCell {
  /** Code of the tonic, for links. */
  readonly tonic: string;
  readonly home: number;
  readonly scale: string;
  /** Notes of one octave, home at both ends. */
  readonly notes: number;
  /**
   * Scale pitches within the instrument's compass: those that can be had, and all. Of an instrument that has only a set of
   * pitches: pitch classes of the scale.
   */
  readonly have: number;
  readonly of: number;
  /** Whether the key can be played: an octave is complete, or a set of pitches has every note of the scale. */
  readonly lies: boolean;
  /** Complete octaves, rising. */
  readonly octaves: readonly OctaveFit[];
  /** Where octaves begin that lack only their last note, home itself, rising. */
  readonly almost: readonly Pitch[];
  /**
   * Index of the octave in which a teacher begins, as for a line; undefined where none is complete.
   */
  readonly best: number | undefined;
  /** How hard the key is on the instrument, where it lies best; only ranks, the less the better. */
  readonly ease: number;
  /** What that octave asks; nothing where there is none. */
  readonly demands: Demands;
  /** Scale pitches within the compass that cannot be had, rising; of a set of pitches the lowest of each pitch class. */
  readonly missing: readonly Pitch[];
  /** The instrument's own words about the key: its position … */
  readonly facts: readonly string[];
  /** What is set on the instrument for the key, such as levers, by id. */
  readonly settings: readonly string[];
}

/** Contexts to route in, for one instrument, prepared once for each way that it is set. @param isRough only to rank many lines */
export function contextsFor(
  preferences: Preferences,
  { isRough = false }: { readonly isRough?: boolean } = {},
): (instrument: Instrument) => RoutingContext {
  const known = new Map<Instrument, RoutingContext>();
  let first: RoutingContext | undefined;
  return (instrument) => {
    const context =
      known.get(instrument) ?? routingContext(instrument, preferences, { shared: first, isRough });
    first ??= context;
    known.set(instrument, context);
    return context;
  };
}

/** Works out one cell. */
export function keyCell(
  base: Instrument,
  key: Key,
  contextFor: (instrument: Instrument) => RoutingContext,
): KeyCell {
  const instrument = base.forKey(key);
  const context = contextFor(instrument);
  const { almost, octaves: routes } = octavesOf(context, key);
  const isSet = instrument.family.isPitchSet;
  const { wanted, missing } = scaleOn(context, key);
  const notes = key.scale.semitones.length + 1;
  const octaves = routes.map(({ from, route }): OctaveFit => {
    return { from, total: route.total, hard: hardOf(context, route) };
  });
  const starts = octaves.map(({ from, total }) => ({ from, missing: 0, effort: total / notes }));
  const start = bestStart(context, key, starts);
  const best = start && starts.indexOf(start);
  const least = Math.min(...starts.map(({ effort }) => effort));
  return {
    tonic: noteCode(key.tonic),
    home: key.home,
    scale: key.scale.id,
    notes,
    have: wanted.length - missing.length,
    of: wanted.length,
    lies: isSet ? missing.length === 0 : best !== undefined,
    octaves,
    almost,
    best,
    ease: isSet
      ? easeOfSet(context, key, missing.length / wanted.length)
      : easeOf(context, key, {
          effort: best === undefined ? NO_OCTAVE : least,
          lacking: wanted.length === 0 ? 1 : missing.length / wanted.length,
        }),
    demands: best === undefined ? [] : demandsOf(routes[best]!.route),
    missing,
    facts: instrument.facts(key),
    settings: instrument.settings.map((setting) => setting.id),
  };
}

/** An octave of a cell as it is played. */
export interface OctaveInFull extends OctaveFit {
  readonly demands: Demands;
  /** Note by note from home up to home, in tab. */
  readonly tab: readonly string[];
}

/** The octaves of one cell in full, rising. */
export function octavesInFull(
  base: Instrument,
  key: Key,
  preferences: Preferences,
  dialect: string,
): readonly OctaveInFull[] {
  const instrument = base.forKey(key);
  const context = routingContext(instrument, preferences);
  const { spelled } = namer(key);
  return octavesOf(context, key).octaves.map(({ from, route }) => ({
    from,
    total: route.total,
    hard: hardOf(context, route),
    demands: demandsOf(route),
    tab: route.ways.map((way) => instrument.tab(way, dialect, spelled(way.pitch))),
  }));
}

/** A route up every complete octave, and where octaves begin that lack only their last note. */
function octavesOf(context: RoutingContext, key: Key) {
  const { wanted } = scaleInRange(context, key);
  const notesFrom = (home: Pitch) => key.scale.semitones.map((semitone) => home + semitone);
  const begun = wanted.filter((from) => aboveHome(key, from) === 0 && notesFrom(from).every(context.has));
  const ended = begun.filter((from) => context.has(from + 12));
  const octaves = ended.map((from) => ({
    from,
    route: quickRoute(context, [...notesFrom(from), from + 12]),
  }));
  return { octaves, almost: begun.filter((from) => !context.has(from + 12)) };
}

function hardOf({ instrument }: RoutingContext, { ways }: QuickRoute): readonly string[] {
  return instrument.family.techniques
    .filter((t) => (!t.safe || t.caution) && ways.some((way) => way.technique === t.id))
    .map((t) => t.id);
}

function demandsOf(route: QuickRoute): Demands {
  const felt = route.effort().terms.filter((term) => term.count > 0);
  return felt.map(({ id, label, count }) => ({ id, label, count }));
}

/** A share of notes that nobody misses. */
const UNNOTICED = 0.05;
/** What the share of notes missed counts beside the effort of a note. */
const PER_SHARE = 2;
/** What notes that are lacking count beside the effort of a note. @param share of all notes, 0 to 1 */
export function lackingCost(share: number): number {
  return PER_SHARE * Math.max(0, share - UNNOTICED);
}

/** What it counts for each thing that must be set for a key, such as a lever. */
const PER_SETTING = 0.05;

/** What a key itself counts beside the effort of a note: what must be set, and how seldom it is taken. @param instrument as it is set for it */
export function keyCost(instrument: Instrument, key: Key): number {
  return PER_SETTING * instrument.settings.length + instrument.unusual(key);
}

/** What it counts that a tone of a blues' major chords does not come plain. */
const PER_CHORD_TONE = 0.7;
/** More than any effort: without a complete octave a key does not lie on an instrument. */
const NO_OCTAVE = 100;

/**
 * The effort of a note in the octave that lies best, what is lacking and what must be set. The blues is played over sevenths, so that the
 * major chords' tones beside the scale, 3 and 6, count where they do not come plain.
 * Source: the order in which teachers take harmonicas to a key.
 */
function easeOf(
  { usable, instrument }: RoutingContext,
  key: Key,
  { effort, lacking }: { effort: number; lacking: number },
): number {
  const plain = instrument.family.techniques[0]!.id;
  const comesPlain = (semitone: number) =>
    usable.some((way) => way.technique === plain && aboveHome(key, way.pitch) === semitone);
  const tones = isBlues(key.scale) ? [4, 9].filter((s) => !key.scale.semitones.includes(s)) : [];
  return (
    effort +
    lackingCost(lacking) +
    keyCost(instrument, key) +
    PER_CHORD_TONE * tones.filter((semitone) => !comesPlain(semitone)).length
  );
}

/** The minor pentatonic stands with the blues, but is music of its own, over minor chords. */

/** What counts on a set of pitches, each more than all that follow: notes of the scale it lacks, pitches outside the scale … */
const PER_SHARE_OUTSIDE = 0.1;
/** … how few pitches there are, and that its lowest is not home. */
const PER_PITCH_FEWER = 1e-5;
const HOME_IS_NOT_LOWEST = 1e-6;
/** More pitches than a set has. */
const MANY_PITCHES = 100;

/**
 * How hard a key is on an instrument that has only a set of pitches, on the scale of `easeOf`: nothing but its pitches is
 * in the way. Source: how players choose a tongue drum for a song.
 * @param lacking share of the scale's pitch classes that it lacks
 */
function easeOfSet({ usable, range }: RoutingContext, key: Key, lacking: number): number {
  const outside = usable.filter(({ pitch }) => !key.scale.semitones.includes(aboveHome(key, pitch)));
  return (
    PER_SHARE * lacking +
    PER_SHARE_OUTSIDE * (outside.length / Math.max(1, usable.length)) +
    PER_PITCH_FEWER * (MANY_PITCHES - usable.length) +
    (range && aboveHome(key, range.low) === 0 ? 0 : HOME_IS_NOT_LOWEST)
  );
}

/** How many things must be set otherwise, such as levers, to go from one key to another on one instrument. */
export function settingsBetween(from: KeyCell, to: KeyCell): number {
  const isOnlyIn = (one: KeyCell, other: KeyCell) =>
    one.settings.filter((id) => !other.settings.includes(id));
  return isOnlyIn(from, to).length + isOnlyIn(to, from).length;
}

/** Orders cells by how well they serve; negative when the first serves better. */
export function byEase(a: KeyCell, b: KeyCell): number {
  return a.ease - b.ease;
}
