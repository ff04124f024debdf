import type { Song, SongView } from '@same-song/core/song';
import { writeAbc } from '@same-song/formats';
import EngraverController from 'abcjs/src/write/engraver-controller.js';
import Parser from 'abcjs/src/parse/abc_parse.js';
import Svg from 'abcjs/src/write/svg.js';
import { columnRoom } from './addedRoom.ts';

/** Its only style of its own, for marking text while dragging, which nothing here needs and the page's policy refuses. */
Svg.prototype.insertStyles = () => undefined;

/** Where a note stands in a drawn system, in CSS pixels from its left and upper edge. */
export interface DrawnNote {
  readonly id: string;
  readonly x: number;
  /** Its head, stem and flag. */
  readonly mark: Element | null;
}

export interface DrawnSystem {
  readonly notes: readonly DrawnNote[];
  readonly width: number;
  readonly height: number;
}

/** What the engraver gives, as far as it is read here. */
interface Sign {
  readonly el_type: string;
  readonly rest?: { readonly type: string };
  readonly extraClass?: string;
  readonly pitches?: readonly { endTie?: boolean }[];
  readonly abselem?: { readonly notePositions?: readonly { readonly x: number; readonly y: number }[] };
}
interface Voices {
  voices: Sign[][];
}
interface Line {
  staff?: Voices[];
}
interface Tune {
  readonly lines: readonly Line[];
  readonly formatting: object;
}

/** As the style sheet calls it. */
const FACE = 'Song Text';
let faceLoaded: Promise<unknown> | undefined;
let ready = false;

/** Sizes of texts are remembered by the engraver, so the face must be there before the first drawing. */
export function engraverReady(): Promise<unknown> {
  faceLoaded ??= Promise.all([
    document.fonts.load(`14px "${FACE}"`),
    document.fonts.load(`700 14px "${FACE}"`),
  ]).then(() => {
    ready = true;
  });
  return faceLoaded;
}

/** Whether drawing needs no waiting: what is printed must be drawn at once. */
export function isEngraverReady(): boolean {
  return ready;
}

/** Bars of each system, so that nothing is set closer than it can be read. @param width in CSS pixels @param added what is played with it */
export function systemsOf(song: Song, width: number, added: AddedNotes = []): readonly number[] {
  const melody = song.parts.flatMap(({ voices }) => voices).find(({ id }) => id === song.melody)!;
  const addedRoom = roomsUnder(added);
  let at = 0;
  const widths = song.bars.map(({ length }) => {
    const [from, to] = [at, (at += length)];
    const notes = melody.notes.filter(({ onset }) => onset >= from && onset < to);
    const each = notes.map((note) => {
      const { lyrics = [], length: ticks } = note;
      const words = Math.max(0, ...lyrics.map((syllable) => (syllable ? syllable.text.length * 8 + 12 : 0)));
      return Math.max(words, addedRoom.get(note.id) ?? 0, LEAST_NOTE + (ticks / LONG_NOTE) * 14);
    });
    return 26 + each.reduce((sum, one) => sum + one, 0);
  });
  const systems: number[] = [];
  let used = Infinity;
  const room = width - 70;
  widths.forEach((bar, i) => {
    const begins = i > 0 && song.bars[i]!.section !== undefined;
    if (used + bar > room || begins) {
      systems.push(0);
      used = 0;
    }
    systems[systems.length - 1]! += 1;
    used += bar;
  });
  return systems;
}

type AddedNotes = SongView['added']['notes'];

/** The engraver gives room by length, and not just where it is needed. */
const UNEVEN = 1.2;

/** Room that notes of a melody need for what is added until the next begins, by note, in CSS pixels. */
function roomsUnder(added: AddedNotes): ReadonlyMap<string, number> {
  const columns = new Map<string, Map<number, AddedNotes[number][]>>();
  for (const note of added) {
    const under = columns.get(note.under) ?? new Map<number, AddedNotes[number][]>();
    columns.set(note.under, under);
    under.set(note.start, [...(under.get(note.start) ?? []), note]);
  }
  const rooms = [...columns].map(([id, starts]) => {
    const room = [...starts.values()].reduce((sum, notes) => sum + columnRoom(notes), 0);
    return [id, starts.size > 1 ? UNEVEN * room : room] as const;
  });
  return new Map(rooms);
}

/** Room of a note for its chip, in CSS pixels; long notes get a little more. */
const LEAST_NOTE = 42;
const LONG_NOTE = 10_080;

/** A song as the engraver has read it. */
interface ReadSong {
  /** How many bars each system has. */
  readonly systems: readonly number[];
  readonly tune: Tune;
  readonly lines: readonly Line[];
  /** Note ids by the number that the engraver knows them by. */
  readonly ids: readonly string[];
  /** Of each system all that its drawing depends on. */
  readonly keys: readonly string[];
  /** Lines that were drawn: drawing leaves its marks in them. */
  readonly drawn: Set<number>;
}

