import type { SettingChange } from '../families/way.ts';
import type { Ticks } from '../time/ticks.ts';
import { barName, barNumbers, barOffsets, metreAt } from './barOffset.ts';
import { barAt, barStarts, type Song } from './song.ts';

/** A place in a song as musicians count. */
export interface SongPlace {
  readonly bar: number;
  /** Counted beat, from 1. */
  readonly beat: number;
}

/** Something that is set otherwise before a song or in it, such as a lever. */
export interface SongChange extends Pick<SettingChange, 'row' | 'to' | 'noteId'> {
  /** Where it is needed. */
  readonly at: SongPlace;
  /** From where on it can be done; undefined where it is done before the song begins. */
  readonly from: SongPlace | undefined;
  /** The latest time at which the hand is free for it. */
  readonly free: { readonly from: SongPlace; readonly to: SongPlace } | undefined;
  /** `any time from bar 3 to bar 6 beat 3; the left hand is free in bar 5, beats 2 to 4`. */
  readonly text: string;
}

/** Names a time of a song by bar and beat. */
function placesIn(song: Song): (at: Ticks) => SongPlace {
  const starts = barStarts(song);
  const numbers = barNumbers(song);
  const offsets = barOffsets(song);
  return (at) => {
    const bar = Math.min(barAt(starts, at), song.bars.length - 1);
    const within = at - starts[bar]! + offsets[bar]!;
    return { bar: numbers[bar]!, beat: Math.floor(within / metreAt(song, starts[bar]!).beat) + 1 };
  };
}

/** What is set otherwise along a song, in the order in which it is needed. */
export function songChanges(song: Song, changes: readonly SettingChange[]): readonly SongChange[] {
  const placeOf = placesIn(song);
  return changes.map(({ row, to, noteId, onset, from, free, hand }) => {
    const at = placeOf(onset);
    const window = from === undefined ? undefined : placeOf(from);
    // The last moment of a stretch, not the first after it.
    const spare = free && { from: placeOf(free.from), to: placeOf(free.to - 1) };
    return {
      row,
      to,
      noteId,
      at,
      from: window,
      free: spare,
      text: changeText({ at, from: window, free: spare, hand }),
    };
  });
}

function changeText({
  at,
  from,
  free,
  hand,
}: Pick<SongChange, 'at' | 'from' | 'free'> & { readonly hand: string }): string {
  if (!from) return 'before you begin';
  const window = `from ${placeWords(from)} to ${placeWords(at)}`;
  if (!free) return `${window}; the ${hand} has no beat to spare`;
  // Up to the note that needs it, whatever its beat: the hand is free throughout.
  const isThroughout =
    free.from.bar === from.bar && free.from.beat === from.beat && isJustBefore(free.to, at);
  return `any time ${window}` + (isThroughout ? '' : `; the ${hand} is free ${stretchWords(free)}`);
}

function isJustBefore(to: SongPlace, at: SongPlace): boolean {
  return to.bar === at.bar ? at.beat - to.beat <= 1 : at.bar - to.bar === 1 && at.beat === 1;
}

function placeWords({ bar, beat }: SongPlace): string {
  return `${barName(bar)} beat ${beat}`;
}

/** `in bar 5, beats 2 to 4`. */
function stretchWords({ from, to }: NonNullable<SongChange['free']>): string {
  if (from.bar !== to.bar) return `from ${placeWords(from)} to ${placeWords(to)}`;
  const beats = from.beat === to.beat ? `beat ${from.beat}` : `beats ${from.beat} to ${to.beat}`;
  return `in ${barName(from.bar)}, ${beats}`;
}
