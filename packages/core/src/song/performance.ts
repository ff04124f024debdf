import type { Feel } from '../groove/feel.ts';
import { parseChord } from '../harmony/chord.ts';
import { notePitchClass, type NoteName } from '../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { barLength } from '../time/metre.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import { barOffsets, metreAt } from './barOffset.ts';
import { ornamented, withMarkedTouches } from './ornaments.ts';
import { played } from './played.ts';
import type { Sounding } from './sounding.ts';
import { feelOf, feltTimes } from './songFeel.ts';
import { barAt, barStarts, holdingAt, melodyOf, pitchedVoices, type Song, type Tempo } from './song.ts';
import { melodyLine, songLine } from './songLine.ts';

/** How a song is to sound. */
export interface PerformanceOptions {
  /** Counted beats a minute where it begins; where its tempo changes it changes by as much. */
  readonly perMinute: number;
  /** Repeats and jumps are taken; otherwise it is played once, with the last of its endings. */
  readonly repeats: boolean;
  /** Only from one note of the melody to another, both included. */
  readonly passage?: { readonly from: string; readonly to: string };
  /** Two bars are counted before it, less what stands before its first bar line. */
  readonly countIn: boolean;
  /** How its eighths are played; as the song says it when left out. */
  readonly feel?: Feel;
  /** The counted beats are heard throughout. */
  readonly click?: boolean;
}

export interface Performance {
  /** Rising by time. */
  readonly soundings: readonly Sounding[];
  /** The counted beats, those of the count and of the rest before a loop begins anew among them. */
  readonly beats: readonly PerformedBeat[];
  /** Bars as they are played, or the parts of them that are. */
  readonly bars: readonly PerformedBar[];
  /** Where the song itself begins, after what is counted. */
  readonly begins: number;
  /**
   * Where a loop begins anew, in time: after its end at the place of a measure where it began. A pickup comes again in the
   * last bar that it completes.
   */
  readonly ends: number;
}

/** A counted beat; `at` in seconds since the beginning. */
export interface PerformedBeat {
  readonly at: number;
  /** Within its measure, from 1, of how many. */
  readonly beat: number;
  readonly of: number;
  /** It is counted before the song. */
  readonly counted: boolean;
}

/** A bar as it is played, or a part of it. */
export interface PerformedBar {
  /** Index of the written bar. */
  readonly bar: number;
  /** Its ticks as it is written. */
  readonly from: Ticks;
  readonly to: Ticks;
  /** Ticks of its measure that lie before it: of an upbeat, or of a passage that begins within a bar. */
  readonly offset: Ticks;
  /** Seconds since the beginning. */
  readonly at: number;
  readonly seconds: number;
}

/** A stretch of the song as it is written that is played without a jump. */
interface Run {
  readonly from: Ticks;
  readonly to: Ticks;
}

/** The parts of a song's bars that lie within a run. */
function barsIn(song: Song, starts: readonly Ticks[], { from, to }: Run) {
  return song.bars.flatMap((_, bar) => {
    const begin = Math.max(from, starts[bar]!);
    const end = Math.min(to, starts[bar + 1]!);
    return end > begin ? [{ bar, from: begin, to: end }] : [];
  });
}

/** A tempo in which quarters are counted, where a song says none. */
const QUARTERS: Pick<Tempo, 'beat' | 'perMinute'> = Object.freeze({ beat: QUARTER, perMinute: 100 });

/** The tempo in which a song begins; in its counted beat, a hundred a minute, where it says none. */
export function tempoOf(song: Pick<Song, 'tempos' | 'metres'>): Pick<Tempo, 'beat' | 'perMinute'> {
  return song.tempos[0] ?? { ...QUARTERS, beat: metreAt(song, 0).beat };
}

