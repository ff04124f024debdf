import { useRef, useState } from 'react';
import { Link } from 'react-router';
import type { SongEdit } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import type { SongRecord } from '../../api/records.ts';
import { useSongEdits } from './songEdits.ts';
import { readTags } from '../library/tags.ts';

/** The tags of a song, each leading to the songs that bear it, and the line in which they are written. */
export function SongTags({ record }: { readonly record: SongRecord }) {
  const make = useSongEdits(record);
  const [typed, setTyped] = useState<string | undefined>(undefined);
  /** Leaving the line by Escape takes it away, which leaves it once more. */
  const isOpen = useRef(false);
  const save = () => {
    if (!isOpen.current) return;
    isOpen.current = false;
    setTyped(undefined);
    const tags = readTags(typed ?? '');
    const edits = [
      ...record.tags.flatMap((tag): SongEdit[] =>
        tags.includes(tag) ? [] : [{ kind: 'tag', tag, on: false }],
      ),
      ...tags.flatMap((tag): SongEdit[] =>
        record.tags.includes(tag) ? [] : [{ kind: 'tag', tag, on: true }],
      ),
    ];
    if (edits.length === 0) return;
    const notice = tags.length === 0 ? 'It has no tag now.' : `Its tags: ${tags.join(', ')}.`;
    make(edits, `the tags of ${record.title}`, notice);
  };
  if (typed !== undefined)
    return (
      <input
        className="song-tags-line"
        aria-label="Tags, apart by commas"
        value={typed}
        maxLength={400}
        autoFocus
        onChange={(event) => setTyped(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => {
          if (event.key === 'Enter') save();
          if (event.key !== 'Escape') return;
          isOpen.current = false;
          setTyped(undefined);
        }}
      />
    );
  return (
    <>
      {record.tags.map((tag) => (
        <span key={tag}>
          <Link className="link" to={`/songs?q=${encodeURIComponent(tag)}`}>
            {tag}
          </Link>
          {' · '}
        </span>
      ))}
      <LinkButton
        onClick={() => {
          isOpen.current = true;
          setTyped(record.tags.join(', '));
        }}
      >
        {record.tags.length === 0 ? 'give it a tag' : 'change its tags'}
      </LinkButton>
    </>
  );
}
