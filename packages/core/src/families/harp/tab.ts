import { parsePitch, pitchText, type NoteName } from '../../pitch/noteName.ts';
import { ok, type Result } from '../../result.ts';
import type { TabDialect } from '../contract.ts';
import type { HarpWay } from './ways.ts';

export const dialects = Object.freeze([
  { id: 'notes', label: 'strings by note: C4 F♯4', separator: '  ' },
  { id: 'numbers', label: 'strings by number: 15 18↑', separator: '  ' },
  { id: 'words', label: 'words: F4 string, lever up', separator: ' · ' },
] as const satisfies readonly TabDialect[]);

/** L and R name the row of a double-strung harp; ↑ a raised lever. @throws on an unknown dialect */
export function tab(way: HarpWay, dialect: string, called: NoteName): string {
  const row = way.row ? `${way.row} ` : '';
  switch (dialect) {
    case 'notes':
      return row + brief(way, called);
    case 'numbers':
      return `${row}${way.string + 1}${way.lever === 'up' ? '↑' : ''}`;
    case 'words':
      return way.words;
    default:
      throw new Error(`tab: no dialect ${dialect}`);
  }
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
