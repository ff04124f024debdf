import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { AirNames, SideNames } from '@same-song/core/instruments';
import type { AirBalance, LineView } from '@same-song/core/route';
import type { Song, SongView } from '@same-song/core/song';
import { AirCurve } from '../../scene/row/AirCurve.tsx';
import { NoteRow } from '../../scene/row/NoteRow.tsx';
import { RowSides } from '../../scene/row/RowSides.tsx';
import { placedAt, SYSTEM_ROW } from '../../scene/row/rowSize.ts';
import { AddedRow } from './AddedRow.tsx';
import { drawSystem, engraverReady, isEngraverReady, systemKey, type DrawnSystem } from './engrave.ts';

/** The same song in another arrangement, its chips under those of the first. */
export interface SecondRow {
  readonly notes: ReadonlyMap<string, LineView>;
  readonly sides: SideNames;
  /** `the whistle, in D`. */
  readonly called: string;
}

interface SystemProps {
  readonly song: Song;
  readonly systems: readonly number[];
  readonly system: number;
  readonly width: number;
  /** Notes of the melody by id. */
  readonly notes: ReadonlyMap<string, LineView>;
  readonly sides: SideNames;
  readonly air: AirNames | undefined;
  readonly balance: AirBalance;
  /** Whose notes they are; said where another arrangement stands beside. */
  readonly called: string;
  readonly second: SecondRow | undefined;
  readonly breaths: ReadonlyMap<string, string>;
  /** What sounds with a note of the melody, lowest first. */
  readonly added: ReadonlyMap<string, SongView['added']['notes']>;
  readonly looped: ReadonlySet<string> | undefined;
  readonly marked: string | undefined;
  readonly sounding: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** What a system takes before it is drawn. */
const EXPECTED = 150 + 2 * SYSTEM_ROW.axis;
const CURVE_HEIGHT = 36;

/** Draws the staff of a system when it comes near the screen, anew when its line is another, and marks notes of it. */
function useEngraved({
  song,
  systems,
  system,
  width,
  marked,
  sounding,
}: Pick<SystemProps, 'song' | 'systems' | 'system' | 'width' | 'marked' | 'sounding'>) {
  const frame = useRef<HTMLDivElement>(null);
  const staff = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(system < 3);
  const [drawn, setDrawn] = useState<DrawnSystem | undefined>(undefined);
  useEffect(() => {
    if (near) return undefined;
    const watch = new IntersectionObserver(([entry]) => entry!.isIntersecting && setNear(true), {
      rootMargin: '800px',
    });
    watch.observe(frame.current!);
    const all = () => flushSync(() => setNear(true));
    window.addEventListener('beforeprint', all);
    return () => {
      watch.disconnect();
      window.removeEventListener('beforeprint', all);
    };
  }, [near]);
  const key = useMemo(() => systemKey(song, systems, system), [song, systems, system]);
  const latest = useRef({ song, systems });
  latest.current = { song, systems };
  useLayoutEffect(() => {
    if (!near) return undefined;
    let gone = false;
    const draw = () => {
      const { song: now, systems: all } = latest.current;
      if (!gone && staff.current) setDrawn(drawSystem(staff.current, now, { systems: all, system, width }));
    };
    if (isEngraverReady()) draw();
    else void engraverReady().then(draw);
    return () => {
      gone = true;
    };
  }, [near, key, system, width]);
  useEffect(() => {
    if (marked !== undefined && drawn?.notes.some(({ id }) => id === marked))
      frame.current?.scrollIntoView({ block: 'nearest' });
  }, [marked, drawn]);
  useEffect(() => {
    for (const { id, mark } of drawn?.notes ?? []) {
      mark?.classList.toggle('is-sounding', id === sounding);
      mark?.classList.toggle('is-marked', id === marked);
    }
  }, [drawn, sounding, marked]);
  return { frame, staff, drawn };
}

/** One system: its staff, the chips under their notes, and the air. It is drawn when it comes near the screen. */
export const SystemView = memo(function SystemView(props: SystemProps) {
  const { width, notes, looped, marked, sounding } = props;
  const { sides, air, balance, called, breaths, added, second, onSelect } = props;
  const { frame, staff, drawn } = useEngraved(props);
  const placed = (line: ReadonlyMap<string, LineView>) =>
    placedAt(
      (drawn?.notes ?? []).flatMap(({ id, x }) => {
        const note = line.get(id);
        return note ? [{ note, x }] : [];
      }),
    );
  const melody = placed(notes);
  const row = { size: SYSTEM_ROW, width: drawn?.width ?? width, selected: marked, sounding, onSelect };
  return (
    <div
      className="system"
      role="group"
      aria-label="System"
      ref={frame}
      style={drawn ? undefined : { minHeight: EXPECTED }}
    >
      <div ref={staff} className="system-staff" role="img" aria-label="Staff" />
      {drawn && (
        <div className="system-row" style={{ width: drawn.width }}>
          <RowSides sides={sides} size={SYSTEM_ROW} />
          <NoteRow {...row} notes={melody} label={called} breaths={breaths} looped={looped} />
        </div>
      )}
      {drawn && added.size > 0 && <AddedRow notes={melody} added={added} width={drawn.width} />}
      {drawn && air && (
        <div className="system-row system-air">
          <p className="system-label">{air.store}</p>
          <AirCurve
            notes={melody}
            balance={balance}
            store={air.store}
            width={drawn.width}
            height={CURVE_HEIGHT}
          />
        </div>
      )}
      {drawn && second && (
        <>
          <p className="system-second small strong">{second.called}</p>
          <div className="system-row" style={{ width: drawn.width }}>
            <RowSides sides={second.sides} size={SYSTEM_ROW} />
            <NoteRow {...row} notes={placed(second.notes)} label={second.called} />
          </div>
        </>
      )}
    </div>
  );
});
