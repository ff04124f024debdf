import { scaleById, SCALE_GROUPS, SCALES } from '@same-song/core/music';
import { settingsBetween, type KeyCell, type KeyTable } from '@same-song/core/route';

/** Scales that a teacher asks for first. */
const USUAL = [
  'major',
  'natural-minor',
  'dorian',
  'mixolydian',
  'major-pentatonic',
  'minor-pentatonic',
  'blues-six',
  'harmonic-minor',
];

/** More columns than anybody reads. */
const MOST_SCALES = 80;

/** Sets of scales that a table can be asked for by one word, as the link holds it. */
export const SCALE_SETS: readonly {
  readonly id: string;
  readonly label: string;
  readonly ids: readonly string[];
}[] = Object.freeze([
  { id: '', label: 'usual scales', ids: USUAL },
  { id: 'all', label: 'all scales', ids: SCALES.filter((s) => s.group !== 'chords').map((s) => s.id) },
  ...Object.entries(SCALE_GROUPS).map(([group, label]) => ({
    id: `group-${group}`,
    label: label.toLowerCase(),
    ids: SCALES.filter((s) => s.group === group).map((s) => s.id),
  })),
]);

/**
 * Scales of the table's columns, each once.
 * @param asked a set's id, or scales one after another with commas; what is no scale is passed over
 * @param own the scale of the question, which is always there
 */
export function shownScales(asked: string, own: string): readonly string[] {
  const ids = SCALE_SETS.find((set) => set.id === asked)?.ids ?? asked.split(',');
  const known = ids.filter((id) => scaleById(id).ok).slice(0, MOST_SCALES);
  return [...new Set(known.includes(own) ? known : [own, ...known])];
}

export const EASIEST = 'ease';
export const FEWEST_SETTINGS = 'settings';

/**
 * Rows in the order asked for: fifths or semitones from the instrument's own key, the easiest in one scale first, or
 * those for which least must be set otherwise, such as levers, coming from the key asked.
 */
export function orderedRows(
  table: KeyTable,
  order: string,
  home: number,
  ownScale: string,
  asked: KeyCell | undefined,
): readonly (readonly KeyCell[])[] {
  const steps = Array.from({ length: 12 }, (_, i) => i);
  if (order === 'semitones') return steps.map((i) => table.rows[(home + i) % 12]!);
  const fifths = steps.map((i) => table.rows[(home + 7 * i) % 12]!);
  const [kind, scale = ownScale] = order.split('.');
  const sorted = (worth: (row: readonly KeyCell[]) => number) =>
    [...fifths].sort((a, b) => worth(a) - worth(b));
  const cellOf = (row: readonly KeyCell[]) => row.find((cell) => cell.scale === scale) ?? row[0]!;
  const worth = (cell: KeyCell) => {
    const best = cell.best === undefined ? undefined : cell.octaves[cell.best]!;
    return best ? best.hard.length * 100 + best.total : 10_000 - cell.have / Math.max(1, cell.of);
  };
  if (kind === EASIEST) return sorted((row) => worth(cellOf(row)));
  // Of keys that take as much to set, the one that is then easier.
  const toSet = (cell: KeyCell) => settingsBetween(asked!, cell) + cell.ease / 1000;
  return kind === FEWEST_SETTINGS && asked ? sorted((row) => toSet(cellOf(row))) : fifths;
}

/** From 0, the hardest best octave of the table, to 1, the easiest; each by its effort a note. */
export function heatOf(table: KeyTable): (cell: KeyCell) => number {
  const effort = (cell: KeyCell) =>
    cell.best === undefined ? undefined : cell.octaves[cell.best]!.total / cell.notes;
  const all = table.rows.flat().flatMap((cell) => effort(cell) ?? []);
  const least = Math.min(...all);
  const most = Math.max(...all);
  return (cell) => {
    const own = effort(cell);
    if (own === undefined) return 0;
    // By the root, since a few very hard keys would make all others look alike.
    return most === least ? 1 : 1 - Math.sqrt((own - least) / (most - least));
  };
}
