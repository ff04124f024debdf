import { isField } from './book.ts';
import { tokensOf, type Token } from './tokens.ts';

/** The music of one voice, or of one overlay of it, as a tune of its own. */
export interface VoiceText {
  readonly id: string;
  readonly name: string;
  readonly percussion: boolean;
  /** 0 for the voice itself, 1 for what stands behind the first `&` of a bar, and so on. */
  readonly overlay: number;
  /** As many lines as the tune has; what is not of this voice is a comment. */
  readonly lines: readonly string[];
  /** From which character of the joined lines on so many semitones are added; rising. */
  readonly shifts: readonly { readonly from: number; readonly semitones: number }[];
}

interface Properties {
  name?: string;
  percussion?: boolean;
  /** Octaves by the clef, octaves and semitones by what says so. */
  clef?: number;
  octave?: number;
  transpose?: number;
}

const PROPERTY =
  /(?:\b(clef|octave|transpose|name|nm|sname|snm|middle|m|stem|stems|stafflines|staffscale|cue|shift|score|sound|gstem|dyn|lyrics|up|down|merge|style|staves|brace|bracket)\s*=\s*("[^"]*"|[^\s\]]+))|\b(treble|alto|tenor|bass|perc)\d?(?:[+^_-]8|[+^_-]15)?(?=\s|$)/g;

/** What a field says besides a key or a voice's id, and the field without it. */
function propertiesIn(text: string): { readonly found: Properties; readonly rest: string } {
  const found: Properties = {};
  const rest = explicit(text).replace(PROPERTY, (all: string, name?: string, value?: string) => {
    const said = (value ?? '').replace(/^"|"$/g, '');
    if (!name || name === 'clef') readClef(found, name ? said : all);
    else if (name === 'octave') found.octave = Number.parseInt(said, 10) || 0;
    else if (name === 'transpose') found.transpose = Number.parseInt(said, 10) || 0;
    else if (name === 'name' || name === 'nm') found.name = said;
    return ' '.repeat(all.length);
  });
  return { found, rest };
}

const SMALL_KEY = /^(\[?K:\s*)([a-g])(?=[b#]?\s*(?:m|min|maj|dor|mix|lyd|phr|loc|aeo|ion|exp|[\]%]|$))/;

/** A key's field as its reader knows it: with a capital, and without a name where only the signs listed count (`exp`). */
function explicit(field: string): string {
  return field
    .replace(SMALL_KEY, (_, key: string, letter: string) => key + letter.toUpperCase())
    .replace(
      /^(\[?K:\s*)(\S+\s+exp)(?=\s)/,
      (_, key: string, named: string) => key + 'none'.padEnd(named.length),
    );
}

function readClef(found: Properties, clef: string): void {
  if (/^perc/.test(clef)) found.percussion = true;
  const octave = /([+^_-])(8|15)$/.exec(clef);
  const size = octave ? (octave[2] === '15' ? 2 : 1) : 0;
  found.clef = octave && (octave[1] === '-' || octave[1] === '_') ? -size : size;
}

function semitonesOf({ clef = 0, octave = 0, transpose = 0 }: Properties): number {
  return 12 * (clef + octave) + transpose;
}

/** Everything about one voice while the tune is parted. */
class Gathered {
  readonly properties: Properties = {};
  readonly lines: string[] = [];
  readonly shifts: { from: number; semitones: number }[] = [];
  overlays = 0;
  private written = 0;

  constructor(readonly id: string) {}

  /** @param met properties met at this place of the line that is about to be added */
  take(met: Properties, column: number): void {
    const before = semitonesOf(this.properties);
    Object.assign(this.properties, met);
    const semitones = semitonesOf(this.properties);
    if (semitones !== before) this.shifts.push({ from: this.written + column, semitones });
  }

  add(line: string): void {
    this.lines.push(line);
    this.written += line.length + 1;
  }
}

const EMPTY = '%';

/**
 * Parts a tune among its voices and their overlays, so that each can be read as a tune of one voice: fields of the
 * head count for all of them, those of the body for the voice in which they stand, before any voice for all.
 */
export function voicesOf(lines: readonly string[]): readonly VoiceText[] {
  const voices = new Map<string, Gathered>();
  const head = headLength(lines);
  for (const line of lines.slice(0, head)) {
    const id = /^V:\s*(\S+)/.exec(line)?.[1];
    if (id && id !== '*') voices.set(id, new Gathered(id));
  }
  for (const line of lines.slice(head))
    for (const id of voicesNamedIn(line)) voices.set(id, voices.get(id) ?? new Gathered(id));
  if (voices.size === 0) voices.set('1', new Gathered('1'));
  const all = [...voices.values()];
  let current: readonly Gathered[] = all;
  let inBody = false;
  lines.forEach((line, i) => {
    inBody = i >= head;
    if (!inBody) addToHead(line, all, voices);
    else current = addToBody(line, all, voices, current);
  });
  return all.flatMap((voice) => {
    const { id, properties, shifts } = voice;
    const { name = '', percussion = false } = properties;
    return Array.from({ length: voice.overlays + 1 }, (_, overlay) => ({
      id,
      name,
      percussion,
      overlay,
      shifts,
      lines:
        voice.overlays === 0
          ? voice.lines
          : voice.lines.map((line, i) => (i < head ? line : overlaid(line, overlay))),
    }));
  });
}

/** Lines up to the first `K:`, or up to the first that is no field where there is none. */
function headLength(lines: readonly string[]): number {
  const key = lines.findIndex((line) => line.startsWith('K:'));
  const music = lines.findIndex((line) => !isField(line) && !line.startsWith('%') && line.trim() !== '');
  if (key >= 0 && (music < 0 || key < music)) return key + 1;
  return music < 0 ? lines.length : music;
}

function voicesNamedIn(line: string): readonly string[] {
  const field = /^V:\s*(\S+)/.exec(line)?.[1];
  if (field) return field === '*' ? [] : [field];
  if (isField(line)) return [];
  return tokensOf(line).flatMap(({ kind, text }) =>
    kind === 'field' && /^\[V:/.test(text) ? idOf(text) : [],
  );
}

function idOf(field: string): readonly string[] {
  const id = /^\[V:\s*([^\s\]]+)/.exec(field)?.[1];
  return id ? [id] : [];
}

function addToHead(line: string, all: readonly Gathered[], voices: ReadonlyMap<string, Gathered>): void {
  const named = /^V:\s*(\S+)(.*)/.exec(line);
  if (named) {
    const { found } = propertiesIn(named[2]!);
    const of = voices.get(named[1]!);
    for (const voice of of ? [of] : all) voice.take(found, 0);
  }
  if (/^K:/.test(line)) {
    const { found, rest } = propertiesIn(line);
    for (const voice of all) {
      // What a voice says of itself stands above what the key says for all.
      voice.take({ ...found, ...voice.properties }, 0);
      voice.add(rest);
    }
    return;
  }
  const midi = midiTranspose(line);
  for (const voice of all) {
    if (midi !== undefined) voice.take({ transpose: midi }, 0);
    voice.add(/^[Vm]:/.test(line) || midi !== undefined ? EMPTY : line);
  }
}

function midiTranspose(line: string): number | undefined {
  const said = /^(?:%%|I:\s*)MIDI\s+(?:transpose)\s+(-?\d+)/i.exec(line)?.[1];
  return said === undefined ? undefined : Number(said);
}

function addToBody(
  line: string,
  all: readonly Gathered[],
  voices: ReadonlyMap<string, Gathered>,
  current: readonly Gathered[],
): readonly Gathered[] {
  const put = (own: string, to: readonly Gathered[]) => {
    for (const voice of all) voice.add(to.includes(voice) ? own : EMPTY);
  };
  const named = /^V:\s*(\S+)(.*)/.exec(line);
  if (named) {
    const of = named[1] === '*' ? all : [voices.get(named[1]!)!];
    const { found } = propertiesIn(named[2]!);
    for (const voice of of) voice.take(found, 0);
    put(EMPTY, []);
    return of;
  }
  const midi = midiTranspose(line);
  if (midi !== undefined) {
    for (const voice of current) voice.take({ transpose: midi }, 0);
    put(EMPTY, []);
    return current;
  }
  if (/^%%MIDI\s+channel\s+10\b/.test(line)) for (const voice of current) voice.take({ percussion: true }, 0);
  if (/^K:/.test(line)) {
    const { found, rest } = propertiesIn(line);
    for (const voice of current) voice.take(found, 0);
    put(/^K:\s*$/.test(rest) ? EMPTY : rest, current);
    return current;
  }
  if (line.startsWith('P:')) put(line, all);
  else if (/^[Wm]:/.test(line) || line.startsWith('%')) put(EMPTY, []);
  else if (isField(line)) put(line, current);
  else return addMusic(line, all, voices, current);
  return current;
}

function addMusic(
  line: string,
  all: readonly Gathered[],
  voices: ReadonlyMap<string, Gathered>,
  current: readonly Gathered[],
): readonly Gathered[] {
  let now = current.length === 1 ? current : all.slice(0, 1);
  const own = new Map(all.map((voice) => [voice, '']));
  let overlay = 0;
  let column = 0;
  for (const { kind, text } of tokensOf(plainDecorations(line))) {
    let kept = text;
    if (kind === 'field') {
      const { found, rest } = propertiesIn(text);
      const [id] = /^\[V:/.test(text) ? idOf(text) : [];
      if (id) {
        const voice = voices.get(id)!;
        voice.take(found, column);
        now = [voice];
        kept = ' '.repeat(text.length);
      } else if (/^\[K:/.test(text)) {
        for (const voice of now) voice.take(found, column);
        kept = /^\[K:\s*\]$/.test(rest) ? ' '.repeat(text.length) : rest;
      } else if (/^\[I:\s*MIDI/i.test(text)) kept = ' '.repeat(text.length);
    }
    overlay = kind === 'bar' ? 0 : kind === 'overlay' ? overlay + 1 : overlay;
    for (const voice of now) voice.overlays = Math.max(voice.overlays, overlay);
    for (const voice of all)
      own.set(voice, own.get(voice)! + (now.includes(voice) ? kept : ' '.repeat(text.length)));
    column += text.length;
  }
  for (const voice of all) {
    const text = own.get(voice)!;
    voice.add(text.trim() === '' ? EMPTY : text);
  }
  return now;
}

/** Signs that one reader knows by another name, and line breaks of old files, in as many characters. */
const RENAMED: Readonly<Record<string, string>> = {
  dacapo: 'D.C.',
  'D.C.': 'D.C.',
  dalsegno: 'D.S.',
  tocoda: 'coda',
  dacoda: 'coda',
  Fine: 'fine',
  FINE: 'fine',
  DC: 'D.C.',
  DS: 'D.S.',
};

function plainDecorations(line: string): string {
  const renamed = line
    .replace(/!([^!|\s]*)!/g, (all: string, name: string) => {
      const known = RENAMED[name];
      return known ? `!${known}!`.padEnd(all.length) : all;
    })
    .replace(/\+(dacapo|dalsegno|fine|segno|coda|D\.C\.|D\.S\.)\+/g, '!$1!');
  // A single ! or * at the end is a line break of old files; `:|:` is what `::` is.
  const odd = (renamed.match(/!/g)?.length ?? 0) % 2 === 1;
  return (odd ? renamed.replace(/!(?=[^!]*$)/, ' ') : renamed)
    .replace(/:\|:/g, ':: ')
    .replace(/\*+\s*$/, (all) => ' '.repeat(all.length));
}

/** What of a line of music belongs to an overlay: its part of each bar, every bar line and inline field. */
function overlaid(line: string, overlay: number): string {
  if (line === EMPTY) return line;
  if (isField(line)) return overlay > 0 && /^[ws]:/.test(line) ? EMPTY : line;
  let levels: Token[][] = [[]];
  let made = '';
  const closeBar = () => {
    const kept = levels.map((tokens, level) =>
      tokens.map(({ kind, text }) =>
        level === overlay || kind === 'field' ? text : ' '.repeat(text.length),
      ),
    );
    // A bar without this overlay still is a bar.
    const filler =
      levels.length <= overlay && levels[0]!.some(({ text }) => /[A-Ga-gxzZ]/.test(text)) ? 'x' : '';
    made += kept.map((texts) => texts.join('')).join(' ') + filler;
    levels = [[]];
  };
  for (const token of tokensOf(line)) {
    if (token.kind === 'overlay') levels.push([]);
    else if (token.kind !== 'bar') levels.at(-1)!.push(token);
    else {
      closeBar();
      made += token.text;
    }
  }
  closeBar();
  return made;
}
