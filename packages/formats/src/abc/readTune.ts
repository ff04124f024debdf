import { fail, type Result, asError } from '@same-song/core';
import { countedMetre, LETTERS, QUARTER, type SpelledPitch, type Ticks } from '@same-song/core/music';
import type { NoteMark } from '@same-song/core/song';
import {
  emptyDraft,
  finish,
  shifted,
  shiftedTonic,
  type Draft,
  type DraftNote,
  type DraftVoice,
  type Read,
} from '../draft.ts';
import type { Remark } from '../remark.ts';
import { parseTune, type AbcElement, type AbcKey, type AbcPitch } from './abcjs.ts';
import type { TuneText } from './book.ts';
import { ACCIDENTALS, factsOf, keyOfAbc, metreOfAbc, plainText, signatureOf } from './fields.ts';
import { underNotes, wordsIn, type Place } from './lyrics.ts';
import { endingNumbers, Signs } from '../signs.ts';
import { voicesOf, type VoiceText } from './voices.ts';

/** One tune of ABC text as a song. What cannot be understood is passed over and said. */
export function readTune(tune: TuneText): Result<Read> {
  const length = tune.lines.reduce((sum, line) => sum + line.length, 0);
  const longest = tune.lines.reduce((most, line) => Math.max(most, line.length), 0);
  if (length > TUNE_LIMITS.length || longest > TUNE_LIMITS.line) {
    const message = `This is longer than any tune: ${length} characters, in lines of up to ${longest}.`;
    return fail({ field: '', wrong: '', message });
  }
  const remarks: Remark[] = [];
  const voices = voicesOf(tune.lines);
  const facts = factsOf(tune.lines.slice(0, headOf(tune.lines)));
  const draft = emptyDraft(facts.title);
  Object.assign(draft, { composer: facts.composer, source: facts.source, tags: [...facts.tags] });
  for (const title of facts.otherTitles) remarks.push({ text: `Also called “${title}”.` });
  if (facts.order.length > 0) {
    draft.order = facts.order;
    remarks.push({ text: `Sections are played in the order ${facts.order.join(' ')}.` });
  }
  if (!tune.lines.some((line) => line.startsWith('K:')))
    remarks.push({ text: 'No key is given (K:); it is read in C.' });
  for (const voice of voices) {
    try {
      new VoiceReader(draft, voice, tune, remarks).read();
    } catch (error) {
      const message = `Voice ${voice.id} cannot be read as ABC (${asError(error).message}).`;
      if (voices.length === 1) return fail({ field: '', wrong: facts.title, message });
      remarks.push({ text: message });
    }
  }
  const lengths = voices.filter((voice) => voice.overlay === 0).length;
  if (lengths > 1) sayUnequal(draft, remarks);
  return finish(draft, remarks);
}

/** Characters of a tune and of one of its lines: several times what the longest take. */
const TUNE_LIMITS = Object.freeze({ length: 600_000, line: 20_000 });

function headOf(lines: readonly string[]): number {
  const key = lines.findIndex((line) => line.startsWith('K:'));
  return key < 0 ? lines.length : key + 1;
}

function sayUnequal(draft: Draft, remarks: Remark[]): void {
  const last = draft.parts.map((part) =>
    Math.max(-1, ...part.voices.flatMap((v) => v.notes.map(({ bar }) => bar))),
  );
  const longest = Math.max(...last);
  draft.parts.forEach((part, i) => {
    if (last[i]! >= 0 && last[i]! < longest - 1)
      remarks.push({ text: `Voice ${part.id} ends at bar ${last[i]! + 1} of ${longest + 1}.` });
  });
}

const NOTE_MARKS: Readonly<Record<string, NoteMark>> = {
  staccato: 'staccato',
  tenuto: 'tenuto',
  accent: 'accent',
  fermata: 'fermata',
  breath: 'breath',
  roll: 'roll',
  irishroll: 'roll',
  trill: 'trill',
};

