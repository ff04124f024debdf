import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { NotationOptions, Preferences } from '@same-song/core/route';
import type { ArrangementPlan, MelodySketch, Song, SongKeyFit, TensionLimits } from '@same-song/core/song';
import { computed, IMMUTABLE, keepPrevious, foreground, forWorker, background } from './computed.ts';
import type { Subject } from './subject.ts';

/** A song, and a key that changes with its content. */
export interface SongSubject {
  readonly key: string;
  readonly song: Song;
}

/** A song on an instrument. */
export function useSongView(
  subject: Subject | undefined,
  asked: SongSubject | undefined,
  plan: ArrangementPlan,
  notation: NotationOptions,
  limits?: TensionLimits,
) {
  return useQuery({
    ...computed(foreground, ['song', subject?.key, asked?.key, plan, notation, limits], (compute) =>
      compute.song(forWorker(subject), asked!.song, plan, notation, limits),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...keepPrevious,
  });
}

/** Other ways for one note of a song. */
export function useSongAlternatives(
  subject: Subject | undefined,
  asked: SongSubject | undefined,
  plan: ArrangementPlan,
  noteId: string | undefined,
) {
  return useQuery({
    ...computed(foreground, ['song-alternatives', subject?.key, asked?.key, plan, noteId], (compute) =>
      compute.songAlternatives(forWorker(subject), asked!.song, plan, noteId!),
    ),
    enabled: subject !== undefined && asked !== undefined && noteId !== undefined,
  });
}

/** Ornaments that lie well at a note of a song. */
export function useSongFigures(
  subject: Subject | undefined,
  asked: SongSubject | undefined,
  plan: ArrangementPlan,
  noteId: string,
  notation: NotationOptions,
) {
  return useQuery({
    ...computed(foreground, ['song-figures', subject?.key, asked?.key, plan, noteId, notation], (compute) =>
      compute.songFigures(forWorker(subject), asked!.song, plan, noteId, notation),
    ),
    enabled: subject !== undefined && asked !== undefined,
  });
}

/** Every key for a song on an instrument. @param mode into which it is put; its own when left out */
export function useSongKeys(
  subject: Subject | undefined,
  asked: SongSubject | undefined,
  preferences: Preferences,
  mode: string | undefined,
) {
  return useQuery({
    ...computed(background, ['song-keys', subject?.key, asked?.key, preferences, mode], (compute) =>
      compute.songKeys(forWorker(subject), asked!.song, preferences, mode),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...keepPrevious,
  });
}

/** An instrument as it stands and set otherwise, for a song in one key. @param standing as it is kept, not as it is set */
export function useSongTunings(
  standing: Subject | undefined,
  asked: SongSubject | undefined,
  preferences: Preferences,
  by: number,
  mode: string | undefined,
) {
  return useQuery({
    ...computed(background, ['song-tunings', standing?.key, asked?.key, preferences, by, mode], (compute) =>
      compute.songTunings(forWorker(standing), asked!.song, preferences, by, mode),
    ),
    enabled: standing !== undefined && asked !== undefined,
    ...keepPrevious,
  });
}

/** A song in every key on many instruments, one after the other; `onProgress` gets the share that is done. */
export function useSongOnAll(
  subjects: readonly Subject[],
  asked: SongSubject | undefined,
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
            computed(background, ['song-keys-plain', subject.key, asked!.key], (compute) =>
              compute.songKeys(forWorker(subject), asked!.song),
            ),
          ),
        );
        signal.throwIfAborted();
        onProgress(found.length / subjects.length);
      }
      return found;
    },
    enabled: subjects.length > 0 && asked !== undefined,
    ...IMMUTABLE,
  });
}

/** Which songs of a library are the same tune, by their places in the list. */
export function useSameTunes(sketches: readonly MelodySketch[], enabled: boolean) {
  return useQuery({
    ...computed(background, ['same-tunes', sketches], (compute) => compute.sameTunes(sketches)),
    enabled,
  });
}

/** A song in every key on an instrument, each with its tab. */
export function useSongTabs(
  subject: Subject | undefined,
  asked: SongSubject | undefined,
  plan: Pick<ArrangementPlan, 'preferences' | 'mode'>,
  notation: NotationOptions,
) {
  const { preferences, mode } = plan;
  return useQuery({
    ...computed(background, ['song-tabs', subject?.key, asked?.key, preferences, mode, notation], (compute) =>
      compute.songTabs(forWorker(subject), asked!.song, { preferences, ...(mode && { mode }) }, notation),
    ),
    enabled: subject !== undefined && asked !== undefined,
    ...keepPrevious,
  });
}

/** The tab of a song on other instruments of its family. */
export function useSameSongTabs(
  subject: Subject | undefined,
  asked: SongSubject | undefined,
  plan: ArrangementPlan,
  others: readonly Subject[],
) {
  const keys = others.map(({ key }) => key);
  return useQuery({
    ...computed(background, ['same-song-tab', subject?.key, asked?.key, plan, keys], (compute) =>
      compute.songSameTab(forWorker(subject), asked!.song, plan, others.map(forWorker)),
    ),
    enabled: subject !== undefined && asked !== undefined && others.length > 0,
  });
}
