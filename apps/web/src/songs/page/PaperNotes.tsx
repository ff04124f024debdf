import { barName, type SongView } from '@same-song/core/song';
import type { SongState } from './useSong.ts';

/** On paper only: what of the song is not played, so that nobody looks for it. */
export function PaperNotes({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  const { record, plan } = state;
  const left = plan.decisions.filter(({ kind }) => kind === 'leave').length;
  const moved = plan.decisions.length - left;
  const notes = [...new Map(view.missing.map((lacking) => [lacking.note, lacking])).values()];
  const told = [
    ...notes.map(({ note, reason }) => {
      const bars = view.missing.filter((lacking) => lacking.note === note).map(({ bar }) => bar);
      return `${note} in ${barsWords(bars)}: ${reason}`;
    }),
    ...(left > 0 ? [`${left === 1 ? 'One note is' : `${left} notes are`} left out already.`] : []),
    ...(moved > 0
      ? [`${moved === 1 ? 'One note is' : `${moved} notes are`} played otherwise than written.`]
      : []),
  ];
  if (!record || told.length === 0) return null;
  return (
    <section className="song-paper-notes" aria-label="To leave out">
      <h3>To leave out</h3>
      <ul>
        {told.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </section>
  );
}

/** `bar 3`, `bars 3, 7 and 12`. */
function barsWords(bars: readonly number[]): string {
  const each = [...new Set(bars)];
  const last = each.at(-1)!;
  return each.length === 1 ? barName(last) : `bars ${each.slice(0, -1).join(', ')} and ${last}`;
}
