import { counted } from '@same-song/core';
import type { Kept, SavedTag, Write } from '@same-song/core/records';
import { contentsOf, songOf, songs, tags, type SongRecord } from '../../api/records.ts';
import { notify } from '../../frame/notice.ts';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import { renamed, type TagInUse } from './tags.ts';
import type { ListedSong } from './useLibrary.ts';

/** Calls a tag otherwise, says what it means, or takes it off, in all songs of a list at once. */
export function useTagChanges(tag: TagInUse, list: readonly ListedSong[], recordId: string | undefined) {
  const ofSongs = useRecordActions(songs);
  const ofTags = useRecordActions(tags);
  const { data: record } = tags.useOne(recordId);
  /** @param to undefined to take it off @param beside what becomes of the tag's own record, in the same step */
  const renameInAll = async (to: string | undefined, label: string, beside: readonly Write[]) => {
    const bearing = list.filter(({ tags: own = [] }) => own.includes(tag.name));
    const whole = await contentsOf<SongRecord>('songs', bearing);
    const made = whole.map((song) => ({
      record: song,
      after: { ...songOf(song), tags: renamed(song.tags, tag.name, to) },
    }));
    await ofSongs.changeAll(made, { label, notice: `${counted(made.length, 'song')} changed.` }, beside);
  };
  const attempt = (work: Promise<unknown>) =>
    void work.catch((error: Error) => notify(error.message, { kind: 'error' }));
  return {
    change: (wanted: SavedTag) => {
      if (wanted.name !== tag.name && tag.songs > 0)
        attempt(renameInAll(wanted.name, `calling ${tag.name} ${wanted.name}`, meaningOf(wanted, record)));
      else if (record)
        ofTags.change(record, {
          after: wanted,
          label: `changing the tag ${tag.name}`,
          notice: `${wanted.name} is changed.`,
        });
      else if (wanted.about !== '')
        ofTags.keep(wanted, {
          label: () => `keeping the tag ${wanted.name}`,
          notice: () => `${wanted.name} is kept.`,
        });
    },
    takeOff: () => {
      const beside = record
        ? [{ op: 'bin', kind: 'tags', id: record.id, version: record.version } as const]
        : [];
      if (tag.songs > 0)
        attempt(renameInAll(undefined, `taking ${tag.name} off ${counted(tag.songs, 'song')}`, beside));
      else if (record) ofTags.moveToBin(record);
    },
  };
}

/** What is written of a tag that is called otherwise: its record changes with it, or one is kept where it means something. */
function meaningOf(wanted: SavedTag, record: Kept | null | undefined): readonly Write[] {
  if (record)
    return [{ op: 'update', kind: 'tags', id: record.id, version: record.version, content: wanted }];
  return wanted.about === '' ? [] : [{ op: 'create', kind: 'tags', content: wanted }];
}
