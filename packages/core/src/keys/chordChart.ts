import type { Air, Fingering, Hold } from '../families/way.ts';
import { chordNamed, chordSymbol, noteAt, type Chord } from '../harmony/chord.ts';
import type { Role } from '../harmony/role.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { sceneIn } from '../map/instrumentView.ts';
import type { NotationOptions } from '../map/notation.ts';
import { notePitchClass, noteText, parseNote, pitchText, type NoteName } from '../pitch/noteName.ts';
import { frequency, pitchClass, type Pitch, type PitchClass } from '../pitch/pitch.ts';
import { expectOk, fail, ok, shown, type Result } from '../result.ts';
import { routingContext, type RoutingContext } from '../route/context.ts';
import { chordHolds, chordOrder } from '../route/holds.ts';
import type { Preferences } from '../route/preferences.ts';
import { degreeSemitones, type Degree } from '../scale/degree.ts';
import { namer, type Namer } from '../scale/namer.ts';
import { keyOf, scaleById, type Key } from '../scale/scale.ts';
import type { Scene } from '../scene/scene.ts';
import { writeTabLine } from '../tab/tabLine.ts';
import { UNHURRIED } from '../time/noteTiming.ts';

/** A chord to be held: its tones from the root on, and what must lie lowest where somebody says so. */
export interface ChartChord {
  /** `C7`, or the notes that were written. */
  readonly name: string;
  /** Its root, or the first note that was written. */
  readonly root: NoteName;
  /** Pitch classes, root first, each once. */
  readonly tones: readonly PitchClass[];
  readonly bass: PitchClass | undefined;
}

/** One way to hold a chord. */
export interface ChordHold {
  readonly id: string;
  /** Names with octave, rising. */
  readonly notes: readonly string[];
  readonly tab: string;
  /** The shortest text that tells it from others in the same direction of air; the tab where there is none. */
  readonly brief: string;
  readonly wayIds: readonly string[];
  /** The finger or hand of each note, where there are any to choose. */
  readonly fingers: readonly (Fingering | undefined)[];
  readonly air: Air | undefined;
  /** Place of its lowest note among the chord's tones: 0 the root. */
  readonly inversion: number;
  /** Names of tones that it lacks. */
  readonly lacks: readonly string[];
  /** One of its tones sounds in two octaves. */
  readonly isDoubled: boolean;
  /** What it costs the hand; only ranks. */
  readonly effort: number;
  readonly hz: readonly number[];
}

/** A chord that cannot be held, and why. */
export interface RefusedChord {
  readonly notes: readonly string[];
  readonly why: string;
}

/** Everything an instrument has of a chord. */
export interface ChordChart {
  readonly name: string;
  /** Names of its tones, root first. */
  readonly tones: readonly string[];
  /** From the lowest up; those of one pitch set only once, with the fingers that cost least. */
  readonly holds: readonly ChordHold[];
  /** Close positions that cannot be held, from the lowest up. */
  readonly refused: readonly RefusedChord[];
  /** The instrument with the chord's tones. */
  readonly scene: Scene;
}

/** Notes that are doubled at most beside a chord's own. */
const DOUBLED = 1;
/** Most notes of one hold. */
const MOST_NOTES = 5;
/** Semitones between neighbours, and between the outer notes of a hold, at most. */
const SPREAD = Object.freeze({ neighbours: 12, whole: 21 });
/** Refused close positions that are told. */
const REFUSED_TOLD = 4;

/**
 * Reads a chord by name or degree, `C7`, `Am/C`, `IV7`, or as two notes or more, `C E G B♭`.
 * Problems carry no field.
 */
export function readChartChord(text: string, key: Key): Result<ChartChord> {
  const tokens = text.split(/[\s,+]+/u).filter((token) => token !== '');
  if (tokens.length < 2) return readNamed(tokens[0] ?? '', key);
  const notes: NoteName[] = [];
  for (const token of tokens) {
    const note = parseNote(token.replace(/-?\d+$/u, ''));
    if (!note.ok) {
      const message = `“${shown(token)}” is no note. Write a chord such as C7, or its notes: C E G B♭.`;
      return fail({ field: '', wrong: shown(token), message });
    }
    notes.push(note.value);
  }
  const tones = [...new Set(notes.map(notePitchClass))];
  return ok({ name: notes.map(noteText).join(' '), root: notes[0]!, tones, bass: undefined });
}

