import Button from '@mui/material/Button';
import { useState } from 'react';
import { counted } from '@same-song/core';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { tags } from '../../api/records.ts';
import { notify } from '../../frame/notice.ts';
import { tagsInUse, type TagInUse } from './tags.ts';
import type { ListedSong } from './useLibrary.ts';
import { useTagChanges } from './useTagChanges.ts';

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
    <section className="songs-import song-tags card" aria-label="Tags">
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

interface TagRowProps extends TagsProps {
  readonly tag: TagInUse;
  readonly recordId: string | undefined;
}

function TagRow({ tag, list, recordId, onTag }: TagRowProps) {
  const [isEditing, setIsEditing] = useState(false);
  const { change, takeOff } = useTagChanges(tag, list, recordId);
  if (isEditing)
    return (
      <li>
        <TagForm
          tag={tag}
          onLeave={() => setIsEditing(false)}
          onKeep={(wanted) => {
            setIsEditing(false);
            change(wanted);
          }}
        />
      </li>
    );
  return (
    <li>
      <LinkButton onClick={() => onTag(tag.name)}>{tag.name}</LinkButton> {counted(tag.songs, 'song')}
      {tag.about === '' ? '' : `: ${tag.about}`}{' '}
      <LinkButton label={`change ${tag.name}`} onClick={() => setIsEditing(true)}>
        change
      </LinkButton>{' '}
      <LinkButton label={`take off ${tag.name}`} onClick={takeOff}>
        take off
      </LinkButton>
    </li>
  );
}

interface TagFormProps {
  readonly tag: TagInUse;
  readonly onKeep: (wanted: { readonly name: string; readonly about: string }) => void;
  readonly onLeave: () => void;
}

function TagForm({ tag, onKeep, onLeave }: TagFormProps) {
  const [name, setName] = useState(tag.name);
  const [about, setAbout] = useState(tag.about);
  const save = () => {
    const wanted = { name: name.trim(), about: about.trim() };
    if (wanted.name === '') return notify('A tag needs a name.');
    if (wanted.name.includes(',')) return notify('A comma parts one tag from the next.');
    onKeep(wanted);
  };
  return (
    <form
      className="songs-tools row"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <label>
        Tag <input value={name} maxLength={40} autoFocus onChange={(event) => setName(event.target.value)} />
      </label>
      <label>
        means{' '}
        <input value={about} maxLength={200} size={40} onChange={(event) => setAbout(event.target.value)} />
      </label>
      <Button type="submit" variant="contained" size="small">
        Keep
      </Button>
      <Button size="small" onClick={onLeave}>
        Leave
      </Button>
    </form>
  );
}
