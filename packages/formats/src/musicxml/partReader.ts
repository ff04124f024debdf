import { LETTERS, QUARTER, type SpelledPitch, type Ticks } from '@same-song/core/music';
import type { NoteMark, Syllable } from '@same-song/core/song';
import { shifted, type Draft, type DraftNote, type DraftPart, type DraftVoice } from '../draft.ts';
import type { Remark } from '../remark.ts';
import { ARTICULATIONS, KINDS, NAMED_ORNAMENTS, ORNAMENTS } from './tables.ts';
import { child, childrenOf, numberIn, textIn, type Xml } from './xml.ts';

interface PartFacts {
  readonly id: string;
  readonly name: string;
  /** Its entry in the list of parts. */
  readonly about: Xml | undefined;
  /** Pitches are written as they sound. */
  readonly concert: boolean;
  readonly leads: boolean;
}

interface OpenTuplet {
  readonly number: string;
  readonly at: number;
  readonly ratio: Ratio;
}

interface Ratio {
  readonly actual: number;
  readonly normal: number;
}

/** What is remembered of one voice while its part is read. */
interface VoiceState {
  readonly voice: DraftVoice;
  /** Where the last note or rest began, in quarters since the bar began; notes of a chord join it. */
  onset: number;
  grace: SpelledPitch[];
  readonly open: OpenTuplet[];
  /** A run of notes in one ratio that no tuplet encloses. */
  run: { readonly at: number; readonly ratio: Ratio; length: number } | undefined;
}

/** Reads the notes, chord symbols and words of one part into the draft. Durations decide, whatever types and dots say. */
export class PartReader {
  private readonly part: DraftPart;
  private readonly voices = new Map<string, VoiceState>();
  private readonly transpose = new Map<string, number>();
  private divisions = 1;
  private bar = 0;
  /** Quarters since the bar began. */
  private at = 0;
  private filled = 0;
  private restOnly = 0;
  private metre = 4;
  private unpitched = 0;
  private pitched = 0;
  private lost = 0;
  private cues = 0;

  constructor(
    private readonly draft: Draft,
    private readonly facts: PartFacts,
    private readonly remarks: Remark[],
  ) {
    const { id, name, about } = facts;
    const percussion = childrenOf(about, 'midi-instrument').some(
      (midi) => numberIn(midi, 'midi-channel') === 10,
    );
    this.part = { id, name: name.slice(0, 200), percussion, voices: [] };
  }

  measure(measure: Xml, bar: number): void {
    this.bar = bar;
    this.at = this.filled = this.restOnly = 0;
    while (this.draft.bars.length <= bar) this.draft.bars.push({ length: 0 });
    for (const element of measure.children) this.element(element);
    for (const state of this.voices.values()) {
      this.lost += state.grace.length;
      state.grace = [];
      state.open.length = 0;
      state.run = undefined;
    }
    const length = ticks(this.filled || this.restOnly);
    this.draft.bars[bar]!.length = Math.max(this.draft.bars[bar]!.length, length);
  }

  end(): void {
    const percussion = this.part.percussion || this.unpitched > this.pitched;
    this.draft.parts.push({ ...this.part, percussion });
    const name = this.facts.name || this.facts.id;
    if (percussion) this.remarks.push({ text: `The percussion part “${name}” is set aside.` });
    if (this.lost > 0)
      this.remarks.push({
        text: `Grace notes at the end of a bar are left out (${this.lost} in “${name}”).`,
      });
    if (this.cues > 0) this.remarks.push({ text: `Cue notes are silent (${this.cues} in “${name}”).` });
  }

  private element(element: Xml): void {
    const duration = (numberIn(element, 'duration') ?? 0) / this.divisions;
    if (element.name === 'note') this.note(element, Math.max(0, duration));
    else if (element.name === 'backup') this.at = Math.max(0, this.at - duration);
    else if (element.name === 'forward') {
      this.at += Math.max(0, duration);
      this.filled = Math.max(this.filled, this.at);
    } else if (element.name === 'attributes') this.attributes(element);
    else if (element.name === 'harmony' && this.facts.leads) this.harmony(element);
  }

  private attributes(attributes: Xml): void {
    const divisions = numberIn(attributes, 'divisions');
    if (divisions && divisions > 0) this.divisions = divisions;
    const time = child(attributes, 'time');
    const beats = (textIn(time, 'beats') ?? '').split('+').reduce((sum, n) => sum + Number(n), 0);
    const unit = numberIn(time, 'beat-type');
    if (beats > 0 && unit) this.metre = (4 * beats) / unit;
    for (const moved of childrenOf(attributes, 'transpose')) {
      const semitones = (numberIn(moved, 'chromatic') ?? 0) + 12 * (numberIn(moved, 'octave-change') ?? 0);
      const staff = moved.attributes['number'];
      if (staff === undefined) this.transpose.clear();
      this.transpose.set(staff ?? '', semitones);
    }
    if (childrenOf(attributes, 'clef').some((clef) => textIn(clef, 'sign') === 'percussion'))
      this.unpitched += 1;
  }

