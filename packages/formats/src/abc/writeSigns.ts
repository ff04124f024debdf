import { commonMeasure, QUARTER } from '@same-song/core/music';
import type { Bar, Tempo } from '@same-song/core/song';

/** What stands around the notes of a bar. */
export interface BarSigns {
  /** Before the first bar of a line, where the line before could not say it. */
  readonly opensLine: string;
  readonly before: string;
  readonly after: string;
  /** The bar line behind it, with what it opens for the next bar of the same line. */
  readonly close: string;
}

/** @param leads false for further voices, which only have the bar lines */
export function signsOf(bars: readonly Bar[], index: number, leads: boolean): BarSigns {
  const bar = bars[index]!;
  const next = bars[index + 1];
  const before = bars[index - 1];
  const opens = next?.repeatStart === true;
  const closes = bar.repeatEnd !== undefined;
  const line =
    closes && opens ? '::' : closes ? ':|' : opens ? '|:' : bar.doubleLine ? '||' : next ? '|' : '|]';
  const ending = startOfEnding(before, bar);
  const firstOpens = index === 0 && bar.repeatStart ? '|:' : '';
  return {
    opensLine: firstOpens,
    before: [ending, ...(leads ? [bar.segno ? '!segno!' : '', bar.coda && !bar.segno ? '!coda!' : ''] : [])]
      .filter((t) => t !== '')
      .join(' '),
    after: '',
    close: leads ? closing(bar) + endOfEnding(bar, next, line) : endOfEnding(bar, next, line),
  };
}

function startOfEnding(before: Bar | undefined, { endings }: Bar): string {
  if (
    !endings ||
    (before?.endings && before.endings.join() === endings.join() && before.repeatEnd === undefined)
  )
    return '';
  return `[${endings.join(',')}`;
}

/** An ending that no repeat closes ends with a double line, or it would go on. */
function endOfEnding({ endings }: Bar, next: Bar | undefined, line: string): string {
  return endings && line === '|' && !next?.endings ? '||' : line;
}

/** Signs that stand at the end of a bar are decorations of its bar line. */
function closing({ toCoda, fine, jump }: Bar): string {
  return (
    (toCoda ? '!coda!' : '') + (fine ? '!fine!' : '') + (jump ? (jump === 'segno' ? '!D.S.!' : '!D.C.!') : '')
  );
}

/** `3/8=100`. */
export function tempoText({ beat, perMinute }: Tempo): string {
  const whole = 4 * QUARTER;
  const common = commonMeasure([beat, whole]);
  return `${beat / common}/${whole / common}=${Math.round(perMinute * 100) / 100}`;
}
