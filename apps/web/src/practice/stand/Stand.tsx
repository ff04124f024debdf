import { useMemo } from 'react';
import { NoteRow } from '../../scene/row/NoteRow.tsx';
import { RowSides } from '../../scene/row/RowSides.tsx';
import { STAND_ROW, type PlacedNote } from '../../scene/row/rowSize.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { ResultMark } from './ResultMark.tsx';
import type { HeardRound } from '../round/heardRound.ts';
import { standRows, type Playable } from './playable.ts';
import { useWide } from './useWide.ts';

interface StandProps {
  readonly playable: Playable;
  /** Place of the note that sounds; the first is next where none does. */
  readonly at: number | undefined;
  /** For a pupil who sits opposite. */
  readonly mirror: boolean;
  /** How notes went, by their place, once they were followed. */
  readonly results?: HeardRound['results'] | undefined;
  readonly onNote: (place: number) => void;
}

const NONE: ReadonlySet<string> = new Set();

/** What is read while playing: the instrument with what sounds and what comes next, the row that is played and the one after it. */
export function Stand({ playable, at, mirror, results, onNote }: StandProps) {
  const { line, notes, scene, names } = playable;
  const wide = useWide();
  const rows = useMemo(() => standRows(notes, wide ? 8 : 6), [notes, wide]);
  const found = rows.findIndex((row) => at !== undefined && row.includes(at));
  // After a round what went wrong first is looked at.
  const wrong = rows.findIndex((one) =>
    one.some((place) => (results?.get(String(place)) ?? 'hit') !== 'hit'),
  );
  const row = found >= 0 ? found : at === undefined ? Math.max(0, wrong) : 0;
  const wayAt = (place: number | undefined) =>
    place === undefined ? undefined : line.get(notes[place]?.noteId ?? '')?.wayId;
  const now = wayAt(at);
  const next = wayAt(at === undefined ? 0 : at + 1);
  const related = useMemo(() => (next === undefined ? NONE : new Set([next])), [next]);
  const used = useMemo(
    () => new Set([...line.values()].flatMap(({ wayId }) => (wayId === undefined ? [] : [wayId]))),
    [line],
  );
  const shared = { playable, results, onNote, width: wide ? WIDTH.wide : WIDTH.narrow };
  return (
    <div className="stand">
      <div className={mirror ? 'stand-drawing mirrored' : 'stand-drawing'}>
        <SceneView
          scene={scene}
          label={`${playable.facts[0] ?? ''}: what sounds and what comes next`}
          names={names}
          selected={now}
          related={related}
          used={used}
        />
      </div>
      <StandRow {...shared} row={rows[row] ?? []} at={at} label="Notes that are played" />
      {rows.length > 1 && (
        <div className="stand-then">
          <p>then</p>
          <StandRow
            {...shared}
            row={rows[(row + 1) % rows.length]!}
            at={undefined}
            label="Notes that come then"
          />
        </div>
      )}
    </div>
  );
}

/** Widths in CSS pixels for which a row is laid out; it stretches to the width that there is. */
const WIDTH = { wide: 1080, narrow: 640 };

interface StandRowProps extends Pick<StandProps, 'playable' | 'at' | 'results' | 'onNote'> {
  /** Places of the notes of the row. */
  readonly row: readonly number[];
  readonly width: number;
  readonly label: string;
}

/** Notes in whole bars; a longer note takes more of the row. */
function StandRow({ playable, row, at, width, label, results, onNote }: StandRowProps) {
  const { notes, bars } = useMemo(() => laidOut(playable, row, width), [playable, row, width]);
  const { sides } = playable.family;
  return (
    <div className="stand-row">
      <RowSides sides={sides} size={STAND_ROW} />
      <NoteRow
        notes={notes}
        bars={bars}
        width={width}
        size={STAND_ROW}
        label={label}
        selected={undefined}
        sounding={at === undefined ? undefined : String(at)}
        extra={(key) => {
          const result = results?.get(key);
          return result && <ResultMark result={result} />;
        }}
        onSelect={(key) => onNote(Number(key))}
      />
    </div>
  );
}

/** Part of a row that is shared out evenly; the rest goes by the time from note to note. */
const EVEN_SHARE = 0.6;

function laidOut({ line, notes }: Playable, row: readonly number[], width: number) {
  const found = row.flatMap((place) => {
    const { noteId, at, seconds, bar } = notes[place]!;
    const note = line.get(noteId);
    return note ? [{ place, note, bar, length: (notes[place + 1]?.at ?? at + seconds) - at }] : [];
  });
  const whole = found.reduce((sum, { length }) => sum + length, 0);
  const bars: number[] = [];
  let left = 0;
  const placed = found.map(({ place, note, bar, length }, i): PlacedNote => {
    const room = width * (EVEN_SHARE / found.length + (1 - EVEN_SHARE) * (length / whole));
    if (i > 0 && found[i - 1]!.bar !== bar) bars.push(left);
    left += room;
    return { key: String(place), note, x: left - room / 2, room };
  });
  return { notes: placed, bars };
}
