import { parsePitch, pitchText, type NoteName } from '../../pitch/noteName.ts';
import { ok, type Result } from '../../result.ts';
import type { TabWriter } from '../contract.ts';
import type { HarpWay } from './ways.ts';

/** L and R name the row of a double-strung harp; ↑ a raised lever. */
export const dialects: readonly TabWriter<HarpWay>[] = Object.freeze([
  {
    id: 'notes',
    label: 'strings by note: C4 F♯4',
    separator: '  ',
    write: (way, note) => rowOf(way) + brief(way, note),
  },
  {
    id: 'numbers',
    label: 'strings by number: 15 18↑',
    separator: '  ',
    write: (way) => `${rowOf(way)}${way.string + 1}${way.lever === 'up' ? '↑' : ''}`,
  },
  { id: 'words', label: 'words: F4 string, lever up', separator: ' · ', write: (way) => way.words },
]);

function rowOf({ row }: HarpWay): string {
  return row ? `${row} ` : '';
}

/** A string by its note; where the key calls that by another letter, by both: `A=B♭3` is the A string sounding B♭. */
export function brief({ place, pitch, name }: HarpWay, called: NoteName): string {
  return called.letter === place ? name : `${place}=${pitchText(pitch, called)}`;
}

const BOTH = /^(?:([LR]) )?([A-G])=(.+)$/iu;

/** Reads strings that are written by both names; undefined for all others. */
export function parseTab(ways: readonly HarpWay[], text: string): Result<HarpWay> | undefined {
  const [, row, letter, note] = BOTH.exec(text.trim()) ?? [];
  const pitch = note === undefined ? undefined : parsePitch(note);
  if (!pitch?.ok) return undefined;
  const isIt = (way: HarpWay) =>
    way.pitch === pitch.value && way.place === letter!.toUpperCase() && way.row === row?.toUpperCase();
  const found = ways.find(isIt);
  return found && ok(found);
}
