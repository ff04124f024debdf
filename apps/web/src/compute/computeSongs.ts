import { useQuery, useQueryClient } from '@tanstack/react-query';
import type {
  ArrangementPlan,
  MelodySketch,
  NotationOptions,
  Preferences,
  Song,
  SongKeyFit,
  TensionLimits,
} from '@same-song/core';
import { computed, FOR_GOOD, lasting, quick, sent, thorough } from './computed.ts';
import type { Subject } from './subject.ts';

/** A song, and a key that changes with its content. */
export interface AskedSong {
  readonly key: string;
  readonly song: Song;
}

/** A song on an instrument. */
export function useSongView(
  subject: Subject | undefined,
  asked: AskedSong | undefined,
  plan: ArrangementPlan,
  notation: NotationOptions,
  limits?: TensionLimits,
) {
  return useQuery({
    ...computed(quick, ['song', subject?.key, asked?.key, plan, notation, limits], (compute) =>
      compute.song(sent(subject), asked!.song, plan, notation, limits),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...lasting,
  });
}

/** Other ways for one note of a song. */
export function useSongAlternatives(
  subject: Subject | undefined,
  asked: AskedSong | undefined,
  plan: ArrangementPlan,
  noteId: string | undefined,
) {
  return useQuery({
    ...computed(quick, ['song-alternatives', subject?.key, asked?.key, plan, noteId], (compute) =>
      compute.songAlternatives(sent(subject), asked!.song, plan, noteId!),
    ),
    enabled: subject !== undefined && asked !== undefined && noteId !== undefined,
  });
}

/** Ornaments that lie well at a note of a song. */
export function useSongFigures(
  subject: Subject | undefined,
  asked: AskedSong | undefined,
  plan: ArrangementPlan,
  noteId: string,
  notation: NotationOptions,
) {
  return useQuery({
    ...computed(quick, ['song-figures', subject?.key, asked?.key, plan, noteId, notation], (compute) =>
      compute.songFigures(sent(subject), asked!.song, plan, noteId, notation),
    ),
    enabled: subject !== undefined && asked !== undefined,
  });
}

/** Every key for a song on an instrument. @param mode into which it is put; its own when left out */
export function useSongKeys(
  subject: Subject | undefined,
  asked: AskedSong | undefined,
  preferences: Preferences,
  mode: string | undefined,
) {
  return useQuery({
    ...computed(thorough, ['song-keys', subject?.key, asked?.key, preferences, mode], (compute) =>
      compute.songKeys(sent(subject), asked!.song, preferences, mode),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...lasting,
  });
}

/** A song in every key on many instruments, one after the other; `onProgress` gets the share that is done. */
export function useSongOnAll(
  subjects: readonly Subject[],
  asked: AskedSong | undefined,
  onProgress: (share: number) => void,
) {
  const client = useQueryClient();
  return useQuery({
    queryKey: ['song-on-all', subjects.map(({ key }) => key), asked?.key],
    queryFn: async ({ signal }): Promise<readonly (readonly SongKeyFit[])[]> => {
      const found: (readonly SongKeyFit[])[] = [];
      for (const subject of subjects) {
        found.push(
          await client.fetchQuery(
            computed(thorough, ['song-keys-plain', subject.key, asked!.key], (compute) =>
              compute.songKeys(sent(subject), asked!.song),
            ),
          ),
        );
        signal.throwIfAborted();
        onProgress(found.length / subjects.length);
      }
      return found;
    },
    enabled: subjects.length > 0 && asked !== undefined,
    ...FOR_GOOD,
  });
}

/** Which songs of a library are the same tune, by their places in the list. */
export function useSameTunes(sketches: readonly MelodySketch[], enabled: boolean) {
  return useQuery({
    ...computed(thorough, ['same-tunes', sketches], (compute) => compute.sameTunes(sketches)),
    enabled,
  });
}

/** A song in every key on an instrument, each with its tab. */
export function useSongTabs(
  subject: Subject | undefined,
  asked: AskedSong | undefined,
  plan: Pick<ArrangementPlan, 'preferences' | 'mode'>,
  notation: NotationOptions,
) {
  const { preferences, mode } = plan;
  return useQuery({
    ...computed(thorough, ['song-tabs', subject?.key, asked?.key, preferences, mode, notation], (compute) =>
      compute.songTabs(sent(subject), asked!.song, { preferences, ...(mode && { mode }) }, notation),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...lasting,
  });
}

/** The tab of a song on other instruments of its family. */
export function useSameSongTabs(
  subject: Subject | undefined,
  asked: AskedSong | undefined,
  plan: ArrangementPlan,
  others: readonly Subject[],
) {
  const keys = others.map(({ key }) => key);
  return useQuery({
    ...computed(thorough, ['same-song-tab', subject?.key, asked?.key, plan, keys], (compute) =>
      compute.songSameTab(sent(subject), asked!.song, plan, others.map(sent)),
    ),
    enabled: subject !== undefined && asked !== undefined && others.length > 0,
  });
}
