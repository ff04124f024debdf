import { chipShape } from '../scene/chip.ts';
import type { Scene, Shape } from '../scene/scene.ts';
import { label, line as ruled } from '../scene/shapes.ts';
import type { LineView } from '../map/lineView.ts';
import { QUARTER } from '../time/ticks.ts';
import { barAt, barStarts, sungText, type Song } from './song.ts';
import type { SongView } from './songView.ts';

/** Millimetres of a sheet: as wide as fits on A4 and Letter, as long as the song. */
const SHEET = Object.freeze({ width: 190, head: 18, chip: 10, height: 8, least: 12, perQuarter: 4, bar: 4 });
/** Within a system, from its upper edge. */
const ROWS = Object.freeze({ chord: 5, above: 7, axis: 17, below: 19, verse: 32, verseStep: 5, gap: 8 });

interface Placed {
  readonly note: LineView;
  readonly x: number;
}

interface System {
  readonly notes: readonly Placed[];
  /** Where bars end. */
  readonly lines: readonly number[];
  readonly bars: readonly number[];
}

/**
 * A song on an instrument as a drawing: its melody's ways as chips on their side of the axis, chords above, words below,
 * bar by bar. @param view as `songView` gives it
 */
export function songSheet(
  { song, line, keyName }: Pick<SongView, 'song' | 'line' | 'keyName'>,
  on: string,
): Scene {
  const systems = systemsOf(song, line);
  const chords = chordsAt(song, line);
  const verses = versesOf(song);
  const height = ROWS.verse + verses * ROWS.verseStep + ROWS.gap;
  const lyrics = lyricsById(song);
  const title = `${song.title}, ${keyName}, ${on}`;
  const shapes: Shape[] = [
    label(0, 7, song.title, 7, { bold: true }),
    label(0, 13, [song.composer, keyName, on].filter((text) => text !== '').join(' · '), 4, { ink: 'soft' }),
    ...systems.flatMap((system, i) => systemShapes(system, SHEET.head + i * height, { chords, lyrics })),
  ];
  return { title, widthMm: SHEET.width, heightMm: SHEET.head + systems.length * height, shapes };
}

/** Bars in rows as they fit; a bar that is wider than a row goes on in the next. */
function systemsOf(song: Song, line: readonly LineView[]): readonly System[] {
  const starts = barStarts(song);
  const inBar = song.bars.map((): LineView[] => []);
  for (const note of line) inBar[barAt(starts, note.start * QUARTER)]!.push(note);
  const systems: { notes: Placed[]; lines: number[]; bars: number[] }[] = [];
  let x = Infinity;
  for (const [bar, notes] of inBar.entries()) {
    const width = notes.reduce<number>((sum, note) => sum + roomOf(note), SHEET.bar);
    if (x + Math.min(width, SHEET.width) > SHEET.width) {
      systems.push({ notes: [], lines: [], bars: [] });
      x = SHEET.bar;
    }
    systems.at(-1)!.bars.push(bar);
    for (const note of notes) {
      if (x + roomOf(note) > SHEET.width) {
        systems.push({ notes: [], lines: [], bars: [bar] });
        x = SHEET.bar;
      }
      systems.at(-1)!.notes.push({ note, x });
      x += roomOf(note);
    }
    systems.at(-1)!.lines.push(x);
    x += SHEET.bar;
  }
  return systems;
}

function roomOf({ beats }: LineView): number {
  return SHEET.least + Math.max(0, beats - 1) * SHEET.perQuarter;
}

/** Chords by the note over which they stand, and which share of it has sounded when they come. */
function chordsAt(
  { chords }: Song,
  line: readonly LineView[],
): ReadonlyMap<string, readonly { readonly symbol: string; readonly share: number }[]> {
  const over = new Map<string, { symbol: string; share: number }[]>();
  for (const { at, symbol } of chords) {
    const quarters = at / QUARTER;
    const sounding = line.findLast(({ start, beats }) => start <= quarters && quarters < start + beats);
    const note = sounding ?? line.find(({ start }) => start >= quarters);
    if (!note) continue;
    const share = sounding ? (quarters - note.start) / note.beats : 0;
    over.set(note.id, [...(over.get(note.id) ?? []), { symbol, share }]);
  }
  return over;
}

function systemShapes(
  { notes, lines, bars }: System,
  top: number,
  {
    chords,
    lyrics,
  }: { readonly chords: ReturnType<typeof chordsAt>; readonly lyrics: ReturnType<typeof lyricsById> },
): Shape[] {
  const axis = top + ROWS.axis;
  return [
    label(0, top + 3, String(bars[0]! + 1), 3, { ink: 'soft' }),
    ruled(0, axis + 0.5, SHEET.width, axis + 0.5, 'rule', 0.4),
    ...lines.map((x) => ruled(x, top + ROWS.above, x, top + ROWS.below + SHEET.height, 'ink', 0.4)),
    ...notes.flatMap(({ note, x }): Shape[] => [
      ...(chords.get(note.id) ?? []).map(({ symbol, share }) =>
        label(x + share * roomOf(note), top + ROWS.chord, symbol, 4, { bold: true }),
      ),
      chipOf(note, x, top),
      ...(lyrics.get(note.id) ?? []).map((text, verse) =>
        label(x, top + ROWS.verse + verse * ROWS.verseStep, text, 3.8),
      ),
    ]),
  ];
}

function chipOf(note: LineView, x: number, top: number): Shape {
  const y =
    note.side === 'above' ? ROWS.above : note.side === 'below' ? ROWS.below : ROWS.axis - SHEET.height / 2;
  return chipShape({
    id: note.id,
    label: `${note.note}: ${note.inTab}`,
    x,
    y: top + y,
    width: SHEET.chip,
    height: SHEET.height,
    // An outside note shows its tab too: it is to be played, not to be left out.
    role: note.role === 'outside' ? 'colour' : note.role,
    degree: note.brief?.replaceAll('\n', ' ') ?? '—',
    note: note.bareNote,
    usable: note.wayId !== undefined,
  });
}

function versesOf(song: Song): number {
  return Math.max(
    0,
    ...song.parts.flatMap(({ voices }) =>
      voices.flatMap(({ notes }) => notes.map(({ lyrics = [] }) => lyrics.length)),
    ),
  );
}

function lyricsById(song: Song): ReadonlyMap<string, readonly string[]> {
  const notes = song.parts.flatMap(({ voices }) => voices.flatMap((voice) => voice.notes));
  return new Map(notes.flatMap(({ id, lyrics }) => (lyrics ? [[id, lyrics.map(sungText)] as const] : [])));
}