/** A song is read once, for all its systems. */
const readSongs = new WeakMap<Song, ReadSong>();

function readSong(song: Song, systems: readonly number[]): ReadSong {
  const known = readSongs.get(song);
  if (known?.systems.join() === systems.join()) return known;
  const ids: string[] = [];
  const classOf = ({ id }: { readonly id: string }) => `k${ids.push(id) - 1}k`;
  const plain = { ...song, title: '', composer: '', source: '', tags: [], tempos: [] };
  const abc = writeAbc(plain, { voices: [song.melody], lines: systems, classOf });
  const parser = new Parser();
  parser.parse(abc, PARSING);
  const tune = parser.getTune() as Tune;
  const lines = tune.lines.filter(({ staff }) => staff !== undefined);
  const keys = lines.map(({ staff }, system) => `${system} of ${lines.length} ${keyOf(staff, ids)}`);
  const read = { systems, tune, lines, ids, keys, drawn: new Set<number>() };
  readSongs.set(song, read);
  return read;
}

/**
 * All that the drawing of a system depends on but its width: as long as it is the same, the system need not be drawn
 * again, whatever is changed in others.
 */
export function systemKey(song: Song, systems: readonly number[], system: number): string {
  return readSong(song, systems).keys[system] ?? '';
}

/** What the engraver has read of a line, whatever number it knows a note by and wherever it stands in the text. */
function keyOf(line: unknown, ids: readonly string[]): string {
  return JSON.stringify(line, (name, value: unknown) => {
    if (name === 'startChar' || name === 'endChar') return undefined;
    return name === 'extraClass' ? idOf(String(value), ids) : value;
  });
}

/** Draws one system of a song into an element of its own. */
export function drawSystem(
  target: HTMLElement,
  song: Song,
  options: { readonly systems: readonly number[]; readonly system: number; readonly width: number },
): DrawnSystem {
  const { systems, system, width } = options;
  if (readSong(song, systems).drawn.has(system)) readSongs.delete(song);
  const { tune, lines, ids, drawn } = readSong(song, systems);
  drawn.add(system);
  const line = lines[system] ? withoutOthers(lines[system], system) : undefined;
  target.innerHTML = '';
  // The engraver writes down what it drew in the tune that it is given.
  const own = Object.assign(Object.create(Object.getPrototypeOf(tune) as object) as object, tune, {
    lines: line ? [line] : [],
    // A line by itself is the last one too.
    formatting: { ...tune.formatting, stretchlast: system < systems.length - 1 ? 1 : 0 },
  });
  new EngraverController(target, {
    ...PARSING,
    add_classes: true,
    staffwidth: width - 2 * MARGIN,
    paddingleft: MARGIN,
    paddingright: MARGIN,
    paddingtop: 0,
    paddingbottom: 0,
    minPadding: 8,
    selectTypes: false,
    ariaLabel: `Staff, line ${system + 1} of ${systems.length}`,
  }).engraveABC(own, 0, 0);
  // The engraver sets the target's own size; it is to follow what is drawn in it.
  target.removeAttribute('style');
  const svg = target.querySelector('svg')!;
  const notes = (line?.staff ?? []).flatMap(({ voices }) =>
    voices.flat().flatMap((element): DrawnNote[] => {
      const name = element.extraClass ?? '';
      const place = element.abselem?.notePositions?.[0];
      const id = idOf(name, ids);
      if (id === undefined || !place) return [];
      return [{ id, x: place.x, mark: svg.querySelector(`.${/k\d+k/.exec(name)![0]}`) }];
    }),
  );
  return { notes, width: svg.clientWidth || width, height: svg.clientHeight };
}

/** The note that a class of the drawing stands for. */
function idOf(className: string, ids: readonly string[]): string | undefined {
  const number = /k(\d+)k/.exec(className)?.[1];
  return number === undefined ? undefined : ids[Number(number)];
}

const FORMAT = {
  vocalfont: `${FACE} 12`,
  gchordfont: `${FACE} 13 bold`,
  tripletfont: `${FACE} 10 italic`,
  repeatfont: `${FACE} 11`,
  partsfont: `${FACE} 12 bold`,
};
const PARSING = { format: FORMAT };
const MARGIN = 12;

/** A line of music by itself, with what a cut before it would take away. */
function withoutOthers(line: Line, system: number): Line {
  const real = (e: Sign) => e.el_type === 'note' && !(e.rest && /invisible|spacer/.test(e.rest.type));
  for (const staff of line.staff ?? []) {
    staff.voices = staff.voices.filter((voice, i) => i === 0 || voice.some(real));
    if (system === 0) continue;
    // A tie that comes in over the cut is drawn as a slur that comes in.
    for (const voice of staff.voices)
      for (const pitch of voice.find((e) => e.el_type === 'note')?.pitches ?? []) {
        const open = pitch as { endTie?: boolean; endSlur?: number[] };
        if (open.endTie) (open.endSlur ??= []).push(101);
      }
  }
  return line;
}