  private stateOf(note: Xml): VoiceState {
    const id = textIn(note, 'voice') ?? '1';
    const known = this.voices.get(id);
    if (known) return known;
    const voice: DraftVoice = { id: `${this.facts.id}.${id}`.slice(0, 50), notes: [], tuplets: [] };
    const state = { voice, onset: 0, grace: [], open: [], run: undefined };
    this.voices.set(id, state);
    this.part.voices.push(voice);
    return state;
  }

  private note(note: Xml, duration: number): void {
    const state = this.stateOf(note);
    const inChord = child(note, 'chord') !== undefined;
    const pitch = this.pitchOf(note);
    if (child(note, 'grace')) {
      if (pitch && !child(note, 'cue')) state.grace.push(pitch);
      return;
    }
    if (!inChord) {
      state.onset = this.at;
      this.at += duration;
    }
    const from = state.onset;
    const rest = child(note, 'rest');
    if (rest?.attributes['measure'] === 'yes') {
      this.restOnly = Math.max(this.restOnly, Math.min(duration, this.metre) || this.metre);
      this.at = from + Math.min(duration, this.metre);
      return;
    }
    this.filled = Math.max(this.filled, from + duration);
    if (!inChord) this.tuplets(state, note, from, duration);
    if (!pitch || duration <= 0) return;
    if (child(note, 'cue')) {
      this.cues += 1;
      return;
    }
    state.voice.notes.push({
      bar: this.bar,
      at: ticks(from),
      length: Math.max(1, ticks(from + duration) - ticks(from)),
      pitch,
      ...extrasOf(note, state),
    });
    if (!inChord) state.grace = [];
  }

  /** What sounds: transposed where the part is written otherwise; undefined for rests. */
  private pitchOf(note: Xml): SpelledPitch | undefined {
    const unpitched = child(note, 'unpitched');
    const written = child(note, 'pitch') ?? unpitched;
    if (!written) return undefined;
    this.unpitched += unpitched ? 1 : 0;
    this.pitched += unpitched ? 0 : 1;
    const step = textIn(written, 'step') ?? textIn(written, 'display-step');
    const octave = numberIn(written, 'octave') ?? numberIn(written, 'display-octave');
    const letter = LETTERS.find((l) => l === (step ?? 'B').toUpperCase());
    if (!letter || !Number.isInteger(octave ?? 4)) return undefined;
    // Quarter tones sound as the nearest that a song can hold.
    const accidental = Math.max(-3, Math.min(3, Math.trunc(numberIn(written, 'alter') ?? 0)));
    const pitch = { letter, accidental, octave: octave ?? 4 };
    if (this.facts.concert || unpitched) return pitch;
    const staff = textIn(note, 'staff') ?? '1';
    const semitones = this.transpose.get(staff) ?? this.transpose.get('') ?? 0;
    return shifted(
      pitch,
      semitones,
      this.draft.keys.findLast(({ bar }) => bar <= this.bar),
    );
  }

  private tuplets(state: VoiceState, note: Xml, from: number, duration: number): void {
    const ratio = ratioOf(child(note, 'time-modification'));
    const marks = childrenOf(note, 'notations').flatMap((notations) => childrenOf(notations, 'tuplet'));
    const enclosing = () =>
      state.open.reduce(
        (all, { ratio: r }) => ({ actual: all.actual * r.actual, normal: all.normal * r.normal }),
        { actual: 1, normal: 1 },
      );
    for (const mark of marks.filter(({ attributes }) => attributes['type'] === 'start')) {
      const own = ratioOf(mark, 'tuplet-actual', 'tuplet-normal') ?? within(ratio, enclosing());
      if (own) state.open.push({ number: mark.attributes['number'] ?? '1', at: from, ratio: own });
    }
    const inTuplet = state.open.length > 0;
    for (const mark of marks.filter(({ attributes }) => attributes['type'] === 'stop')) {
      const index = state.open.findLastIndex(({ number }) => number === (mark.attributes['number'] ?? '1'));
      const [closed] = index < 0 ? [] : state.open.splice(index, 1);
      if (closed) this.close(state, closed.at, from + duration, closed.ratio);
    }
    if (inTuplet || !ratio || duration <= 0) return;
    const run =
      state.run &&
      state.run.ratio.actual === ratio.actual &&
      Math.abs(state.run.at + state.run.length - from) < 1e-6
        ? state.run
        : { at: from, ratio, length: 0 };
    run.length += duration;
    const complete = run.length > duration && Math.abs(run.length * 8 - Math.round(run.length * 8)) < 1e-6;
    if (complete) this.close(state, run.at, run.at + run.length, ratio);
    state.run = complete ? undefined : run;
  }

