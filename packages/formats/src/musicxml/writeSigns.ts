import type { Bar } from '@same-song/core/song';
import { tag } from './element.ts';

function direction(type: string, sound: Readonly<Record<string, string>>): string {
  return tag('direction', [tag('direction-type', [type]), tag('sound', [], sound)], { placement: 'above' });
}

/** Signs at the beginning of a bar. */
export function signsBefore({ segno, coda }: Bar): string[] {
  return [
    ...(segno ? [direction(tag('segno'), { segno: 'segno' })] : []),
    ...(coda ? [direction(tag('coda'), { coda: 'coda' })] : []),
  ];
}

/** Signs at its end. */
export function signsAfter({ fine, toCoda, jump }: Bar): string[] {
  return [
    ...(toCoda ? [direction(tag('words', 'To Coda'), { tocoda: 'coda' })] : []),
    ...(fine ? [direction(tag('words', 'Fine'), { fine: 'yes' })] : []),
    ...(jump === 'start' ? [direction(tag('words', 'D.C.'), { dacapo: 'yes' })] : []),
    ...(jump === 'segno' ? [direction(tag('words', 'D.S.'), { dalsegno: 'segno' })] : []),
  ];
}

function sameEnding(a: Bar | undefined, b: Bar | undefined): boolean {
  return a?.endings !== undefined && a.endings.join() === b?.endings?.join();
}

/** The bar line before a bar, where it says anything. */
export function barlineLeft(bar: Bar, before: Bar | undefined): string[] {
  const begins = bar.endings && (!sameEnding(before, bar) || before?.repeatEnd !== undefined);
  const inner = [
    ...(bar.repeatStart ? [tag('bar-style', 'heavy-light')] : []),
    ...(begins ? [tag('ending', [], { number: bar.endings.join(', '), type: 'start' })] : []),
    ...(bar.repeatStart ? [tag('repeat', [], { direction: 'forward' })] : []),
  ];
  return inner.length > 0 ? [tag('barline', inner, { location: 'left' })] : [];
}

/** The bar line behind a bar, where it is no plain one. */
export function barlineRight(bar: Bar, next: Bar | undefined, last: boolean): string[] {
  const stops = bar.endings && (!sameEnding(bar, next) || bar.repeatEnd !== undefined);
  const style =
    bar.repeatEnd !== undefined || last ? 'light-heavy' : bar.doubleLine ? 'light-light' : undefined;
  const times: Readonly<Record<string, number>> =
    bar.repeatEnd !== undefined && bar.repeatEnd !== 2 ? { times: bar.repeatEnd } : {};
  const inner = [
    ...(style ? [tag('bar-style', style)] : []),
    ...(stops
      ? [
          tag('ending', [], {
            number: bar.endings.join(', '),
            type: bar.repeatEnd !== undefined ? 'stop' : 'discontinue',
          }),
        ]
      : []),
    ...(bar.repeatEnd !== undefined ? [tag('repeat', [], { direction: 'backward', ...times })] : []),
  ];
  return inner.length > 0 ? [tag('barline', inner, { location: 'right' })] : [];
}
