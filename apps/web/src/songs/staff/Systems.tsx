import { useMemo } from 'react';
import type { AirNames, SideNames } from '@same-song/core/instruments';
import { noteText } from '@same-song/core/music';
import type { SongView } from '@same-song/core/song';
import { systemsOf } from './engrave.ts';
import { SystemView, type SecondRow } from './SystemView.tsx';

interface SystemsProps {
  readonly view: SongView;
  readonly width: number;
  readonly sides: SideNames;
  readonly air: AirNames | undefined;
  /** Whose notes they are. */
  readonly called: string;
  readonly second: Beside | undefined;
  readonly loop: { readonly from: string; readonly to: string } | undefined;
  readonly marked: string | undefined;
  readonly sounding: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** What stands beside: an instrument, and the song on it. */
interface Beside {
  readonly name: string;
  readonly family: { readonly sides: SideNames };
  readonly view: SongView;
}

/** `the whistle, in D`. */
export function labelOf(name: string, { song }: SongView): string {
  return `${name}, in ${noteText(song.keys[0]!.tonic)}`;
}

/** Room at the left for what the two sides of the axis are called, where the page is wide enough for it. */
const GUTTER = 70;
const WIDE = 560;
const LEAST = 240;

/** The whole song in systems. */
export function Systems(props: SystemsProps) {
  const { view, width, sides, air, called, second, loop, marked, sounding, onSelect } = props;
  const { song, line } = view;
  const gutter = width >= WIDE ? GUTTER : 0;
  const room = Math.max(LEAST, width - gutter);
  const systems = useMemo(() => systemsOf(song, room, view.added.notes), [song, room, view.added]);
  const notes = useMemo(() => byId(line), [line]);
  const secondNotes = useMemo(() => second && byId(second.view.line), [second]);
  const secondRow = useMemo(
    (): SecondRow | undefined =>
      second &&
      secondNotes && {
        notes: secondNotes,
        sides: second.family.sides,
        called: labelOf(second.name, second.view),
      },
    [second, secondNotes],
  );
  const breaths = useMemo(
    () => new Map(view.breaths.map(({ after, what }) => [after, what])),
    [view.breaths],
  );
  const added = useMemo(() => {
    const under = new Map<string, SongView['added']['notes'][number][]>();
    for (const note of view.added.notes) under.set(note.under, [...(under.get(note.under) ?? []), note]);
    return under;
  }, [view.added]);
  const looped = useMemo(() => loop && between(line, loop), [line, loop]);
  return (
    <div className={gutter > 0 ? 'systems' : 'systems narrow'}>
      {systems.map((_, system) => (
        <SystemView
          key={system}
          song={song}
          systems={systems}
          system={system}
          width={room}
          notes={notes}
          sides={sides}
          air={air}
          balance={view.air}
          called={called}
          second={secondRow}
          breaths={breaths}
          added={added}
          looped={looped}
          marked={marked}
          sounding={sounding}
          onSelect={onSelect}
        />
      ))}
    </div>
  );
}

function between(
  line: SongView['line'],
  { from, to }: { readonly from: string; readonly to: string },
): ReadonlySet<string> {
  const at = [from, to].map((id) => line.findIndex((note) => note.id === id));
  return new Set(line.slice(Math.min(...at), Math.max(...at) + 1).map(({ id }) => id));
}

function byId(line: SongView['line']): ReadonlyMap<string, SongView['line'][number]> {
  return new Map(line.map((note) => [note.id, note]));
}
