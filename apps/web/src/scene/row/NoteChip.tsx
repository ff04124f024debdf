import type { ReactNode } from 'react';
import { noteWords } from './noteWords.ts';
import { chipTop, textTop, type PlacedNote, type RowSize } from './rowSize.ts';

interface NoteChipProps {
  readonly placed: PlacedNote;
  /** Width of the row in CSS pixels. */
  readonly width: number;
  readonly size: RowSize;
  /** How it is played, in words. */
  readonly how: string | undefined;
  /** What to do after it with the breath or the bellows. */
  readonly breath: string | undefined;
  readonly selected: boolean;
  readonly sounding: boolean;
  readonly related: boolean;
  readonly looped: boolean;
  /** What stands beyond its degree. */
  readonly extra: ReactNode;
  readonly onSelect: (key: string) => void;
}

/** From this room on the name of the note stands beside its degree. */
const ROOM_FOR_NAMES = 62;

/** One note of a row: the shape tells its role, the place above or below the axis the air or the hand. */
export function NoteChip({ placed, width, size, how, breath, extra, onSelect, ...state }: NoteChipProps) {
  const { key, note, x, room } = placed;
  const name = noteWords(note, how, [breath, state.looped ? 'again and again' : undefined]);
  const chipWidth = Math.max(size.narrowest, Math.min(size.widest, room - size.margin));
  const held = Math.max(chipWidth, Math.min(room, size.widest + size.margin));
  const top = chipTop(size, note);
  const looks = [
    'row-note',
    `role-${note.role}`,
    `side-${note.missing ? 'missing' : note.side}`,
    state.related && 'related',
    state.looped && 'looped',
    state.sounding && 'sounding',
  ];
  return (
    <div
      role="option"
      tabIndex={-1}
      aria-selected={state.selected}
      aria-current={state.sounding || undefined}
      title={name}
      data-key={key}
      className={looks.filter((one) => one).join(' ')}
      style={{ left: `${(100 * (x - held / 2)) / width}%`, width: `${(100 * held) / width}%` }}
      onClick={() => onSelect(key)}
    >
      <span className="unseen">{name}</span>
      <span
        aria-hidden="true"
        className={`row-chip${letters(note.brief ?? '', chipWidth, size)}`}
        style={{ top, height: size.chip, width: `${(100 * chipWidth) / held}%` }}
      >
        {note.brief ?? '—'}
        {note.fingering && <span className="row-finger">{note.fingering.short}</span>}
        {note.pinned && <span className="row-pin" />}
      </span>
      <span aria-hidden="true" className="row-degree" style={{ top: textTop(size, note) }}>
        <b>{note.degree}</b>
        {size.name === 'line' && room >= ROOM_FOR_NAMES && ` ${note.bareNote}`}
      </span>
      {size.name === 'line' && note.mark && (
        <span aria-hidden="true" className={`row-mark mark-${note.side}`}>
          {note.mark}
        </span>
      )}
      {extra !== undefined && (
        <span className="row-extra" style={{ top: textTop(size, note, 1) }}>
          {extra}
        </span>
      )}
    </div>
  );
}

/** Class of a tab that would not fit its chip as it is. */
function letters(brief: string, width: number, { letter }: RowSize): string {
  if (brief.includes('\n')) return ' two-lines';
  return brief.length * letter > width + letter / 2 ? ' tight' : '';
}
