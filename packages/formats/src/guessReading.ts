import type { Problem, Result } from '@same-song/core';
import type { Instrument } from '@same-song/core/instruments';
import { readTabLine } from '@same-song/core/route';
import { readDegrees } from './degrees/readDegrees.ts';

/** What a text may be, and how much of it is then understood. */
export interface Guess {
  readonly kind: 'degrees' | 'tab';
  /** Of tab: which of the instruments, and the dialect. */
  readonly instrument?: number;
  readonly dialect?: string;
  /** Share of its notes, 0 to 1. */
  readonly explains: number;
}

/** Characters of a text that are read for a guess. */
const LOOKED_AT = 2_000;

/**
 * The reading that explains most of a text: degrees, or tab of one of some instruments in one of its dialects. Of readings
 * that explain as much the first counts, degrees before tab, instruments in their order.
 * @returns undefined where no reading explains anything
 */
export function guessReading(text: string, instruments: readonly Instrument[]): Guess | undefined {
  const start = text.slice(0, LOOKED_AT);
  const tabs = instruments.flatMap((instrument, i) =>
    instrument.family.dialects.map(({ id, separator }): Guess => {
      const explains = explained(start, readTabLine(instrument, start, id), separator.trim());
      return { kind: 'tab', instrument: i, dialect: id, explains };
    }),
  );
  const degrees: Guess = { kind: 'degrees', explains: explained(start, readDegrees(start), '') };
  const best = [degrees, ...tabs].reduce((a, b) => (b.explains > a.explains ? b : a));
  return best.explains > 0 ? best : undefined;
}

/** @param mark what stands between two notes; space where it is blank */
function explained(text: string, read: Result<unknown>, mark: string): number {
  if (read.ok) return 1;
  const notes = text.split(mark === '' ? /[\s|,;]+/u : new RegExp(`[\\n|${mark}]+`, 'u'));
  const count = notes.filter((note) => note.trim() !== '').length;
  return Math.max(0, 1 - problemCount(read.problems) / Math.max(1, count));
}

function problemCount(problems: readonly Problem[]): number {
  return new Set(problems.map(({ position }) => position)).size;
}
