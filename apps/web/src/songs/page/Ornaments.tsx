import { useState } from 'react';
import { counted } from '@same-song/core';
import type { SongView } from '@same-song/core/song';
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
  const isLost = own !== undefined && offers.every(({ figure }) => figure.figure !== own.figure);
  const takeOut = () => change('taking an ornament out', { figures: others });
  if (offers.length === 0 && !isLost) return <p className="verdict-plain">Nothing lies well here.</p>;
  return (
    <ul className="plain-list">
      {isLost && (
        <li>
          What was put in does not lie here any more: <LinkButton onClick={takeOut}>take it out</LinkButton>
        </li>
      )}
      {offers.map(({ figure, words, tab, price }) => {
        const isIn = own?.figure === figure.figure;
        return (
          <li key={figure.figure}>
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
            {isIn
              ? 'is in: press again to take it out'
              : [tab, ...price.slice(0, 2)].filter((text) => text !== '').join(' · ')}
          </li>
        );
      })}
    </ul>
  );
}

/** Ornaments of the whole tune: as players of its dance put them in, and all taken out again. */
export function OrnamentsOfDance({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  const { plan, change } = state;
  const { figures = [] } = plan;
  const own = new Set(figures.map(({ noteId }) => noteId));
  const more = view.dance.filter(({ noteId }) => !own.has(noteId));
  if (figures.length === 0 && more.length === 0) return null;
  return (
    <section aria-label="Ornaments">
      <h2>Ornaments</h2>
      {figures.length > 0 && (
        <p className="verdict-plain">
          {counted(figures.length, 'note')} with one ·{' '}
          <LinkButton onClick={() => change('taking all ornaments out', { figures: [] })}>
            take them all out
          </LinkButton>
        </p>
      )}
      {more.length > 0 && (
        <p className="verdict-plain">
          <LinkButton onClick={() => change('the ornaments of a dance', { figures: [...figures, ...more] })}>
            put in {counted(more.length, 'ornament')}
          </LinkButton>{' '}
          as a dance of this metre has them
        </p>
      )}
    </section>
  );
}
