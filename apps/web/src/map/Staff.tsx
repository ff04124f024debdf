import { counted } from '@same-song/core';
import { CLEFS, type ClefId, type Staff, type StaffNote } from '@same-song/core/music';
import type { LineView } from '@same-song/core/route';
import './staff.css';

/** One step from line to space, in CSS pixels. */
const STEP = 4;
/** Four spaces of the staff, as faces for music are drawn. */
const FACE = 8 * STEP;
/** How far below its mark a sign's baseline lies, in parts of the face's size. */
const DROP: Readonly<Record<ClefId | 'sign', number>> = {
  treble: 0.15,
  trebleUp: 0.15,
  trebleDown: 0.15,
  bass: 0.54,
  sign: 0.04,
};
const SIGNS: Readonly<Record<number, string>> = { [-2]: '𝄫', [-1]: '♭', 0: '♮', 1: '♯', 2: '𝄪' };
const CLEF_WIDTH = 27;
const SIGN_WIDTH = 8;
/** Places that a clef itself takes, an 8 above or below it included. */
const CLEF_REACH: Readonly<Record<ClefId, readonly [lowest: number, highest: number]>> = {
  treble: [-8, 8],
  trebleUp: [-8, 11],
  trebleDown: [-11, 8],
  bass: [-5, 5],
};
const STEM = 7;
const LINES = [-4, -2, 0, 2, 4];

/** A drawn staff: its height, and where a place lies in it. */
interface StaffMetrics {
  readonly height: number;
  y(place: number): number;
}

export function metricsOf({ clef, notes }: Staff): StaffMetrics {
  const reaches = notes.flatMap(({ place }) => [place - 2, place + 2, stemEnd(place)]);
  const lowest = Math.min(CLEF_REACH[clef][0], ...reaches);
  const highest = Math.max(CLEF_REACH[clef][1], ...reaches);
  return { height: (highest - lowest + 1) * STEP, y: (place) => (highest - place + 0.5) * STEP };
}

/** Clef and key signature, to stand before the notes. @param width in CSS pixels, over which the lines go */
export function StaffHead({ staff, width }: { staff: Staff; width: number }) {
  const ground = metricsOf(staff);
  const { signature } = staff;
  const each = Math.min(SIGN_WIDTH, (width - CLEF_WIDTH - 4) / Math.max(1, signature.length));
  return (
    <svg className="staff-head" width={width} height={ground.height} role="img" aria-label={headWords(staff)}>
      <HeadParts staff={staff} ground={ground} each={each} />
      <Lines ground={ground} width={width} />
    </svg>
  );
}

function headWords({ clef, signature }: Staff): string {
  const count = signature.length;
  const kind = signature[0]?.sign === 1 ? 'sharp' : 'flat';
  const signs = count === 0 ? 'no sharps or flats' : counted(count, kind);
  return `Staff: ${CLEFS[clef].label}, ${signs}`;
}

function HeadParts({ staff, ground, each }: { staff: Staff; ground: StaffMetrics; each: number }) {
  const { clef, signature } = staff;
  return (
    <>
      <text x={3} y={ground.y(CLEFS[clef].marks) + DROP[clef] * FACE} fontSize={FACE}>
        {CLEFS[clef].sign}
      </text>
      {signature.map(({ sign, place }, i) => (
        <Sign key={i} sign={sign} x={CLEF_WIDTH + i * each} y={ground.y(place)} />
      ))}
    </>
  );
}

interface StaffNotesProps {
  readonly line: readonly LineView[];
  readonly staff: Staff;
  /** Width of a note in CSS pixels. */
  readonly column: number;
  /** Id of a note. */
  readonly marked: string | undefined;
  readonly onSelect: (noteId: string) => void;
}

