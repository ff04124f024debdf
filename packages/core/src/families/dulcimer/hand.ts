import type { Clash, FingeredWay, Hold } from '../way.ts';
import { FINGERS, type DulcimerWay } from './ways.ts';

/** The left hand on the frets: where it is, what it can hold at once, and what it leaves behind. */

/** Ring 0, middle 1, index 2, thumb 3: the places above the ring finger at which each rests. The noter is one finger. */
const REACH: Readonly<Record<string, number>> = Object.freeze(
  Object.fromEntries(FINGERS.map((finger, reach) => [finger, reach])),
);

export function fingerReach(fingering: string | undefined): number {
  return REACH[fingering ?? ''] ?? 0;
}

const isFretted = ({ way }: FingeredWay<DulcimerWay>) => way.fret !== '0';

/** The ways of a hold that are fretted. */
export function fretted(hold: Hold<DulcimerWay>): Hold<DulcimerWay> {
  return hold.every(isFretted) ? hold : hold.filter(isFretted);
}

/** Place at which the ring finger is, or would be; undefined where only open strings sound. */
export function handPlace(hold: Hold<DulcimerWay>): number | undefined {
  let lowest: number | undefined;
  for (const finger of hold) {
    if (!isFretted(finger)) continue;
    const place = finger.way.along - fingerReach(finger.fingering);
    if (lowest === undefined || place < lowest) lowest = place;
  }
  return lowest;
}

/** An open string leaves the hand where it was. */
export function carry(before: string, hold: Hold<DulcimerWay>): string {
  const place = handPlace(hold);
  return place === undefined ? before : String(place);
}

/** By how many places two fretted ways lie farther apart, or closer, than the fingers on them. */
export function stretch(a: FingeredWay<DulcimerWay>, b: FingeredWay<DulcimerWay>): number {
  return Math.abs(b.way.along - a.way.along - (fingerReach(b.fingering) - fingerReach(a.fingering)));
}

/** Widest stretch between two fingers, in places beyond one a finger; judgement. */
const WIDEST = 2;

/** From nut to bridge, in centimetres. Source: a usual mountain dulcimer. */
const STRING_CM = 68.6;
/** How far two fingers lie apart at most, and a finger and the thumb, in centimetres. Source: players' hands. */
const SPAN_CM = Object.freeze({ fingers: 13, thumb: 17.5 });

/** Centimetres from the nut to a fret so many semitones up. */
const fromNut = (semitones: number) => STRING_CM * (1 - 2 ** (-semitones / 12));

function isTooWide(low: FingeredWay<DulcimerWay>, high: FingeredWay<DulcimerWay>): boolean {
  const most = [low, high].some(({ fingering }) => fingering === 't') ? SPAN_CM.thumb : SPAN_CM.fingers;
  const apart = Math.abs(fromNut(high.way.semitones) - fromNut(low.way.semitones));
  return apart > most || stretch(low, high) > WIDEST;
}

/** One fret a string; a finger may lie across strings at one fret; fingers keep their order along the fretboard. */
export function clash(low: FingeredWay<DulcimerWay>, high: FingeredWay<DulcimerWay>): Clash | undefined {
  if (low.way.technique === high.way.technique)
    return { reason: 'place', text: `the ${low.way.technique} string sounds one note at a time` };
  if (low.way.fret === '0' || high.way.fret === '0') return undefined;
  const places = high.way.along - low.way.along;
  const fingers = fingerReach(high.fingering) - fingerReach(low.fingering);
  if (low.fingering === high.fingering)
    return places === 0 ? undefined : { reason: 'finger', text: 'one finger cannot press two frets' };
  if (places * fingers < 0) return { reason: 'finger', text: 'fingers would cross' };
  return isTooWide(low, high)
    ? {
        reason: 'span',
        text: `frets ${low.way.fret} and ${high.way.fret} are too far apart for these fingers`,
      }
    : undefined;
}