  private close(state: VoiceState, from: number, to: number, { actual, normal }: Ratio): void {
    if (actual < 2 || actual > 64 || normal < 1 || normal > 64 || actual === normal) return;
    state.voice.tuplets.push({
      bar: this.bar,
      at: ticks(from),
      length: ticks(to) - ticks(from),
      actual,
      normal,
    });
  }

  private harmony(harmony: Xml): void {
    const root = nameIn(child(harmony, 'root'), 'root');
    const kind = child(harmony, 'kind');
    if (!root || !kind) return;
    const bass = nameIn(child(harmony, 'bass'), 'bass');
    const known = KINDS[kind.text.trim()];
    const ending = known ?? kind.attributes['text'] ?? '';
    const none = kind.text.trim() === 'none';
    const offset = (numberIn(harmony, 'offset') ?? 0) / this.divisions;
    const symbol = none ? 'N.C.' : root + ending + degreesOf(harmony) + (bass ? `/${bass}` : '');
    this.draft.chords.push({
      bar: this.bar,
      at: Math.max(0, ticks(this.at + offset)),
      symbol: symbol.slice(0, 60),
    });
  }
}

function ticks(quarters: number): Ticks {
  return Math.round(quarters * QUARTER);
}

function ratioOf(of: Xml | undefined, actual = 'actual-notes', normal = 'normal-notes'): Ratio | undefined {
  const count = (name: string) => numberIn(of, name) ?? numberIn(child(of, name), 'tuplet-number');
  const [a, n] = [count(actual), count(normal)];
  return a && n && Number.isInteger(a) && Number.isInteger(n) && a > 0 && n > 0
    ? { actual: a, normal: n }
    : undefined;
}

/** What is left of a ratio within the ones around it. */
function within(ratio: Ratio | undefined, around: Ratio): Ratio | undefined {
  if (!ratio) return undefined;
  const actual = ratio.actual / around.actual;
  const normal = ratio.normal / around.normal;
  return Number.isInteger(actual) && Number.isInteger(normal) ? { actual, normal } : ratio;
}

function extrasOf(note: Xml, state: VoiceState): Pick<DraftNote, 'tied' | 'grace' | 'marks' | 'lyrics'> {
  const notations = childrenOf(note, 'notations');
  const ties = [...childrenOf(note, 'tie'), ...notations.flatMap((n) => childrenOf(n, 'tied'))];
  const marks = notations.flatMap((n): NoteMark[] => [
    ...(child(n, 'articulations')?.children.flatMap(({ name }) => ARTICULATIONS[name] ?? []) ?? []),
    ...(child(n, 'fermata') ? (['fermata'] as const) : []),
    ...(child(n, 'ornaments')?.children.flatMap(({ name, text }) =>
      name === 'other-ornament' ? (NAMED_ORNAMENTS[text.trim()] ?? []) : (ORNAMENTS[name] ?? []),
    ) ?? []),
  ]);
  const lyrics = lyricsOf(note);
  return {
    ...(ties.some(({ attributes }) => attributes['type'] === 'start') && { tied: true }),
    ...(state.grace.length > 0 && { grace: state.grace.slice(0, 20) }),
    ...(marks.length > 0 && { marks: [...new Set(marks)].slice(0, 7) }),
    ...(lyrics.length > 0 && { lyrics }),
  };
}

function lyricsOf(note: Xml): (Syllable | null)[] {
  const verses: (Syllable | null)[] = [];
  for (const lyric of childrenOf(note, 'lyric')) {
    const text = lyric.children
      .filter(({ name }) => name === 'text')
      .map((t) => t.text)
      .join(' ')
      .trim();
    const verse = Number(lyric.attributes['number'] ?? 1);
    if (text === '' || !(verse >= 1 && verse <= 20)) continue;
    while (verses.length < verse) verses.push(null);
    const syllabic = textIn(lyric, 'syllabic');
    verses[Math.floor(verse) - 1] = {
      text: text.slice(0, 60),
      ...((syllabic === 'begin' || syllabic === 'middle') && { hyphen: true }),
    };
  }
  return verses;
}

function nameIn(of: Xml | undefined, what: 'root' | 'bass'): string | undefined {
  const step = textIn(of, `${what}-step`);
  if (!step || !/^[A-G]$/.test(step)) return undefined;
  const alter = Math.max(-2, Math.min(2, Math.trunc(numberIn(of, `${what}-alter`) ?? 0)));
  return step + (alter < 0 ? '♭' : '♯').repeat(Math.abs(alter));
}

/** Added and altered degrees: `(♭9)`. */
function degreesOf(harmony: Xml): string {
  return childrenOf(harmony, 'degree')
    .flatMap((degree) => {
      const value = numberIn(degree, 'degree-value');
      const alter = numberIn(degree, 'degree-alter') ?? 0;
      const type = textIn(degree, 'degree-type');
      if (!value || type === 'subtract') return [];
      const sign = alter < 0 ? '♭' : alter > 0 ? '♯' : '';
      return sign === '' ? [`add${value}`] : [sign + String(value)];
    })
    .join('');
}