function readNamed(text: string, key: Key): Result<ChartChord> {
  const chord = chordNamed(text, key.tonic);
  if (!chord?.root)
    return fail({
      field: '',
      wrong: shown(text),
      message: 'Write a chord such as C7, Em or IV7, or its notes: C E G B♭.',
    });
  return ok(chartChord(chord, chord.root, key));
}

/** A chord as it stands in a key. */
function chartChord(chord: Chord, degree: Degree, key: Key): ChartChord {
  const name = chordSymbol(chord, key.tonic);
  const root = noteAt(degree, key.tonic);
  const tones = chord.tones.map((tone) => pitchClass(key.home + tone));
  const bass = chord.bass && pitchClass(key.home + degreeSemitones(chord.bass));
  return { name, root, tones: bass === undefined || tones.includes(bass) ? tones : [...tones, bass], bass };
}

const MAJOR = expectOk(scaleById('major'));

/**
 * Every hold of a chord on an instrument as it is set for a key: as many of its tones as can sound at once, one of them
 * doubled at most.
 */
export function chordChart(
  base: Instrument,
  key: Key,
  asked: ChartChord,
  preferences: Preferences,
  { naming, dialect }: NotationOptions,
): ChordChart {
  const instrument = base.forKey(key);
  const context = routingContext(instrument, preferences);
  const own = keyOf(MAJOR, asked.root);
  const name = namer(own, naming);
  const { sets, lacking } = heldSets(context, asked);
  const holds = sets.map((hold) => holdView(context, asked, hold, { name, dialect, lacking }));
  const roles = Array.from({ length: 12 }, (_, semitone): Role => {
    if (semitone === 0) return 'home';
    return asked.tones.includes(pitchClass(own.home + semitone)) ? 'chord' : 'outside';
  });
  return {
    name: asked.name,
    tones: asked.tones.map((tone) => name.bare(tone)),
    holds,
    refused: refusedOf(context, asked, name),
    scene: sceneIn(instrument, own, roles, name, new Set(context.usable.map(({ id }) => id))),
  };
}

/** Holds with as many of a chord's tones as can be, rising. */
function heldSets(context: RoutingContext, { tones, bass }: ChartChord) {
  const pitches = tonesInReach(context, tones);
  for (let count = tones.length; count >= Math.min(2, tones.length); count -= 1) {
    const sets = pitchSets(pitches, count).filter(([lowest]) => {
      return bass === undefined || count < tones.length || pitchClass(lowest!) === bass;
    });
    const held = sets.flatMap((set): Hold[] => {
      const hold = cheapestHold(context, set);
      return hold ? [hold] : [];
    });
    if (held.length > 0) return { sets: held, lacking: count < tones.length };
  }
  return { sets: [], lacking: true };
}

function tonesInReach({ range, has }: RoutingContext, tones: readonly PitchClass[]): readonly Pitch[] {
  if (!range) return [];
  const pitches = Array.from({ length: range.high - range.low + 1 }, (_, i) => range.low + i);
  return pitches.filter((pitch) => tones.includes(pitchClass(pitch)) && has(pitch));
}

/** Sets of pitches with so many different tones, rising, none farther apart than is sounded together. */
function pitchSets(pitches: readonly Pitch[], count: number): readonly (readonly Pitch[])[] {
  const most = Math.min(MOST_NOTES, count + DOUBLED);
  const found: Pitch[][] = [];
  const extend = (set: readonly Pitch[], from: number) => {
    const different = new Set(set.map((pitch) => pitchClass(pitch))).size;
    if (different === count) found.push([...set]);
    if (set.length === most) return;
    for (let next = from; next < pitches.length; next += 1) {
      const pitch = pitches[next]!;
      const isFar =
        set.length > 0 && (pitch - set.at(-1)! > SPREAD.neighbours || pitch - set[0]! > SPREAD.whole);
      if (isFar) return;
      extend([...set, pitch], next + 1);
    }
  };
  extend([], 0);
  return found.sort((a, b) => a[0]! - b[0]! || a.length - b.length || a.at(-1)! - b.at(-1)!);
}