/** Reads one voice into the draft: bars that are there already get longer where this voice needs it. */
class VoiceReader {
  private readonly leads: boolean;
  private readonly voice: DraftVoice;
  private readonly text: string;
  private readonly signs: Signs;
  private at: Ticks = 0;
  private key: AbcKey = {};
  private signature: ReadonlyMap<string, number> = new Map();
  private altered = new Map<string, number>();
  /** How notes are altered that are tied to the next, by letter and octave: a tie carries the sign over the bar line. */
  private tiedTo: ReadonlyMap<string, number> = new Map();
  private tying = new Map<string, number>();
  private metre: { readonly count: number; readonly unit: number } | undefined;
  private tuplet: { readonly start: Ticks; readonly actual: number; readonly normal: number } | undefined;
  private propagate: 'not' | 'octave' | 'pitch';
  private filled = false;
  private rounded = false;
  private shift: number;
  private readonly places = new Map<number, Place<number>[]>();
  private readonly lineStarts: readonly number[];
  private line = 0;

  constructor(
    private readonly draft: Draft,
    private readonly of: VoiceText,
    private readonly tune: TuneText,
    private readonly remarks: Remark[],
  ) {
    const { id, name, percussion, overlay } = of;
    this.leads = draft.parts.length === 0;
    this.voice = { id: overlay === 0 ? id : `${id}&${overlay}`, notes: [], tuplets: [] };
    const part = draft.parts.find((known) => known.id === id);
    if (part) part.voices.push(this.voice);
    else draft.parts.push({ id, name, percussion, voices: [this.voice] });
    this.text = of.lines.map((line) => (line.startsWith('w:') ? '%'.padEnd(line.length) : line)).join('\n');
    let begun = 0;
    this.lineStarts = of.lines.map((line) => (begun += line.length + 1) - line.length - 1);
    this.shift = of.shifts[0]?.semitones ?? 0;
    this.signs = new Signs(draft.bars, this.leads);
    const said = /^(?:%%|I:\s*)propagate-accidentals\s+(not|octave|pitch)/m.exec(this.text)?.[1];
    this.propagate = (said as 'not' | 'octave' | 'pitch' | undefined) ?? 'pitch';
  }

  read(): void {
    const { lines, metaText, warnings } = parseTune(this.text);
    if (metaText.tempo) this.tempo(metaText.tempo);
    for (const { message, startChar } of this.leads || this.of.overlay === 0 ? warnings : [])
      this.remarks.push({ text: `${message}.`, ...this.placeOf(startChar) });
    for (const line of lines) {
      const staff = line.staff?.[0];
      if (!staff) continue;
      this.setKey(staff.key);
      if (staff.meter) this.setMetre(staff.meter);
      for (const element of staff.voices[0] ?? []) this.element(element);
    }
    this.signs.end(this.at);
    this.sing();
  }

  /** Puts each line of words under the line of music before it; one after the other they are verses. */
  private sing(): void {
    let places: Place<number>[] = [];
    let verse = 0;
    let words = '';
    this.of.lines.forEach((line, i) => {
      const music = this.places.get(i);
      if (music) {
        const goesOn = verse === 0 && /\\\s*$/.test(this.of.lines[i - 1] ?? '');
        places = goesOn ? [...places, ...music] : music;
        verse = 0;
      }
      if (!line.startsWith('w:')) return;
      words += line.slice(2);
      if (words.endsWith('\\')) {
        words = words.slice(0, -1);
        return;
      }
      underNotes(places, wordsIn(words.replace(/(^|[^\\])%.*/, '$1')), (index, syllable) => {
        const note = this.voice.notes[index]!;
        const lyrics = [...(note.lyrics ?? [])];
        while (lyrics.length < verse) lyrics.push(null);
        if (verse < 20) this.voice.notes[index] = { ...note, lyrics: [...lyrics, syllable] };
      });
      verse += 1;
      words = '';
    });
  }

  /** Remembers for the words what stands in the line in which an element begins. */
  private placed(char: number, place: Place<number>): void {
    const line = this.lineOf(char);
    this.places.set(line, [...(this.places.get(line) ?? []), place]);
  }

  private lineOf(char: number): number {
    while (this.lineStarts[this.line + 1] !== undefined && this.lineStarts[this.line + 1]! <= char)
      this.line += 1;
    while (this.line > 0 && this.lineStarts[this.line]! > char) this.line -= 1;
    return this.line;
  }

