import { counted } from '@same-song/core';
import { barNumbers, type SongChange, type SongView } from '@same-song/core/song';
import { LinkButton } from '../../controls/LinkButton.tsx';
import type { SongState } from './useSong.ts';

const ARROWS = { up: '↑', down: '↓' } as const;

/** Bars beside one another; a long song goes on below. */
const BARS_ACROSS = 12;

/** What is set on the instrument before the song and during it, as a list. */
export function SettingList({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  const { changes } = view;
  const { setting } = state.family;
  if (!setting || changes.length === 0) return null;
  const before = changes.filter(({ from }) => !from);
  const during = changes.filter(({ from }) => from);
  return (
    <section>
      <h2>{counted(during.length, `${setting} to flip`, `${setting}s to flip`)}</h2>
      {before.length > 0 && (
        <p>Before you begin: {before.map(({ row, to }) => `${row} ${to}`).join(', ')}.</p>
      )}
      <ul className="plain-list">
        {during.map(({ row, to, noteId, text }) => (
          <li key={noteId + row}>
            <LinkButton onClick={() => state.select(noteId)}>
              {row} {to}
            </LinkButton>{' '}
            {text}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The same as a sheet: a row for everything that is set, bars across, the time in which it can be done and when. */
export function SettingSheet({ state, view }: { readonly state: SongState; readonly view: SongView }) {
  const { changes, song } = view;
  const { setting } = state.family;
  if (!setting || changes.length === 0) return null;
  const rows = [...new Set(changes.map(({ row }) => row))];
  const bars = [...new Set(barNumbers(song))];
  const starts = Array.from({ length: Math.ceil(bars.length / BARS_ACROSS) }, (_, i) => i * BARS_ACROSS);
  return (
    <section className="setting-sheet" aria-label={`${setting} sheet`}>
      <h2>{setting[0]!.toUpperCase() + setting.slice(1)} sheet</h2>
      {starts.map((start) => (
        <table key={start}>
          <thead>
            <tr>
              <th scope="col">bar</th>
              {start === 0 && <th scope="col">before</th>}
              {bars.slice(start, start + BARS_ACROSS).map((bar) => (
                <th key={bar} scope="col">
                  {bar === 0 ? 'up' : bar}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const own = changes.filter((change) => change.row === row);
              return (
                <tr key={row}>
                  <th scope="row">{row}</th>
                  {start === 0 && <td>{own.map(({ from, to }) => (from ? '' : `${ARROWS[to]} ${to}`))}</td>}
                  {bars.slice(start, start + BARS_ACROSS).map((bar) => (
                    <SettingCell key={bar} bar={bar} changes={own} />
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      ))}
      <p className="soft small">
        Shaded: it can be done · arrow: the latest time at which the left hand is free, with its beat · heavy
        line: the note that needs it, with its beat · “!”: no beat to spare
      </p>
    </section>
  );
}

/** What happens to one string in one bar. */
function SettingCell({ bar, changes }: { readonly bar: number; readonly changes: readonly SongChange[] }) {
  const open = changes.some(({ from, at }) => from && from.bar <= bar && bar <= at.bar);
  const needed = changes.filter(({ from, at }) => from && at.bar === bar);
  const done = changes.filter(({ from, at, free }) => from && (free?.to.bar ?? at.bar) === bar);
  return (
    <td data-open={open || undefined} data-needed={needed.length > 0 || undefined}>
      {done.map(({ to, free, noteId }) => (
        <b key={noteId}>
          {ARROWS[to]}
          {free ? free.to.beat : '!'}
        </b>
      ))}
      {needed.map(({ at, noteId }) => (
        <small key={noteId}> {at.beat}</small>
      ))}
    </td>
  );
}
