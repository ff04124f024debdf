import { useMemo } from 'react';
import type { AirNames, SideNames, SongView } from '@same-song/core';
import { systemsOf } from './engrave.ts';
import { SystemView } from './SystemView.tsx';

interface SystemsProps {
  readonly view: SongView;
  readonly width: number;
  readonly sides: SideNames;
  readonly air: AirNames | undefined;
  readonly marked: string | undefined;
  readonly sounding: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** Room at the left for what the two sides of the axis are called, where the page is wide enough for it. */
const GUTTER = 70;
const WIDE = 560;
const LEAST = 240;

/** The whole song in systems. */
export function Systems({ view, width, sides, air, marked, sounding, onSelect }: SystemsProps) {
  const { song, line } = view;
  const gutter = width >= WIDE ? GUTTER : 0;
  const room = Math.max(LEAST, width - gutter);
  const systems = useMemo(() => systemsOf(song, room), [song, room]);
  const notes = useMemo(() => new Map(line.map((note) => [note.id, note])), [line]);
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
          marked={marked}
          sounding={sounding}
          onSelect={onSelect}
        />
      ))}
    </div>
  );
}