  private placeOf(char: number): { line: number; column: number } {
    const before = this.text.slice(0, Math.max(0, char)).split('\n');
    return { line: this.tune.linesBefore + before.length, column: before.at(-1)!.length + 1 };
  }

  private get here() {
    return { bar: this.signs.bar, at: this.at };
  }

  private element(element: AbcElement): void {
    if (element.el_type === 'note') this.note(element);
    else if (element.el_type === 'bar') this.bar(element);
    else if (element.el_type === 'key') this.setKey(element);
    else if (element.el_type === 'meter') this.setMetre(element);
    else if (element.el_type === 'tempo') this.tempo(element);
    else if (element.el_type === 'part' && element.title && this.leads) {
      this.nextBar();
      this.signs.section(element.title.trim());
    }
  }

  private setKey(key: AbcKey): void {
    if (
      JSON.stringify(key.accidentals) === JSON.stringify(this.key.accidentals) &&
      key.root === this.key.root &&
      key.mode === this.key.mode
    )
      return;
    this.key = key;
    this.signature = signatureOf(key);
    const { tonic, scale } = keyOfAbc(key);
    if (this.leads)
      this.draft.keys.push({ ...this.here, scale, tonic: shiftedTonic(tonic, scale, this.shift) });
  }

  private setMetre(written: AbcElement | { type?: string }): void {
    this.metre = metreOfAbc(written);
    if (this.leads && this.metre) this.draft.metres.push({ ...this.here, ...this.metre });
  }

  private tempo({ duration, bpm }: AbcElement): void {
    const beats = Array.isArray(duration) ? (duration as readonly number[]) : [];
    const beat = Math.round(4 * QUARTER * (beats.length > 0 ? beats.reduce((a, b) => a + b, 0) : 0.25));
    if (this.leads && bpm && bpm >= 5 && bpm <= 600 && beat > 0 && beat <= 8 * QUARTER)
      this.draft.tempos.push({ ...this.here, beat, perMinute: bpm });
  }

  private nextBar(): void {
    if (!this.filled) return;
    this.signs.close(this.at);
    this.at = 0;
    this.filled = false;
    this.altered = new Map();
  }

  private bar(element: AbcElement): void {
    const { type = '', startEnding, endEnding, decoration = [], chord = [] } = element;
    const filled = this.filled;
    if (filled) this.placed(element.startChar, 'bar');
    this.words(chord, decoration, true);
    this.nextBar();
    this.altered = new Map();
    // `::|` is played three times.
    const times = /^\s*(:{2,})\|(?!:)/.exec(this.text.slice(element.startChar, element.endChar + 2))?.[1]
      ?.length;
    this.signs.line({
      type: times === undefined ? type : 'bar_right_repeat',
      times: (times ?? 1) + 1,
      filled,
      endEnding: endEnding === true,
      endings: startEnding === undefined ? undefined : endingNumbers(startEnding),
    });
  }

  /** Da capo and its like, by decoration or by word. */
  private words(chord: AbcElement['chord'] = [], decoration: readonly string[], onBar: boolean): void {
    if (!this.leads) return;
    for (const sign of decoration) this.signs.sign(sign, onBar, this.at > 0);
    for (const { name, position } of chord) if (position !== 'default') this.signs.word(name, onBar);
  }

