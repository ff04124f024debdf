import Button from '@mui/material/Button';
import { useState } from 'react';
import { counted } from '@same-song/core';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { contentsOf, songOf, songs, tags, type SongRecord } from '../../api/records.ts';
import { notify } from '../../frame/notice.ts';
import { useKeeping } from '../../frame/useKeeping.ts';
import { renamed, tagsInUse, type TagInUse } from './tags.ts';
import type { ListedSong } from './useLibrary.ts';

interface TagsProps {
  readonly list: readonly ListedSong[];
  /** Shows the songs of a tag. */
  readonly onTag: (name: string) => void;
}

/** Every tag: what it means, how many songs bear it, and calling it otherwise in all of them at once. */
export function Tags({ list, onTag }: TagsProps) {
  const { data: kept = [] } = tags.useTitles('kept');
  const all = tagsInUse(list, kept);
  return (
    <section className="songs-import song-tags" aria-label="Tags">
      {all.length === 0 && <p>No song has a tag yet. They are written under the sentence of each song.</p>}
      <ul className="plain-list">
        {all.map((tag) => (
          <TagRow
            key={`${tag.name} ${tag.about}`}
            tag={tag}
            list={list}
            recordId={kept.find(({ title }) => title === tag.name)?.id}
            onTag={onTag}
          />
        ))}
      </ul>
    </section>
  );
}

function TagRow({
  tag,
  list,
  recordId,
  onTag,
}: {
  readonly tag: TagInUse;
  readonly list: readonly ListedSong[];
  readonly recordId: string | undefined;
  readonly onTag: (name: string) => void;
}) {
  const [editing, setEditing] = useState(false);
  const [name, setName] = useState(tag.name);
  const [about, setAbout] = useState(tag.about);
  const ofSongs = useKeeping(songs);
  const ofTags = useKeeping(tags);
  const { data: record } = tags.useOne(recordId);
  const inAll = async (to: string | undefined, label: string) => {
    const bearing = list.filter(({ tags: own = [] }) => own.includes(tag.name));
    const whole = await contentsOf<SongRecord>('songs', bearing);
    const made = whole.map((song) => {
      return { record: song, after: { ...songOf(song), tags: renamed(song.tags, tag.name, to) } };
    });
    await ofSongs.changeAll(made, { label, notice: `${counted(made.length, 'song')} changed.` });
  };
  const save = async () => {
    const wanted = { name: name.trim(), about: about.trim() };
    if (wanted.name === '') return notify('A tag needs a name.');
    if (wanted.name.includes(',')) return notify('A comma parts one tag from the next.');
    setEditing(false);
    if (record)
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
    if (wanted.name !== tag.name && tag.songs > 0)
      await inAll(wanted.name, `calling ${tag.name} ${wanted.name}`);
  };
  const away = async () => {
    if (record) ofTags.putAway(record);
    if (tag.songs > 0) await inAll(undefined, `taking ${tag.name} off ${counted(tag.songs, 'song')}`);
  };
  const told = (doing: Promise<unknown>) =>
    void doing.catch((error: Error) => notify(error.message, { kind: 'error' }));
  if (editing)
    return (
      <li>
        <form
          className="songs-tools"
          onSubmit={(event) => {
            event.preventDefault();
            told(save());
          }}
        >
          <label>
            Tag{' '}
            <input value={name} maxLength={40} autoFocus onChange={(event) => setName(event.target.value)} />
          </label>
          <label>
            means{' '}
            <input
              value={about}
              maxLength={200}
              size={40}
              onChange={(event) => setAbout(event.target.value)}
            />
          </label>
          <Button type="submit" variant="contained" size="small">
            Keep
          </Button>
          <Button size="small" onClick={() => setEditing(false)}>
            Leave
          </Button>
        </form>
      </li>
    );
  return (
    <li>
      <LinkButton onClick={() => onTag(tag.name)}>{tag.name}</LinkButton> {counted(tag.songs, 'song')}
      {tag.about === '' ? '' : `: ${tag.about}`}{' '}
      <LinkButton label={`change ${tag.name}`} onClick={() => setEditing(true)}>
        change
      </LinkButton>{' '}
      <LinkButton label={`take off ${tag.name}`} onClick={() => told(away())}>
        take off
      </LinkButton>
    </li>
  );
}
