import type { Instrument } from '../../instrument/instrument.ts';
import type { Key } from '../../scale/scale.ts';
import type { Subject } from '../drillQuestion.ts';
import type { Tune } from '../tune.ts';

/** What a drill is played on. */
export interface DrillContext {
  readonly instrument: Instrument;
  readonly key: Key;
  /** How much more often than others something is asked, by what it is about; 1 where left out. */
  readonly weight?: (about: string) => number;
  /** Tunes that are known. */
  readonly tunes?: readonly Tune[];
}

/** One kind of question. */
export interface Drill {
  /** Stored with what is practised. */
  readonly id: string;
  readonly label: string;
  readonly about: string;
  /** What must be at hand before it can ask. */
  readonly needs?: 'tunes';
  /** Said where there is too little to ask; what fits every drill when left out. */
  readonly nothing?: string;
  /** What can be asked; a drill fits where there are two. */
  subjects(context: DrillContext): readonly Subject[];
}
