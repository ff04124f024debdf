import { line as lineShape } from 'd3-shape';
import type { AirBalance, LineView, SideNames } from '@same-song/core';
import '../scene/noteChips.css';

/** Heights in CSS pixels. */
const CHIP = 30;
const AXIS = 42;
export const CHIPS = 2 * AXIS;
const BREATH = 16;
const CURVE = 30;

interface ChipRowProps {
  readonly chips: readonly Placed[];
  readonly width: number;
  readonly sides: SideNames;
  /** Whose chips they are, where there are two rows of them. */
  readonly called?: string;
  /** Notes after which to breathe or to turn the bellows, and how it is said. */
  readonly breaths?: ReadonlyMap<string, string>;
  /** Notes that are played again and again. */
  readonly looped?: ReadonlySet<string> | undefined;
  readonly marked: string | undefined;
  readonly sounding: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** A row of chips under the notes of a system: out above the axis, in below. */
export function ChipRow(props: ChipRowProps) {
  const { chips, width, sides, called, breaths, looped, marked, sounding, onSelect } = props;
  return (
    <div
      className="system-chips"
      style={{ height: CHIPS }}
      role="group"
      {...(called !== undefined && { 'aria-label': called })}
    >
      <span className="system-side" style={{ top: AXIS - 36 }}>
        {sides.above}
      </span>
      <span className="system-side" style={{ top: AXIS + 14 }}>
        {sides.below}
      </span>
      <Thread chips={chips} width={width} />
      {chips.map(({ note, x }, i) => (
        <Chip
          key={note.id}
          note={note}
          x={x}
          room={Math.min((chips[i + 1]?.x ?? Infinity) - x, x - (chips[i - 1]?.x ?? -Infinity))}
          looped={looped?.has(note.id) ?? false}
          selected={marked === note.id}
          sounding={sounding === note.id}
          onSelect={onSelect}
        />
      ))}
      {chips.map(({ note, x }, i) => {
        const breath = breaths?.get(note.id);
        if (breath === undefined) return null;
        const next = chips[i + 1]?.x ?? x + WIDEST + BREATH;
        return (
          <span key={note.id} className="system-breath" style={{ left: (x + next) / 2 }} title={breath}>
            <span className="unseen">{breath}</span>
            <svg width={BREATH} height={BREATH} viewBox="0 0 16 16" aria-hidden="true">
              <path d="M3 3 8 12 13 3" fill="none" stroke="var(--ink)" strokeWidth={2.5} />
            </svg>
          </span>
        );
      })}
    </div>
  );
}

/** What sounds with each note of the melody, under it. */
export function AddedRow({
  chips,
  added,
}: {
  readonly chips: readonly Placed[];
  readonly added: ReadonlyMap<string, readonly string[]>;
}) {
  const most = Math.max(0, ...chips.map(({ note }) => added.get(note.id)?.length ?? 0));
  if (most === 0) return null;
  return (
    <div className="system-added" style={{ height: 22 * most + 6 }}>
      <span className="system-side">with it</span>
      {chips.map(({ note, x }) => (
        <span key={note.id} className="system-added-notes" style={{ left: x }}>
          {added.get(note.id)?.map((brief) => (
            <b key={brief}>{brief.replaceAll('\n', ' ')}</b>
          ))}
        </span>
      ))}
    </div>
  );
}

export interface Placed {
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
  readonly looped: boolean;
  readonly selected: boolean;
  readonly sounding: boolean;
  readonly onSelect: (noteId: string) => void;
}

function Chip({ note, x, room, looped, selected, sounding, onSelect }: ChipProps) {
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
      className={`line-note system-note role-${note.role} side-${side}${sounding ? ' sounding' : ''}${looped ? ' looped' : ''}`}
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
export function Balance({
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
