import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { HeardNote } from './notes.ts';
import { tunedAt, waysMeant } from './meant.ts';
import { median } from './median.ts';

/** What was heard of one way. */
export interface Measurement {
  readonly way: Way;
  /** Notes that were heard. */
  readonly count: number;
  /** Middle of them, in cents above where its layout has it. */
  readonly cents: number;
  /** Between the lowest and the highest of them, in cents. */
  readonly spread: number;
}

/**
 * Measures the ways of an instrument from notes that were played one by one: each note goes to the way it probably was,
 * unless it is said which way is meant. In the order of the instrument's ways.
 */
export function measure(
  instrument: Instrument,
  notes: readonly (Pick<HeardNote, 'midi'> & { readonly wayId?: string })[],
): readonly Measurement[] {
  const of = new Map<string, number[]>();
  for (const { midi, wayId } of notes) {
    const meant = waysMeant(instrument, midi);
    const found = wayId === undefined ? meant[0] : meant.find(({ way }) => way.id === wayId);
    if (!found) continue;
    const cents = 100 * (midi - tunedAt(instrument, found.way));
    of.set(found.way.id, [...(of.get(found.way.id) ?? []), cents]);
  }
  return instrument.ways.flatMap((way): Measurement[] => {
    const all = of.get(way.id)?.sort((a, b) => a - b);
    if (!all) return [];
    return [{ way, count: all.length, cents: median(all), spread: all.at(-1)! - all[0]! }];
  });
}

/** Where an instrument's pitch stands. */
export interface Standard {
  /** Hz of A4. */
  readonly a4: number;
  /** Cents above the standard that it is kept with. */
  readonly cents: number;
  /** Between the lowest and the highest way, in cents. */
  readonly spread: number;
  /** So uneven that it wants a tuner, not another standard. */
  readonly uneven: boolean;
}

/** Fewer ways say nothing of the whole. */
export const STANDARD_LEAST = 3;
/** Source: a spread above 15 cents means it needs a tuner. */
const UNEVEN = 15;

/** The standard that fits an instrument best: the middle of how far its plain ways are off. Undefined with too few of them. */
export function pitchStandard(
  instrument: Instrument,
  measurements: readonly Measurement[],
): Standard | undefined {
  const plain = instrument.family.techniques[0]!.id;
  const all = measurements
    .filter(({ way }) => way.technique === plain)
    .map(({ cents }) => cents)
    .sort((a, b) => a - b);
  if (all.length < STANDARD_LEAST) return undefined;
  const cents = median(all);
  const spread = all.at(-1)! - all[0]!;
  return { a4: instrument.spec.a4 * 2 ** (cents / 1200), cents, spread, uneven: spread > UNEVEN };
}
