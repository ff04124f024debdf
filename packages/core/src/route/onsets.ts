import type { Hold } from '../families/way.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Ticks } from '../time/ticks.ts';
import type { RoutingContext } from './context.ts';
import { UNHURRIED } from '../time/noteTiming.ts';
import type { ChordChoices } from './context.ts';
import { chordHolds, chordOrder, easiest, type ChordNotes } from './holds.ts';
import type { LineNote } from './line.ts';
import { clashReason, missingReason, type Missing } from './missing.ts';
import { keepsPin, type Pin } from './pin.ts';
import type { Choices } from './states.ts';

/** What begins to sound at one time, and the holds that can sound it; one note at least. */
export interface Onset {
  readonly onset: Ticks;
  /** Of the longest note that sounds. */
  readonly length: Ticks;
  /** Id of the note of each pitch that sounds, rising; several notes of one pitch are one. */
  readonly noteIds: readonly string[];
  readonly pitches: readonly Pitch[];
  /** Holds with one way for every pitch, in their order. */
  readonly choices: Choices;
  /** Only the easiest of many holds, for lines in which there are too many. */
  readonly fewer: () => Choices;
}

/** Everything of a line that does not depend on what comes before or after. */
export interface Onsets {
  /** Rising. Where nothing can be had there is none. */
  readonly onsets: readonly Onset[];
  /** Why a note is not among them, by its id. */
  readonly missing: ReadonlyMap<string, Missing>;
  readonly brokenPins: readonly Pin[];
}

/** Groups a line by onset. @param freed a note for which every way is open, redundant ones too, and whose pin does not hold */
export function onsetsOf(
  context: RoutingContext,
  line: readonly LineNote[],
  pins: readonly Pin[],
  freed?: string,
): Onsets {
  const pinOf = new Map(pins.filter((pin) => pin.noteId !== freed).map((pin) => [pin.noteId, pin]));
  const broken = new Set(pinOf.values());
  const missing = new Map<string, Missing>();
  const byOnset = new Map<Ticks, LineNote[]>();
  for (const note of line) {
    const known = byOnset.get(note.onset);
    if (known) known.push(note);
    else byOnset.set(note.onset, [note]);
  }
  const onsets = [...byOnset.values()].flatMap((notes): Onset[] => {
    const [note] = notes;
    const plain = notes.length === 1 && note!.id !== freed && !pinOf.has(note!.id);
    const found =
      (plain && singleOnset(context, note!)) || chordOnset(context, notes, { pinOf, broken, missing, freed });
    return found ? [found] : [];
  });
  return { onsets: onsets.sort((a, b) => a.onset - b.onset), missing, brokenPins: [...broken] };
}

/** An onset of one note that can be had and is free. */
export function singleOnset(
  context: RoutingContext,
  { id, pitch, onset, length }: LineNote,
): Onset | undefined {
  const choices = context.choicesAt(pitch);
  return choices && { onset, length, noteIds: [id], pitches: [pitch], choices, fewer: () => choices };
}

/** What is gathered over a line. */
interface Gathered {
  readonly pinOf: ReadonlyMap<string, Pin>;
  /** Pins are taken out of it when they are found to fit. */
  readonly broken: Set<Pin>;
  readonly missing: Map<string, Missing>;
  readonly freed: string | undefined;
}

function chordOnset(
  context: RoutingContext,
  notes: readonly LineNote[],
  { pinOf, broken, missing, freed }: Gathered,
): Onset | undefined {
  const { instrument, chosen } = context;
  const byPitch = new Map(notes.map((note) => [note.pitch, note] as const).reverse());
  const rising = [...byPitch.values()].sort((a, b) => a.pitch - b.pitch);
  const inChord = rising.length > 1;
  const lost = (pitch: Pitch, why: Missing) => {
    for (const note of notes) if (note.pitch === pitch) missing.set(note.id, why);
  };
  const pinned: Pitch[] = [];
  const chord = rising.flatMap((note) => {
    const { pitch } = note;
    const id = note.holds ?? note.id;
    const pin = pinOf.get(id);
    // A pin holds even against the preferences.
    const held = pin ? pinnedWays(context, note, pin, inChord) : [];
    if (pin && held.length > 0) {
      broken.delete(pin);
      pinned.push(pitch);
      return [{ pitch, open: asHeld(note, held) }];
    }
    const open = openFor(context, note, inChord, id === freed);
    if (open.length > 0) return [{ pitch, open: asHeld(note, open) }];
    lost(pitch, missingReason(instrument, chosen.avoid, pitch));
    return [];
  });
  const order = chordOrder(chord.map(({ pitch }) => pitch));
  const isFree = pinned.length === 0 && notes.every(({ id, holds }) => (holds ?? id) !== freed);
  const name = isFree
    ? rising.map(({ pitch, holds }) => `${pitch}${holds === undefined ? '' : '~'}`).join(' ')
    : '';
  const found = context.chords.get(name) ?? chordChoices(context, chord, [...new Set([...pinned, ...order])]);
  if (isFree) context.chords.set(name, found);
  const { sounds, choices, left } = found;
  for (const { pitch, clash } of left) lost(pitch, clashReason(clash));
  if (!choices) return undefined;
  const sounding = sounds.map((pitch) => byPitch.get(pitch)!);
  return {
    onset: notes[0]!.onset,
    length: Math.max(...sounding.map((note) => note.length)),
    noteIds: sounding.map((note) => note.id),
    pitches: sounds,
    choices,
    fewer: found.fewer,
  };
}

/** @param first pitches in the order in which they are wanted */
function chordChoices(context: RoutingContext, chord: ChordNotes, first: readonly Pitch[]): ChordChoices {
  const { sounds, holds, left } = chordHolds(context.instrument, chord, first);
  if (holds.length === 0) return { sounds, left, choices: undefined };
  const choices = context.states.choicesOf(holds);
  let fewer: Choices | undefined;
  return {
    sounds,
    left,
    choices,
    fewer: () =>
      (fewer ??= context.states.choicesOf(easiest(holds, (hold) => context.costs.own(hold, UNHURRIED)))),
  };
}

/** Ways of a note that goes on, marked as such. */
function asHeld({ holds }: LineNote, ways: Hold): Hold {
  return holds === undefined ? ways : ways.map((way) => ({ ...way, goesOn: true as const }));
}

function openFor(context: RoutingContext, { pitch }: LineNote, inChord: boolean, freed: boolean): Hold {
  const open = context.open(pitch, inChord);
  return freed ? [...open, ...context.redundant(pitch)] : open;
}

function pinnedWays(
  { instrument, chosen }: RoutingContext,
  note: LineNote,
  pin: Pin,
  inChord: boolean,
): Hold {
  return instrument.ways
    .filter((way) => way.id === pin.wayId && way.pitch === note.pitch)
    .flatMap((way) => instrument.fingeredWaysOf(way, chosen.options, inChord))
    .filter((way) => keepsPin(pin, way));
}
