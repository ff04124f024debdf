import { line as lineShape } from 'd3-shape';
import { memo, useEffect, useRef, useState } from 'react';
import type { AirBalance, AirNames, LineView, SideNames, Song } from '@same-song/core';
import { drawSystem, engraverReady, type DrawnSystem } from './engrave.ts';
import '../scene/noteChips.css';

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
  readonly marked: string | undefined;
  readonly sounding: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** Heights in CSS pixels. */
const CHIP = 30;
const AXIS = 42;
const CHIPS = 2 * AXIS;
const CURVE = 30;
/** What a system takes before it is drawn. */
const EXPECTED = 150;

/** One system: its staff, the chips under their notes, and the air. It is drawn when it comes near the screen. */
export const SystemView = memo(function SystemView(props: SystemProps) {
  const { song, systems, system, width, notes, marked, sounding, sides, air, balance, onSelect } = props;
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
    const all = () => setNear(true);
    window.addEventListener('beforeprint', all);
    return () => {
      watch.disconnect();
      window.removeEventListener('beforeprint', all);
    };
  }, [near]);
  useEffect(() => {
    if (!near) return undefined;
    let gone = false;
    void engraverReady().then(() => {
      if (!gone && staff.current) setDrawn(drawSystem(staff.current, song, { systems, system, width }));
    });
    return () => {
      gone = true;
    };
  }, [near, song, systems, system, width]);
  useEffect(() => {
    if (marked !== undefined && drawn?.notes.some(({ id }) => id === marked))
      frame.current?.scrollIntoView({ block: 'nearest' });
  }, [marked, drawn]);
  const chips = (drawn?.notes ?? []).flatMap(({ id, x }) => {
    const note = notes.get(id);
    return note ? [{ note, x }] : [];
  });
  return (
    <div className="system" ref={frame} style={drawn ? undefined : { minHeight: EXPECTED + CHIPS }}>
      <div ref={staff} className="system-staff" />
      {drawn && (
        <div className="system-chips" style={{ height: CHIPS }}>
          <span className="system-side" style={{ top: AXIS - 36 }}>
            {sides.above}
          </span>
          <span className="system-side" style={{ top: AXIS + 14 }}>
            {sides.below}
          </span>
          <Thread chips={chips} width={drawn.width} />
          {chips.map(({ note, x }, i) => (
            <Chip
              key={note.id}
              note={note}
              x={x}
              room={Math.min((chips[i + 1]?.x ?? Infinity) - x, x - (chips[i - 1]?.x ?? -Infinity))}
              selected={marked === note.id}
              sounding={sounding === note.id}
              onSelect={onSelect}
            />
          ))}
        </div>
      )}
      {drawn && air && <Balance chips={chips} balance={balance} width={drawn.width} store={air.store} />}
    </div>
  );
});

interface Placed {
  readonly note: LineView;
  readonly x: number;
}

function chipY({ side, missing }: LineView): number {
  if (side === 'level' || missing !== undefined) return AXIS - CHIP / 2;
  return side === 'above' ? AXIS - 8 - CHIP : AXIS + 8;
}

function Thread({ chips, width }: { readonly chips: readonly Placed[]; readonly width: number }) {
  const path = lineShape<Placed>()
    .defined(({ note }) => note.wayId !== undefined)
    .x(({ x }) => x)
    .y(({ note }) => chipY(note) + CHIP / 2);
  return (
    <svg className="line-thread" width={width} height={CHIPS} aria-hidden="true">
      <path d={`M0 ${AXIS}H${width}`} stroke="var(--ink)" strokeWidth={1.5} />
      <path d={path([...chips]) ?? ''} fill="none" stroke="var(--brass)" strokeWidth={2.5} />
    </svg>
  );
}

/** Chips stay as wide as their notes leave room for. */
const WIDEST = 46;
const NARROWEST = 22;

interface ChipProps extends Placed {
  readonly room: number;
  readonly selected: boolean;
  readonly sounding: boolean;
  readonly onSelect: (noteId: string) => void;
}

function Chip({ note, x, room, selected, sounding, onSelect }: ChipProps) {
  const width = Math.max(NARROWEST, Math.min(WIDEST, room - 4));
  const brief = note.brief ?? '—';
  const size = brief.includes('\n') ? ' two-lines' : brief.length * 11 > width - 6 ? ' tight' : '';
  const side = note.missing ? 'missing' : note.side;
  const how = note.tab ?? `not to be had, ${note.missing ?? ''}`;
  const name = [
    `${note.note}, degree ${note.degree}: ${how}`,
    note.fingering?.words,
    note.mark,
    note.pinned ? 'pinned' : '',
  ]
    .filter((text) => text)
    .join(', ');
  return (
    <button
      type="button"
      data-note={note.id}
      aria-pressed={selected}
      title={name}
      className={`line-note system-note role-${note.role} side-${side}${sounding ? ' sounding' : ''}`}
      style={{ left: x - width / 2, width }}
      onClick={() => onSelect(note.id)}
    >
      <span className="unseen">{name}</span>
      <span className={`line-note-tab${size}`} style={{ top: chipY(note), height: CHIP }} aria-hidden="true">
        {brief}
        {note.fingering && <span className="line-note-fingering">{note.fingering.short}</span>}
        {note.pinned && <span className="line-note-pin" />}
      </span>
      <span
        className="line-note-name"
        aria-hidden="true"
        style={{ top: note.side === 'below' ? AXIS - 24 : AXIS + 6 }}
      >
        {note.degree}
      </span>
    </button>
  );
}

/** What is drawn less what is blown, under the notes of a system. */
function Balance({
  chips,
  balance,
  width,
  store,
}: {
  readonly chips: readonly Placed[];
  readonly balance: AirBalance;
  readonly width: number;
  readonly store: string;
}) {
  const span = Math.max(3, balance.most, -balance.least);
  const y = (value: number) => 2 + ((span - value) / (2 * span)) * (CURVE - 4);
  const points = chips.map(({ note, x }) => {
    const point = balance.points.findLast(({ beat }) => beat <= note.start + note.beats + 1e-6);
    return { x, y: y(point?.balance ?? 0), help: balance.helps.includes(note.id) };
  });
  const path = lineShape<(typeof points)[number]>()
    .x((p) => p.x)
    .y((p) => p.y);
  return (
    <div className="system-air" style={{ height: CURVE }}>
      <span className="system-side" style={{ top: 8 }}>
        {store}
      </span>
      <svg width={width} height={CURVE} aria-hidden="true">
        <path d={`M0 ${y(0)}H${width}`} stroke="var(--rule)" strokeWidth={1.5} />
        <path d={path(points) ?? ''} fill="none" stroke="var(--air)" strokeWidth={2} />
        {points
          .filter(({ help }) => help)
          .map(({ x }) => (
            <g key={x}>
              <path d={`M${x - 14} 0V${CURVE}`} stroke="var(--home)" strokeWidth={2} strokeDasharray="4 3" />
              <text x={x - 10} y={CURVE - 4} fill="var(--home)" fontSize={12} fontWeight={700}>
                air
              </text>
            </g>
          ))}
      </svg>
    </div>
  );
}
