import { songAlternatives, songKeys, songView } from '@same-song/core';

/** What the worker does with songs. */
export const songJobs = { view: songView, alternatives: songAlternatives, keys: songKeys };
export type SongJobs = typeof songJobs;
