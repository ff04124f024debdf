import type { SongView } from '@same-song/core/song';
import type { PlacedNote } from '../../scene/row/rowSize.ts';
import { columnRoom } from './addedRoom.ts';

type AddedNotes = SongView['added']['notes'];

/** What sounds together with the melody or between its notes, where it begins. */
interface Column {
  readonly start: number;
  readonly x: number;
  readonly room: number;
  /** Lowest first. */
  readonly briefs: readonly string[];
}

/** What sounds with the melody, under the place in it at which it begins. @param width up to where its last note sounds */
export function AddedRow({
  notes,
  added,
  width,
}: {
  readonly notes: readonly PlacedNote[];
  readonly added: ReadonlyMap<string, AddedNotes>;
  readonly width: number;
}) {
  const columns = columnsOf(notes, added, width);
  const most = Math.max(0, ...columns.map(({ briefs }) => briefs.length));
  if (most === 0) return null;
  return (
    <div role="group" aria-label="Notes added" className="system-added" style={{ height: 22 * most + 6 }}>
      <span className="system-label">with it</span>
      {columns.map(({ start, x, briefs }) => (
        <span key={start} className="system-added-notes" style={{ left: x }}>
          {briefs.map((brief) => (
            <b key={brief}>{brief.replaceAll('\n', ' ')}</b>
          ))}
        </span>
      ))}
    </div>
  );
}

function columnsOf(
  notes: readonly PlacedNote[],
  added: ReadonlyMap<string, AddedNotes>,
  width: number,
): readonly Column[] {
  const columns: Column[] = [];
  notes.forEach(({ note, x }, i) => {
    const next = notes[i + 1];
    const [end, right] = next ? [next.note.start, next.x] : [note.start + note.beats, width];
    const here = added.get(note.id) ?? [];
    for (const start of [...new Set(here.map((one) => one.start))].sort((a, b) => a - b)) {
      const place = x + ((right - x) * (start - note.start)) / Math.max(end - note.start, note.beats);
      const together = here.filter((one) => one.start === start);
      const before = columns.at(-1);
      const least = before ? before.x + (before.room + columnRoom(together)) / 2 : -Infinity;
      columns.push({
        start,
        x: Math.max(place, least),
        room: columnRoom(together),
        briefs: together.map(({ brief }) => brief),
      });
    }
  });
  return columns;
}
