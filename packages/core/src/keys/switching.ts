import { isBlues, mainChords } from '../harmony/scaleChords.ts';
import { tonesOf } from '../harmony/chord.ts';
import { type PitchClass } from '../pitch/pitch.ts';
import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { sceneForKey } from '../map/instrumentView.ts';
import type { NotationOptions } from '../map/notation.ts';
import { usableWays } from '../route/context.ts';
import { noteText, respell } from '../pitch/noteName.ts';
import { namer } from '../scale/namer.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import type { Scene } from '../scene/scene.ts';

/** A way as it is listed: its tab and its words. */
export interface ListedWay {
  readonly id: string;
  readonly tab: string;
  readonly words: string;
}

/** What changes from one key to another on one instrument. */
export interface Switching {
  /** Levers and the like, as things to do. */
  readonly todo: readonly string[];
  readonly drop: readonly ListedWay[];
  readonly take: readonly ListedWay[];
  readonly keep: readonly ListedWay[];
  /** Notes of the new key that no way of the instrument gives, by name without octave. */
  readonly missing: readonly string[];
  /** The instrument's words about each of the two keys. */
  readonly facts: readonly [readonly string[], readonly string[]];
  /** The instrument as it is set for each of the two keys, with its notes. */
  readonly scenes: readonly [Scene, Scene];
}

/** From key to key: what to set, which ways to leave out, which to take in. */
export function switchKeys(
  base: Instrument,
  from: Key,
  to: Key,
  { dialect, naming }: NotationOptions,
): Switching {
  const before = base.forKey(from);
  const after = base.forKey(to);
  const was = new Set(before.settings.map((s) => s.id));
  const is = new Set(after.settings.map((s) => s.id));
  const used = (instrument: Instrument, key: Key) =>
    usableWays(instrument).filter(
      (way) =>
        way.redundantTo === undefined && isKept(key, aboveHome(key, way.pitch)) && isFree(instrument, way),
    );
  const first = used(before, from);
  const second = used(after, to);
  const firstIds = new Set(first.map((way) => way.id));
  const secondIds = new Set(second.map((way) => way.id));
  const listed = (ways: readonly Way[], key: Key): ListedWay[] => {
    const name = namer(key, naming);
    return ways.map((way) => ({
      id: way.id,
      tab: after.tab(way, dialect, name.spelled(way.pitch)),
      words: way.words,
    }));
  };
  return {
    todo: [
      ...before.settings.filter((s) => !is.has(s.id)).map((s) => s.off),
      ...after.settings.filter((s) => !was.has(s.id)).map((s) => s.on),
    ],
    drop: listed(
      first.filter((way) => !secondIds.has(way.id)),
      from,
    ),
    take: listed(
      second.filter((way) => !firstIds.has(way.id)),
      to,
    ),
    keep: listed(
      second.filter((way) => firstIds.has(way.id)),
      to,
    ),
    missing: to.scale.semitones
      .filter((semitones) => !second.some((way) => aboveHome(to, way.pitch) === semitones))
      .map((semitones) => noteText(respell(to.names[semitones]!, naming))),
    facts: [before.facts(from), after.facts(to)],
    scenes: [sceneForKey(base, from, naming), sceneForKey(base, to, naming)],
  };
}

/** A blues keeps the tones of its chords beside its scale, such as 3 and 6. */
function isKept(key: Key, semitone: PitchClass): boolean {
  const isInScale = key.indexOf[semitone] !== undefined;
  return isInScale || (isBlues(key.scale) && tonesOf(mainChords(key.scale)).includes(semitone));
}

/** Ways that a pupil would list: no technique that only works in the middle of a tune. */
function isFree(instrument: Instrument, way: Way): boolean {
  const technique = instrument.family.techniques.find((t) => t.id === way.technique)!;
  return technique.safe || instrument.settings.length === 0;
}
