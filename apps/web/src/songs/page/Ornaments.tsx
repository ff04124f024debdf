import { useState } from 'react';
import { Loading } from '../../controls/Loading.tsx';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { useSongFigures } from '../../compute/computeSongs.ts';
import { dialectOf } from '../../api/settings.ts';
import type { SongState } from './useSong.ts';

/** What lies well at a note, to be put in before it and taken out again. */
export function Ornaments({ state, noteId }: { readonly state: SongState; readonly noteId: string }) {
  const own = state.plan.figures?.find((figure) => figure.noteId === noteId);
  const [open, setOpen] = useState(own !== undefined);
  return (
    <details
      className="note-edits ornaments"
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary>Ornaments that lie well</summary>
      {open && <Offers state={state} noteId={noteId} />}
    </details>
  );
}

function Offers({ state, noteId }: { readonly state: SongState; readonly noteId: string }) {
  const { chosen, asked, plan, settings, family, change } = state;
  const notation = { naming: settings.naming, dialect: dialectOf(settings, family) };
  const { data: offers } = useSongFigures(chosen, asked, plan, noteId, notation);
  const { figures = [] } = plan;
  const own = figures.find((figure) => figure.noteId === noteId);
  const others = figures.filter((figure) => figure !== own);
  if (!offers) return <Loading>Looking along the instrument…</Loading>;
  if (offers.length === 0) return <p className="verdict-plain">Nothing lies well here.</p>;
  return (
    <ul className="plain-list">
      {offers.map(({ figure, words, tab, price }) => {
        const isIn = own?.wayIds.join() === figure.wayIds.join();
        return (
          <li key={words}>
            <LinkButton
              pressed={isIn}
              onClick={() =>
                change(isIn ? 'taking an ornament out' : 'an ornament', {
                  figures: isIn ? others : [...others, figure],
                })
              }
            >
              {words}
            </LinkButton>{' '}
            {isIn ? 'is in: press again to take it out' : [tab, ...price.slice(0, 2)].join(' · ')}
          </li>
        );
      })}
    </ul>
  );
}