/** Everything that sounds when a song, or only its bars, is played: its melody, its other voices, chords, a drone of home and fifth, clicks. */
export function performance(song: Song, options: PerformanceOptions): Performance {
  const runs = runsOf(song, options);
  const clock = clockOf(song, options);
  const first = runs[0]?.from ?? 0;
  const later = feltTimes(song, options.feel ?? feelOf(song), (at) => 60 / clock(at, at + QUARTER));
  const starts = barStarts(song);
  const offsets = barOffsets(song);
  const withinBar = (at: Ticks) => placeInMeasure(starts, offsets, at);
  const phase = withinBar(first) % barLength(metreAt(song, first));
  const counted = options.countIn ? countIn(song, first, phase, clock) : { beats: [], seconds: 0 };
  const beats: PerformedBeat[] = [...counted.beats];
  const bars: PerformedBar[] = [];
  const soundings: Sounding[] = [];
  let begin = counted.seconds;
  const melody = song.parts.length > 0 ? melodyLine(song) : [];
  const keyAt = (onset: Ticks) => holdingAt(song.keys, onset) ?? song.keys[0]!;
  const noteOf = new Map(
    song.parts.length > 0 ? melodyOf(song).voice.notes.map((note) => [note.id, note]) : [],
  );
  const others = pitchedVoices(song)
    .filter(({ id }) => id !== song.melody)
    .flatMap(songLine);
  for (const run of runs) {
    const [since, until] = [later(run.from), later(run.to)];
    const place = (from: Ticks, length: Ticks) => {
      const at = begin + clock(since, later(from));
      return { at, seconds: begin + clock(since, Math.min(until, later(from + length))) - at };
    };
    const inRun = ({ onset }: { readonly onset: Ticks }) => onset >= run.from && onset < run.to;
    for (const { id, onset, length, pitch } of melody.filter(inRun))
      soundings.push(
        ...ornamented(
          { kind: 'melody', ...place(onset, length), pitch, noteId: id },
          withMarkedTouches(noteOf.get(id)!, length, keyAt(onset)),
          length,
        ),
      );
    for (const { onset, length, pitch } of others.filter(inRun))
      soundings.push({ kind: 'voice', ...place(onset, length), pitch });
    for (const { at, length, pitches } of chordsIn(song, run))
      for (const pitch of pitches) soundings.push({ kind: 'chord', ...place(at, length), pitch });
    for (const { bar, from, to } of barsIn(song, starts, run)) {
      const { at, seconds } = place(from, to - from);
      const offset = withinBar(from);
      bars.push({ bar, from, to, offset, at, seconds });
      beats.push(
        ...beatsFrom(song, from, to, offset).map(({ tick, ...beat }) => ({ ...beat, at: place(tick, 0).at })),
      );
    }
    begin += clock(since, until);
  }
  const last = bars.at(-1);
  const rest = last ? restBeforeLoop(song, last, { first, phase }) : { ticks: 0, beats: [] };
  const perTick = last ? clock(last.to - 1, last.to) : 0;
  beats.push(...rest.beats.map(({ ticks, ...beat }) => ({ ...beat, at: begin + ticks * perTick })));
  for (const { at, beat, counted: isCounted } of beats)
    if (isCounted || options.click)
      soundings.push({ kind: 'click', at, seconds: 0, pitch: beat === 1 ? 1 : 0 });
  const home = 48 + notePitchClass(song.keys[0]!.tonic);
  for (const pitch of [home, home + 7])
    soundings.push({ kind: 'drone', at: counted.seconds, seconds: begin - counted.seconds, pitch });
  return {
    soundings: soundings.sort((a, b) => a.at - b.at),
    beats,
    bars,
    begins: counted.seconds,
    ends: begin + rest.ticks * perTick,
  };
}

function runsOf(song: Song, { repeats, passage }: PerformanceOptions): readonly Run[] {
  const starts = barStarts(song);
  if (passage) {
    const line = melodyLine(song);
    const ends = [passage.from, passage.to].flatMap((id) => line.filter((note) => note.id === id));
    if (ends.length === 2) {
      const from = Math.min(...ends.map(({ onset }) => onset));
      return [{ from, to: Math.max(...ends.map(({ onset, length }) => onset + length)) }];
    }
  }
  const order = repeats ? played({ ...song, parts: [] }).bars.map(({ bar }) => bar) : onceThrough(song);
  const runs: { from: Ticks; to: Ticks }[] = [];
  for (const bar of order) {
    const [from, to] = [starts[bar]!, starts[bar + 1]!];
    const last = runs.at(-1);
    if (last?.to === from) last.to = to;
    else runs.push({ from, to });
  }
  return runs;
}

/** Every bar once; of endings that stand side by side the last one. */
function onceThrough({ bars }: Song): readonly number[] {
  const lastOf = (bar: number) => {
    let [from, to] = [bar, bar];
    while (bars[from - 1]?.endings) from -= 1;
    while (bars[to + 1]?.endings) to += 1;
    return Math.max(...bars.slice(from, to + 1).flatMap(({ endings = [] }) => endings));
  };
  return bars.flatMap(({ endings }, bar) => (endings && !endings.includes(lastOf(bar)) ? [] : [bar]));
}

/** Seconds between two times as they are written, at the tempos between them. */
function clockOf(song: Song, { perMinute }: PerformanceOptions): (from: Ticks, to: Ticks) => number {
  const usual = tempoOf(song);
  const ratio = perMinute / usual.perMinute;
  const perTick = ({ beat, perMinute: written }: Pick<Tempo, 'beat' | 'perMinute'>) =>
    60 / (written * ratio * beat);
  return (from, to) => {
    const changes = song.tempos.filter(({ at }) => at > from && at < to);
    let seconds = 0;
    let at = from;
    for (const next of [...changes.map((change) => change.at), to]) {
      seconds += (next - at) * perTick(holdingAt(song.tempos, at) ?? usual);
      at = next;
    }
    return seconds;
  };
}

