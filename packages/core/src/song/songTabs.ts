import type { Instrument } from '../instrument/instrument.ts';
import type { NotationOptions } from '../map/notation.ts';
import type { ArrangementPlan } from './arrangement.ts';
import type { Song } from './song.ts';
import { songKeys, type SongKeyFit } from './songKeys.ts';
import { songView } from './songView.ts';

/** A song in one key, and how it is played there. */
export interface SongInKey extends SongKeyFit {
  /** In the chosen dialect, a line for every four bars. */
  readonly tabText: string;
}

/** A song in every key that an instrument has anything of, the best first, each with its tab. */
export function songTabs(
  base: Instrument,
  song: Song,
  { preferences, mode }: Pick<ArrangementPlan, 'preferences' | 'mode'>,
  notation: NotationOptions,
): readonly SongInKey[] {
  return songKeys(base, song, preferences, mode).map((fit): SongInKey => {
    const { transpose } = fit;
    const plan = { transpose, preferences, pins: [], decisions: [], ...(mode !== undefined && { mode }) };
    return { ...fit, tabText: songView(base, song, plan, notation).tabText };
  });
}
