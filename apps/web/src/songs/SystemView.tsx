import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { AirBalance, AirNames, LineView, SideNames, Song } from '@same-song/core';
import { drawSystem, engraverReady, isEngraverReady, systemKey, type DrawnSystem } from './engrave.ts';
import { AddedRow, Balance, ChipRow, CHIPS, type Placed } from './SystemChips.tsx';

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
  readonly added: ReadonlyMap<string, readonly string[]>;
  readonly looped: ReadonlySet<string> | undefined;
  readonly marked: string | undefined;
  readonly sounding: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** What a system takes before it is drawn. */
const EXPECTED = 150;

/** One system: its staff, the chips under their notes, and the air. It is drawn when it comes near the screen. */
export const SystemView = memo(function SystemView(props: SystemProps) {
  const { song, systems, system, width, notes, looped, marked, sounding } = props;
  const { sides, air, balance, called, breaths, added, second, onSelect } = props;
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
  const placed = (of: ReadonlyMap<string, LineView>) =>
    (drawn?.notes ?? []).flatMap(({ id, x }): Placed[] => {
      const note = of.get(id);
      return note ? [{ note, x }] : [];
    });
  return (
    <div className="system" ref={frame} style={drawn ? undefined : { minHeight: EXPECTED + CHIPS }}>
      <div ref={staff} className="system-staff" />
      {drawn && (
        <ChipRow
          chips={placed(notes)}
          width={drawn.width}
          sides={sides}
          breaths={breaths}
          looped={looped}
          marked={marked}
          sounding={sounding}
          onSelect={onSelect}
          {...(second && { called })}
        />
      )}
      {drawn && added.size > 0 && <AddedRow chips={placed(notes)} added={added} />}
      {drawn && air && (
        <Balance chips={placed(notes)} balance={balance} width={drawn.width} store={air.store} />
      )}
      {drawn && second && (
        <>
          <p className="system-second">{second.called}</p>
          <ChipRow
            chips={placed(second.notes)}
            width={drawn.width}
            sides={second.sides}
            called={second.called}
            marked={marked}
            sounding={sounding}
            onSelect={onSelect}
          />
        </>
      )}
    </div>
  );
});
