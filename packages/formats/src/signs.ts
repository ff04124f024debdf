import type { Ticks } from '@same-song/core/music';
import type { Draft } from './draft.ts';

type DraftBar = Draft['bars'][number];

/** A bar line as it is written. */
export interface BarLine {
  /** The parser's name of it. */
  readonly type: string;
  /** How often what ends with it is played, where it ends a repeat. */
  readonly times: number;
  /** Whether anything stands before it in its bar. */
  readonly filled: boolean;
  readonly endEnding: boolean;
  readonly endings: readonly number[] | undefined;
}

/** `1,3` and `1-3` as numbers; what names none is the first. */
export function endingNumbers(text: string): readonly number[] {
  const numbers = [...text.matchAll(/(\d+)(?:\s*-\s*(\d+))?/g)].flatMap(([, from, to]) => {
    const low = Number(from);
    const high = Math.min(Number(to ?? from), low + 63);
    return Array.from({ length: Math.max(1, high - low + 1) }, (_, i) => low + i);
  });
  const known = numbers.filter((n) => n >= 1 && n <= 64);
  return known.length > 0 ? [...new Set(known)] : [1];
}

/** Puts what bar lines and signs say onto the bars of a draft, while one voice is read bar by bar. */
export class Signs {
  /** Index of the bar that is being read. */
  bar = 0;
  private ending: readonly number[] | undefined;
  private readonly codas: { readonly before: number; readonly after: number }[] = [];

  /** @param leads false for further voices, which only make bars longer */
  constructor(
    private readonly bars: DraftBar[],
    private readonly leads: boolean,
  ) {}

  close(length: Ticks): void {
    const bar = this.barAt(this.bar);
    bar.length = Math.max(bar.length, length);
    if (this.leads && this.ending) bar.endings = this.ending;
    this.bar += 1;
  }

  /** A bar line, once what stands before it is closed. */
  line({ type, times, filled, endEnding, endings }: BarLine): void {
    if (!this.leads) return;
    const closed = this.bars[this.bar - 1];
    if (closed && /right_repeat|dbl_repeat/.test(type)) closed.repeatEnd = Math.min(64, times);
    if (closed && filled && /thin_thin|thin_thick/.test(type)) closed.doubleLine = true;
    if (endEnding) this.ending = undefined;
    if (/left_repeat|dbl_repeat/.test(type)) this.barAt(this.bar).repeatStart = true;
    if (endings) this.ending = endings;
  }

  section(name: string): void {
    this.barAt(this.bar).section = name.slice(0, 60);
  }

  /** @param midBar whether anything stands before it in its bar */
  sign(name: string, onBar: boolean, midBar: boolean): void {
    const closing = onBar && !midBar ? this.bar - 1 : this.bar;
    const next = onBar && midBar ? this.bar + 1 : this.bar;
    if (name === 'segno') this.barAt(next).segno = true;
    else if (name === 'coda')
      this.codas.push({ before: onBar || midBar ? closing : this.bar - 1, after: next });
    else if (/^D\.C\./.test(name)) this.barAt(Math.max(0, closing)).jump = 'start';
    else if (/^D\.S\./.test(name)) this.barAt(Math.max(0, closing)).jump = 'segno';
    else if (name === 'fine') this.barAt(Math.max(0, closing)).fine = true;
  }

  /** What is written above the music. */
  word(text: string, onBar: boolean): void {
    const said = text.trim();
    if (/^(d\.?\s?c\.?(\s|$)|da\s?capo)/i.test(said)) this.sign('D.C.', onBar, true);
    else if (/^(d\.?\s?s\.?(\s|$)|dal\s?segno)/i.test(said)) this.sign('D.S.', onBar, true);
    else if (/^fine\.?$/i.test(said)) this.sign('fine', onBar, true);
    else if (/^to\s+coda/i.test(said)) this.barAt(this.bar).toCoda = true;
    else if (/^coda$/i.test(said)) this.barAt(this.bar).coda = true;
  }

  /** After the last element of the voice. @param length of what stands in the bar that is open */
  end(length: Ticks): void {
    if (length > 0) this.close(length);
    else if (this.bar === this.bars.length - 1 && this.bars[this.bar]!.length === 0) this.bars.pop();
    this.settleCodas();
  }

  /** Of several signs of the coda the first says where to leave, the last where it begins. */
  settleCodas(): void {
    const [first, ...more] = this.codas;
    const last = more.at(-1);
    const jump = this.bars.findIndex((bar) => bar.jump !== undefined);
    if (first && last) {
      this.barAt(Math.max(0, first.before)).toCoda = true;
      this.barAt(last.after).coda = true;
    } else if (first && jump >= 0 && first.after > jump) this.barAt(first.after).coda = true;
    else if (first) this.barAt(Math.max(0, first.before)).toCoda = true;
  }

  private barAt(index: number): DraftBar {
    while (this.bars.length <= index) this.bars.push({ length: 0 });
    return this.bars[index]!;
  }
}
