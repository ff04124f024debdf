import { SceneView } from '../../scene/SceneView.tsx';
import type { Playable } from './playable.ts';

const NONE: ReadonlySet<string> = new Set();

/** One note at a time, told as a teacher tells it: what to do, large, with the next one small beside it. */
export function NoteCards({ playable, at }: { readonly playable: Playable; readonly at: number }) {
  const { notes, line, words, scene, names } = playable;
  const tell = (place: number) => {
    const note = line.get(notes[place]?.noteId ?? '');
    if (!note) return undefined;
    const how =
      note.wayId === undefined ? `leave it out: ${note.missing ?? ''}` : (words.get(note.wayId) ?? note.tab);
    return { note, how: [how, note.fingering?.words, note.mark].filter((text) => text).join(', ') };
  };
  const now = tell(at);
  const next = tell(at + 1);
  if (!now) return null;
  const nextWay = next?.note.wayId;
  return (
    <>
      <div className="note-cards" aria-live="polite">
        <div className={`note-card role-${now.note.role}`} role="group" aria-label="This note">
          <p className="note-card-place">
            {at + 1} of {notes.length}
          </p>
          <p className="note-card-how">{now.how}</p>
          <p className="note-card-note">
            {now.note.note} · degree {now.note.degree}
          </p>
        </div>
        <div className="note-card-next large">
          {next ? (
            <>
              <p>then</p>
              <p className="note-card-how">{next.how}</p>
              <p>
                {next.note.note} · degree {next.note.degree}
              </p>
            </>
          ) : (
            <p>That is the last one.</p>
          )}
        </div>
      </div>
      <div className="stand-drawing">
        <SceneView
          scene={scene}
          label="Where it lies, and the next note"
          names={names}
          selected={now.note.wayId}
          related={nextWay === undefined ? NONE : new Set([nextWay])}
        />
      </div>
    </>
  );
}