/** The notes of a staff, each in the middle of its column. Said by the line below it, so unseen by readers of the screen. */
export function StaffNotes({ line, staff, column, marked, onSelect }: StaffNotesProps) {
  const ground = metricsOf(staff);
  const width = column * staff.notes.length;
  const at = line.find((note) => note.id === marked)?.index;
  return (
    <svg className="staff-notes" width={width} height={ground.height} aria-hidden="true">
      {at !== undefined && (
        <rect className="staff-marked" x={at * column} width={column} height={ground.height} rx={6} />
      )}
      <Lines ground={ground} width={width} />
      {staff.notes.map((note, i) => (
        <g key={i} onClick={() => onSelect(line[i]!.id)}>
          <rect x={i * column} width={column} height={ground.height} fill="transparent" />
          <NoteHead note={note} x={(i + 0.5) * column} ground={ground} />
        </g>
      ))}
    </svg>
  );
}

/** Notes of one system on paper: the first of which two are enough, else the last. */
const SYSTEMS = [16, 24, 32];
const PAPER_COLUMN = 42;
const PAPER_HEAD = CLEF_WIDTH + 7 * SIGN_WIDTH + 6;
const WORDS = 16;

/** The whole staff in systems of equal length, with a word under every note. */
export function StaffSystems({ staff, words }: { staff: Staff; words: readonly string[] }) {
  const ground = metricsOf(staff);
  const count = staff.notes.length;
  const size = Math.min(count, SYSTEMS.find((each) => count <= 2 * each) ?? SYSTEMS.at(-1)!);
  const starts = staff.notes.flatMap((_, i) => (i % size === 0 ? [i] : []));
  const head = CLEF_WIDTH + staff.signature.length * SIGN_WIDTH + 6;
  const width = PAPER_HEAD + size * PAPER_COLUMN;
  return starts.map((start) => {
    const notes = staff.notes.slice(start, start + size);
    const room = (width - head) / size;
    return (
      <svg
        key={start}
        className="staff-system"
        viewBox={`0 0 ${width} ${ground.height + WORDS}`}
        style={{ maxWidth: width }}
      >
        <Lines ground={ground} width={head + notes.length * room} />
        <HeadParts staff={staff} ground={ground} each={SIGN_WIDTH} />
        {notes.map((note, i) => (
          <g key={i}>
            <NoteHead note={note} x={head + (i + 0.5) * room} ground={ground} />
            <text className="staff-word" x={head + (i + 0.5) * room} y={ground.height + WORDS - 4}>
              {words[start + i]}
            </text>
          </g>
        ))}
      </svg>
    );
  });
}

function Lines({ ground, width }: { ground: StaffMetrics; width: number }) {
  return <path className="staff-line" d={LINES.map((l) => `M-4 ${ground.y(l)}H${width}`).join('')} />;
}

/** Stems go down from the middle line upwards, and reach it from ledger lines. */
function stemEnd(place: number): number {
  return place >= 0 ? Math.min(0, place - STEM) : Math.max(0, place + STEM);
}

function NoteHead({ note, x, ground }: { note: StaffNote; x: number; ground: StaffMetrics }) {
  const y = ground.y(note.place);
  const side = note.place >= 0 ? -1 : 1;
  return (
    <>
      <path className="staff-line" d={note.ledgers.map((l) => `M${x - 9} ${ground.y(l)}h18`).join('')} />
      <ellipse cx={x} cy={y} rx={5.2} ry={3.7} transform={`rotate(-20 ${x} ${y})`} />
      <path className="staff-stem" d={`M${x + side * 4.7} ${y}V${ground.y(stemEnd(note.place))}`} />
      {note.sign !== undefined && <Sign sign={note.sign} x={x - 17} y={y} />}
    </>
  );
}

/** @param y of the place it stands for */
function Sign({ sign, x, y }: { sign: number; x: number; y: number }) {
  return (
    <text x={x} y={y + DROP.sign * FACE} fontSize={FACE}>
      {SIGNS[sign]}
    </text>
  );
}
