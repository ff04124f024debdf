import { LETTERS, majorTonic, signatureSigns, type Letter, type NoteName } from '@same-song/core/music';
import type { AbcKey, AbcMetre } from './abcjs.ts';

/** Fields of a tune that say what it is rather than how it goes. */
export interface TuneFacts {
  readonly title: string;
  readonly otherTitles: readonly string[];
  readonly composer: string;
  readonly source: string;
  readonly licence: string;
  readonly tags: readonly string[];
  /** Sections in the order in which they are played; none where nothing is said. */
  readonly order: readonly string[];
}

/** @param head the lines up to the first `K:` */
export function factsOf(head: readonly string[]): TuneFacts {
  const all = (letter: string) =>
    head
      .filter((line) => line.startsWith(`${letter}:`))
      .map((line) =>
        line
          .slice(2)
          .replace(/(^|[^\\])%.*/, '$1')
          .trim(),
      )
      .filter((text) => text !== '');
  const [title = '', ...otherTitles] = all('T').map(plainText);
  return {
    title,
    otherTitles,
    composer: all('C').map(plainText).join(', ').slice(0, 200),
    source: [...all('S'), ...all('O'), ...all('B')].map(plainText).join(', ').slice(0, 300),
    licence: '',
    tags: [...new Set(all('R').flatMap((rhythm) => rhythm.toLowerCase().split(/[,;]\s*/)))]
      .map((tag) => tag.slice(0, 40))
      .slice(0, 30),
    order: sectionOrder(all('P').at(-1) ?? ''),
  };
}

const MARKS: Readonly<Record<string, string>> = {
  '`': '\u0300',
  "'": '\u0301',
  '^': '\u0302',
  '~': '\u0303',
  '"': '\u0308',
  c: '\u0327',
};

/** Accents as files of old write them: `\'e`, `\"o`, and what HTML calls by name. */
export function plainText(text: string): string {
  return text
    .replace(/\\([`'^~"c])([A-Za-z])/g, (_, mark: string, letter: string) =>
      (letter + MARKS[mark]!).normalize('NFC'),
    )
    .replace(/&(amp|lt|gt|quot);/g, (_, name: string) => ({ amp: '&', lt: '<', gt: '>', quot: '"' })[name]!);
}

/** `(AB)3(A2B)C` as a list of names. */
export function sectionOrder(text: string): readonly string[] {
  const limit = 500;
  let at = 0;
  const read = (depth: number): string[] => {
    const names: string[] = [];
    while (at < text.length && names.length < limit) {
      const sign = text[at]!;
      at += 1;
      if (sign === ')') break;
      if (sign !== '(' && !/[A-Za-z]/.test(sign)) continue;
      const inner = sign === '(' ? (depth < 10 ? read(depth + 1) : []) : [sign];
      const count = /^\d+/.exec(text.slice(at))?.[0] ?? '';
      at += count.length;
      for (let i = 0; i < Math.min(Number(count || 1), limit); i += 1) names.push(...inner.slice(0, limit));
    }
    return names.slice(0, limit);
  };
  return read(0);
}

/** Ids of scales by the first three letters of a mode. */
const MODES: Readonly<Record<string, string>> = Object.freeze({
  '': 'major',
  maj: 'major',
  ion: 'major',
  m: 'natural-minor',
  min: 'natural-minor',
  aeo: 'natural-minor',
  dor: 'dorian',
  phr: 'phrygian',
  lyd: 'lydian',
  mix: 'mixolydian',
  loc: 'locrian',
});

/** The key that a signature stands for. Pipes play in A with the signs that are implied; no key is C major. */
export function keyOfAbc({ root = '', acc = '', mode = '', accidentals = [] }: AbcKey): {
  readonly tonic: NoteName;
  readonly scale: string;
} {
  if (/^h/i.test(root)) return { tonic: { letter: 'A', accidental: 0 }, scale: 'mixolydian' };
  const letter = LETTERS.find((l) => l === root.toUpperCase());
  const scale = MODES[mode.trim().toLowerCase().slice(0, 3)] ?? MODES[mode.trim().toLowerCase().slice(0, 1)];
  if (letter && scale) return { tonic: { letter, accidental: signOf(acc) }, scale };
  const signs = accidentals.filter((sign) => /^(sharp|flat)$/.test(sign.acc));
  const fifths = signs.reduce((sum, sign) => sum + (sign.acc === 'sharp' ? 1 : -1), 0);
  return { tonic: majorTonic(Math.max(-7, Math.min(7, fifths))), scale: 'major' };
}

function signOf(acc: string): number {
  return acc === '#' || acc === 'sharp' ? 1 : acc === 'b' || acc === 'flat' ? -1 : 0;
}

export const ACCIDENTALS: Readonly<Record<string, number>> = Object.freeze({
  natural: 0,
  sharp: 1,
  flat: -1,
  dblsharp: 2,
  dblflat: -2,
  // Quarter tones sound as the nearest that a song can hold.
  quartersharp: 0,
  quarterflat: 0,
});

/** Alterations by letter that a signature makes. */
export function signatureOf({ root = '', accidentals = [] }: AbcKey): ReadonlyMap<Letter, number> {
  if (/^h/i.test(root)) return signatureSigns(2);
  return new Map(
    accidentals.flatMap(({ acc, note }) => {
      const letter = LETTERS.find((l) => l === note[0]!.toUpperCase());
      return letter ? [[letter, ACCIDENTALS[acc] ?? 0] as const] : [];
    }),
  );
}

/** Undefined in free time. */
export function metreOfAbc({
  type,
  value = [],
}: AbcMetre): { readonly count: number; readonly unit: number } | undefined {
  if (type === 'common_time') return { count: 4, unit: 4 };
  if (type === 'cut_time') return { count: 2, unit: 2 };
  const [first] = value;
  if (!first) return undefined;
  const count = (first.num.match(/\d+/g) ?? []).reduce((sum, n) => sum + Number(n), 0);
  const unit = Number(first.den ?? 4);
  return count >= 1 && count <= 64 && [1, 2, 4, 8, 16, 32, 64].includes(unit) ? { count, unit } : undefined;
}