/** Ticks of its measure before a time. */
function placeInMeasure(starts: readonly Ticks[], offsets: readonly Ticks[], at: Ticks): Ticks {
  const bar = barAt(starts, at);
  return at - starts[bar]! + offsets[bar]!;
}

/** Two bars before a time, less what of its measure still follows. @param phase ticks of its measure before it */
function countIn(song: Song, first: Ticks, phase: Ticks, clock: (from: Ticks, to: Ticks) => number) {
  const metre = metreAt(song, first);
  const bar = barLength(metre);
  const length = phase === 0 ? 2 * bar : bar + phase;
  const perTick = clock(first, first + metre.beat) / metre.beat;
  const beats: PerformedBeat[] = [];
  for (let at = 0; at < length; at += metre.beat)
    beats.push({ at: at * perTick, beat: (at % bar) / metre.beat + 1, of: metre.beats, counted: true });
  return { beats, seconds: length * perTick };
}

/** The counted beats from one written time to before another, within one bar. @param offset ticks of its measure before it */
function beatsFrom(song: Song, from: Ticks, to: Ticks, offset: Ticks) {
  const { beat, beats: of } = metreAt(song, from);
  const found: (Omit<PerformedBeat, 'at'> & { readonly tick: Ticks })[] = [];
  for (let place = Math.ceil(offset / beat) * beat; from + place - offset < to; place += beat)
    found.push({ tick: from + place - offset, beat: place / beat + 1, of, counted: false });
  return found;
}

/** From the end of what is played to where a loop begins anew, and the beats between. @param phase ticks of its measure before the first note */
function restBeforeLoop(
  song: Song,
  { from, to, offset }: PerformedBar,
  { first, phase }: { readonly first: Ticks; readonly phase: Ticks },
) {
  const metre = metreAt(song, from);
  const bar = barLength(metre);
  const place = (offset + to - from) % bar;
  const isAlike = barLength(metreAt(song, first)) === bar;
  const ticks = isAlike && place <= phase ? phase - place : ((bar - place) % bar) + phase;
  const beats: (Omit<PerformedBeat, 'at'> & { readonly ticks: Ticks })[] = [];
  for (let at = Math.ceil(place / metre.beat) * metre.beat; at - place < ticks; at += metre.beat)
    beats.push({
      ticks: at - place,
      beat: (at % bar) / metre.beat + 1,
      of: metre.beats,
      counted: false,
    });
  return { ticks, beats };
}

/** The chords that sound in a run, each struck again with every bar. */
function chordsIn(song: Song, { from, to }: Run) {
  const starts = barStarts(song).filter((at) => at > from && at < to);
  const changes = song.chords.map(({ at }) => at).filter((at) => at > from && at < to);
  const cuts = [...new Set([from, ...starts, ...changes])].sort((a, b) => a - b);
  return cuts.flatMap((at, i) => {
    const symbol = holdingAt(song.chords, at)?.symbol;
    const { tonic } = holdingAt(song.keys, at) ?? song.keys[0]!;
    const pitches = symbol === undefined ? [] : chordPitches(symbol, tonic);
    return pitches.length === 0 ? [] : [{ at, length: (cuts[i + 1] ?? to) - at, pitches }];
  });
}

/** The bass of a chord below C3 and its tones round middle C; empty for what is no chord. */
export function chordPitches(symbol: string, tonic: NoteName): readonly Pitch[] {
  const chord = parseChord(symbol, tonic);
  if (!chord.ok || !chord.value.root) return [];
  const { tones } = chord.value;
  const home = notePitchClass(tonic);
  const named = symbol.split('/')[1];
  const bass = named === undefined ? undefined : parseChord(named, tonic);
  const low = bass?.ok ? bass.value.tones[0] : undefined;
  return [
    36 + pitchClass(home + (low ?? tones[0]!)),
    ...tones.map((tone) => 54 + pitchClass(home + tone - 54)),
  ];
}

/** Whether there is anything to be heard under the melody. */
export function hasChords(song: Song): boolean {
  const { tonic } = song.keys[0]!;
  return song.chords.some(({ symbol }) => chordPitches(symbol, tonic).length > 0);
}

/** Whether taking repeats makes a difference. */
export function hasRepeats(song: Song): boolean {
  const order = played({ ...song, parts: [] }).bars;
  return order.length !== onceThrough(song).length;
}
