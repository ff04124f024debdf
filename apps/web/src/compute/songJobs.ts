import {
  figureOffers,
  sameSongTab,
  sameTunes,
  songAlternatives,
  songKeys,
  songTabs,
  songTunings,
  songView,
} from '@same-song/core/song';

/** What the worker does with songs. */
export const songJobs = {
  view: songView,
  alternatives: songAlternatives,
  keys: songKeys,
  tabs: songTabs,
  tunings: songTunings,
  sameTab: sameSongTab,
  twice: sameTunes,
  figures: figureOffers,
};
export type SongJobs = typeof songJobs;
