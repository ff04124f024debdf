import { counted } from '@same-song/core';
import type { LineView } from '@same-song/core/route';
import type { SongView } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import type { SongState } from './useSong.ts';

/** What sounds with a note, each to be left out. */
export function AddedHere({ state, view, note }: { state: SongState; view: SongView; note: LineView }) {
  const { adds } = state.plan;
  const here = view.added.notes.filter(({ under }) => under === note.id);
  if (!adds || here.length === 0) return null;
  return (
    <ul className="plain-list">
      {here.map(({ id, start, note: name, tab }) => (
        <li key={id}>
          {start > note.start ? 'then' : 'with'} {name}, {tab}{' '}
          <LinkButton onClick={() => state.add({ ...adds, without: [...adds.without, id] })}>
            leave it out
          </LinkButton>
        </li>
      ))}
    </ul>
  );
}

/** What is played with the melody, and what that costs. */
export function Accompaniment({ state, view }: { state: SongState; view: SongView }) {
  const { adds } = state.plan;
  if (!adds) return null;
  const { notes, price } = view.added;
  return (
    <section>
      <h2>With the melody</h2>
      <p className="verdict-plain">
        {notes.length === 0
          ? view.drones.length > 0
            ? `The drones sound with it: ${view.drones.join(', ')}.`
            : 'Nothing can be sounded with it here.'
          : `${counted(notes.length, 'note')} added. ${price.length > 0 ? price.slice(0, 5).join(', ') : 'It costs nothing more'}.`}
      </p>
      {adds.without.length > 0 && (
        <LinkButton onClick={() => state.add({ ...adds, without: [] })}>
          put back {counted(adds.without.length, 'note')} left out
        </LinkButton>
      )}
    </section>
  );
}
