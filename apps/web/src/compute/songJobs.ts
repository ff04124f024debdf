import { sameSongTab, songAlternatives, songKeys, songTabs, songView } from '@same-song/core';

/** What the worker does with songs. */
export const songJobs = {
  view: songView,
  alternatives: songAlternatives,
  keys: songKeys,
  tabs: songTabs,
  sameTab: sameSongTab,
};
export type SongJobs = typeof songJobs;
