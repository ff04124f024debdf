import type { PlacedNote } from '../../scene/row/rowSize.ts';

/** What sounds with each note of the melody, under it. */
export function AddedRow({
  notes,
  added,
}: {
  readonly notes: readonly PlacedNote[];
  readonly added: ReadonlyMap<string, readonly string[]>;
}) {
  const most = Math.max(0, ...notes.map(({ note }) => added.get(note.id)?.length ?? 0));
  if (most === 0) return null;
  return (
    <div role="group" aria-label="Notes added" className="system-added" style={{ height: 22 * most + 6 }}>
      <span className="system-label">with it</span>
      {notes.map(({ note, x }) => (
        <span key={note.id} className="system-added-notes" style={{ left: x }}>
          {added.get(note.id)?.map((brief) => (
            <b key={brief}>{brief.replaceAll('\n', ' ')}</b>
          ))}
        </span>
      ))}
    </div>
  );
}
