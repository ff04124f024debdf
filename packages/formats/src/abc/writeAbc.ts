import {
  commonMeasure,
  countedMetre,
  majorTonic,
  noteCode,
  QUARTER,
  signatureSigns,
  type Letter,
  type SpelledPitch,
  type Ticks,
} from '@same-song/core/music';
import {
  barStarts,
  fifthsOfSongKey,
  holdingAt,
  writtenBars,
  type NoteMark,
  type Song,
  type SongKey,
  type SongNote,
  type Voice,
  type WrittenEvent,
} from '@same-song/core/song';
import { sungTo, wordsTogether } from '../wordsUnder.ts';
import { signsOf, tempoText } from './writeSigns.ts';

export interface AbcOptions {
  /** Ids of the voices written; all that are no percussion when left out. */
  readonly voices?: readonly string[];
  /** Gives a note a class of its own, for who draws what is written. */
  readonly classOf?: (note: SongNote, voice: string) => string;
  /** What stands as a line of words under a note, such as its tab. */
  readonly wordsUnder?: (note: SongNote, voice: string) => string | undefined;
  /** Bars in each line; four a line when left out. */
  readonly lines?: readonly number[];
  /** Lyrics are left out where false. */
  readonly lyrics?: boolean;
  /** Chord symbols are left out where false. */
  readonly chords?: boolean;
}

/** Unit of lengths: an eighth. */
const UNIT = QUARTER / 2;

const BARS_PER_LINE = 4;

/** A song as ABC, one tune with the number 1. */
export function writeAbc(song: Song, options: AbcOptions = {}): string {
  const all = song.parts
    .filter((part) => options.voices || !part.percussion)
    .flatMap((part) => part.voices.map((voice) => ({ voice, name: part.name })));
  const voices = options.voices ? all.filter(({ voice }) => options.voices!.includes(voice.id)) : all;
  const key = song.keys[0]!;
  const [metre] = song.metres;
  const [tempo] = song.tempos;
  const field = (letter: string, text: string) => (text === '' ? [] : [`${letter}:${oneLine(text)}`]);
  const head = [
    'X:1',
    ...field('T', song.title),
    ...field('C', song.composer),
    ...field('S', song.source),
    ...field('R', song.tags.join(', ')),
    ...field('P', (song.order ?? []).join('')),
    `M:${metre?.at === 0 ? `${metre.count}/${metre.unit}` : 'none'}`,
    'L:1/8',
    ...(tempo?.at === 0 ? [`Q:${tempoText(tempo)}`] : []),
    ...(voices.length > 1
      ? voices.map(
          ({ name }, i) => `V:${i + 1}${name ? ` name="${oneLine(name).replaceAll('"', "'")}"` : ''}`,
        )
      : []),
    `K:${keyText(key)}`,
  ];
  const bodies = voices.map(({ voice }, i) => new VoiceWriter(song, voice, i === 0, options).lines());
  const count = Math.max(0, ...bodies.map((lines) => lines.length));
  const body = Array.from({ length: count }, (_, line) =>
    bodies.flatMap((lines, i) => [...(voices.length > 1 ? [`V:${i + 1}`] : []), ...(lines[line] ?? [])]),
  ).flat();
  return [...head, ...body, ''].join('\n');
}

