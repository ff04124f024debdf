import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Ticks } from '../time/ticks.ts';
import { barAt, barStarts, type Part, type Song, type SongNote } from './song.ts';
import { unfold } from './unfold.ts';

/** What sounds: ties joined, repeats taken, grace notes left out. */
export interface PlayedNote {
  /** Id of the written note, the first of those tied to it. */
  readonly noteId: string;
  readonly part: string;
  readonly voice: string;
  readonly pitch: Pitch;
  /** Ticks since the beginning, the pickup included. */
  readonly onset: Ticks;
  readonly length: Ticks;
}

export interface Played {
  /** Rising by onset; those of one onset in the order of parts and voices. */
  readonly notes: readonly PlayedNote[];
  /** Each bar as it is played: its index, and when it begins. */
  readonly bars: readonly { readonly bar: number; readonly onset: Ticks }[];
  /** What was assumed in taking the repeats. */
  readonly remarks: readonly string[];
}

export interface PlayedOptions {
  /** Strokes of percussion parts too; false when left out. */
  readonly percussion?: boolean;
}

/** Everything that sounds when a song is played from beginning to end. */
export function played(song: Song, { percussion = false }: PlayedOptions = {}): Played {
  const { order, remarks } = unfold(song);
  const starts = barStarts(song);
  let onset = 0;
  const bars = order.map((bar) => {
    const begun = { bar, onset };
    onset += song.bars[bar]!.length;
    return begun;
  });
  const notes = song.parts
    .filter((part) => percussion || !part.percussion)
    .flatMap((part) => partPlayed(part, starts, bars));
  return { notes: notes.sort((a, b) => a.onset - b.onset), bars, remarks };
}

/** A note while it sounds. */
interface Sounding {
  readonly note: PlayedNote;
  length: Ticks;
}

function partPlayed(part: Part, starts: readonly Ticks[], bars: Played['bars']): PlayedNote[] {
  const voices = part.voices.map((voice) => ({ id: voice.id, inBar: byBar(voice.notes, starts) }));
  const found: Sounding[] = [];
  /** Tied notes by the time and pitch at which they go on; of one voice before others. */
  let open: { voice: string; at: Ticks; sounding: Sounding }[] = [];
  for (const { bar, onset } of bars) {
    const shift = onset - starts[bar]!;
    const here = voices
      .flatMap(({ id, inBar }) => (inBar.get(bar) ?? []).map((note) => ({ voice: id, note })))
      .sort((a, b) => a.note.onset - b.note.onset);
    for (const { voice, note } of here) {
      const at = note.onset + shift;
      const pitch = soundingPitch(note.pitch);
      const fits = open.filter((tied) => tied.at === at && tied.sounding.note.pitch === pitch);
      const before =
        fits.find((tied) => tied.voice === voice) ??
        fits.find((tied) => !here.some((other) => other.voice === tied.voice && goesOn(other.note, note)));
      const sounding = before?.sounding ?? {
        note: { noteId: note.id, part: part.id, voice, pitch, onset: at, length: note.length },
        length: 0,
      };
      if (!before) found.push(sounding);
      sounding.length += note.length;
      open = open.filter((tied) => tied !== before && tied.at >= at);
      if (note.tied) open.push({ voice, at: at + note.length, sounding });
    }
  }
  return found.map(({ note, length }) => ({ ...note, length }));
}

function goesOn(a: SongNote, b: SongNote): boolean {
  return a.onset === b.onset && soundingPitch(a.pitch) === soundingPitch(b.pitch);
}

function byBar(notes: readonly SongNote[], starts: readonly Ticks[]): ReadonlyMap<number, SongNote[]> {
  const inBar = new Map<number, SongNote[]>();
  for (const note of notes) {
    const bar = barAt(starts, note.onset);
    const known = inBar.get(bar);
    if (known) known.push(note);
    else inBar.set(bar, [note]);
  }
  return inBar;
}

/** A change as it falls when repeats are taken. */
export interface UnfoldedChange<T> {
  readonly at: Ticks;
  readonly change: T;
}

/** Where changes of a song fall when it is played, those in force where a repeat goes back to told again. */
export function unfoldedTimes(song: Song): {
  at<T extends { readonly at: Ticks }>(changes: readonly T[]): readonly UnfoldedChange<T>[];
} {
  const starts = barStarts(song);
  const { bars } = played({ ...song, parts: [] });
  return {
    at: (changes) => {
      const told: UnfoldedChange<(typeof changes)[number]>[] = [];
      for (const { bar, onset } of bars) {
        const [from, to] = [starts[bar]!, starts[bar + 1]!];
        const standing = changes.findLast((change) => change.at <= from);
        const inside = changes.filter((change) => change.at > from && change.at < to);
        for (const change of [...(standing ? [standing] : []), ...inside]) {
          if (told.at(-1)?.change === change) continue;
          told.push({ at: onset + Math.max(0, change.at - from), change });
        }
      }
      return told;
    },
  };
}