/** The hold of some pitches that costs the hand least; undefined where they cannot all sound. */
function cheapestHold(context: RoutingContext, set: readonly Pitch[]): Hold | undefined {
  const { sounds, holds } = chordHolds(context.instrument, openFor(context, set), set);
  if (sounds.length < set.length) return undefined;
  const costs = holds.map((hold) => context.costs.own(hold, UNHURRIED));
  return holds[costs.indexOf(Math.min(...costs))];
}

function openFor(context: RoutingContext, set: readonly Pitch[]) {
  return set.map((pitch) => ({ pitch, open: context.open(pitch, set.length > 1) }));
}

function holdView(
  { instrument, costs }: RoutingContext,
  { tones }: ChartChord,
  hold: Hold,
  { name, dialect, lacking }: { readonly name: Namer; readonly dialect: string; readonly lacking: boolean },
): ChordHold {
  const pitches = hold.map(({ way }) => way.pitch);
  const sounded = new Set(pitches.map((pitch) => pitchClass(pitch)));
  const items = hold.flatMap(({ way }, i) => [
    ...(i > 0 ? [{ kind: 'with' } as const] : []),
    { kind: 'way', way } as const,
  ]);
  const tab = writeTabLine(instrument, items, dialect, name.spelled);
  return {
    id: hold.map(({ way, fingering }) => way.id + (fingering ?? '')).join('+'),
    notes: pitches.map(name.withOctave),
    tab,
    brief: hold[0]!.way.air
      ? hold.map(({ way }) => instrument.brief(way, name.spelled(way.pitch))).join(' ')
      : tab,
    isDoubled: sounded.size < pitches.length,
    wayIds: hold.map(({ way }) => way.id),
    fingers: hold.map(({ fingering }) => instrument.family.fingerings.find(({ id }) => id === fingering)),
    air: hold[0]!.way.air,
    inversion: tones.indexOf(pitchClass(pitches[0]!)),
    lacks: lacking ? tones.filter((tone) => !sounded.has(tone)).map((tone) => name.bare(tone)) : [],
    effort: costs.own(hold, UNHURRIED),
    hz: hold.map(({ way }) => frequency(way.pitch, instrument.spec.a4, instrument.centsOf(way))),
  };
}

/** Close positions, one for each lowest note, that cannot be held whole. */
function refusedOf(context: RoutingContext, { tones }: ChartChord, name: Namer): readonly RefusedChord[] {
  const { instrument, range } = context;
  if (!range) return [];
  const refused: RefusedChord[] = [];
  for (let lowest = range.low; lowest <= range.high && refused.length < REFUSED_TOLD; lowest += 1) {
    if (!tones.includes(pitchClass(lowest))) continue;
    const close = tones.map((tone) => lowest + pitchClass(tone - lowest)).sort((a, b) => a - b);
    if (close.at(-1)! > range.high) break;
    const absent = close.filter((pitch) => !context.has(pitch));
    const names = absent.map((pitch) => pitchText(pitch, name.spelled(pitch))).join(', ');
    const why = absent.length > 0 ? `${names}: ${instrument.family.absent}` : whyNot(context, close);
    if (why !== undefined) refused.push({ notes: close.map(name.withOctave), why });
  }
  return refused;
}

/** Why some pitches cannot all sound at once; undefined where they can. */
function whyNot(context: RoutingContext, close: readonly Pitch[]): string | undefined {
  const { instrument } = context;
  const most = instrument.family.mostAtOnce;
  if (most && close.length > most.notes) return most.text;
  return chordHolds(instrument, openFor(context, close), chordOrder(close)).left[0]?.clash.text;
}