function oneLine(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

const MODES: Readonly<Record<string, string>> = {
  major: '',
  'natural-minor': 'm',
  dorian: 'dor',
  phrygian: 'phr',
  lydian: 'lyd',
  mixolydian: 'mix',
  locrian: 'loc',
};

/** The key by its mode; a scale that ABC has no word for by the signature under which it is written. */
export function keyText({ tonic, scale }: Pick<SongKey, 'tonic' | 'scale'>): string {
  const mode = MODES[scale];
  return mode === undefined
    ? noteCode(majorTonic(fifthsOfSongKey({ tonic, scale })))
    : noteCode(tonic) + mode;
}

class VoiceWriter {
  private readonly starts: readonly Ticks[];
  private readonly bars: readonly (readonly WrittenEvent[])[];
  private signature: ReadonlyMap<Letter, number> = new Map();
  private byLetter = new Map<Letter, number>();
  private byPlace = new Map<string, number>();
  private beats = { from: 0, each: QUARTER };

  constructor(
    private readonly song: Song,
    private readonly voice: Voice,
    private readonly leads: boolean,
    private readonly options: AbcOptions,
  ) {
    this.starts = barStarts(song);
    this.bars = writtenBars(song, voice);
  }

  /** Each line of music with its lines of words. */
  lines(): string[][] {
    const made: string[][] = [];
    const { lines = [] } = this.options;
    for (let bar = 0, line = 0; bar < this.bars.length; line += 1) {
      let to = Math.min(this.bars.length, bar + Math.max(1, lines[line] ?? BARS_PER_LINE));
      const section = this.song.bars.findIndex((b, i) => i > bar && i < to && b.section !== undefined);
      if (section > 0) to = section;
      made.push(this.line(bar, to));
      bar = to;
    }
    return made;
  }

  private line(from: number, to: number): string[] {
    const { section } = this.song.bars[from]!;
    let music = '';
    for (let bar = from; bar < to; bar += 1) music += this.bar(bar, bar === from);
    const events = this.bars
      .slice(from, to)
      .flat()
      .filter(({ notes }) => notes.length > 0);
    return [
      ...(section !== undefined && this.leads ? [`P:${oneLine(section)}`] : []),
      music.trim(),
      ...this.words(events),
    ];
  }

  private bar(bar: number, firstOfLine: boolean): string {
    const from = this.starts[bar]!;
    this.byLetter = new Map();
    this.byPlace = new Map();
    const key = holdingAt(this.song.keys, from)!;
    this.signature = signatureSigns(fifthsOfSongKey(key));
    const signs = signsOf(this.song.bars, bar, this.leads);
    const changes = bar === 0 ? [] : this.changesAt(from);
    this.beats = this.beatsIn(bar);
    const inner = this.bars[bar]!.map((event) => this.event(event)).join('');
    const opening = firstOfLine ? signs.opensLine : '';
    return (
      [opening, ...changes, signs.before, inner.trim(), signs.after, signs.close]
        .filter((text) => text !== '')
        .join(' ') + ' '
    );
  }

  /** Where beams begin anew; a pickup is counted from the bar line that it leads to. */
  private beatsIn(bar: number): { readonly from: Ticks; readonly each: Ticks } {
    const [from, end] = [this.starts[bar]!, this.starts[bar + 1]!];
    const metre = holdingAt(this.song.metres, from);
    if (!metre) return { from, each: QUARTER };
    const { divisions, beat } = countedMetre(metre.count, metre.unit);
    // Eighths of a metre that is not counted in dotted beats go in pairs; three of 3/8 stay together.
    const each = metre.count === 3 && metre.unit > 4 ? 3 * beat : divisions === 3 ? beat : QUARTER;
    return { from: bar === 0 ? end - each * Math.ceil((end - from) / each) : from, each };
  }

  /** Key, metre and tempo that begin with a bar. */
  private changesAt(at: Ticks): string[] {
    const { keys, metres, tempos } = this.song;
    const key = keys.find((change) => change.at === at);
    const metre = metres.find((change) => change.at === at);
    const tempo = tempos.find((change) => change.at === at);
    return [
      ...(key ? [`[K:${keyText(key)}]`] : []),
      ...(metre ? [`[M:${metre.count}/${metre.unit}]`] : []),
      ...(tempo && this.leads ? [`[Q:${tempoText(tempo)}]`] : []),
    ];
  }

  private event(event: WrittenEvent): string {
    const { onset, length, written, notes, continued, tied, begins, ends } = event;
    const brackets = begins.map((t) => `(${t.actual}:${t.normal}:${this.countIn(t)}`).join('');
    const space =
      (onset - this.beats.from) % this.beats.each === 0 || begins.length > 0 || length >= QUARTER ? ' ' : '';
    const chord = this.leads && this.options.chords !== false ? this.chordsIn(onset, length) : '';
    const after = ends > 0 ? ' ' : '';
    if (notes.length === 0) return `${space}${chord}${brackets}z${lengthText(written)}${after}`;
    // In the order in which they are read, for the accidentals.
    const grace = continued ? '' : this.graceText(notes);
    const heads = notes.map(
      (note) =>
        this.pitch(note.pitch) + (notes.length > 1 && note.tied && !notes.every((n) => n.tied) ? '-' : ''),
    );
    const tie =
      tied && (notes.length === 1 || notes.every((n) => n.tied) || !this.endsNotes(event)) ? '-' : '';
    const core = notes.length === 1 ? heads[0]! : `[${heads.join('')}]`;
    const first = notes[0]!;
    const classes = notes
      .map((note) => this.options.classOf?.(note, this.voice.id))
      .find((name) => name !== undefined);
    return (
      space +
      chord +
      grace +
      brackets +
      (classes ? `!class=${classes}!` : '') +
      (continued ? '' : marksText(first)) +
      core +
      lengthText(written) +
      tie +
      after
    );
  }

  /** Whether this sign is the last one of its notes. */
  private endsNotes({ onset, length, notes }: WrittenEvent): boolean {
    const first = notes[0]!;
    return onset + length >= first.onset + first.length;
  }

  private countIn({ onset, length }: { readonly onset: Ticks; readonly length: Ticks }): number {
    const bar = this.bars.find((events) => events.some((event) => event.onset === onset)) ?? [];
    return bar.filter((event) => event.onset >= onset && event.onset < onset + length).length;
  }

  /** Chords that begin under this sign; of several the first. */
  private chordsIn(onset: Ticks, length: Ticks): string {
    const chord = this.song.chords.find(({ at }) => at >= onset && at < onset + length);
    return chord
      ? `"${chord.symbol.replaceAll('"', "'").replaceAll('♭', 'b').replaceAll('♯', '#').replaceAll('°', 'dim')}"`
      : '';
  }

  private graceText(notes: readonly SongNote[]): string {
    const grace = notes.flatMap((note) => note.grace ?? []);
    return grace.length > 0 ? `{${grace.map((pitch) => this.pitch(pitch)).join('')}}` : '';
  }

  /** With a sign wherever a reader might otherwise take it for another, whether signs reach other octaves or not. */
  private pitch({ letter, accidental, octave }: SpelledPitch): string {
    const place = letter + String(octave);
    const signed = this.signature.get(letter) ?? 0;
    const understood = [this.byLetter.get(letter) ?? signed, this.byPlace.get(place) ?? signed];
    const clear = understood.every((alter) => alter === accidental);
    const sign = clear
      ? ''
      : accidental === 0
        ? '='
        : (accidental < 0 ? '_' : '^').repeat(Math.min(2, Math.abs(accidental)));
    if (sign !== '') {
      this.byLetter.set(letter, accidental);
      this.byPlace.set(place, accidental);
    }
    return (
      sign +
      (octave >= 5
        ? letter.toLowerCase() + "'".repeat(octave - 5)
        : letter + ','.repeat(Math.max(0, 4 - octave)))
    );
  }

  private words(events: readonly WrittenEvent[]): string[] {
    const { wordsUnder, lyrics = true } = this.options;
    const sungAt = new Map(events.map(({ notes }) => [notes, lyrics ? sungTo(notes) : []]));
    const verses = Math.max(0, ...[...sungAt.values()].map(({ length }) => length));
    const line = (of: (notes: readonly SongNote[]) => string | undefined) =>
      `w:${events.map(({ notes, continued }) => (continued ? '*' : (of(notes) ?? '*'))).join(' ')}`;
    const sung = Array.from({ length: verses }, (_, verse) =>
      line((notes) => {
        const syllable = sungAt.get(notes)?.[verse]?.syllable;
        return syllable ? syllableText(syllable.text) + (syllable.hyphen ? '-' : '') : undefined;
      }).replaceAll('- ', '-'),
    );
    if (!wordsUnder) return sung;
    return [...sung, line((notes) => plainWord(wordsTogether(notes, this.voice.id, wordsUnder)))];
  }
}

function plainWord(text: string | undefined): string | undefined {
  return text === undefined ? undefined : syllableText(text);
}

function syllableText(text: string): string {
  return text
    .replace(/[\\\-_*~|]/g, '\\$&')
    .replaceAll(' ', '~')
    .replaceAll('%', '\\%');
}

const SIGNS: Readonly<Partial<Record<NoteMark, string>>> = { staccato: '.', accent: '!>!', roll: '~' };

function marksText({ marks = [] }: SongNote): string {
  return marks.map((mark) => SIGNS[mark] ?? `!${mark}!`).join('');
}

/** A written length in eighths: empty for one, `/2` for a sixteenth. */
function lengthText(written: Ticks): string {
  const common = commonMeasure([written, UNIT]);
  const [over, under] = [written / common, UNIT / common];
  return (over === 1 ? '' : String(over)) + (under === 1 ? '' : `/${under}`);
}