  private note(element: AbcElement): void {
    const { duration, rest, pitches = [], chord = [], decoration = [] } = element;
    this.words(chord, decoration, false);
    for (const { name, position } of chord) {
      const symbol = name.trim();
      if (
        this.of.overlay === 0 &&
        position === 'default' &&
        /^([A-G]|n\.?c\.?$)/i.test(symbol) &&
        symbol.length <= 60
      )
        this.draft.chords.push({ ...this.here, symbol: plainText(symbol).split('\n')[0]! });
    }
    if (rest?.type === 'spacer') return;
    if (rest?.text !== undefined && /multimeasure/.test(rest.type)) return this.restBars(rest.text);
    this.startTuplet(element);
    const { actual = 1, normal = 1 } = this.tuplet ?? {};
    const exact = (4 * QUARTER * (typeof duration === 'number' ? duration : 0) * normal) / actual;
    const length = Math.round(exact);
    if (Math.abs(exact - length) > 0.01 && !this.rounded) {
      this.rounded = true;
      this.remarks.push({ text: 'Lengths this short are rounded.', ...this.placeOf(element.startChar) });
    }
    const from = this.here;
    if (pitches.length > 0 && length > 0) this.pitches(element, pitches, { ...from, length });
    if (this.of.overlay === 0 || !rest) {
      this.at += length;
      this.filled ||= length > 0;
    } else this.filled = true;
    if (this.tuplet && element.endTriplet) {
      const { start } = this.tuplet;
      if (this.at > start && actual !== normal)
        this.voice.tuplets.push({ bar: from.bar, at: start, length: this.at - start, actual, normal });
      this.tuplet = undefined;
    }
    for (const sign of decoration) if (/phrase$|^breath$/.test(sign)) this.draft.phrases.push(this.here);
  }

  private startTuplet({ startTriplet, tripletMultiplier, startChar, endChar }: AbcElement): void {
    if (startTriplet === undefined || tripletMultiplier === undefined) return;
    // Where only the first number is written, the metre decides what fives, sevens and nines take the time of.
    const written = /\(\d(:?)/.exec(this.text.slice(startChar, endChar))?.[1];
    const byMetre = [5, 7, 9].includes(startTriplet) && written === '';
    const compound =
      this.metre !== undefined && countedMetre(this.metre.count, this.metre.unit).divisions === 3;
    const normal = byMetre ? (compound ? 3 : 2) : Math.round(startTriplet * tripletMultiplier);
    this.tuplet = { start: this.at, actual: startTriplet, normal: Math.max(1, normal) };
  }

  private restBars(count: number): void {
    const { count: beats, unit } = this.metre ?? { count: 4, unit: 4 };
    for (let i = 0; i < Math.min(count, 500); i += 1) {
      if (i > 0) this.nextBar();
      this.at = (4 * QUARTER * beats) / unit;
      this.filled = true;
    }
  }

  private pitches(
    element: AbcElement,
    pitches: readonly AbcPitch[],
    place: { bar: number; at: Ticks; length: Ticks },
  ): void {
    const { gracenotes = [], decoration = [] } = element;
    const grace = gracenotes.map((note) => this.spelled(note, element.startChar));
    const marks = decoration.flatMap((sign) => NOTE_MARKS[sign] ?? []);
    this.placed(element.startChar, { note: this.voice.notes.length });
    this.tiedTo = this.tying;
    this.tying = new Map();
    pitches.forEach((written, i) => {
      const note: DraftNote = {
        ...place,
        pitch: this.spelled(written, element.startChar, written),
        ...(written.startTie && { tied: true }),
        ...(i === 0 && grace.length > 0 && { grace: grace.slice(0, 20) }),
        ...(i === 0 && marks.length > 0 && { marks: [...new Set(marks)] }),
      };
      this.voice.notes.push(note);
    });
  }

  /**
   * What is meant by a written note here: signature, accidentals before it in the bar, octave and transposition.
   * @param main the note itself where it is no grace note
   */
  private spelled({ pitch: step, accidental }: AbcPitch, char: number, main?: AbcPitch): SpelledPitch {
    const letter = LETTERS[((step % 7) + 7) % 7]!;
    const octave = Math.floor(step / 7) + 4;
    const place = this.propagate === 'octave' ? `${letter}${octave}` : letter;
    if (accidental !== undefined && this.propagate !== 'not')
      this.altered.set(place, ACCIDENTALS[accidental] ?? 0);
    const held = main ? this.tiedTo.get(`${letter}${octave}`) : undefined;
    const alter =
      accidental === undefined
        ? (held ?? this.altered.get(place) ?? this.signature.get(letter) ?? 0)
        : (ACCIDENTALS[accidental] ?? 0);
    if (main?.startTie) this.tying.set(`${letter}${octave}`, alter);
    const written = { letter, accidental: alter, octave };
    this.shift = this.of.shifts.findLast(({ from }) => from <= char)?.semitones ?? 0;
    return shifted(written, this.shift, this.draft.keys.at(-1));
  }
}
