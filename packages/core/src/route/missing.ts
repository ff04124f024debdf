import type { Clash, Way } from '../families/way.ts';
import type { Key } from '../scale/scale.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import type { RoutingContext } from './context.ts';
import { scalePitches } from './line.ts';

/** Why a pitch cannot be had. */
export interface Missing {
  /**
   * `capability`: a way exists that this instrument or player cannot do; `preference`: one that is ruled out by choice;
   * `below`, `above`: outside the instrument; `gap`: nothing sounds it; `together`: it can be had, but not with the
   * other notes of its chord.
   */
  readonly reason: 'capability' | 'preference' | 'below' | 'above' | 'gap' | 'together';
  /** The way that would give it, where one exists. */
  readonly wayId: string | undefined;
  /** The reason as a phrase: `needs an overblow on 6`. */
  readonly text: string;
}

/** The reason why a note cannot sound with the rest of its chord. */
export function clashReason({ text }: Clash): Missing {
  return { reason: 'together', wayId: undefined, text: `not with the others: ${text}` };
}

/** The reason why no allowed way sounds a pitch. @throws when one does */
export function missingReason(instrument: Instrument, avoid: ReadonlySet<string>, pitch: Pitch): Missing {
  const ways = instrument.ways.filter((way) => way.pitch === pitch);
  const { techniques, absent } = instrument.family;
  const rank = (way: Way) => techniques.findIndex((t) => t.id === way.technique);
  const sounding = ways.find((way) => way.able && !avoid.has(way.technique));
  if (sounding) throw new Error(`missingReason: ${sounding.id} sounds ${pitch}`);
  const easiest = [...ways].sort((a, b) => Number(b.able) - Number(a.able) || rank(a) - rank(b))[0];
  if (!easiest) {
    const nowhere = outside(instrument, pitch, absent);
    const fitted = nowhere.reason === 'gap' ? instrument.wouldFit(pitch) : undefined;
    return { ...nowhere, text: fitted ? `needs ${fitted}` : nowhere.text, wayId: undefined };
  }
  const fitted = instrument.wouldFit(pitch);
  // What nobody may play, another string for instance, is not what such a player would wish for.
  if (easiest.able && fitted) return { reason: 'preference', wayId: easiest.id, text: `needs ${fitted}` };
  const text = `needs ${easiest.needs ?? `${techniques[rank(easiest)]!.needs} on ${easiest.place}`}`;
  return { reason: easiest.able ? 'preference' : 'capability', wayId: easiest.id, text };
}

function outside(instrument: Instrument, pitch: Pitch, absent: string): Pick<Missing, 'reason' | 'text'> {
  const pitches = instrument.ways.map((way) => way.pitch);
  if (pitch < Math.min(...pitches)) return { reason: 'below', text: 'below its lowest note' };
  if (pitch > Math.max(...pitches)) return { reason: 'above', text: 'above its highest note' };
  return { reason: 'gap', text: absent };
}

/** Pitches of a key between the lowest and the highest note that may be played, and those of them that cannot be had. */
export function scaleInRange(
  { has, range }: RoutingContext,
  key: Key,
): { readonly wanted: readonly Pitch[]; readonly missing: readonly Pitch[] } {
  const wanted = range ? scalePitches(key, range) : [];
  return { wanted, missing: wanted.filter((pitch) => !has(pitch)) };
}

/**
 * What an instrument has of a scale: the pitches between its lowest and its highest note, and those of them that cannot be
 * had. Of an instrument that has only a set of pitches each pitch class counts once, as it first comes from its lowest on.
 */
export function scaleOn(context: RoutingContext, key: Key): ReturnType<typeof scaleInRange> {
  if (!context.instrument.family.isPitchSet) return scaleInRange(context, key);
  const low = context.range?.low ?? key.home;
  const had = new Set(context.usable.map(({ pitch }) => pitchClass(pitch)));
  const wanted = scalePitches(key, { low, high: low + 11 });
  return { wanted, missing: wanted.filter((pitch) => !had.has(pitchClass(pitch))) };
}
